package verisonus.core.perform;

import java.util.OptionalInt;
import verisonus.core.plan.Repeats;
import verisonus.core.rig.Block;
import verisonus.core.rig.ControlNames;
import verisonus.core.rig.GearKind;
import verisonus.core.rig.MixLaw;

/** How long does a block ring on after the last note? */
public final class Ringing {
    /** Repeats that never end are counted as a minute. */
    private static final double ENDLESS_S = 60;
    private static final double DECAY_DB = 60;

    private Ringing() {}

    /** Until it is 40 dB under the note, s; 0 for what is off or does not ring. */
    public static double seconds(Block b) {
        boolean rings = b.model().kind() == GearKind.ECHO || b.model().kind() == GearKind.REVERB;
        if (!b.on() || !rings || b.get(ControlNames.MIX) <= 0) return 0;
        double level = MixLaw.of(b).wetDb(b.get(ControlNames.MIX));
        if (b.model().kind() == GearKind.REVERB)
            return b.get(ControlNames.DECAY) * Math.clamp((level - Repeats.DEFAULT_FLOOR_DB) / DECAY_DB, 0, 1);
        OptionalInt n = new Repeats(level, Repeats.DEFAULT_FLOOR_DB).audible(b.get(ControlNames.FEEDBACK));
        return n.isEmpty() ? ENDLESS_S : n.getAsInt() * b.get(ControlNames.TIME) / 1000;
    }
}
