package verisonus.core.rig;

import java.util.HashSet;
import java.util.List;
import java.util.Set;

/**
 * What does not stand in one line.
 *
 * @param loop ids of blocks that sit in the amp's effects loop, between its first stages and its power stage, in order
 * @param branches ways beside the main one
 */
public record Routing(List<String> loop, List<Branch> branches) {
    public static final Routing SERIES = new Routing(List.of(), List.of());

    public Routing {
        loop = List.copyOf(loop);
        branches = List.copyOf(branches);
    }

    /** Ids of blocks that are in no place of the main line. */
    Set<String> aside() {
        Set<String> out = new HashSet<>(loop);
        for (Branch b : branches) out.addAll(b.blocks());
        return out;
    }

    /** @throws IllegalArgumentException where it names a block that is not there, one twice, or a way back before its start */
    void check(List<Block> blocks) {
        List<String> ids = blocks.stream().map(Block::id).toList();
        Set<String> seen = new HashSet<>();
        for (String id : loop) place(id, ids, seen);
        for (Branch b : branches) for (String id : b.blocks()) place(id, ids, seen);
        Set<String> aside = aside();
        for (Block b : blocks) {
            if (aside.contains(b.id()) && b.model().voice() == Voice.Utility.DOUBLER) {
                throw new IllegalArgumentException("a doubler stands in the main line, where the second take comes in");
            }
        }
        List<String> main = ids.stream().filter(id -> !aside.contains(id)).toList();
        if (!loop.isEmpty()
                && blocks.stream().noneMatch(b -> b.model().kind() == GearKind.AMP && main.contains(b.id()))) {
            throw new IllegalArgumentException("there is an effects loop but no amp to hold it");
        }
        for (Branch b : branches) {
            int from = b.after().equals(Branch.INPUT) ? -1 : main.indexOf(b.after());
            int to = b.before().equals(Branch.OUTPUT) ? main.size() : main.indexOf(b.before());
            if (from < 0 && !b.after().equals(Branch.INPUT) || to < 0 || to <= from) {
                throw new IllegalArgumentException(b.name() + " cannot leave after " + b.after()
                        + " and come back before " + b.before());
            }
        }
    }

    private static void place(String id, List<String> ids, Set<String> seen) {
        if (!ids.contains(id)) throw new IllegalArgumentException("the routing names " + id + ", which is not there");
        if (!seen.add(id)) throw new IllegalArgumentException("the routing puts " + id + " in two places");
    }
}
