package verisonus.core.search.place;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.concurrent.Callable;
import java.util.concurrent.ExecutorService;
import java.util.function.ToDoubleFunction;
import verisonus.core.rig.Block;
import verisonus.core.rig.ControlNames;
import verisonus.core.rig.GearKind;
import verisonus.core.rig.MixLaw;
import verisonus.core.rig.Placement;
import verisonus.core.rig.Tone;
import verisonus.core.work.Parallel;

/**
 * Where one effect of a tone sits, by playing through it: behind the microphone, in the amp's loop, before the amp. What stands before a
 * clipper is held down and thickened with the notes, so there the effect is tried in smaller amounts as well. It leaves its place only
 * for one that comes clearly nearer: on another guitar most effects sound alike in all three, and only a loud space or loud repeats into
 * a driven amp give their place away.
 *
 * @param tone with the effect in the nearest place
 * @param place that place
 * @param others the other places with their best amounts, the nearest first
 */
public record PlaceTrial(Tone tone, Placement place, List<Tried> others) {
    private static final double[] SOFTER_DB = {0, -5, -10, -15};
    /** Nearer by less than this share of the distance is chance: of 14 effects behind another chain none came as near before the amp. */
    private static final double CLEARLY = 0.05;
    private static final List<Placement> PLACES = List.of(Placement.AFTER_MICROPHONE, Placement.IN_LOOP,
            Placement.BEFORE_AMP);

    /**
     * One place.
     *
     * @param furtherDb how much further from the record than the chosen place, dB; below 0 where it is a little nearer
     */
    public record Tried(Placement place, double furtherDb) {}

    private record Heard(Placement place, Tone tone, double distance) {}

    public PlaceTrial {
        others = List.copyOf(others);
    }

    /**
     * Tries the places.
     *
     * @param tone has an amp; the effect in it sits where it was read, as loud as it was read
     * @param distance of a tone from the record, above 0, without unit
     */
    public static PlaceTrial of(Tone tone, String effect, ToDoubleFunction<Tone> distance, ExecutorService workers) {
        Placement now = Placement.of(tone, effect);
        List<Callable<Heard>> work = new ArrayList<>();
        for (Placement p : PLACES) {
            Tone there = p == now ? tone : p.in(tone, effect);
            for (Block b : amounts(there.find(effect).orElseThrow(), p != now && p == Placement.BEFORE_AMP)) {
                Tone t = there.with(b);
                work.add(() -> new Heard(p, t, distance.applyAsDouble(t)));
            }
        }
        List<Heard> best = new ArrayList<>();
        Parallel.all(work, workers).stream().sorted(Comparator.comparingDouble(Heard::distance))
                .filter(h -> best.stream().noneMatch(o -> o.place == h.place)).forEach(best::add);
        Heard stays = best.stream().filter(h -> h.place == now).findFirst().orElseThrow();
        Heard chosen = best.get(0).distance < (1 - CLEARLY) * stays.distance ? best.get(0) : stays;
        return new PlaceTrial(chosen.tone, chosen.place, best.stream().filter(h -> h != chosen)
                .map(h -> new Tried(h.place, 20 * Math.log10(h.distance / chosen.distance))).toList());
    }

    private static List<Block> amounts(Block b, boolean softer) {
        boolean mixed = b.model().find(ControlNames.MIX).isPresent() && b.model().kind() != GearKind.MODULATION;
        if (!softer || !mixed) return List.of(b);
        List<Block> out = new ArrayList<>();
        double db = MixLaw.of(b).wetDb(b.get(ControlNames.MIX));
        for (double by : SOFTER_DB)
            out.add(b.with(ControlNames.MIX, Math.rint(10 * MixLaw.of(b).percentFor(db + by)) / 10));
        return out;
    }
}
