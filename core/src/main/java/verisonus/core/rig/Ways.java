package verisonus.core.rig;

import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.function.UnaryOperator;

/**
 * The ways that the sound takes through a tone: the main one, the amp's effects loop, and branches, each called by its name.
 * Builds and changes them; a tone that could not be is refused as {@link Routing} refuses it.
 */
public final class Ways {
    public static final String MAIN = "the main way";
    public static final String LOOP = "the effects loop";

    private Ways() {}

    /** The way on which a block stands. */
    public static String of(Tone tone, String id) {
        if (tone.routing().loop().contains(id)) return LOOP;
        return tone.routing().branches().stream().filter(b -> b.blocks().contains(id)).map(Branch::name).findFirst()
                .orElse(MAIN);
    }

    /** Every way there is: the loop where there is an amp to hold it. */
    public static List<String> all(Tone tone) {
        List<String> out = new ArrayList<>(List.of(MAIN));
        if (tone.first(GearKind.AMP).isPresent()) out.add(LOOP);
        tone.routing().branches().forEach(b -> out.add(b.name()));
        return out;
    }

    /**
     * With a block beside another of the main way, on a branch of its own that is called as the block then is.
     *
     * @throws IllegalArgumentException where the other is not on the main way
     */
    public static Tone beside(Tone tone, String id, Block added) {
        List<String> main = mainIds(tone);
        int at = main.indexOf(id);
        if (at < 0) throw new IllegalArgumentException(id + " is not on the main way: nothing can stand beside it");
        String after = at == 0 ? Branch.INPUT : main.get(at - 1);
        String before = at + 1 == main.size() ? Branch.OUTPUT : main.get(at + 1);
        int place = tone.blocks().indexOf(tone.find(id).orElseThrow()) + 1;
        Tone held = tone.inserted(added, place);
        String own = held.blocks().get(place).id();
        List<Branch> branches = new ArrayList<>(tone.routing().branches());
        branches.add(new Branch(own, after, before, List.of(own), 0, 0, false));
        return new Tone(tone.name(), held.blocks(), new Routing(tone.routing().loop(), branches));
    }

    /**
     * With blocks put in at the end of a branch.
     *
     * @throws IllegalArgumentException where there is no such branch
     */
    public static Tone appended(Tone tone, String branch, Block added) {
        int place = tone.blocks().size();
        List<Block> blocks = new ArrayList<>(tone.inserted(added, place).blocks());
        return joined(tone.name(), blocks, tone.routing(), blocks.get(place).id(), branch);
    }

    /** With a block on another way, at its end; on the main way it stands where the list of blocks has it. */
    public static Tone put(Tone tone, String id, String way) {
        if (of(tone, id).equals(way)) return tone;
        Block block = tone.find(id).orElseThrow();
        Tone bare = tone.without(id);
        List<Block> blocks = new ArrayList<>(bare.blocks());
        blocks.add(tone.blocks().indexOf(block), block);
        return joined(tone.name(), blocks, bare.routing(), id, way);
    }

    private static Tone joined(String name, List<Block> blocks, Routing routing, String id, String way) {
        List<String> loop = new ArrayList<>(routing.loop());
        List<Branch> branches = new ArrayList<>();
        boolean found = way.equals(MAIN) || way.equals(LOOP);
        if (way.equals(LOOP)) loop.add(id);
        for (Branch b : routing.branches()) {
            boolean to = b.name().equals(way);
            found |= to;
            List<String> ids = new ArrayList<>(b.blocks());
            if (to) ids.add(id);
            branches.add(b.holding(ids));
        }
        if (!found) throw new IllegalArgumentException("there is no way called " + way);
        return new Tone(name, blocks, new Routing(loop, branches));
    }

    /** With a branch changed; it keeps its name and its blocks. */
    public static Tone changed(Tone tone, String branch, UnaryOperator<Branch> change) {
        return tone.routed(new Routing(tone.routing().loop(), tone.routing().branches().stream()
                .map(b -> b.name().equals(branch) ? change.apply(b) : b).toList()));
    }

    /** Without a branch and all that stands on it. */
    public static Tone without(Tone tone, String branch) {
        Tone out = tone;
        for (Branch b : tone.routing().branches()) {
            if (!b.name().equals(branch)) continue;
            for (String id : b.blocks()) out = out.without(id);
        }
        return out;
    }

    /** With a block one place earlier (−1) or later (1) on the way on which it stands; at the end of it, as it was. */
    public static Tone shifted(Tone tone, String id, int by) {
        String way = of(tone, id);
        if (way.equals(MAIN)) {
            List<String> main = mainIds(tone);
            int to = main.indexOf(id) + by;
            if (to < 0 || to >= main.size()) return tone;
            return tone.moved(id, tone.blocks().indexOf(tone.find(main.get(to)).orElseThrow()));
        }
        if (way.equals(LOOP)) {
            return tone.routed(new Routing(swapped(tone.routing().loop(), id, by), tone.routing().branches()));
        }
        return changed(tone, way, b -> b.holding(swapped(b.blocks(), id, by)));
    }

    /** With a block directly before another, on the way on which that one stands. */
    public static Tone before(Tone tone, String id, String other) {
        if (id.equals(other)) return tone;
        String way = of(tone, other);
        Tone there = put(tone, id, way);
        if (way.equals(MAIN)) {
            List<String> ids = there.blocks().stream().map(Block::id).toList();
            int to = ids.indexOf(other);
            return there.moved(id, ids.indexOf(id) < to ? to - 1 : to);
        }
        if (way.equals(LOOP)) {
            return there.routed(new Routing(placed(there.routing().loop(), id, other), there.routing().branches()));
        }
        return changed(there, way, b -> b.holding(placed(b.blocks(), id, other)));
    }

    private static List<String> placed(List<String> ids, String id, String before) {
        List<String> out = new ArrayList<>(ids);
        out.remove(id);
        out.add(out.indexOf(before), id);
        return out;
    }

    private static List<String> swapped(List<String> ids, String id, int by) {
        List<String> out = new ArrayList<>(ids);
        int at = out.indexOf(id);
        if (at + by >= 0 && at + by < out.size()) Collections.swap(out, at, at + by);
        return out;
    }

    private static List<String> mainIds(Tone tone) {
        return tone.main().stream().map(Block::id).toList();
    }
}
