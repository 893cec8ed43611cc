package verisonus.desktop.derive;

import java.util.Locale;
import java.util.OptionalDouble;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import verisonus.core.rig.Control;

/** Understands a typed setting, also in another scale than the control's own: "5.2", "52 %", "13:30", "1.2 k", "−3". */
final class ScaleEntry {
    private static final Pattern CLOCK = Pattern.compile("(\\d{1,2}):(\\d{2})");
    private static final Pattern NUMBER = Pattern.compile("([+-]?\\d+(?:[.,]\\d+)?)\\s*(k|%|khz|hz|ms|s|db|cm)?");

    private ScaleEntry() {}

    /** The value in the control's own unit, held within its range; empty where the text is none. */
    static OptionalDouble read(String text, Control control) {
        String t = text.strip().toLowerCase(Locale.ROOT).replace('−', '-');
        boolean knob = control.unit().equals("0-10");
        Matcher clock = CLOCK.matcher(t);
        if (knob && clock.matches()) {
            double hours = Integer.parseInt(clock.group(1)) + Integer.parseInt(clock.group(2)) / 60.0;
            // 7:00 is nothing, 17:00 or 5:00 in the afternoon is full; 1:00 to 5:00 are afternoon.
            double share = ((hours < 6 ? hours + 12 : hours) - 7) / 10;
            return OptionalDouble.of(control.clamp(10 * share));
        }
        Matcher number = NUMBER.matcher(t);
        if (!number.matches()) return OptionalDouble.empty();
        double value = Double.parseDouble(number.group(1).replace(',', '.'));
        String unit = number.group(2) == null ? "" : number.group(2);
        return OptionalDouble.of(control.clamp(switch (unit) {
            case "k", "khz" -> value * 1000;
            case "%" -> knob ? value / 10 : value;
            case "s" -> control.unit().equals("ms") ? value * 1000 : value;
            case "ms" -> control.unit().equals("s") ? value / 1000 : value;
            default -> value;
        }));
    }
}
