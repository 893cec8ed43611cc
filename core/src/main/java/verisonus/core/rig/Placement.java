package verisonus.core.rig;

import java.util.ArrayList;
import java.util.List;

/** The four places in which movement, echo or space can sit. */
public enum Placement {
    BEFORE_AMP("before the amp", "what it adds is clipped with the notes"),
    IN_LOOP("in the effects loop",
            "behind the first stages: repeats stay clear, the power stage still holds them"),
    AFTER_MICROPHONE(
            "behind the microphone", "as at the mixing desk: nothing after it changes it"),
    BESIDE(
            "beside, behind the microphone",
            "on a branch of its own: the dry sound is not touched by it");

    private final String words;
    private final String about;

    Placement(String words, String about) {
        this.words = words;
        this.about = about;
    }

    public String words() {
        return words;
    }

    public String about() {
        return about;
    }

    /** Whether a block can be placed so at all. */
    public static boolean suits(Block block) {
        return switch (block.model().kind()) {
            case MODULATION, ECHO, REVERB -> true;
            default -> false;
        };
    }

    /** Where a block sits in a tone. */
    public static Placement of(Tone tone, String id) {
        if (tone.routing().loop().contains(id)) return IN_LOOP;
        if (tone.routing().branches().stream().anyMatch(b -> b.blocks().contains(id))) return BESIDE;
        List<String> ids = tone.main().stream().map(Block::id).toList();
        int amp = tone.first(GearKind.AMP).map(a -> ids.indexOf(a.id())).orElse(-1);
        return ids.indexOf(id) < amp ? BEFORE_AMP : AFTER_MICROPHONE;
    }

    /**
     * The tone with a block in this place, the others as they were. Beside: on a branch from behind the microphone to the end,
     * its dry part killed, as loud as its mix made it.
     *
     * @throws IllegalArgumentException where the tone has no amp and the place needs one
     */
    public Tone in(Tone tone, String id) {
        Block block = tone.find(id).orElseThrow();
        Tone bare = tone.without(id);
        Block series = dry(block, 0);
        List<Block> blocks = new ArrayList<>(bare.blocks());
        int amp = indexOf(blocks, GearKind.AMP);
        if (this == BEFORE_AMP) {
            blocks.add(Math.max(0, amp), series);
            return new Tone(tone.name(), blocks, bare.routing());
        }
        if (this == IN_LOOP) {
            if (amp < 0) throw new IllegalArgumentException("there is no amp whose loop could hold " + id);
            blocks.add(amp + 1, series);
            List<String> loop = new ArrayList<>(bare.routing().loop());
            loop.add(id);
            return new Tone(tone.name(), blocks, new Routing(loop, bare.routing().branches()));
        }
        if (this == AFTER_MICROPHONE) {
            blocks.add(series);
            return new Tone(tone.name(), blocks, bare.routing());
        }
        blocks.add(dry(block, 1));
        List<Branch> branches = new ArrayList<>(bare.routing().branches());
        String after = bare.main().isEmpty() ? Branch.INPUT : bare.main().get(bare.main().size() - 1).id();
        for (Block b : bare.main()) if (b.model().kind() == GearKind.MICROPHONE) after = b.id();
        branches.add(new Branch(id, after, Branch.OUTPUT, List.of(id), 0, 0, false));
        return new Tone(tone.name(), blocks, new Routing(bare.routing().loop(), branches));
    }

    /** Movement has no switch for its dry part; it keeps its mix. */
    private static Block dry(Block block, double killed) {
        if (block.model().find(ControlNames.DRY).filter(Control::isChoice).isPresent())
            return block.with(ControlNames.DRY, killed);
        return block;
    }

    private static int indexOf(List<Block> blocks, GearKind kind) {
        for (int i = 0; i < blocks.size(); i++) if (blocks.get(i).model().kind() == kind) return i;
        return -1;
    }
}
