package verisonus.core.rig;

import java.math.BigDecimal;
import java.math.MathContext;
import java.util.List;
import java.util.Locale;
import verisonus.core.work.Figures;

/**
 * One control of a model. Values are numbers in the control's unit; a control with choices holds the index of one.
 *
 * @param name as the settings of a tone name it
 * @param unit "0-10", "%", "ms", "s", "Hz", "dB", "cm", "Q" or "choice"
 * @param minimum smallest value
 * @param maximum largest value
 * @param defaultValue the neutral start
 * @param choices names by index; empty for a number
 * @param about what it does, which way it turns, what to listen for
 * @param taper how its track divides what it does
 * @param moves the attribute of the sound that it moves first
 * @param rare whether it is shown only where it has been moved
 */
public record Control(String name, String unit, double minimum, double maximum, double defaultValue,
        List<String> choices, String about, Taper taper, Attribute moves, boolean rare) {
    /** How a control's track divides what it does. */
    public enum Taper {
        /** Equal turns do equal things. */
        LINEAR,
        /** Equal turns multiply alike, as loudness and frequency are heard. */
        AUDIO,
        /** Turning up does less: the control runs backwards. */
        REVERSED;

        public String word() {
            return name().toLowerCase(Locale.ROOT);
        }
    }

    /** What a control moves first, in the words of the gap ledger. */
    public enum Attribute {
        LOUDNESS,
        SATURATION,
        DYNAMICS,
        FEEL,
        LOWS,
        MIDDLE,
        HIGHS,
        COLOUR,
        TIME,
        SPACE,
        MOVEMENT,
        WIDTH,
        NOISE;

        public String word() {
            return name().toLowerCase(Locale.ROOT);
        }
    }

    private static final String KNOB = "0-10";
    /** A control always has a range; of one that is not there it is this much to either side. */
    private static final double FIXED = 1e-3;
    private static final MathContext THREE_DIGITS = new MathContext(3);

    public Control {
        choices = List.copyOf(choices);
        if (!(minimum < maximum && defaultValue >= minimum && defaultValue <= maximum)) {
            throw new IllegalArgumentException(name + ": " + minimum + " to " + maximum + ", default " + defaultValue);
        }
    }

    /** A knob from 0 to 10. */
    static Control knob(String name, double defaultValue, Attribute moves, String about) {
        return new Control(name, KNOB, 0, 10, defaultValue, List.of(), about, Taper.LINEAR, moves, false);
    }

    /** A number in a unit; wide spans of positive numbers count on a logarithmic scale. */
    static Control number(String name, String unit, Range range, Attribute moves, String about) {
        Taper taper = range.minimum > 0 && range.maximum / range.minimum >= 20 ? Taper.AUDIO : Taper.LINEAR;
        return new Control(name, unit, range.minimum, range.maximum, range.start, List.of(), about, taper, moves,
                false);
    }

    static Control choice(String name, List<String> choices, Attribute moves, String about) {
        return new Control(name, "choice", 0, choices.size() - 1.0, 0, choices, about, Taper.LINEAR, moves, false);
    }

    /** From, to, and where it starts. */
    record Range(double minimum, double maximum, double start) {
        static Range of(double minimum, double maximum, double start) {
            return new Range(minimum, maximum, start);
        }
    }

    Control tapered(Taper other) {
        return new Control(name, unit, minimum, maximum, defaultValue, choices, about, other, moves, rare);
    }

    /** The same control with another start. */
    Control from(double start) {
        return new Control(name, unit, minimum, maximum, start, choices, about, taper, moves, rare);
    }

    /** The same control, shown only where it has been moved. */
    Control seldom() {
        return new Control(name, unit, minimum, maximum, defaultValue, choices, about, taper, moves, true);
    }

    /** The same control on a device on which it goes less far; where both ends are one, {@link #isFixed}. */
    Control within(double from, double to) {
        if (!(from <= to && from >= minimum && to <= maximum))
            throw new IllegalArgumentException(
                    name + " from " + from + " to " + to + " of " + minimum + " to " + maximum);
        double low = to - from < 2 * FIXED ? Math.max(minimum, from - FIXED) : from;
        double high = to - from < 2 * FIXED ? Math.min(maximum, to + FIXED) : to;
        return new Control(name, unit, low, high, Math.clamp(from == to ? from : defaultValue, low, high), choices,
                about,
                taper, moves, rare);
    }

    /** The same control as a device's own track shows it, from its lowest useful position to its highest. */
    public Control ofDevice(double from, double to) {
        return new Control(name, unit, from, Math.max(to, from + 3 * FIXED), from, choices, about, taper, moves, rare);
    }

    /** Whether a device does not have it: it stands where it stands, nobody turns it and no sheet names it. */
    public boolean isFixed() {
        return maximum - minimum < 3 * FIXED;
    }

    public boolean isChoice() { return !choices.isEmpty(); }

    public double clamp(double value) {
        return Math.clamp(value, minimum, maximum);
    }

    /** Share of the way from smallest to largest. Frequencies and times count on a logarithmic scale. */
    public double position(double value) {
        if (logarithmic()) return Math.log(clamp(value) / minimum) / Math.log(maximum / minimum);
        return (clamp(value) - minimum) / (maximum - minimum);
    }

    /** Inverse of {@link #position}. */
    public double valueAt(double position) {
        double p = Math.clamp(position, 0, 1);
        return logarithmic() ? minimum * Math.pow(maximum / minimum, p) : minimum + p * (maximum - minimum);
    }

    /** An audio taper stays one on a device that goes less far; the figures of a bare knob are places on its track already. */
    private boolean logarithmic() {
        return minimum > 0 && taper == Taper.AUDIO && !unit.equals(KNOB);
    }

    /** The value as a person reads it, with its unit where it has one. */
    public String display(double value) {
        if (isChoice()) return choices.get((int) Math.round(value));
        return switch (unit) {
            case KNOB -> Figures.of("%.1f", value);
            case "Q" -> Figures.of("%.2f", value);
            case "dB" -> Figures.read("%+.1f dB", value);
            case "Hz" -> value < 1000
                    ? Figures.of(value < 10 ? "%.2f Hz" : "%.0f Hz", value)
                    : BigDecimal.valueOf(value / 1000).round(THREE_DIGITS).stripTrailingZeros().toPlainString()
                            + " kHz";
            case "s" -> Figures.of("%.2f s", value);
            case "ms" -> Figures.of(value < 20 ? "%.1f ms" : "%.0f ms", value);
            default -> Figures.of("%.0f %s", value, unit);
        };
    }
}
