package verisonus.core.search;

import java.util.ArrayList;
import java.util.Collections;
import java.util.Comparator;
import java.util.List;
import java.util.SplittableRandom;
import java.util.concurrent.ExecutorService;
import java.util.function.IntSupplier;
import verisonus.core.rig.ControlPlace;
import verisonus.core.simulate.stages.Quality;
import verisonus.core.work.Progress;

/**
 * Downhill from the best starting points on a longer part of the phrase; what is nearly as near at the end is refined at twice the
 * rate, where clippers alias less, before it is decided.
 */
final class Descent {
    private static final int STARTS_KEPT = 3;
    private static final int FINALISTS = 2;
    /** A second finalist may be worse by this factor before it is refined. */
    private static final double CLOSE = 1.6;
    /** A start beside the best, for valleys that are not round: controls moved by up to half of this. */
    private static final double SHAKEN = 3;

    private final Objective objective;
    private final CoarseSearch coarse;
    private final SearchOptions options;
    private final IntSupplier renders;
    private final Progress progress;
    private final KnobFit fit;

    /**
     * @param renders made so far, against the budget
     * @param reach how far knobs are turned
     */
    Descent(Objective objective, CoarseSearch coarse, SearchOptions options, IntSupplier renders,
            ExecutorService workers, Progress progress, KnobFit.Reach reach) {
        this.objective = objective;
        this.coarse = coarse;
        this.options = options;
        this.renders = renders;
        this.progress = progress;
        fit = new KnobFit(objective, options.locked(), workers, progress, reach);
    }

    /**
     * Where it ends.
     *
     * @param errors the best error after each stretch of work, falling
     */
    record Ended(Objective.Point best, List<Double> errors) {}

    /** When cancelled, the best so far. */
    Ended from(List<Objective.Point> ranked) {
        List<Objective.Point> starts = new ArrayList<>();
        for (Objective.Point p : ranked.subList(0, Math.min(STARTS_KEPT, ranked.size())))
            starts.add(objective.at(p.knobs(), Quality.DRAFT));
        Objective.Point first = best(starts);
        List<Double> errors = new ArrayList<>(List.of(Math.sqrt(first.score())));
        if (first.knobs().count() == 0) return new Ended(first, errors);
        starts.sort(Comparator.comparingDouble(coarse::ranking));
        starts.add(shaken(first));
        List<Objective.Point> found = new ArrayList<>(starts);
        for (int i = 0; i < starts.size(); i++) {
            if (progress.cancelled()) return new Ended(best(found), errors);
            if (renders.getAsInt() > options.mostRenders()) break;
            progress.at(0.4 + 0.35 * i / starts.size(), "going downhill from start " + (i + 1) + " of "
                    + starts.size() + ToneSearch.nearest(List.of(best(found))));
            found.add(fit.improve(starts.get(i), 4, Quality.DRAFT));
            errors.add(Math.sqrt(best(found).score()));
        }
        Objective.Point end = decided(found);
        errors.add(Math.min(errors.getLast(), Math.sqrt(end.score())));
        return new Ended(end, errors);
    }

    private Objective.Point decided(List<Objective.Point> found) {
        List<Objective.Point> finalists = new ArrayList<>();
        double least = coarse.ranking(best(found));
        for (Objective.Point p : coarse.bestOfPairs(found, FINALISTS)) {
            if (progress.cancelled() || coarse.ranking(p) > CLOSE * least) break;
            progress.at(0.75 + 0.05 * finalists.size(), "refining" + ToneSearch.nearest(List.of(p)));
            Objective.Point draft = fit.improve(p, 3, Quality.DRAFT);
            finalists.add(fit.improve(objective.at(draft.knobs(), Quality.SEARCH), 2, Quality.SEARCH));
        }
        return best(finalists.isEmpty() ? found : finalists);
    }

    private Objective.Point best(List<Objective.Point> of) {
        return Collections.min(of, Comparator.comparingDouble(coarse::ranking));
    }

    private Objective.Point shaken(Objective.Point from) {
        SplittableRandom random = new SplittableRandom(options.seed());
        Knobs k = from.knobs();
        List<ControlPlace> places = k.places();
        for (int i = 0; i < k.count(); i++) {
            double move = SHAKEN * (random.nextDouble() - 0.5);
            if (!options.locked().holds(places.get(i))) k = k.moved(i, k.values()[i] + move);
        }
        return objective.at(k, Quality.DRAFT);
    }
}
