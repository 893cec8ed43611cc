package verisonus.core.derive;

import java.util.ArrayList;
import java.util.Collections;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import java.util.SplittableRandom;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Future;
import java.util.concurrent.atomic.AtomicInteger;
import verisonus.core.compare.GapLedger;
import verisonus.core.evidence.Evidence;
import verisonus.core.evidence.Examination;
import verisonus.core.evidence.Finding;
import verisonus.core.evidence.ModulationEstimator;
import verisonus.core.evidence.ModulationReading;
import verisonus.core.evidence.PairedExamination;
import verisonus.core.fault.Progress;
import verisonus.core.rig.Tone;
import verisonus.core.simulate.Quality;
import verisonus.core.simulate.Renderer;
import verisonus.core.sound.Sound;

/**
 * From a reference and a dry guitar to a tone. Stages: measure and align; {@link CoarseSearch} over amp, drive, gain and master,
 * every render scored against all cabinets and microphones at once ({@link LinearPart}); the full descent from the best few on a
 * longer part; {@link Finish}: what was measured (gate, echo, movement, space) and the equalizer on what is left of the whole
 * render. Same inputs and seed: the same tone.
 */
public final class ToneSearch {
    private static final double RIDGE_SAME = 0.02;
    private static final double RIDGE_OTHER = 0.3;
    private static final int STARTS_KEPT = 3;
    private static final int FINALISTS = 2;
    private static final double ECHO_MISREAD = 0.85;
    /** A second finalist may be worse by this factor before it is refined. */
    private static final double CLOSE = 1.6;
    private static final double SHORT_S = 2;
    private static final double LONG_S = 4;
    private static final double MOST_OTHER_S = 12;
    private static final double MODERATION = 3;
    /** How much the envelope counts against the spectrum, and how little where a player wants it otherwise. */
    private static final double ENVELOPE_WEIGHT = 2;
    private static final double UNCHASED = 0.1;
    private static final Set<String> OF_THE_ENVELOPE = Set.of("saturation", "crest factor", "loud to soft");

    private final Sound reference;
    private final Sound di;
    private final SearchOptions options;
    private final ExecutorService workers;
    private final Progress progress;
    private final AtomicInteger renders = new AtomicInteger();
    private final List<Double> errors = new ArrayList<>();

    /**
     * @param reference the region with the wanted sound
     * @param di dry guitar, the same phrase or other playing
     * @param workers run renders side by side; the search starts no thread itself
     */
    public ToneSearch(Sound reference, Sound di, SearchOptions options, ExecutorService workers, Progress progress) {
        this.reference = reference.atRate(Renderer.RATE_HZ);
        this.di = di.atRate(Renderer.RATE_HZ);
        this.options = options;
        this.workers = workers;
        this.progress = progress;
    }

