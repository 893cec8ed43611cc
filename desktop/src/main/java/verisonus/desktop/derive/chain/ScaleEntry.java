package verisonus.desktop.derive.chain;

import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import verisonus.core.rig.Block;
import verisonus.core.rig.Control;
import verisonus.core.rig.DeviceScale;
import verisonus.core.rig.Face;
import verisonus.core.rig.Model;
import verisonus.core.rig.Rig;
import verisonus.core.rig.Unit;

/**
 * Understands a typed setting in the scale of the player's own device, or in another that says what it is: "5.2", "52 %", "13:30",
 * "half past two", "1.2 k", "1k5", "−6 dB".
 *
 * @param value in the control's own unit; empty where the text is none or lies outside the scale
 * @param fault why there is none, for the player; empty where there is one
 */
public record ScaleEntry(OptionalDouble value, String fault) {
    private static final Pattern CLOCK = Pattern.compile("(\\d{1,2})[:h](\\d{2})");
    private static final Pattern WORDS = Pattern
            .compile("(?:(half past|quarter past|quarter to) )?(\\w+)(?: o'?clock)?");
    private static final Pattern BETWEEN = Pattern.compile("(\\d+)k(\\d+)");
    private static final Pattern NUMBER = Pattern.compile("([+-]?\\d+(?:[.,]\\d+)?)\\s*(k|%|khz|hz|ms|s|db|cm)?");
    private static final List<String> HOURS = List.of("twelve", "one", "two", "three", "four", "five", "six", "seven",
            "eight", "nine", "ten", "eleven");

    /** Reads what was typed for a control of a device with this scale. */
    public static ScaleEntry read(String text, Control control, DeviceScale scale) {
        String t = text.strip().toLowerCase(Locale.ROOT).replace('−', '-');
        Optional<Double> found = control.unit().equals("0-10")
                ? clock(t).or(() -> words(t)).or(() -> onKnob(t, scale))
                : measured(t, control);
        if (found.isEmpty())
            return new ScaleEntry(OptionalDouble.empty(), "no setting can be read from \"" + text + "\"");
        double v = found.get();
        double slack = 1e-6 * (control.maximum() - control.minimum());
        if (v < control.minimum() - slack || v > control.maximum() + slack)
            return new ScaleEntry(OptionalDouble.empty(), "it goes from " + scale.display(control, control.minimum())
                    + " to " + scale.display(control, control.maximum()));
        return new ScaleEntry(OptionalDouble.of(control.clamp(v)), "");
    }

    /** The same of a block on the player's own gear: a device that turns in its own way is read as it stands. */
    public static ScaleEntry read(String text, Block block, Control control, Rig rig) {
        Model model = block.model();
        Optional<Unit.Reading> own = rig.reading(model, control);
        if (own.isPresent()) return onFace(text, control, own.get());
        if (!control.unit().equals("0-10") || rig.unit(model.name()).isEmpty())
            return read(text, control, rig.scale(model));
        Control track = block.model().control(control.name()).ofDevice(rig.position(model, control, control.minimum()),
                rig.position(model, control, control.maximum()));
        ScaleEntry typed = read(text, track, rig.scale(model));
        return typed.value.isEmpty()
                ? typed
                : new ScaleEntry(OptionalDouble.of(rig.valueAt(model, control, typed.value.getAsDouble())), "");
    }

    /** As the device shows it, or, with its unit, in the model's own. */
    private static ScaleEntry onFace(String text, Control control, Unit.Reading own) {
        Face face = own.dial().face();
        OptionalDouble mark = face.read(text);
        if (mark.isPresent())
            return new ScaleEntry(OptionalDouble.of(control.clamp(own.value(mark.getAsDouble()))), "");
        return new ScaleEntry(OptionalDouble.empty(), "it goes from " + face.ends());
    }

    private static Optional<Double> clock(String t) {
        Matcher m = CLOCK.matcher(t);
        if (!m.matches() || Integer.parseInt(m.group(2)) > 59) return Optional.empty();
        return Optional.of(turned(Integer.parseInt(m.group(1)) + Integer.parseInt(m.group(2)) / 60.0));
    }

    private static Optional<Double> words(String t) {
        if (t.equals("noon")) return Optional.of(5.0);
        Matcher m = WORDS.matcher(t);
        if (!m.matches()) return Optional.empty();
        boolean said = t.contains("clock") || m.group(1) != null;
        int hour = HOURS.indexOf(m.group(2));
        if (hour < 0 && said && m.group(2).matches("\\d{1,2}")) hour = Integer.parseInt(m.group(2));
        if (hour < 0) return Optional.empty();
        double past = m.group(1) == null ? 0 : switch (m.group(1)) {
            case "half past" -> 0.5;
            case "quarter past" -> 0.25;
            default -> -0.25;
        };
        return Optional.of(turned((hour == 0 ? 12 : hour) + past));
    }

    /** 7:00 is nothing, 17:00, five in the afternoon, is full; one to six are afternoon. */
    private static double turned(double hours) {
        return (hours < 6 ? hours + 12 : hours) - 7;
    }

    private static Optional<Double> onKnob(String t, DeviceScale scale) {
        Matcher m = NUMBER.matcher(t);
        if (!m.matches()) return Optional.empty();
        double v = number(m.group(1));
        if (m.group(2) == null) return Optional.of(scale.valueOf(v));
        return m.group(2).equals("%") ? Optional.of(v / 10) : Optional.empty();
    }

    private static Optional<Double> measured(String text, Control control) {
        // What is shown is what can be typed, whatever the unit.
        String own = control.unit().toLowerCase(Locale.ROOT);
        String t = text.endsWith(own) ? text.substring(0, text.length() - own.length()).strip() : text;
        Matcher between = BETWEEN.matcher(t);
        if (between.matches() && control.unit().equals("Hz"))
            return Optional.of(1000 * number(between.group(1) + "." + between.group(2)));
        Matcher m = NUMBER.matcher(t);
        if (!m.matches()) return Optional.empty();
        double v = number(m.group(1));
        String typed = m.group(2) == null ? "" : m.group(2);
        if (typed.isEmpty()) return Optional.of(v);
        return switch (typed + " for " + own) {
            case "k for hz", "khz for hz", "s for ms" -> Optional.of(1000 * v);
            case "k for kω" -> Optional.of(v);
            case "ms for s" -> Optional.of(v / 1000);
            default -> Optional.empty();
        };
    }

    private static double number(String digits) {
        return Double.parseDouble(digits.replace(',', '.'));
    }
}
