package verisonus.core.feel;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import verisonus.core.compare.Driven;
import verisonus.core.compare.GapAttribute;
import verisonus.core.compare.GapRow;
import verisonus.core.evidence.Evidence;
import verisonus.core.evidence.guided.ThroughOthers;
import verisonus.core.evidence.words.Trait;
import verisonus.core.sound.Sound;

/**
 * What a tone is like under the fingers, against the reference where the same phrase was played dry, and by itself from soft to hard.
 *
 * @param rows onset, fall of notes, bass into the first clipper, dynamics out against in
 * @param touch how my tone answers to soft and hard playing
 * @param uncompared why nothing is compared with the reference; empty where it is
 */
public record Feel(List<GapRow> rows, TouchCurve touch, String uncompared) {
    private static final double SLOPE_JND = 0.08;
    private static final String GAPS_FILLED = "how far soft and hard strokes lie apart cannot be told: echo or space fills the gaps";
    private static final String AMONG_OTHERS = "others play with the guitar there, and how they begin and fall cannot be told from how it does: choose a passage in"
            + " which it stands alone";

    public Feel {
        rows = List.copyOf(rows);
    }

    /**
     * What is compared.
     *
     * @param wanted the studied part of the reference
     * @param mine the tone, in time with it
     * @param di the dry take, in time with both; empty where it plays something else
     */
    public record Heard(Evidence reference, Sound wanted, Evidence candidate, Sound mine, Optional<Sound> di) {}

    public static Feel of(Heard h, TouchCurve touch) {
        if (ThroughOthers.areThere(h.reference) && !ThroughOthers.areThere(h.candidate))
            return new Feel(List.of(), touch, AMONG_OTHERS);
        List<GapRow> rows = new ArrayList<>();
        Map<Trait, Double> a = Trait.of(h.reference);
        Map<Trait, Double> b = Trait.of(h.candidate);
        row(Trait.ATTACK, GapAttribute.ONSET, a, b,
                "less sag, or more attack time on the compressor: notes rise too slowly",
                "more sag or attack softening: notes rise too fast").ifPresent(rows::add);
        row(Trait.FALL, GapAttribute.FALL, a, b, "less gain or compression: notes ring too long",
                "more gain or compression: notes fall too fast").ifPresent(rows::add);
        row(Trait.BASS_LEADS, GapAttribute.BASS_LEADS, a, b, "lows before clipping down: it gets loose",
                "lows before clipping up: it is tighter than wanted").ifPresent(rows::add);
        boolean filled = isFilled(h.reference) || isFilled(h.candidate);
        h.di.filter(_ -> !filled).ifPresent(di -> {
            double wanted = 1 - Driven.of(di, h.wanted);
            double has = 1 - Driven.of(di, h.mine);
            rows.add(new GapRow(GapAttribute.DYNAMICS, "dB per dB", wanted, has, SLOPE_JND, "feel",
                    has > wanted
                            ? "more gain or a lower master: it answers too openly"
                            : "less gain or a higher master: it holds back too much",
                    true));
        });
        return new Feel(GapRow.settled(rows), touch, h.di.isPresent() && filled ? GAPS_FILLED : "");
    }

    /** Whether something stands between the strokes that no stroke made, so that soft ones cannot be told from what rings. */
    private static boolean isFilled(Evidence e) {
        return e.echo().isPresent() || e.reverb().isPresent();
    }

    private static Optional<GapRow> row(Trait t, GapAttribute what, Map<Trait, Double> a, Map<Trait, Double> b,
            String over, String under) {
        if (!a.containsKey(t) || !b.containsKey(t)) return Optional.empty();
        double wanted = a.getOrDefault(t, 0.0);
        double has = b.getOrDefault(t, 0.0);
        return Optional.of(new GapRow(what, t.unit(), wanted, has, t.step(), "feel", has > wanted ? over : under,
                true));
    }
}
