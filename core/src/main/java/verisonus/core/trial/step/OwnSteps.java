package verisonus.core.trial.step;

import java.util.ArrayList;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import verisonus.core.compare.GapAttribute;
import verisonus.core.compare.GapLedger;
import verisonus.core.compare.GapRow;
import verisonus.core.work.Figures;

/**
 * A player's own just-noticeable steps, each as a factor on the standard one. Before any trial they are the standard ones, give or take
 * {@value #PRIOR_FACTOR} times; each trial that could or could not be told moves the one that it turned on.
 *
 * @param byAttribute only what trials have said something about
 */
public record OwnSteps(Map<GapAttribute, Own> byAttribute) {
    private static final double PRIOR_FACTOR = 1.6;
    private static final double REACH = 8;
    private static final double LEARNT = 1.45;

    /**
     * One attribute's.
     *
     * @param factor of the standard step: below 1 hears more than most
     * @param give it may be off by this factor
     * @param answers how many it rests on
     */
    public record Own(double factor, double give, int answers) {
        public String words() {
            return Figures.of("%.2f of the usual step, give or take %.1f times, from %d answers",
                    factor,
                    give, answers);
        }
    }

    public static final OwnSteps STANDARD = new OwnSteps(Map.of());

    public OwnSteps {
        byAttribute = Map.copyOf(byAttribute);
    }

    public static OwnSteps of(List<ToldApart> trials) {
        Map<GapAttribute, List<ToldApart>> by = new EnumMap<>(GapAttribute.class);
        for (ToldApart t : trials)
            if (t.of() > 0 && t.jnd() > 0) by.computeIfAbsent(t.attribute(), _ -> new ArrayList<>()).add(t);
        Map<GapAttribute, Own> out = new EnumMap<>(GapAttribute.class);
        by.forEach((a, said) -> out.put(a, own(said)));
        return new OwnSteps(out);
    }

    private static Own own(List<ToldApart> said) {
        Belief b = Belief.of(-Math.log(REACH), Math.log(REACH), 0, Math.log(PRIOR_FACTOR), (step, steepness) -> {
            double sum = 0;
            for (ToldApart t : said) {
                double p = t.whichIsX()
                        ? Psychometric.rightOfX(t.jnd() / step, steepness)
                        : Psychometric.right(t.jnd() / step, steepness);
                sum += t.right() * Math.log(p) + (t.of() - t.right()) * Math.log(1 - p);
            }
            return sum;
        });
        return new Own(Math.exp(b.meanLog()), Math.exp(b.spreadLog()), said.stream().mapToInt(ToldApart::of).sum());
    }

    /** Only what trials have really said something about: a difference that anybody hears, or nobody, says nothing of this listener. */
    public OwnSteps learnt() {
        Map<GapAttribute, Own> out = new EnumMap<>(GapAttribute.class);
        byAttribute.forEach((a, o) -> {
            if (o.give() <= LEARNT) out.put(a, o);
        });
        return new OwnSteps(out);
    }

    /** This player's step of an attribute; empty where no trial has touched it. */
    public Optional<Own> find(GapAttribute attribute) {
        return Optional.ofNullable(byAttribute.get(attribute));
    }

    /** The ledger as this player hears it; what no trial has touched stays as it is. */
    public GapLedger heard(GapLedger ledger) {
        List<GapRow> rows = ledger.rows().stream().map(r -> find(r.attribute())
                .map(o -> new GapRow(r.attribute(), r.unit(), r.reference(), r.candidate(), r.jnd() * o.factor(), r
                        .stage(), r.advice(), r.ofTone()))
                .orElse(r))
                .sorted(java.util.Comparator.comparingDouble((GapRow r) -> -r.audibility())).toList();
        return new GapLedger(rows, ledger.spectrumRmsDb(), ledger.wantedSo());
    }
}
