package verisonus.core.search;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Future;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.stream.Stream;
import verisonus.core.compare.EffectsAsSet;
import verisonus.core.compare.GapAttribute;
import verisonus.core.compare.GapLedger;
import verisonus.core.compare.GapRow;
import verisonus.core.compare.Verdict;
import verisonus.core.evidence.Evidence;
import verisonus.core.evidence.Examination;
import verisonus.core.evidence.dirt.SaturationReading;
import verisonus.core.evidence.guided.ThroughOthers;
import verisonus.core.evidence.movement.ModulationEstimator;
import verisonus.core.evidence.movement.ModulationReading;
import verisonus.core.evidence.replay.ReplayExamination;
import verisonus.core.evidence.signs.Finding;
import verisonus.core.evidence.signs.Presence;
import verisonus.core.rig.Block;
import verisonus.core.rig.ControlNames;
import verisonus.core.rig.GearKind;
import verisonus.core.rig.Tone;
import verisonus.core.search.colour.Features;
import verisonus.core.search.unexplained.RestRows;
import verisonus.core.simulate.stages.Quality;
import verisonus.core.sound.Sound;
import verisonus.core.take.Alignment;
import verisonus.core.take.Pairing;
import verisonus.core.take.PlayedPart;
import verisonus.core.take.SearchSegment;
import verisonus.core.take.SeenTake;
import verisonus.core.work.Figures;
import verisonus.core.work.InputFault;
import verisonus.core.work.Parallel;
import verisonus.core.work.Progress;

/**
 * From a reference and a dry guitar to a tone. Stages: measure and align; {@link CoarseSearch} over amp, drive, gain and master,
 * every render scored against all cabinets and microphones at once ({@link LinearPart}); {@link Descent} from the best few on a longer part;
 * {@link ToneCompletion}: what was measured (gate, echo, movement, space) and the equalizer on what is left of the whole
 * render. Same inputs and seed: the same tone.
 */
public final class ToneSearch {
    private static final double RIDGE_SAME = 0.02;
    private static final double RIDGE_OTHER = 0.3;
    private static final double ECHO_MISREAD = 0.85;
    private static final double SHORT_S = 2;
    private static final double LONG_S = 4;
    /** Other playing is compared as a whole, so more of it is played than of the same phrase, where it is liveliest. */
    private static final double LONGER_OTHER = 2.5;
    private static final double MOST_OTHER_S = 8;
    private static final double MODERATION = 3;
    /** As much of a replay as is ranked on. */
    private static final double REPLAY_S = 8;
    /** Envelopes of one performance through the best setting lie within this, of two beyond it, dB. */
    private static final double SAME_ENVELOPE_DB = 1.2;
    private static final double SURE = 0.6;
    /** How much the envelope counts against the spectrum, and how little where a player wants it otherwise. */
    private static final double ENVELOPE_WEIGHT = 2;
    private static final double UNCHASED = 0.1;
    private static final Set<GapAttribute> OF_THE_ENVELOPE = Set.of(GapAttribute.SATURATION, GapAttribute.CREST,
            GapAttribute.LOUD_TO_SOFT);

    /** Told of tones that make sense long before the search is over: the nearest known one, then the best of its first stage. */
    public interface Interim {
        /** Is not told anything. */
        Interim NONE = (_, _) -> {};

        /**
         * Called from the searching thread; should take no time.
         *
         * @param diStartS where on the reference's time axis the take begins, seconds
         */
        void soFar(Tone tone, double diStartS);
    }

    private final Sound reference;
    private final Sound di;
    private final SearchOptions options;
    private final ExecutorService workers;
    private final Progress progress;
    private final AtomicInteger renders = new AtomicInteger();
    private Interim interim = Interim.NONE;
    private OptionalDouble laidS = OptionalDouble.empty();
    private Optional<SeenTake> seen = Optional.empty();

    /**
     * @param reference the region with the wanted sound
     * @param di dry guitar, the same phrase or other playing
     * @param workers run renders side by side; the search starts no thread itself
     */
    public ToneSearch(Sound reference, Sound di, SearchOptions options, ExecutorService workers, Progress progress) {
        this.reference = reference.atRate(Sound.WORKING_RATE_HZ);
        this.di = di.atRate(Sound.WORKING_RATE_HZ);
        this.options = options;
        this.workers = workers;
        this.progress = progress;
    }

