package verisonus.desktop.derive;

import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import verisonus.core.rig.Block;
import verisonus.core.rig.Control;
import verisonus.core.rig.ControlNames;
import verisonus.core.rig.Rig;
import verisonus.core.rig.Tone;

/** A tone in one line, in the player's own scales: what makes it first, loudspeaker and microphone by name alone. */
final class SoFarWords {
    private static final Set<String> FIRST = Set.of(ControlNames.GAIN, ControlNames.DRIVE, ControlNames.BASS,
            ControlNames.MID, ControlNames.TREBLE);

    private SoFarWords() {}

    static String of(Tone tone, Rig rig) {
        List<String> out = new ArrayList<>();
        for (Block b : tone.blocks()) {
            if (!b.on()) continue;
            List<String> settings = new ArrayList<>();
            for (Control c : b.model().turnable())
                if (FIRST.contains(c.name()))
                    settings.add(rig.label(b, c.name()) + " " + rig.display(b.model(), c, b.get(c.name())));
            out.add(settings.isEmpty()
                    ? b.model().name()
                    : b.model().name() + " (" + String.join(", ", settings) + ")");
        }
        return String.join(", ", out);
    }
}
