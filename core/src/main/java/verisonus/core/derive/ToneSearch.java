package verisonus.core.derive;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.SplittableRandom;
import java.util.concurrent.Callable;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Future;
import java.util.concurrent.atomic.AtomicInteger;
import verisonus.core.compare.GapLedger;
import verisonus.core.evidence.EchoReading;
import verisonus.core.evidence.Evidence;
import verisonus.core.evidence.Examination;
import verisonus.core.fault.Progress;
import verisonus.core.rig.Block;
import verisonus.core.rig.Kind;
import verisonus.core.rig.Model;
import verisonus.core.rig.Rig;
import verisonus.core.rig.Tone;
import verisonus.core.simulate.MixLaw;
import verisonus.core.simulate.Quality;
import verisonus.core.simulate.Renderer;
import verisonus.core.sound.LoudnessMeter;
import verisonus.core.sound.Sound;

/**
 * From a reference and a dry guitar to a tone. Stages: measure and align; a coarse grid over voicing, drive, gain and
 * master, every render scored against all cabinets and microphones at once ({@link LinearPart}); a step downhill from the
 * best pairs, then other drives behind the best amps; the full descent from the best few; then the equalizer on what is left, measured on the whole
 * render, twice. Measured settings (echo) are set from the evidence. Same inputs and seed: the same tone.
 */
public final class ToneSearch {
    private static final double[] GAINS = {1.5, 4, 6.5, 9};
    private static final double[] MASTERS = {2.5, 5.5};
    private static final double RIDGE_SAME = 0.02;
    private static final double RIDGE_OTHER = 0.3;
    private static final int STARTS_KEPT = 2;
    private static final int PAIRS_STEPPED = 7;
    private static final int DRIVES_STEPPED = 3;
    /** Of the drives only this one is in the grid; the others are tried behind the best amps. */
    private static final String GRID_DRIVE = "mid-hump overdrive";

    private final Sound reference;
    private final Sound di;
    private final SearchOptions options;
    private final ExecutorService workers;
    private final Progress progress;
    private final AtomicInteger renders = new AtomicInteger();

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
        Evidence evidence = Examination.of(reference, Progress.NONE).corrected(options.corrections());
        float[] wanted = reference.mid();
        Alignment alignment = Alignment.find(wanted, di.mid(), Renderer.RATE_HZ);
        boolean same = alignment.pairing() == Pairing.SAME_PHRASE;
        float[] dry = same ? Alignment.shifted(di.mid(), alignment.offsetSamples(), wanted.length) : di.mid();
        double[] weight = BandWeights.of(evidence.spectrum(), Features.of(wanted, 0, Renderer.RATE_HZ).levelDb());
        Optional<Block> echo = echo(evidence);
        Tone earlier = options.earlier().orElse(new Tone("none", List.of()));
        progress.step(0.05, "preparing cabinets and microphones");
        LinearPart linear = new LinearPart(new CurveDictionary(options.rig(), earlier, options.locked()), weight,
                same ? RIDGE_SAME : RIDGE_OTHER);
        Objective objective = objective(wanted, dry, alignment.pairing(), linear, echo);

        List<Objective.Point> ranked = coarse(objective, earlier);
        Objective.Point best = descend(objective, ranked);
        boolean cancelled = progress.cancelled();
        Finished finished = finish(best, linear, wanted, dry, weight, same, echo, earlier);

