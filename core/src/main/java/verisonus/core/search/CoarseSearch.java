package verisonus.core.search;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.Callable;
import java.util.concurrent.ExecutorService;
import verisonus.core.rig.GearKind;
import verisonus.core.rig.Model;
import verisonus.core.rig.Rig;
import verisonus.core.simulate.stages.Quality;
import verisonus.core.work.Parallel;
import verisonus.core.work.Progress;

/**
 * Where to go downhill from: a grid over amp, drive, gain and master on a short part of the phrase, a step downhill from the best of
 * each pair, and a compressor tried in front of the best.
 */
final class CoarseSearch {
    private static final double[] GAINS = {1.5, 4, 6.5, 9};
    private static final double[] GAINS_BEHIND_A_DRIVE = {2, 5, 8};
    private static final double[] MASTERS = {3, 6.5};
    private static final int PAIRS_STEPPED = 9;
    private static final int PAIRS_STEPPED_AGAIN = 5;
    private static final int NEAREST = 10;
    /** Amp, cabinet, microphone. */
    private static final int BARE_BLOCKS = 3;
    private static final double DRIVE_EARNS = 1.12;
    private static final double COMPRESSOR_EARNS = 1.1;

    private final Objective objective;
    private final SearchOptions options;
    private final ExecutorService workers;
    private final Progress progress;
    private final KnobFit.Reach reach;
    private final Optional<Knobs> before;

    /** @param reach how far knobs are turned */
    CoarseSearch(Objective objective, SearchOptions options, ExecutorService workers, Progress progress,
            KnobFit.Reach reach) {
        this.reach = reach;
        this.objective = objective;
        this.options = options;
        this.workers = workers;
        this.progress = progress;
        before = options.earlier().flatMap(Knobs::of);
    }

    /**
     * One point for each pair worth trying, best first.
     *
     * @param first the first sensible choice, before any step: the best point of the grid
     */
    record Ranked(List<Objective.Point> points, Knobs first) {}

    Ranked run(List<StartingTone> nearest) {
        if (options.wishes().track() != SearchOptions.Track.DRY) {
            Objective.Point only = objective.at(Knobs.none(), Quality.DRAFT);
            return new Ranked(List.of(only), only.knobs());
        }
        List<Callable<Objective.Point>> grid = new ArrayList<>();
        for (Knobs k : starts(nearest)) grid.add(() -> objective.at(k, Quality.DRAFT));
        progress.step(0.1, "trying " + grid.size() + " starting points");
        List<Objective.Point> points = Parallel.all(grid, workers);
        if (options.school().order() == SearchOptions.Order.CABINET_FIRST) points = withOneCurve(points);
        boolean gainFirst = options.school().order() == SearchOptions.Order.GAIN_FIRST;
        Objective judge = gainFirst ? objective.weighing(8) : objective;
        Knobs first = bestOfPairs(points, 1).get(0).knobs();
        List<Objective.Point> ranked = stepped(judge, bestOfPairs(points, PAIRS_STEPPED), 0.18);
        List<Objective.Point> again = stepped(judge, bestOfPairs(ranked, PAIRS_STEPPED_AGAIN), 0.28);
        List<Objective.Point> all = new ArrayList<>(again);
        all.addAll(ranked);
        all.addAll(compressed(judge, bestOfPairs(all, 2)));
        return new Ranked(bestOfPairs(all, all.size()), first);
    }

    /** The best point of each pair of amp and drive, best first. */
    List<Objective.Point> bestOfPairs(List<Objective.Point> points, int most) {
        Map<String, Objective.Point> best = new LinkedHashMap<>();
        for (Objective.Point p : points) best.merge(p.knobs().pair(), p, (a, b) -> ranking(a) <= ranking(b) ? a : b);
        return best.values().stream().sorted(Comparator.comparingDouble(this::ranking)).limit(most).toList();
    }

