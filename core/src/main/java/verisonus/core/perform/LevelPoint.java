package verisonus.core.perform;

import java.util.ArrayList;
import java.util.List;
import verisonus.core.rig.Block;
import verisonus.core.rig.ControlNames;
import verisonus.core.rig.ControlPlace;
import verisonus.core.rig.GearKind;
import verisonus.core.rig.Tone;
import verisonus.core.rig.Voice;

/** Where can a tone be made louder without another colour? Only behind all that clips, at a control in decibels. */
public final class LevelPoint {
    private static final String ADDED = "volume";

    private LevelPoint() {}

    /** Every such place, what a foot reaches most easily first: a volume, an equalizer, a microphone's channel. */
    public static List<ControlPlace> all(Tone tone) {
        List<ControlPlace> volumes = new ArrayList<>();
        List<ControlPlace> equalizers = new ArrayList<>();
        List<ControlPlace> channels = new ArrayList<>();
        List<Block> main = tone.main();
        for (int i = main.size() - 1; i >= 0; i--) {
            Block b = main.get(i);
            if (!b.on()) continue;
            if (b.model().kind() == GearKind.AMP || b.model().kind() == GearKind.DRIVE) break;
            if (b.model().find(ControlNames.LEVEL).filter(c -> c.unit().equals("dB")).isEmpty()) continue;
            ControlPlace p = ControlPlace.of(b, ControlNames.LEVEL);
            if (b.model().voice() == Voice.Utility.VOLUME) volumes.add(p);
            else if (b.model().kind() == GearKind.EQUALIZER) equalizers.add(p);
            else if (b.model().kind() == GearKind.MICROPHONE) channels.add(p);
        }
        volumes.addAll(equalizers);
        volumes.addAll(channels);
        return volumes;
    }

    /** The tone with such a place: as it is where it has one, else with a volume at its end. */
    public static Tone having(Tone tone) {
        return all(tone).isEmpty() ? tone.inserted(Block.of(ADDED).named(ADDED), tone.blocks().size()) : tone;
    }

    /** Whether a control makes what comes behind all that clips louder, and only that. */
    public static boolean isOne(Tone tone, ControlPlace place) {
        return all(tone).contains(place);
    }
}