        Future<Evidence> measured = workers.submit(() -> Examination.of(finished.render, Progress.NONE));
        List<Tolerance> tolerances = new SensitivityReport(objective, workers, weight).of(best, finished.tone);
        Evidence candidate = KnobFit.result(measured);
        GapLedger gap = GapLedger.between(evidence, candidate);
        List<Alternative> alternatives = new Alternatives(linear, objective).of(best, ranked);
        progress.at(1, "done");
        double seconds = (System.nanoTime() - started) / 1e9;
        return new Derivation(finished.tone, alignment.pairing(), seconds,
                (long) renders.get() * linear.dictionary().size(), renders.get(), tolerances,
                alternatives, gap, evidence, candidate, finished.render,
                (double) alignment.offsetSamples() / Renderer.RATE_HZ,
                cancelled ? "cancelled: the best so far" : "no move brought more");
    }

    private Objective objective(float[] wanted, float[] dry, Pairing pairing, LinearPart linear, Optional<Block> echo) {
        if (pairing == Pairing.OTHER_PLAYING) {
            Features all = Features.of(wanted, 0, Renderer.RATE_HZ);
            int most = Math.min(dry.length, 12 * Renderer.RATE_HZ);
            Objective.Question q = new Objective.Question(java.util.Arrays.copyOf(dry, most), 0, all, pairing, echo);
            return new Objective(q, linear, 1, renders);
        }
        SearchSegment segment = SearchSegment.of(wanted, Renderer.RATE_HZ);
        Features scored = Features.of(segment.cutScored(wanted), 0, Renderer.RATE_HZ);
        Objective.Question q = new Objective.Question(segment.cut(dry), segment.warmUp(), scored, pairing, echo);
        return new Objective(q, linear, 1, renders);
    }

    private Optional<Block> echo(Evidence evidence) {
        Rig rig = options.rig();
        Optional<Model> owned = rig.owned(Kind.ECHO).stream().findFirst();
        Optional<EchoReading> found = evidence.echo().value();
        if (owned.isEmpty() || found.isEmpty()) return Optional.empty();
        EchoReading e = found.get();
        Block b = Block.of(owned.get().name()).with("time", e.timeMs()).with("feedback", e.feedbackPercent())
                .with("mix", MixLaw.percentFor(e.levelDb())).with("sides", e.pingPong() ? 1 : 0);
        for (String control : List.of("time", "feedback", "mix")) {
            Optional<Block> before = options.earlier().flatMap(t -> t.find("echo"));
            if (options.locked().contains("echo/" + control) && before.isPresent())
                b = b.with(control, before.get().get(control));
        }
        return Optional.of(b);
    }

    /** One point for each voicing with and without drive, best first, after a first step downhill. */
    private List<Objective.Point> coarse(Objective objective, Tone earlier) {
        List<Callable<Objective.Point>> grid = new ArrayList<>();
        for (Knobs k : startingKnobs(earlier)) grid.add(() -> objective.at(k, Quality.DRAFT));
        progress.step(0.1, "trying " + grid.size() + " starting points");
        List<Objective.Point> points = KnobFit.all(grid, workers);
        if (options.order() == SearchOptions.Order.CABINET_FIRST) points = withOneCurve(objective, points);
        Objective judge = options.order() == SearchOptions.Order.GAIN_FIRST ? objective.weighing(8) : objective;
        List<Objective.Point> stepped = stepped(objective, judge, bestOfPairs(points, PAIRS_STEPPED), 0.15);
        List<Objective.Point> others = KnobFit.all(withOtherDrives(objective, stepped, earlier), workers);
        stepped.addAll(stepped(objective, judge, bestOfPairs(others, DRIVES_STEPPED), 0.3));
        stepped.sort(Comparator.comparingDouble(Objective.Point::score));
        return stepped;
    }

    /** The best point of each pair of amp and drive, best first. */
    private static List<Objective.Point> bestOfPairs(List<Objective.Point> points, int most) {
        Map<String, Objective.Point> best = new LinkedHashMap<>();
        for (Objective.Point p : points) {
            String pair = p.knobs().amp() + p.knobs().drive().orElse("");
            best.merge(pair, p, (a, b) -> a.score() <= b.score() ? a : b);
        }
        return best.values().stream().sorted(Comparator.comparingDouble(Objective.Point::score)).limit(most).toList();
    }

    private List<Objective.Point> stepped(Objective objective, Objective judge, List<Objective.Point> points,
            double from) {
        List<Objective.Point> out = new ArrayList<>();
        for (Objective.Point p : points) {
            progress.step(from + 0.15 * out.size() / points.size(),
                    "first steps with " + p.knobs().amp() + nearest(out));
            Objective.Point moved = new KnobFit(judge, options.locked(), workers, progress)
                    .improve(judge.at(p.knobs(), Quality.DRAFT), 1, Quality.DRAFT);
            out.add(objective.at(moved.knobs(), Quality.DRAFT));
        }
        return out;
    }

    /** The best amps so far behind the drives that the grid left out. */
    private List<Callable<Objective.Point>> withOtherDrives(Objective objective, List<Objective.Point> stepped,
            Tone earlier) {
        List<Callable<Objective.Point>> out = new ArrayList<>();
        boolean driveLocked = options.locked().stream().anyMatch(l -> l.startsWith("drive/"));
        if (driveLocked && earlier.first(Kind.DRIVE).isPresent()) return out;
        List<String> amps = stepped.stream().sorted(Comparator.comparingDouble(Objective.Point::score))
                .map(p -> p.knobs().amp()).distinct().limit(2).toList();
        for (String amp : amps) {
            Objective.Point best = stepped.stream().filter(p -> p.knobs().amp().equals(amp))
                    .min(Comparator.comparingDouble(Objective.Point::score)).orElseThrow();
            for (Model m : options.rig().owned(Kind.DRIVE)) {
                if (m.name().equals(GRID_DRIVE)) continue;
                for (double less : new double[]{0, 3}) {
                    Knobs k = Knobs.start(amp, Optional.of(m.name()), best.knobs().values()[0] - less,
                            best.knobs().values()[4]);
                    Knobs kept = Knobs.of(earlier).map(b -> withLocked(k, b)).orElse(k);
                    out.add(() -> objective.at(kept, Quality.DRAFT));
                }
            }
        }
        return out;
    }

    /** Cabinet first: the cabinet that suits the middle of all starting points is kept for ranking them. */
    private static List<Objective.Point> withOneCurve(Objective objective, List<Objective.Point> points) {
        Objective.Point middle = points.stream()
                .min(Comparator.comparingDouble((Objective.Point p) -> Math.abs(p.knobs().values()[0] - 5)))
                .orElseThrow();
        List<Objective.Point> out = new ArrayList<>();
        for (Objective.Point p : points) out.add(objective.at(p.knobs(), middle.curve(), Quality.DRAFT));
        return out;
    }

    private List<Knobs> startingKnobs(Tone earlier) {
        Optional<Knobs> before = Knobs.of(earlier);
        Set<String> locked = options.locked();
        boolean ampLocked = before.isPresent() && locked.stream().anyMatch(l -> l.startsWith("amp/"));
        boolean driveLocked = before.isPresent() && locked.stream().anyMatch(l -> l.startsWith("drive/"));
        List<Knobs> out = new ArrayList<>();
        before.ifPresent(out::add);
        if (options.start() == SearchOptions.Start.NEAREST)
            StartingTones.ALL.stream().filter(this::owned).forEach(out::add);
        if (out.isEmpty() || options.start() == SearchOptions.Start.NEUTRAL) out.addAll(neutralGrid());
        List<Knobs> kept = new ArrayList<>();
        for (Knobs k : out) {
            if (ampLocked && !k.amp().equals(before.get().amp())) continue;
            if (driveLocked && !k.drive().equals(before.get().drive())) continue;
            kept.add(before.isPresent() ? withLocked(k, before.get()) : k);
        }
        return kept;
    }

    private Knobs withLocked(Knobs k, Knobs before) {
        Knobs out = k;
        List<String> names = k.names();
        for (int i = 0; i < names.size(); i++) {
            int was = before.names().indexOf(names.get(i));
            if (was >= 0 && options.locked().contains(names.get(i))) out = out.moved(i, before.values()[was]);
        }
        return out;
    }

    private boolean owned(Knobs k) {
        return options.rig().counts().containsKey(k.amp())
                && k.drive().stream().allMatch(d -> options.rig().counts().containsKey(d));
    }

    private List<Knobs> neutralGrid() {
        List<Optional<String>> drives = new ArrayList<>(List.of(Optional.empty()));
        options.rig().owned(Kind.DRIVE).stream().map(Model::name).filter(GRID_DRIVE::equals)
                .forEach(m -> drives.add(Optional.of(m)));
        List<Knobs> out = new ArrayList<>();
        for (Model amp : options.rig().owned(Kind.AMP)) {
            for (Optional<String> drive : drives) {
                for (double gain : GAINS)
                    for (double master : MASTERS) out.add(Knobs.start(amp.name(), drive, gain, master));
            }
        }
        return out;
    }

    private Objective.Point descend(Objective objective, List<Objective.Point> ranked) {
        Objective.Point best = ranked.get(0);
        List<Objective.Point> starts = new ArrayList<>(ranked.subList(0, Math.min(STARTS_KEPT, ranked.size())));
        starts.add(shaken(objective, best));
        for (int i = 0; i < starts.size(); i++) {
            if (progress.cancelled() || renders.get() > options.mostRenders()) break;
            progress.at(0.35 + 0.4 * i / starts.size(),
                    "going downhill from start " + (i + 1) + " of " + starts.size() + nearest(List.of(best)));
            Objective.Point p = new KnobFit(objective, options.locked(), workers, progress).improve(starts.get(i), 5,
                    Quality.DRAFT);
            if (p.score() < best.score()) best = p;
        }
        if (progress.cancelled()) return best;
        progress.at(0.75, "refining" + nearest(List.of(best)));
        best = new KnobFit(objective, options.locked(), workers, progress).improve(best, 3, Quality.DRAFT);
        KnobFit fine = new KnobFit(objective, options.locked(), workers, progress);
        return fine.improve(objective.at(best.knobs(), Quality.SEARCH), 2, Quality.SEARCH);
    }

    /** The best error so far, so that it can be watched falling. */
    private static String nearest(List<Objective.Point> points) {
        return points.stream().mapToDouble(Objective.Point::score).min().stream()
                .mapToObj(s -> String.format(java.util.Locale.ROOT, " · %.2f dB off", Math.sqrt(s))).findFirst()
                .orElse("");
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

    private record Finished(Tone tone, Sound render) {}

    private Finished finish(Objective.Point best, LinearPart linear, float[] wanted, float[] dry, double[] weight,
            boolean same, Optional<Block> echo,
            Tone earlier) {
        progress.at(0.85, "fitting the equalizer");
        CurveDictionary.Entry entry = linear.dictionary().entry(best.curve());
        List<Block> blocks = new ArrayList<>();
        for (Block b : best.knobs().blocks())
            blocks.add(b.model().kind() == Kind.AMP ? b.with("presence", entry.presence()) : b);
        blocks.add(entry.cabinet());
        blocks.add(entry.microphone());
        boolean eqOwned = !options.rig().owned(Kind.EQUALIZER).isEmpty();
        boolean eqLocked = options.locked().stream().anyMatch(l -> l.startsWith("equalizer/"))
                && earlier.first(Kind.EQUALIZER).isPresent();
        Block eq = eqLocked ? earlier.first(Kind.EQUALIZER).orElseThrow() : Block.of("parametric equalizer");
        if (eqOwned) blocks.add(eq);
        echo.ifPresent(blocks::add);
        Tone tone = new Tone("derived", blocks);
        Sound in = Sound.mono(dry, Renderer.RATE_HZ);
        EqualizerFit fit = new EqualizerFit(weight, same ? 0.01 : 0.15,
                options.equalizing() == SearchOptions.Equalizing.CUT_FIRST, !same);
        double[] target = Features.of(wanted, 0, Renderer.RATE_HZ).levelDb();
        // The equalizer stands after the last clipper with nothing but linear blocks behind it, so it may as well be
        // applied to the finished sound: one costly render serves every pass.
        Sound flat = Renderer.render(eqOwned ? tone.with(eq.switched(false)) : tone, in, Quality.FINAL, Progress.NONE);
        Sound render = equalized(flat, eqOwned ? eq : eq.switched(false));
        for (int pass = 0; pass < 2 && eqOwned && !eqLocked; pass++) {
            double[] has = Features.of(render.mid(), 0, Renderer.RATE_HZ).levelDb();
            double[] now = fit.curve(tone.find("equalizer").orElseThrow());
            double[] missing = new double[target.length];
            for (int b = 0; b < missing.length; b++) missing[b] = target[b] - has[b] + now[b];
            Block fitted = fit.fit(same ? missing : Objective.smoothed(missing));
            tone = tone.with(fitted);
            render = equalized(flat, fitted);
        }
        return levelled(tone, render);
    }

    private static Sound equalized(Sound flat, Block eq) {
        Tone only = new Tone("equalizer", List.of(eq));
        float[][] out = new float[flat.channels().length][];
        for (int c = 0; c < out.length; c++) out[c] = Renderer.renderMono(only, flat.channel(c), Quality.DRAFT);
        return new Sound(out, Renderer.RATE_HZ);
    }

    /** Sets the microphone's level so that the render is as loud as the reference. */
    private Finished levelled(Tone tone, Sound render) {
        double want = LoudnessMeter.integratedLufs(reference).orElse(-23);
        double gain = want - LoudnessMeter.integratedLufs(render).orElse(want);
        Block mic = tone.first(Kind.MICROPHONE).orElseThrow();
        double level = mic.model().control("level").clamp(Math.rint((mic.get("level") + gain) * 100) / 100);
        double applied = level - mic.get("level");
        return new Finished(tone.with(mic.with("level", level)), render.gained(applied));
    }
}
