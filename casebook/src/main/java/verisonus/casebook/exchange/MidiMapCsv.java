package verisonus.casebook.exchange;

import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import verisonus.core.plan.MidiMap;
import verisonus.core.rig.ControlPlace;
import verisonus.core.work.InputFault;

/** A player's map of control changes: {@code block,control,controller[,channel[,low,high]]}, a setting a line. */
public final class MidiMapCsv {
    private static final String REMEDY = "give lines such as amp,gain,20,1,0,127: block, control, controller, channel, lowest, highest";

    private MidiMapCsv() {}

    /** @throws InputFault naming the line that is wrong */
    public static MidiMap read(Path file) {
        return parse(file.toString(), CsvText.read(file));
    }

    static MidiMap parse(String name, String text) {
        List<MidiMap.Line> lines = new ArrayList<>();
        for (CsvText.Row r : CsvText.rows(name, text)) {
            List<String> c = r.cells();
            if (lines.isEmpty() && c.get(0).toLowerCase(Locale.ROOT).equals("block")) continue;
            if (c.size() < 3 || c.get(0).isEmpty() || c.get(1).isEmpty())
                throw new InputFault(name, "line " + r.line() + " names no block, control and controller", REMEDY);
            try {
                lines.add(new MidiMap.Line(new ControlPlace(c.get(0), c.get(1)), number(name, r, 3, 1),
                        number(name, r, 2, 0), number(name, r, 4, 0), number(name, r, 5, 127)));
            } catch (IllegalArgumentException e) {
                throw new InputFault(name, "line " + r.line() + ": " + e.getMessage(), REMEDY, e);
            }
        }
        if (lines.isEmpty()) throw new InputFault(name, "it maps nothing", REMEDY);
        try {
            return new MidiMap(lines);
        } catch (IllegalArgumentException e) {
            throw new InputFault(name, String.valueOf(e.getMessage()), "give each its own", e);
        }
    }

    private static int number(String name, CsvText.Row r, int at, int otherwise) {
        if (r.cells().size() <= at || r.cells().get(at).isEmpty()) return otherwise;
        try {
            return Integer.parseInt(r.cells().get(at));
        } catch (NumberFormatException e) {
            throw new InputFault(name, "line " + r.line() + ": \"" + r.cells().get(at) + "\" is no whole number",
                    REMEDY,
                    e);
        }
    }
}
