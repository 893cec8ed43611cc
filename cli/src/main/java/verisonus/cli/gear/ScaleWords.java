package verisonus.cli.gear;

import java.util.Arrays;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import verisonus.core.rig.Face;
import verisonus.core.work.InputFault;

/** Scales as typed: "0..10", "-50..50/1", "20..20000 Hz", "7:00..17:00", "vintage|modern". */
final class ScaleWords {
    private static final String NUMBER = "[-−]?\\d+(?:\\.\\d+)?";
    private static final Pattern RULED = Pattern.compile("(" + NUMBER + ")\\.\\.(" + NUMBER + ")(?:/(" + NUMBER
            + "))?(?:\\s*(\\S+))?");
    private static final Pattern CLOCK = Pattern.compile("(\\d{1,2}):(\\d\\d)\\.\\.(\\d{1,2}):(\\d\\d)");

    private ScaleWords() {}

    /** @throws InputFault where it is no scale */
    static Face read(String option, String said) {
        String t = said.strip();
        try {
            if (t.contains("|")) return Face.words(Arrays.stream(t.split("\\|", -1)).map(String::strip).toList());
            Matcher clock = CLOCK.matcher(t);
            if (clock.matches())
                return Face.clock(hours(clock.group(1), clock.group(2)), hours(clock.group(3), clock.group(4)));
            Matcher m = RULED.matcher(t);
            if (m.matches())
                return Face.ruled(number(m.group(1)), number(m.group(2)), m.group(3) == null ? 0 : number(m.group(3)),
                        m.group(4) == null ? "" : m.group(4));
        } catch (IllegalArgumentException e) {
            throw new InputFault(option + " " + said, String.valueOf(e.getMessage()), REMEDY, e);
        }
        throw new InputFault(option + " " + said, "it is no scale", REMEDY);
    }

    private static final String REMEDY = "write it as 0..10, -50..50/1, \"20..20000 Hz\", 7:00..17:00 or \"vintage|modern\"";

    private static double hours(String hour, String minute) {
        return Integer.parseInt(hour) + Integer.parseInt(minute) / 60.0;
    }

    static double number(String typed) {
        return Double.parseDouble(typed.replace('−', '-'));
    }
}
