package verisonus.core.search;

import java.util.List;
import java.util.stream.Stream;
import verisonus.core.rig.Block;
import verisonus.core.rig.ControlNames;
import verisonus.core.rig.Rig;
import verisonus.core.rig.Tone;

/**
 * A tone that is known to be useful, from which a search may start.
 *
 * @param words what it is good for
 */
public record StartingTone(String words, Tone tone) {
    /** Whether the player has all it needs. */
    public boolean playableOn(Rig rig) {
        return tone.blocks().stream().map(Block::model).distinct()
                .allMatch(m -> rig.counts().getOrDefault(m.name(), 0) >= tone.blocks().stream()
                        .filter(b -> b.model().equals(m)).count());
    }

    /**
     * This tone as the player can set it up: on what is owned, by whatever name, and with each further device of the player's own in its
     * model's place.
     */
    Stream<StartingTone> on(Rig rig) {
        Tone held = tone;
        for (Block b : tone.blocks()) held = held.with(rig.own(b));
        Tone owned = held;
        Stream<StartingTone> own = rig.units().stream().flatMap(u -> tone.blocks().stream()
                .filter(b -> b.model().name().equals(u.base())).limit(1)
                .map(b -> new StartingTone(words, owned.with(b.exchangedFor(u.model())))));
        return Stream.concat(Stream.of(new StartingTone(words, owned)), own.filter(t -> !t.tone.equals(owned)))
                .filter(t -> t.playableOn(rig));
    }

    /** What differs in a tone that came of it, block by block, in the player's own scales. */
    public List<String> changesIn(Tone derived, Rig rig) {
        List<String> out = new java.util.ArrayList<>();
        for (Block now : derived.blocks()) {
            if (!now.on()) continue;
            var before = tone.first(now.model().kind());
            if (before.isEmpty()) {
                out.add(now.model().name() + " added");
            } else if (!before.get().model().equals(now.model())) {
                out.add(now.model().name() + " for " + before.get().model().name());
            } else {
                changes(before.get(), now, rig, out);
            }
        }
        for (Block was : tone.blocks()) {
            if (derived.blocks().stream().noneMatch(b -> b.on() && b.model().kind() == was.model().kind()))
                out.add(was.model().name() + " left out");
        }
        return out;
    }

    private static void changes(Block before, Block now, Rig rig, List<String> out) {
        for (var c : now.model().turnable()) {
            double was = before.get(c.name());
            double is = now.get(c.name());
            // Loudness is matched anyway, and a hair's breadth is no change.
            if (c.name().equals(ControlNames.LEVEL) || Math.abs(c.position(is) - c.position(was)) < 0.04) continue;
            out.add(now.model().kind().word() + " " + c.name() + " " + rig.display(now.model(), c, was) + " → "
                    + rig.display(now.model(), c, is));
        }
    }
}
