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
    public Optional<Block> first(Kind kind) {
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

    public Tone named(String newName) {
        return new Tone(newName, blocks, routing);
    }

    public Tone routed(Routing newRouting) {
        return new Tone(name, blocks, newRouting);
    }
}
