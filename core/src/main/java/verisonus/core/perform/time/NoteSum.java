package verisonus.core.perform.time;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.stream.Collectors;
import verisonus.core.plan.NoteValue;

/**
 * A length in note values, one or several tied together: "dotted eighth", "quarter + eighth".
 *
 * @param values in the order said; not empty
 */
public record NoteSum(List<NoteValue> values) {
    public static final double SLOWEST_BPM = 20;
    public static final double FASTEST_BPM = 400;
    private static final int MOST = 4;

    public NoteSum {
        values = List.copyOf(values);
        if (values.isEmpty() || values.size() > MOST)
            throw new IllegalArgumentException("a length is made of one to four note values");
    }

    /** @throws IllegalArgumentException where a word is no note value */
    public static NoteSum parse(String words) {
        List<NoteValue> out = new ArrayList<>();
        for (String part : words.toLowerCase(Locale.ROOT).split("\\+", -1)) {
            String name = part.strip().replaceAll("\\s+", " ").replaceAll(" note$", "");
            out.add(NoteValue.ALL.stream().filter(v -> v.name().equals(name)).findFirst()
                    .orElseThrow(() -> new IllegalArgumentException("\"" + part.strip() + "\" is no note value")));
        }
        return new NoteSum(out);
    }

    /** The length that a time is at a tempo: one value where one is near, else two tied; within a share of the time. */
    public static Optional<NoteSum> near(double timeMs, double bpm, double tolerance) {
        Optional<NoteSum> one = NoteValue.near(timeMs, bpm, tolerance).map(v -> new NoteSum(List.of(v)));
        if (one.isPresent()) return one;
        List<NoteSum> two = new ArrayList<>();
        for (NoteValue a : NoteValue.ALL) {
            for (NoteValue b : NoteValue.ALL) {
                boolean plain = !a.name().startsWith("triplet") && !b.name().contains(" ");
                if (plain && b.quarters() < a.quarters() && b.quarters() >= 0.25) two.add(new NoteSum(List.of(a, b)));
            }
        }
        return two.stream().min(Comparator.comparingDouble(s -> Math.abs(s.milliseconds(bpm) - timeMs)))
                .filter(s -> Math.abs(s.milliseconds(bpm) - timeMs) <= tolerance * timeMs);
    }

    public double quarters() {
        return values.stream().mapToDouble(NoteValue::quarters).sum();
    }

    public double milliseconds(double bpm) {
        return values.stream().mapToDouble(v -> v.milliseconds(bpm)).sum();
    }

    public String words() {
        return values.stream().map(NoteValue::name).collect(Collectors.joining(" + "));
    }
}
