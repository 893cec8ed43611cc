package verisonus.core.travel.trim;

import verisonus.core.rig.Block;
import verisonus.core.rig.GearKind;
import verisonus.core.rig.Tone;
import verisonus.core.travel.system.PlaybackSystem;

/** Is there exactly one guitar cabinet between an amp and the listener? */
public enum CabinetCheck {
    ONE(""),
    TWICE("a simulated cabinet plays into a real one: dull and boxy; switch the simulated one off"),
    NONE("no cabinet anywhere behind the amp: harsh above 5 kHz; put one in");

    private final String words;

    CabinetCheck(String words) {
        this.words = words;
    }

    /** What is wrong and what to do; empty where nothing is. */
    public String words() {
        return words;
    }

    public static CabinetCheck of(Tone tone, PlaybackSystem system) {
        boolean amp = tone.blocks().stream().anyMatch(b -> b.on() && b.model().kind() == GearKind.AMP);
        boolean cabinet = tone.blocks().stream().filter(Block::on).anyMatch(
                b -> b.model().kind() == GearKind.CABINET);
        if (cabinet && system.guitarCabinet()) return TWICE;
        return amp && !cabinet && !system.guitarCabinet() ? NONE : ONE;
    }
}
