package verisonus.desktop.derive.chain;

import java.util.List;
import verisonus.core.rig.Block;
import verisonus.core.rig.GearKind;
import verisonus.core.rig.Tone;

/** What a listener notices of a block, by where it stands: before the clipping it changes the bite, in it the dirt, after it the colour or the space. */
enum ChainPart {
    BEFORE("before it clips: how it bites and how even it is"),
    CLIPS("where it clips: dirt and touch"),
    COLOUR("after it: colour"),
    AROUND("around it: movement, echo, space");

    private final String words;

    ChainPart(String words) {
        this.words = words;
    }

    String words() {
        return words;
    }

    static ChainPart of(Tone tone, Block block) {
        GearKind kind = block.model().kind();
        if (clips(kind)) return CLIPS;
        List<Block> main = tone.main();
        int at = main.indexOf(block);
        boolean clippedLater = at >= 0 && main.subList(at, main.size()).stream().anyMatch(b -> clips(b.model().kind()));
        if (clippedLater) return BEFORE;
        return switch (kind) {
            case MODULATION, ECHO, REVERB, LOOPER -> AROUND;
            default -> COLOUR;
        };
    }

    private static boolean clips(GearKind kind) {
        return kind == GearKind.DRIVE || kind == GearKind.AMP;
    }
}
