package verisonus.core.plan;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import verisonus.core.rig.Block;
import verisonus.core.rig.Control;
import verisonus.core.rig.Tone;

/**
 * Which control change of a floor unit moves which setting: controls are numbered in the order in which they stand in the tone,
 * from {@value #FIRST} on, leaving out those numbers that MIDI 1.0 gives a meaning of its own (bank select 32, 64 to 69 pedals,
 * 96 to 101 parameters, 120 and above modes). A value from 0 to 127 is its place on the control's track; a choice is its index.
 */
public final class MidiMap {
    private static final int FIRST = 14;
    private static final int LAST = 119;

    /** A setting and the controller that moves it. */
    public record Line(String block, Control control, int controller) {}

    private final List<Line> lines = new ArrayList<>();
    private final int left;

    public MidiMap(Tone tone) {
        int next = FIRST;
        int over = 0;
        for (Block b : tone.blocks()) {
            for (Control c : b.model().controls()) {
                if (c.rare() && b.get(c.name()) == c.defaultValue()) continue;
                while (isReserved(next)) next++;
                if (next > LAST) {
                    over++;
                    continue;
                }
                lines.add(new Line(b.id(), c, next++));
            }
        }
        left = over;
    }

    private static boolean isReserved(int controller) {
        return controller == 32 || controller >= 64 && controller <= 69 || controller >= 96 && controller <= 101;
    }

    public List<Line> lines() {
        return List.copyOf(lines);
    }

    /** Settings for which no controller was left. */
    public int leftOut() {
        return left;
    }

    public Optional<Line> line(int controller) {
        return lines.stream().filter(l -> l.controller() == controller).findFirst();
    }

    /** The value as it is sent, 0 to 127. */
    public static int sent(Control c, double value) {
        if (c.isChoice()) return (int) Math.round(value);
        return (int) Math.round(127 * c.position(value));
    }

    /** What a sent value means. */
    public static double received(Control c, int value) {
        if (c.isChoice()) return Math.clamp(value, 0, c.choices().size() - 1);
        return c.valueAt(value / 127.0);
    }
}
