package verisonus.core.rig;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;

/**
 * One signal chain with its settings.
 *
 * @param name what the player calls it
 * @param blocks in signal order, ids unique
 * @param routing what does not stand in one line
 */
public record Tone(String name, List<Block> blocks, Routing routing) {
    public Tone {
        blocks = List.copyOf(blocks);
        Set<String> ids = new HashSet<>();
        for (Block b : blocks)
            if (!ids.add(b.id())) throw new IllegalArgumentException("two blocks are called " + b.id());
        routing.check(blocks);
    }

    /** All blocks in one line. */
    public Tone(String name, List<Block> blocks) {
        this(name, blocks, Routing.SERIES);
    }

    public Optional<Block> find(String id) {
        return blocks.stream().filter(b -> b.id().equals(id)).findFirst();
    }

    /** The first block of a kind on the main way. */
    public Optional<Block> first(GearKind kind) {
        return main().stream().filter(b -> b.model().kind() == kind).findFirst();
    }

    /** Blocks of the main way, in order: those in no loop and no branch. */
    public List<Block> main() {
        Set<String> aside = routing.aside();
        return blocks.stream().filter(b -> !aside.contains(b.id())).toList();
    }

    /** The same tone with the block of the same id replaced. */
    public Tone with(Block changed) {
        List<Block> next = new ArrayList<>();
        for (Block b : blocks) next.add(b.id().equals(changed.id()) ? changed : b);
        return new Tone(name, next, routing);
    }

    /** The first of a kind that is on: a rig may hold several amps of which one sounds. */
    public Optional<Block> sounding(GearKind kind) {
        return blocks.stream().filter(b -> b.on() && b.model().kind() == kind).findFirst();
    }

    /**
     * The same tone with echo, space and looper off. How it answers to soft and hard strokes is measured on this: what sounds on
     * between the strokes makes them look alike, as dirt does.
     */
    public Tone withoutTails() {
        Tone out = this;
        for (Block b : blocks) {
            boolean soundsOn = switch (b.model().kind()) {
                case ECHO, REVERB, LOOPER -> true;
                default -> false;
            };
            if (b.on() && soundsOn) out = out.with(b.switched(false));
        }
        return out;
    }

    public Tone named(String newName) {
        return new Tone(newName, blocks, routing);
    }

    public Tone routed(Routing newRouting) {
        return new Tone(name, blocks, newRouting);
    }

    /** With a block put in at a place of the list; its id is made unique. */
    public Tone inserted(Block block, int index) {
        List<Block> next = new ArrayList<>(blocks);
        next.add(Math.clamp(index, 0, next.size()), block.named(freeId(block.id())));
        return new Tone(name, next, routing);
    }

    /** With a block put in behind all whose kind comes before or with its own; its id is made unique. */
    public Tone insertedInOrder(Block block) {
        int at = 0;
        while (at < blocks.size() && blocks.get(at).model().kind().compareTo(block.model().kind()) <= 0) at++;
        return inserted(block, at);
    }

    private String freeId(String wanted) {
        String id = wanted;
        for (int n = 2; find(id).isPresent(); n++) id = wanted + " " + n;
        return id;
    }

    /** Without a block; the routing lets go of it, and of a branch that held nothing else. */
    public Tone without(String id) {
        List<Block> main = main();
        int at = main.stream().map(Block::id).toList().indexOf(id);
        String before = at > 0 ? main.get(at - 1).id() : Branch.INPUT;
        String after = at >= 0 && at + 1 < main.size() ? main.get(at + 1).id() : Branch.OUTPUT;
        List<Block> next = blocks.stream().filter(b -> !b.id().equals(id)).toList();
        boolean ampLeft = next.stream().anyMatch(b -> b.model().kind() == GearKind.AMP);
        List<String> loop = ampLeft ? routing.loop().stream().filter(i -> !i.equals(id)).toList() : List.of();
        return new Tone(name, next, new Routing(loop, routing.branches().stream()
                .filter(b -> !b.blocks().equals(List.of(id)))
                .map(b -> b
                        .between(b.after().equals(id) ? before : b.after(), b.before().equals(id) ? after : b.before())
                        .holding(b.blocks().stream().filter(i -> !i.equals(id)).toList()))
                .toList()));
    }

    /**
     * With a block at another place of the list, in line with the others.
     *
     * @throws IllegalArgumentException where a branch would then come back before it leaves
     */
    public Tone moved(String id, int index) {
        Block block = find(id).orElseThrow();
        List<Block> next = new ArrayList<>(blocks);
        next.remove(block);
        next.add(Math.clamp(index, 0, next.size()), block);
        return new Tone(name, next, routing);
    }
}
