package verisonus.core.rig;

import java.util.Arrays;
import java.util.List;
import java.util.OptionalDouble;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.IntStream;
import verisonus.core.work.Figures;

/**
 * What a player's device shows round one control: a ruled range of numbers, the hours of a pointer, or words. A mark is a number on it; of
 * words, their place from 0.
 *
 * @param from mark at which the control is turned all the way down; may be the greater
 * @param to mark at which it is turned all the way up
 * @param step between marks that can be set and read; 0 where it turns freely
 * @param unit written behind a number, such as "ms"; may be empty
 * @param marks words in place of numbers, one a whole step; else empty
 * @param clock whether marks are hours of a pointer, 7 to 17
 */
public record Face(double from, double to, double step, String unit, List<String> marks, boolean clock) {
    private static final String NUMBER = "-?\\d+(?:\\.\\d+)?";
    private static final Pattern RULED = Pattern.compile("(" + NUMBER + ")\\.\\.(" + NUMBER + ")(?:/(" + NUMBER
            + "))?(?:\\s*(\\S+))?");
    private static final Pattern HOURS = Pattern.compile("(\\d{1,2}):(\\d\\d)\\.\\.(\\d{1,2}):(\\d\\d)");
    /** Of a pointer, minutes that can be told by eye, h. */
    private static final double EYE_H = 1 / 12.0;
    /** A free control is read to this share of its track. */
    private static final double FREE = 200;

    public Face {
        marks = List.copyOf(marks);
        if (!Double.isFinite(from) || !Double.isFinite(to) || from == to)
            throw new IllegalArgumentException("a scale needs two ends that differ");
        if (!(step >= 0) || step > Math.abs(to - from))
            throw new IllegalArgumentException("its steps, " + step + ", are wider than the scale");
        if (marks.stream().anyMatch(String::isBlank) || marks.stream().distinct().count() < marks.size())
            throw new IllegalArgumentException("two marks are the same, or one is empty");
    }

    /** Numbers from one end to the other, in steps or freely (0). */
    public static Face ruled(double from, double to, double step, String unit) {
        return new Face(from, to, step, unit, List.of(), false);
    }

    /** A pointer between two hours, such as 7 and 17. */
    public static Face clock(double from, double to) {
        return new Face(from, to, EYE_H, "", List.of(), true);
    }

    /** Words in the order in which they are turned through. @throws IllegalArgumentException where there are fewer than two */
    public static Face words(List<String> marks) {
        if (marks.size() < 2) throw new IllegalArgumentException("a scale of words needs two or more");
        return new Face(0, marks.size() - 1.0, 1, "", marks, false);
    }

    /**
     * A scale as typed: "0..10", "-50..50/1" (steps of 1), "20..20000 Hz", "7:00..17:00", "vintage|modern".
     *
     * @throws IllegalArgumentException in words, where it is none
     */
    public static Face typed(String said) {
        String t = said.strip().replace('−', '-');
        if (t.contains("|")) return words(Arrays.stream(t.split("\\|", -1)).map(String::strip).toList());
        Matcher hours = HOURS.matcher(t);
        if (hours.matches())
            return clock(hour(hours.group(1), hours.group(2)), hour(hours.group(3), hours.group(4)));
        Matcher m = RULED.matcher(t);
        if (!m.matches()) throw new IllegalArgumentException("it is no scale");
        return ruled(Double.parseDouble(m.group(1)), Double.parseDouble(m.group(2)),
                m.group(3) == null ? 0 : Double.parseDouble(m.group(3)), m.group(4) == null ? "" : m.group(4));
    }

    private static double hour(String hour, String minute) {
        return Integer.parseInt(hour) + Integer.parseInt(minute) / 60.0;
    }

    /** As {@link #typed} reads it. */
    public String words() {
        if (!marks.isEmpty()) return String.join("|", marks);
        if (clock) return shown(from) + ".." + shown(to);
        String ends = plain(from) + ".." + plain(to) + (step > 0 ? "/" + plain(step) : "");
        return unit.isEmpty() ? ends : ends + " " + unit;
    }

    static String plain(double v) {
        return v == Math.rint(v) ? String.valueOf((long) v) : String.valueOf(v);
    }

    /** Share of the way, 0 to 1. */
    public double share(double mark) {
        return Math.clamp((mark - from) / (to - from), 0, 1);
    }

    /** The nearest mark that can be set. */
    public double mark(double share) {
        double at = from + Math.clamp(share, 0, 1) * (to - from);
        double by = step > 0 ? step : Math.abs(to - from) / FREE;
        double settable = from + Math.rint((at - from) / by) * by;
        return Math.clamp(settable, Math.min(from, to), Math.max(from, to));
    }

    /** As the device shows it. */
    public String shown(double mark) {
        if (!marks.isEmpty()) return marks.get(Math.clamp((int) Math.rint(mark), 0, marks.size() - 1));
        if (clock) {
            int minutes = (int) Math.rint(mark * 60);
            return Figures.of("%d:%02d", minutes / 60, minutes % 60);
        }
        double by = step > 0 ? step : Math.abs(to - from) / FREE;
        int digits = IntStream.rangeClosed(0, 3).filter(d -> isWhole(by * Math.pow(10, d))).findFirst().orElse(3);
        String number = from < 0 != to < 0 && mark != 0
                ? Figures.read("%+." + digits + "f", mark)
                : Figures.of("%." + digits + "f", mark + 0.0);
        return unit.isEmpty() ? number : number + " " + unit;
    }

    private static boolean isWhole(double v) {
        return Math.abs(v - Math.rint(v)) < 1e-6;
    }

    /** What was typed, as a mark; empty where it is none of the scale's. */
    public OptionalDouble read(String typed) {
        String t = typed.strip().replace('−', '-').replace(',', '.');
        for (int i = 0; i < marks.size(); i++)
            if (marks.get(i).equalsIgnoreCase(t)) return OptionalDouble.of(i);
        if (!marks.isEmpty()) return OptionalDouble.empty();
        if (!unit.isEmpty() && t.endsWith(unit)) t = t.substring(0, t.length() - unit.length()).strip();
        try {
            int colon = t.indexOf(':');
            double mark = clock && colon > 0
                    ? Integer.parseInt(t.substring(0, colon)) + Integer.parseInt(t.substring(colon + 1)) / 60.0
                    : Double.parseDouble(t);
            boolean within = mark >= Math.min(from, to) - 1e-9 && mark <= Math.max(from, to) + 1e-9;
            return within ? OptionalDouble.of(mark) : OptionalDouble.empty();
        } catch (NumberFormatException _) {
            return OptionalDouble.empty();
        }
    }

    /** Its ends, for an error: "7:00 to 17:00". */
    public String ends() {
        return marks.isEmpty() ? shown(from) + " to " + shown(to) : String.join(", ", marks);
    }
}