    /** Tells of the best so far as well. */
    public ToneSearch telling(Interim listener) {
        interim = listener;
        return this;
    }

    /** @param atS where the player says that the take, of the same phrase, begins in the reference, seconds; empty: looked for */
    public ToneSearch laidAt(OptionalDouble atS) {
        laidS = atS;
        return this;
    }

    /**
     * Searches; when cancelled after the first stage, the best so far is finished and returned.
     *
     * @throws InputFault where the rig lacks what every chain needs
     */
    public Derivation run() {
        options.missing().ifPresent(k -> {
            throw new InputFault("the rig", "it holds no " + k.word(), "name one in the gear list");
        });
        long started = System.nanoTime();
        boolean alone = options.wishes().takes().isEmpty() && !options.wishes().standIn();
        if (seen.isEmpty() && alone && PlayedPart.maySave(reference, di)) {
            progress.step(0, "looking for the take");
            seen = Optional.of(Listening.seen(reference, di, options, laidS));
            Optional<PlayedPart> part = PlayedPart.of(seen.get(), reference, di);
            if (part.isPresent()) return of(part.get(), seen.get(), started);
        }
        progress.step(0, "measuring the reference");
        Listening heard = Listening.of(reference, di, options, laidS, seen, workers, progress);
        Alignment alignment = heard.alignment();
        boolean same = heard.same();
        float[] dry = heard.dry();
        float[] wanted = heard.wanted();
        CurveDictionary dictionary = alignment.pairing() == Pairing.SAME_PERFORMANCE
                ? new CurveDictionary(options)
                : CurveDictionary.moderate(options);
        Evidence evidence = heard.evidence();
        if (heard.covered()) return usual(started, heard);
        Target target = Target.of(wanted, evidence.spectrum(), options);
        progress.step(0.08, "preparing cabinets and microphones");
        List<StartingTone> nearest = CoarseSearch.nearest(
                same ? Fingerprint.between(dry, wanted) : Fingerprint.ofColour(wanted), options.rig(),
                options.wishes().known());
        Search search = new Search(started, heard, reference, target, nearest);
        if (!nearest.isEmpty() && options.earlier().isEmpty()) tell(nearest.get(0).tone(), heard);
        if (alignment.pairing() == Pairing.PLAYED_AGAIN && options.wishes().track() == SearchOptions.Track.DRY) {
            SearchSegment segment = SearchSegment.of(wanted, Sound.WORKING_RATE_HZ, REPLAY_S);
            List<float[]> takes = heard.takes(reference, options.wishes().takes());
            ReplayCore core = new ReplayCore(segment.cutScored(wanted),
                    takes.stream().map(segment::cut).toList(), segment.warmUp(), options, workers, renders);
            List<ReplayCore.Ranked> ranked = core.ranked(List.of(), progress);
            if (core.envelopeDb(ranked.get(0).knobs()) >= SAME_ENVELOPE_DB)
                return again(search, new Ground(wanted, dry, target, Pairing.PLAYED_AGAIN,
                        new LinearPart(dictionary, target.weight(), RIDGE_OTHER), OptionalDouble.empty()), core,
                        ranked, takes.subList(1, takes.size()));
        }
        // A take whose envelopes agree with the record's is of its performance, though its clock ran otherwise.
        Pairing pairing = same ? Pairing.SAME_PERFORMANCE : Pairing.OTHER_PLAYING;
        return deeply(search, new Ground(wanted, dry, target, pairing,
                new LinearPart(dictionary, target.weight(), same ? RIDGE_SAME : RIDGE_OTHER),
                same ? OptionalDouble.empty() : dirtOf(evidence)));
    }

    /** Only the part of a long recording in which the take plays is searched for. */
    private Derivation of(PlayedPart part, SeenTake found, long started) {
        ToneSearch there = new ToneSearch(reference.slice(part.fromS(), part.toS()), di, options, workers, progress)
                .telling((tone, atS) -> interim.soFar(tone, atS + part.fromS()));
        there.seen = Optional.of(part.in(found, Sound.WORKING_RATE_HZ));
        there.laidS = laidS;
        return there.run().laterBy(part.fromS(), (System.nanoTime() - started) / 1e9);
    }

