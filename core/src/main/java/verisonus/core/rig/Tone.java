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
 */
public record Tone(String name, List<Block> blocks) {
    public Tone {
        blocks = List.copyOf(blocks);
        Set<String> ids = new HashSet<>();
        for (Block b : blocks)
            if (!ids.add(b.id())) throw new IllegalArgumentException("two blocks are called " + b.id());
    }

    public Optional<Block> find(String id) {
        return blocks.stream().filter(b -> b.id().equals(id)).findFirst();
    }

    public Optional<Block> first(Kind kind) {
        return blocks.stream().filter(b -> b.model().kind() == kind).findFirst();
    }

    /** The same tone with the block of the same id replaced. */
    public Tone with(Block changed) {
        List<Block> next = new ArrayList<>();
        for (Block b : blocks) next.add(b.id().equals(changed.id()) ? changed : b);
        return new Tone(name, next);
    }

    public Tone named(String newName) {
        return new Tone(newName, blocks);
    }
}