    /** Searches; when cancelled after the first stage, the best so far is finished and returned. */
    public Derivation run() {
        long started = System.nanoTime();
        progress.step(0, "measuring the reference");
        Future<Evidence> alone = workers
                .submit(() -> Examination.of(reference, Examination.Depth.STEADY, Progress.NONE));
        Future<Optional<Finding<ModulationReading>>> movement = workers
                .submit(() -> PairedExamination.movement(reference, di));
        Future<?> known = workers.submit(() -> StartingTones.ALL.forEach(t -> Fingerprint.of(t.tone())));
        float[] wanted = reference.mid();
        Alignment alignment = Alignment.find(wanted, di.mid(), Renderer.RATE_HZ);
        boolean same = alignment.pairing() == Pairing.SAME_PHRASE;
        float[] dry = same
                ? Alignment.laid(wanted, di.mid(), Renderer.RATE_HZ, alignment.offsetSamples())
                : di.mid();
        CurveDictionary dictionary = new CurveDictionary(options);
        Evidence first = KnobFit.result(alone);
        Evidence evidence = (same ? paired(first, movement) : alone(first)).corrected(options.corrections());
        Target target = Target.of(wanted, evidence.spectrum(), options);
        progress.step(0.08, "preparing cabinets and microphones");
        LinearPart linear = new LinearPart(dictionary, target.weight(), same ? RIDGE_SAME : RIDGE_OTHER);
        MeasuredBlocks measured = new MeasuredBlocks(evidence, options);
        Objective brief = objective(wanted, dry, target, alignment.pairing(), linear, measured, SHORT_S);
        KnobFit.result(known);
        List<StartingTone> nearest = CoarseSearch.nearest(
                Fingerprint.between(same ? dry : Fingerprint.signal(), wanted), options.rig(),
                options.wishes().known());

        CoarseSearch coarse = new CoarseSearch(brief, options, workers, progress);
        CoarseSearch.Ranked ranked = coarse.run(nearest);
        MeasuredBlocks kept = measured.echo().isPresent() && same
                && withoutIt(objective(wanted, dry, target, alignment.pairing(), linear, measured.withoutEcho(),
                        SHORT_S), ranked.points().get(0)) ? measured.withoutEcho() : measured;
        Objective objective = objective(wanted, dry, target, alignment.pairing(), linear, kept, LONG_S);
        Objective.Point best = descend(objective, coarse, ranked.points());
        boolean cancelled = progress.cancelled();
        progress.at(0.85, "fitting the equalizer");
        Finish.Finished finished = new Finish(options, reference, dry, target, same, kept).of(best.knobs(),
                dictionary.entry(best.curve()));

        Future<Evidence> heard = workers
                .submit(() -> Examination.of(finished.render(), Examination.Depth.TONE, Progress.NONE));
        SensitivityReport.Found sensitivity = new SensitivityReport(brief, workers, target.weight()).of(best, finished
                .tone());
        Evidence candidate = KnobFit.result(heard);
        // The take makes the reference's dirt surer, but the gap needs both read the same way.
        Evidence wantedSo = evidence.saturated(first.saturation()).corrected(options.corrections());
        GapLedger gap = GapLedger.between(wantedSo, candidate).wanting(options.wishes().wantedSo());
        progress.at(1, "done");
        return new Derivation(finished.tone(), alignment.pairing(), (System.nanoTime() - started) / 1e9,
                (long) renders.get() * dictionary.size(), renders.get(), sensitivity.tolerances(), sensitivity.ties(),
                new Alternatives(linear, objective).of(best, ranked.points()), gap, wantedSo, candidate,
                finished.render(), (double) alignment.offsetSamples() / Renderer.RATE_HZ,
                cancelled ? "cancelled: the best so far" : "no move brought more", start(finished.tone(), nearest),
                Enough.of(Math.sqrt(objective.at(ranked.first(), Quality.DRAFT).score()), errors));
    }

    /** Whether the best so far comes nearer without the echo that was read: then it was misread. */
    private boolean withoutIt(Objective bare, Objective.Point best) {
        return bare.at(best.knobs(), best.curve(), Quality.DRAFT).score() < ECHO_MISREAD * best.score();
    }

    private Evidence paired(Evidence steady, Future<Optional<Finding<ModulationReading>>> movement) {
        Evidence out = PairedExamination.of(steady, reference, di, () -> KnobFit.result(movement)).evidence();
        // Through repeats the take does not show what sways.
        return out.echo().isPresent() ? alone(out) : out;
    }

    /** With other playing nothing but the recording itself can be asked for movement. */
    private Evidence alone(Evidence steady) {
        return steady.moving(ModulationEstimator.estimate(reference));
    }

    private Objective objective(float[] wanted, float[] dry, Target target, Pairing pairing, LinearPart linear,
            MeasuredBlocks measured, double lengthS) {
        boolean chased = options.wishes().wantedSo().stream().noneMatch(OF_THE_ENVELOPE::contains);
        double weight = ENVELOPE_WEIGHT * (chased ? 1 : UNCHASED);
        double pull = options.school().values() == SearchOptions.Values.MODERATE ? MODERATION : 1;
        if (pairing == Pairing.OTHER_PLAYING) {
            Features all = Features.of(wanted, 0, Renderer.RATE_HZ);
            int most = (int) Math.min(dry.length, Math.min(MOST_OTHER_S, 3 * lengthS) * Renderer.RATE_HZ);
            return new Objective(new Objective.Question(java.util.Arrays.copyOf(dry, most), 0, all, target.levelDb(),
                    pairing, measured.behind(di)), linear, weight, pull, renders);
        }
        SearchSegment segment = SearchSegment.of(wanted, Renderer.RATE_HZ, lengthS);
        Features scored = Features.of(segment.cutScored(wanted), 0, Renderer.RATE_HZ);
        // Several recordings have in common what the whole of them has; one is compared part by part.
        double[] level = options.wishes().others().isEmpty() ? scored.levelDb() : target.levelDb();
        return new Objective(new Objective.Question(segment.cut(dry), segment.warmUp(), scored, level, pairing,
                measured.behind(di)), linear, weight, pull, renders);
    }