    /** Others cover the guitar: nothing of what is heard is aimed at, only a usual tone, on the gear that there is. */
    private Derivation usual(long started, Listening heard) {
        progress.step(0.08, "setting up a usual tone");
        float[] dry = heard.dry();
        float[] aim = UsualTone.aim(options, dry, reference);
        Sound aimed = Sound.mono(aim, Sound.WORKING_RATE_HZ);
        SearchOptions alone = options.wishing(options.wishes().alsoNear(List.of()));
        Target target = Target.of(aim, Examination.of(aimed, Examination.Depth.CONTROL, Progress.NONE).spectrum(),
                alone);
        List<StartingTone> nearest = CoarseSearch.nearest(Fingerprint.between(dry, aim), options.rig(),
                options.wishes().known());
        if (!nearest.isEmpty() && options.earlier().isEmpty()) tell(nearest.get(0).tone(), heard);
        return deeply(new Search(started, heard, aimed, target, nearest),
                new Ground(aim, dry, target, Pairing.SAME_PERFORMANCE,
                        new LinearPart(new CurveDictionary(options), target.weight(), RIDGE_SAME),
                        OptionalDouble.empty()));
    }

    /**
     * What every way of searching starts from.
     *
     * @param aimed what the tone shall sound like: the reference, but where others cover the guitar
     */
    private record Search(long started, Listening heard, Sound aimed, Target target, List<StartingTone> nearest) {
        private Evidence first() {
            return heard.first();
        }
    }

    /** The core from a replay: ranked settings without descent, then what the dry tone lacks. */
    private Derivation again(Search s, Ground ground, ReplayCore core, List<ReplayCore.Ranked> ranked,
            List<float[]> more) {
        CurveDictionary dictionary = ground.linear.dictionary();
        Objective objective = objective(ground, List.of(), LONG_S);
        progress.at(0.4, "choosing cabinet and microphone");
        Objective.Point best = objective.at(ranked.get(0).knobs(), Quality.DRAFT);
        tell(core(best, dictionary), s.heard);
        boolean company = others(s.first());
        Finding<ModulationReading> alone = s.first().modulation().isPresent()
                ? s.first().modulation()
                : ModulationEstimator.estimate(reference.withoutEmptySide(), s.first().tempo());
        ReplayExamination.Setting setting = new ReplayExamination.Setting(company,
                company && s.first().tempo().isPresent()
                        ? OptionalDouble.of(s.first().tempo().value().orElseThrow().bpm() / 60)
                        : OptionalDouble.empty(),
                _ -> true, alone.value().filter(m -> m.kind().isMovingComb())
                        .map(ModulationReading::rateHz).orElse(OptionalDouble.empty()));
        ReplayCompletion.Finished finished = new ReplayCompletion(options, reference, ground.dry, s.target,
                (company ? s.first() : s.first().moving(alone)).corrected(options.corrections()), setting, core,
                workers).also(more).of(best.knobs(),
                        dictionary.entry(best.curve()), progress);
        progress.at(0.85, "measuring what is left");
        ToneCompletion.Finished made = finished.made();
        Future<Evidence> heard = workers.submit(() -> EffectsAsSet.in(
                Examination.of(made.render(), Examination.Depth.TONE, Progress.NONE), made.tone()));
        List<GapRow> rest = RestRows.of(reference, made.render(), finished.dryTone(), RestRows.Makes.in(made.tone()),
                s.first(), setting, workers);
        SensitivityReport.Found sensitivity = new SensitivityReport(objective, workers, s.target.weight()).of(best,
                made.tone());
        Evidence candidate = Parallel.result(heard);
        Evidence aim = finished.found();
        GapLedger gap = GapLedger.between(aim, candidate, Pairing.PLAYED_AGAIN).and(rest)
                .wanting(options.wishes().wantedSo());
        progress.at(1, "done");
        double first = ranked.get(0).spectraDb();
        List<Alternative> others = ranked.stream().filter(r -> !r.knobs().pair().equals(best.knobs().pair()))
                .collect(java.util.stream.Collectors.toMap(r -> r.knobs().pair(), r -> r, (a, _) -> a,
                        java.util.LinkedHashMap::new))
                .values().stream()
                .map(r -> new Alternative(Alternatives.words(r.knobs()), 20 * Math.log10(r.spectraDb() / first)))
                .collect(java.util.stream.Collectors.toCollection(ArrayList::new));
        others.addAll(finished.places());
        return new Derivation(made.tone(), Pairing.PLAYED_AGAIN, (System.nanoTime() - s.started) / 1e9,
                (long) renders.get() * dictionary.size(), renders.get(), sensitivity.tolerances(), sensitivity.ties(),
                others, gap, aim, candidate, made.render(),
                s.heard.diStartS(),
                stopped(s),
                start(made.tone(), s.nearest), StoppingPoint.of(first, List.of(first)),
                Verdict.of(gap, finished.missing(),
                        Stream.concat(finished.unjudged().stream(), s.heard.unread().stream()).toList()));
    }

