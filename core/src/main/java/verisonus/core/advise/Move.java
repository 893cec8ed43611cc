package verisonus.core.advise;

import java.util.List;
import java.util.Map;
import verisonus.core.compare.GapAttribute;
import verisonus.core.rig.Block;
import verisonus.core.rig.Rig;
import verisonus.core.rig.Tone;

/**
 * Something that can be done to a tone: one control turned, a few that belong together, or one part exchanged.
 *
 * @param tone the tone with it done
 * @param what in the player's words, without scales
 * @param turned the settings that change
 * @param gainJnd by how much all differences together would fall, JND; negative where they would grow
 * @param rowsJnd how each attribute's audibility would change
 */
public record Move(Tone tone, String what, List<Turn> turned, double gainJnd, Map<GapAttribute, Double> rowsJnd) {
    /** One setting. */
    public record Turn(String block, String control, double from, double to) {}

    public Move {
        turned = List.copyOf(turned);
        rowsJnd = Map.copyOf(rowsJnd);
    }

    /** "amp gain 4.0 → 5.5", in the scales of the player's own devices. */
    public String words(Rig rig) {
        if (turned.isEmpty()) return what;
        List<String> out = new java.util.ArrayList<>();
        for (Turn t : turned) {
            Block b = tone.find(t.block).orElseThrow();
            var c = b.model().control(t.control);
            out.add(b.id() + " " + b.with(t.control, t.from).label(t.control) + " " + rig.display(b.model(), c, t.from)
                    + " → "
                    + rig.display(b.model(), c, t.to));
        }
        return String.join(", ", out);
    }
}