    private Objective.Point descend(Objective objective, CoarseSearch coarse, List<Objective.Point> ranked) {
        List<Objective.Point> starts = new ArrayList<>();
        for (Objective.Point p : ranked.subList(0, Math.min(STARTS_KEPT, ranked.size())))
            starts.add(objective.at(p.knobs(), Quality.DRAFT));
        starts.sort(Comparator.comparingDouble(coarse::ranking));
        if (starts.get(0).knobs().count() == 0) {
            errors.add(Math.sqrt(starts.get(0).score()));
            return starts.get(0);
        }
        starts.add(shaken(objective, starts.get(0)));
        KnobFit fit = new KnobFit(objective, options.locked(), workers, progress);
        List<Objective.Point> found = new ArrayList<>(starts);
        for (int i = 0; i < starts.size(); i++) {
            Objective.Point best = Collections.min(found, Comparator.comparingDouble(coarse::ranking));
            errors.add(Math.sqrt(best.score()));
            if (progress.cancelled()) return best;
            if (renders.get() > options.mostRenders()) break;
            progress.at(0.4 + 0.35 * i / starts.size(),
                    "going downhill from start " + (i + 1) + " of " + starts.size() + nearest(List.of(best)));
            found.add(fit.improve(starts.get(i), 4, Quality.DRAFT));
        }
        // What is nearly as near at the base rate may be nearer at twice the rate.
        List<Objective.Point> finalists = new ArrayList<>();
        for (Objective.Point p : coarse.bestOfPairs(found, FINALISTS)) {
            if (progress.cancelled()) break;
            boolean close = finalists.isEmpty()
                    || coarse.ranking(p) < CLOSE * Collections.min(found.stream().map(coarse::ranking).toList());
            if (!close) continue;
            progress.at(0.75 + 0.05 * finalists.size(), "refining" + nearest(List.of(p)));
            Objective.Point draft = fit.improve(p, 3, Quality.DRAFT);
            finalists.add(fit.improve(objective.at(draft.knobs(), Quality.SEARCH), 2, Quality.SEARCH));
        }
        if (finalists.isEmpty()) return Collections.min(found, Comparator.comparingDouble(coarse::ranking));
        Objective.Point best = Collections.min(finalists, Comparator.comparingDouble(coarse::ranking));
        errors.add(Math.min(errors.getLast(), Math.sqrt(best.score())));
        return best;
    }

    /** The known tone that the derived one lies nearest to, and so the one it can be told from. */
    private static Optional<StartingTone> start(Tone derived, List<StartingTone> nearest) {
        if (nearest.isEmpty()) return Optional.empty();
        Fingerprint made = Fingerprint.of(derived);
        return Optional.of(made.nearest(nearest, 1).get(0));
    }

    /** The best error so far, so that it can be watched falling. */
    static String nearest(List<Objective.Point> points) {
        return points.stream().mapToDouble(Objective.Point::score).min().stream()
                .mapToObj(s -> String.format(Locale.ROOT, " · %.2f dB off", Math.sqrt(s))).findFirst().orElse("");
    }

    private Objective.Point shaken(Objective objective, Objective.Point best) {
        SplittableRandom random = new SplittableRandom(options.seed());
        Knobs k = best.knobs();
        List<String> names = k.names();
        for (int i = 0; i < k.count(); i++) {
            double move = 3 * (random.nextDouble() - 0.5);
            if (!options.locked().contains(names.get(i))) k = k.moved(i, k.values()[i] + move);
        }
        return objective.at(k, Quality.DRAFT);
    }
}