    private String stopped(Search s) {
        if (progress.cancelled()) return "cancelled: the best so far";
        return s.heard.words() + "a replay bears no deeper search";
    }

    private Derivation deeply(Search s, Ground ground) {
        CurveDictionary dictionary = ground.linear.dictionary();
        boolean same = ground.pairing.isSamePhrase();
        Pairing pairing = s.heard.covered() ? Pairing.OTHER_PLAYING : ground.pairing;
        Evidence evidence = s.heard.evidence();
        Target target = s.target;
        float[] dry = ground.dry;
        List<StartingTone> nearest = s.nearest;
        MeasuredBlocks measured = new MeasuredBlocks(evidence, options);
        List<Block> behind = measured.behind(Sound.mono(dry, Sound.WORKING_RATE_HZ));
        Objective brief = objective(ground, behind, SHORT_S);
        KnobFit.Reach reach = same ? KnobFit.Reach.WHOLE : KnobFit.Reach.MODERATE;
        CoarseSearch coarse = new CoarseSearch(brief, options, workers, progress, reach);
        CoarseSearch.Ranked ranked = coarse.run(nearest);
        // An echo that the player knows of is not in a usual tone's sound, and stays all the same.
        if (same && !s.heard.covered() && measured.echo().isPresent()) {
            List<Block> silent = behind.stream().filter(b -> b.model().kind() != GearKind.ECHO).toList();
            Objective bare = objective(ground, silent, SHORT_S);
            if (isNearerOn(bare, ranked.points().get(0))) {
                measured = measured.withoutEcho();
                behind = silent;
                brief = bare;
            }
        }
        Objective objective = objective(ground, behind, LONG_S);
        tell(core(ranked.points().get(0), dictionary), s.heard);
        Descent.Ended ended = new Descent(objective, coarse, options, renders::get, workers, progress, reach)
                .from(ranked.points());
        Objective.Point best = ended.best();
        boolean cancelled = progress.cancelled();
        progress.at(0.85, "fitting the equalizer");
        ToneCompletion.Finished finished = new ToneCompletion(options, s.aimed, dry, target, same, measured).of(
                best.knobs(),
                dictionary.entry(best.curve()));

        Future<Evidence> heard = workers
                .submit(() -> new ToneEvidence(evidence,
                        same ? Optional.of(Sound.mono(dry, Sound.WORKING_RATE_HZ)) : Optional.empty(), pairing)
                        .heard(finished.tone(), finished.render(), Progress.NONE));
        SensitivityReport.Found sensitivity = new SensitivityReport(brief, workers, target.weight()).of(best,
                finished.tone());
        Evidence candidate = Parallel.result(heard);
        // The take makes the reference's dirt surer, but the gap needs both read the same way.
        Evidence aim = evidence.saturated(s.first().saturation()).corrected(options.corrections());
        GapLedger gap = GapLedger.between(aim, candidate, pairing).wanting(options.wishes().wantedSo());
        progress.at(1, "done");
        return new Derivation(finished.tone(), pairing, (System.nanoTime() - s.started) / 1e9,
                (long) renders.get() * dictionary.size(), renders.get(), sensitivity.tolerances(), sensitivity.ties(),
                new Alternatives(ground.linear, brief).of(brief.at(best.knobs(), best.curve(), Quality.DRAFT),
                        ranked.points()),
                gap, aim, candidate, finished.render(), s.heard.diStartS(),
                cancelled ? "cancelled: the best so far" : s.heard.words() + "no move brought more",
                start(finished.tone(), nearest),
                s.heard.covered()
                        ? StoppingPoint.UNKNOWN
                        : StoppingPoint.of(Math.sqrt(objective.at(ranked.first(), Quality.DRAFT).score()),
                                ended.errors()),
                Verdict.of(gap, missing(aim, finished.tone()),
                        Stream.concat(s.heard.unread().stream(), unjudged(aim).stream()).toList()));
    }