    /** Error with what each further box must earn, and what a weighed claim asks of other models. */
    double ranking(Objective.Point p) {
        double out = p.score();
        if (p.knobs().drive().isPresent()) out *= DRIVE_EARNS;
        if (p.knobs().compressor().isPresent()) out *= COMPRESSOR_EARNS;
        if (p.knobs().amp().isPresent()) out *= options.wishes().handicap(p.knobs().amp().get().model());
        if (p.knobs().drive().isPresent()) out *= options.wishes().handicap(p.knobs().drive().get().model());
        return out;
    }

    private List<Objective.Point> stepped(Objective judge, List<Objective.Point> points, double from) {
        List<Objective.Point> out = new ArrayList<>();
        for (Objective.Point p : points) {
            progress.step(from + 0.08 * out.size() / points.size(),
                    "first steps with " + p.knobs().ampName() + ToneSearch.nearest(out));
            out.add(improved(judge, p, 1));
        }
        return out;
    }

    /** Moved downhill as the school judges, and scored as all are. */
    private Objective.Point improved(Objective judge, Objective.Point p, int iterations) {
        Objective.Point moved = new KnobFit(judge, options.locked(), workers, progress, reach)
                .improve(judge.with(p, p.curve()), iterations, Quality.DRAFT);
        return objective.with(moved, moved.curve());
    }

    private List<Objective.Point> compressed(Objective judge, List<Objective.Point> best) {
        Optional<Model> unit = options.allowed(GearKind.COMPRESSOR).stream().findFirst();
        boolean has = best.stream().anyMatch(p -> p.knobs().compressor().isPresent());
        if (unit.isEmpty() || has || options.rig().mostBlocks() <= BARE_BLOCKS + 1) return List.of();
        List<Objective.Point> out = new ArrayList<>();
        for (Objective.Point p : best) {
            out.add(improved(judge, objective.at(p.knobs().compressed(unit.get()), Quality.DRAFT), 2));
        }
        return out;
    }

    /** Cabinet first: the cabinet that suits the middle of all starting points is kept for ranking them. */
    private List<Objective.Point> withOneCurve(List<Objective.Point> points) {
        Objective.Point middle = points.stream()
                .min(Comparator.comparingDouble((Objective.Point p) -> Math.abs(p.knobs().values()[0] - 5)))
                .orElseThrow();
        return points.stream().map(p -> objective.with(p, middle.curve())).toList();
    }

    private List<Knobs> starts(List<StartingTone> nearest) {
        boolean ampLocked = before.isPresent() && options.locked().touches("amp");
        boolean driveLocked = before.isPresent() && options.locked().touches("drive");
        List<Knobs> out = new ArrayList<>();
        before.ifPresent(out::add);
        boolean fromNearest = options.school().start() == SearchOptions.Start.NEAREST;
        if (fromNearest) nearest.forEach(t -> Knobs.of(t.tone()).ifPresent(out::add));
        if (out.isEmpty() || !fromNearest) out.addAll(neutralGrid());
        List<Knobs> kept = new ArrayList<>();
        for (Knobs k : out) {
            if (ampLocked && !k.ampName().equals(before.get().ampName())) continue;
            if (driveLocked && !k.driveName().equals(before.get().driveName())) continue;
            kept.add(before.isPresent() ? k.taking(before.get(), options.locked()) : k);
        }
        return kept;
    }

    /** Known tones that can be set up on the rig, the nearest first. */
    static List<StartingTone> nearest(Fingerprint wanted, Rig rig, List<StartingTone> more) {
        return wanted.nearest(StartingTones.on(rig, more), NEAREST);
    }

    private List<Knobs> neutralGrid() {
        List<Optional<Model>> drives = new ArrayList<>(List.of(Optional.empty()));
        if (options.rig().mostBlocks() > BARE_BLOCKS)
            options.allowed(GearKind.DRIVE).forEach(m -> drives.add(Optional.of(m)));
        List<Knobs> out = new ArrayList<>();
        for (Model amp : options.allowed(GearKind.AMP)) {
            for (Optional<Model> drive : drives) {
                for (double gain : drive.isPresent() ? GAINS_BEHIND_A_DRIVE : GAINS)
                    for (double master : MASTERS) out.add(Knobs.start(amp, drive, gain, master));
            }
        }
        return out;
    }
}