    private static boolean others(Evidence e) {
        return ThroughOthers.areThere(e);
    }

    private void tell(Tone tone, Listening heard) {
        interim.soFar(tone, heard.diStartS());
    }

    /** A point of the search as a tone: all but what is read off the record, and the equalizer. */
    private static Tone core(Objective.Point point, CurveDictionary dictionary) {
        CurveDictionary.Entry entry = dictionary.entry(point.curve());
        List<Block> blocks = new ArrayList<>();
        for (Block b : point.knobs().blocks())
            blocks.add(b.model().kind() == GearKind.AMP ? b.with(ControlNames.PRESENCE, entry.presence()) : b);
        entry.cabinet().ifPresent(blocks::add);
        entry.microphone().ifPresent(blocks::add);
        return new Tone("so far", blocks);
    }

    /** Effects that were found and do not stand in the tone. */
    private static List<String> missing(Evidence found, Tone tone) {
        List<String> out = new ArrayList<>();
        if (found.echo().isPresent() && tone.first(GearKind.ECHO).isEmpty()) out.add("echo");
        if (isSure(found.reverb()) && tone.first(GearKind.REVERB).isEmpty()) out.add("space");
        if (isSure(found.modulation()) && tone.first(GearKind.MODULATION).isEmpty())
            out.add(found.modulation().value().orElseThrow().kind().words());
        return out;
    }

    private static boolean isSure(Finding<?> f) {
        return f.isPresent() && f.confidence() >= SURE;
    }

    private static List<String> unjudged(Evidence found) {
        List<String> out = new ArrayList<>();
        if (found.echo().presence() == Presence.UNKNOWN) out.add("echo");
        if (found.reverb().presence() == Presence.UNKNOWN) out.add("space");
        if (found.modulation().presence() == Presence.UNKNOWN) out.add("movement");
        return out;
    }

    /** What every objective of one search shares. */
    private record Ground(float[] wanted, float[] dry, Target target, Pairing pairing, LinearPart linear,
            OptionalDouble dirt) {}

    /** How dirty the recording is by itself; with others around the guitar it cannot be told. */
    private static OptionalDouble dirtOf(Evidence e) {
        return others(e)
                ? OptionalDouble.empty()
                : e.saturation().value().stream().mapToDouble(SaturationReading::index).findFirst();
    }

    /** Whether the best so far comes nearer without the echo that was read: then it was misread. */
    private static boolean isNearerOn(Objective bare, Objective.Point best) {
        return bare.at(best.knobs(), best.curve(), Quality.DRAFT).score() < ECHO_MISREAD * best.score();
    }

    /** @param behind echo and space that stand behind every candidate */
    private Objective objective(Ground g, List<Block> behind, double lengthS) {
        boolean chased = options.wishes().wantedSo().stream().noneMatch(OF_THE_ENVELOPE::contains);
        double weight = ENVELOPE_WEIGHT * (chased ? 1 : UNCHASED);
        double pull = options.school().values() == SearchOptions.Values.MODERATE ? MODERATION : 1;
        Objective.Question question;
        if (g.pairing == Pairing.OTHER_PLAYING) {
            SearchSegment lively = SearchSegment.of(g.dry, Sound.WORKING_RATE_HZ,
                    Math.min(MOST_OTHER_S, LONGER_OTHER * lengthS));
            question = new Objective.Question(lively.cut(g.dry), lively.warmUp(), Features.of(g.wanted, 0,
                    Sound.WORKING_RATE_HZ), g.target.levelDb(), g.pairing, g.dirt, behind);
        } else {
            SearchSegment segment = SearchSegment.of(g.wanted, Sound.WORKING_RATE_HZ, lengthS);
            Features scored = Features.of(segment.cutScored(g.wanted), 0, Sound.WORKING_RATE_HZ);
            // Several recordings have in common what the whole of them has; one is compared part by part.
            double[] level = options.wishes().others().isEmpty() ? scored.levelDb() : g.target.levelDb();
            question = new Objective.Question(segment.cut(g.dry), segment.warmUp(), scored, level, g.pairing,
                    OptionalDouble.empty(),
                    behind);
        }
        return new Objective(question, g.linear, weight, pull, renders);
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
                .mapToObj(s -> Figures.of(" · %.2f dB off", Math.sqrt(s))).findFirst().orElse("");
    }
}
