package verisonus.core.search;

import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import java.util.concurrent.Callable;
import java.util.concurrent.ExecutorService;
import java.util.function.ToDoubleFunction;
import verisonus.core.compare.GapAttribute;
import verisonus.core.evidence.Evidence;
import verisonus.core.evidence.movement.ModulationReading;
import verisonus.core.evidence.movement.SideDelays;
import verisonus.core.evidence.replay.ReplayExamination;
import verisonus.core.evidence.signs.Finding;
import verisonus.core.evidence.signs.Presence;
import verisonus.core.evidence.space.ReverbReading;
import verisonus.core.rig.Block;
import verisonus.core.rig.ControlNames;
import verisonus.core.rig.Gear;
import verisonus.core.rig.GearKind;
import verisonus.core.rig.Model;
import verisonus.core.rig.Tone;
import verisonus.core.search.colour.EmptyBands;
import verisonus.core.search.colour.EqualizerFit;
import verisonus.core.search.colour.Features;
import verisonus.core.search.place.PlaceTrial;
import verisonus.core.search.rests.RestGate;
import verisonus.core.search.unexplained.ClosingSpace;
import verisonus.core.simulate.Renderer;
import verisonus.core.simulate.stages.Quality;
import verisonus.core.sound.Sound;
import verisonus.core.work.Parallel;
import verisonus.core.work.Progress;

/**
 * From a core that was read from a phrase played again to a whole tone. The dry tone is played on the take and laid under the reference;
 * what the reference has more is explained by repeats, a space and movements ({@link ReplayExamination}), levels and decay fitted by
 * rendering until what stands after and between the notes is as loud as on the record. Few broad filters mend the colour.
 */
final class ReplayCompletion {
    private static final double RIDGE = 0.02;
    private static final int PASSES = 2;
    private static final double LEANER_LOWS_HZ = 100;
    private static final double SURE = 0.5;
    /** What was heard in the tails and brings at least this is believed by what it leaves there. */
    private static final double CLOSES_BY_TAILS = 0.005;
    /** Where others play, three findings judge, and what the others leave between the notes passes for a little space. */
    private static final double CLOSES_AMONG_OTHERS = 0.05;
    /** Where a usual hall harms less than this, a space can be neither found nor ruled out. */
    private static final double RULED_OUT = 0.03;

    private final SearchOptions options;
    private final Sound reference;
    private final float[] dry;
    private final Target target;
    private final Evidence evidence;
    private final ReplayExamination.Setting setting;
    private final ReplayCore judge;
    private final ExecutorService workers;
    private final EmptyBands empty;
    private static final double LEAST_MIX = 3;
    private static final double MOST_MIX = 60;
    private static final int HALVINGS = 6;

    private boolean spaceRuledOut;
    private List<float[]> more = List.of();
    private final List<Alternative> places = new ArrayList<>();
    private final Set<String> missing = new LinkedHashSet<>();
    private final Set<String> unjudged = new LinkedHashSet<>();

    ReplayCompletion(SearchOptions options, Sound reference, float[] dry, Target target, Evidence evidence,
            ReplayExamination.Setting setting, ReplayCore judge, ExecutorService workers) {
        this.judge = judge;
        this.options = options;
        this.reference = reference;
        this.dry = dry;
        this.target = target;
        this.evidence = evidence;
        this.setting = setting;
        this.workers = workers;
        empty = EmptyBands.of(Features.of(dry, 0, Sound.WORKING_RATE_HZ).levelDb());
    }

    /** Further takes of the phrase, laid under the reference: what most of them show is believed. */
    ReplayCompletion also(List<float[]> takes) {
        more = List.copyOf(takes);
        return this;
    }

    /**
     * A whole tone.
     *
     * @param dryTone what the tone makes of the take without its effects
     * @param found what was found in the reference, with echo, space and movement as the replay shows them
     * @param places where else its effects could sit, and how much further from the record that is
     * @param missing effects of the record that the rig cannot make or hold
     * @param unjudged what could be neither found nor ruled out
     */
    record Finished(ToneCompletion.Finished made, Sound dryTone, Evidence found, List<Alternative> places,
            List<String> missing, List<String> unjudged) {}

    Finished of(Knobs knobs, CurveDictionary.Entry entry, Progress progress) {
        List<Block> front = new ArrayList<>();
        for (Block b : knobs.blocks())
            front.add(b.model().kind() == GearKind.AMP ? b.with(ControlNames.PRESENCE, entry.presence()) : b);
        entry.cabinet().ifPresent(front::add);
        entry.microphone().ifPresent(front::add);
        Sound take = Sound.mono(dry, Sound.WORKING_RATE_HZ);
        Sound flat = played(front, take);
        int room = options.rig().mostBlocks() - front.size();
        boolean equalized = room > 0 && (options.locked().touches(GearKind.EQUALIZER.word())
                || options.rig().holds(Gear.model("parametric equalizer")));
        Optional<Block> gate = gate(front, take, flat, room - (equalized ? 1 : 0));
        if (gate.isPresent()) {
            front.add(0, gate.get());
            flat = played(front, take);
            room--;
        }
        List<Block> coloured = new ArrayList<>();
        if (equalized) coloured.add(equalizer(flat, List.of()));
        Sound core = played(coloured, flat);
        progress.at(0.5, "listening for what the dry tone lacks");
        ReplayExamination exam = examined(core, front, coloured);
        Evidence found = found(exam);
        MeasuredBlocks measured = new MeasuredBlocks(found, options);
        int left = room - (equalized ? 1 : 0);
        List<Block> effects = new ArrayList<>();
        for (ModulationReading m : movements(exam)) {
            boolean wide = isWide(m, exam);
            Optional<Block> b = effects.size() < left ? measured.moving(m, wide) : Optional.empty();
            b.map(x -> wide ? asWide(x, core) : x).map(x -> named(x, effects)).ifPresentOrElse(effects::add,
                    () -> missing.add(m.kind().words()));
        }
        found.echo().value().ifPresent(_ -> (effects.size() < left ? measured.echo() : Optional.<Block>empty())
                .ifPresentOrElse(effects::add, () -> missing.add("echo")));
        if (found.echo().value().isEmpty()) measured.echo().filter(_ -> effects.size() < left).ifPresent(effects::add);
        progress.at(0.65, "fitting the space");
        space(exam, effects, core, knobs, left, measured).ifPresent(effects::add);
        if (!effects.isEmpty() && equalized) coloured.set(0, equalizer(flat, effects));
        List<Block> all = new ArrayList<>(front);
        all.addAll(coloured);
        all.addAll(effects);
        List<Block> behind = new ArrayList<>(coloured);
        behind.addAll(effects);
        note(exam, found, effects.stream().anyMatch(b -> b.model().kind() == GearKind.REVERB));
        Tone whole = new Tone("derived", all);
        progress.at(0.75, "trying where the effects sit");
        Tone sits = placed(whole, effects);
        Sound render = sits.equals(whole)
                ? played(behind, flat)
                : Renderer.render(sits, take, Quality.FINAL, Progress.NONE);
        return new Finished(ToneCompletion.levelled(options, reference, sits, render),
                played(coloured, flat), found, List.copyOf(places), List.copyOf(missing), List.copyOf(unjudged));
    }

    /** Each effect in the place that comes nearest, one after the other. */
    private Tone placed(Tone whole, List<Block> effects) {
        Tone out = whole;
        for (Block e : effects) {
            if (options.locked().touches(e.id()) || out.first(GearKind.AMP).isEmpty()) continue;
            PlaceTrial trial = PlaceTrial.of(out, e.id(), judge::score, workers);
            out = trial.tone();
            for (PlaceTrial.Tried t : trial.others())
                places.add(new Alternative(e.model().name() + " " + t.place().words(), t.furtherDb()));
        }
        return out;
    }

    /** What the reference has more than the tone, by each take. */
    private ReplayExamination examined(Sound core, List<Block> front, List<Block> coloured) {
        List<Block> all = new ArrayList<>(front);
        all.addAll(coloured);
        List<Callable<ReplayExamination>> work = new ArrayList<>(
                List.of(() -> ReplayExamination.of(reference, core, setting)));
        for (float[] take : more)
            work.add(() -> ReplayExamination.of(reference, played(all, Sound.mono(take, Sound.WORKING_RATE_HZ)),
                    setting));
        return ReplayExamination.agreed(Parallel.all(work, workers));
    }

    /** A gate with which the take rests as the record does, where there is one; a record with others on it does not show its rests. */
    private Optional<Block> gate(List<Block> front, Sound take, Sound flat, int left) {
        Optional<Block> locked = options.earlier().flatMap(t -> t.first(GearKind.GATE))
                .filter(b -> options.locked().touches(b.id()));
        if (locked.isPresent() || setting.company()) return locked;
        Optional<Model> gate = options.rig().ownedAs(Gear.model("noise gate"));
        // None is said to be missing where it cannot be had: a quieter guitar would have made the record's rests as well.
        if (left < 1 || gate.filter(options.allowed(GearKind.GATE)::contains).isEmpty()) return Optional.empty();
        return RestGate
                .nearest(options.rig().device(gate.orElseThrow()), reference, take, flat, x -> played(front, x),
                        workers)
                .map(RestGate::block);
    }

    /** A second block of a kind gets a name of its own. */
    private static Block named(Block b, List<Block> there) {
        return there.stream().anyMatch(o -> o.id().equals(b.id())) ? b.named(b.id() + " " + (there.size() + 1)) : b;
    }

    private static Sound played(List<Block> blocks, Sound in) {
        return blocks.isEmpty() ? in : Renderer.render(new Tone("part", blocks), in, Quality.FINAL, Progress.NONE);
    }

    /** What the replay shows, where it shows anything; what the player knows better stays. */
    private Evidence found(ReplayExamination exam) {
        Finding<ModulationReading> movement = movements(exam).isEmpty()
                ? unseen(exam)
                : first(exam, movements(exam).get(0));
        return evidence.with(exam.echo(), trusted(exam.reverb()), movement).corrected(options.corrections());
    }

    /** What is said of movement where the replay shows none; what the recording alone shows is not denied by it. */
    private Finding<ModulationReading> unseen(ReplayExamination exam) {
        boolean still = exam.level().presence() == Presence.ABSENT && exam.pitch().presence() == Presence.ABSENT;
        if (!still) return Finding.unknown("what sways, if anything does, does not stand out");
        return evidence.modulation().value().map(m -> Finding.<ModulationReading>unknown(
                "the recording alone speaks of a " + m.kind().words() + "; played again, nothing stands out"))
                .orElse(exam.level());
    }

    private static Finding<ReverbReading> trusted(Finding<ReverbReading> f) {
        return f.isPresent() && f.confidence() < SURE
                ? Finding.unknown(f.reason() + ", or the strings do")
                : f;
    }

    private static Finding<ModulationReading> first(ReplayExamination exam, ModulationReading m) {
        for (Finding<ModulationReading> f : List.of(exam.level(), exam.sweep(), exam.pitch(), exam.sides()))
            if (f.value().filter(m::equals).isPresent()) return f;
        throw new IllegalStateException("a movement that nobody found");
    }

    private List<ModulationReading> movements(ReplayExamination exam) {
        boolean chased = java.util.stream.Stream
                .of(GapAttribute.MOVEMENT, GapAttribute.MOVEMENT_RATE, GapAttribute.MOVEMENT_DEPTH)
                .allMatch(options.wishes()::chases);
        return chased ? exam.movements() : List.of();
    }

    private static boolean isWide(ModulationReading m, ReplayExamination exam) {
        return exam.sides().value().filter(m::equals).isPresent();
    }

    /** With as much of it beside the dry sound as makes the sides differ as they do on the record. */
    private Block asWide(Block movement, Sound core) {
        if (movement.model().find(ControlNames.MIX).isEmpty()) return movement;
        double wanted = SideDelays.sideDb(reference);
        double low = LEAST_MIX;
        double high = MOST_MIX;
        for (int halving = 0; halving < HALVINGS; halving++) {
            double mix = 0.5 * (low + high);
            if (SideDelays.sideDb(played(List.of(movement.with(ControlNames.MIX, mix)), core)) < wanted) {
                low = mix;
            } else {
                high = mix;
            }
        }
        return movement.with(ControlNames.MIX, Math.rint(0.5 * (low + high)));
    }

    /** A space with which the core comes nearer; empty where none does, or nothing owned makes one. */
    private Optional<Block> space(ReplayExamination exam, List<Block> effects, Sound core, Knobs knobs, int left,
            MeasuredBlocks measured) {
        boolean chased = options.wishes().chases(GapAttribute.SPACE_LEVEL)
                && options.wishes().chases(GapAttribute.SPACE_DECAY);
        if (options.locked().touches(GearKind.REVERB.word())) return measured.space(core);
        if (!chased || reference.durationS() < ReplayExamination.SHORTEST_S) return Optional.empty();
        double heardS = exam.reverb().value().map(ReverbReading::decayS).orElse(1.5);
        Block unit = options.rig().device(Gear.model(measured.spaceUnit(heardS).orElse("plain hall")))
                .with(ControlNames.PRE_DELAY, exam.reverb().value().map(ReverbReading::preDelayMs)
                        .filter(OptionalDouble::isPresent).map(OptionalDouble::getAsDouble).orElse(15.0));
        List<Block> before = effects.stream().filter(b -> b.model().kind() == GearKind.ECHO).toList();
        ToDoubleFunction<List<Block>> distance = setting.company()
                ? behind -> judge.score(knobs, behind)
                : behind -> judge.spectraDb(knobs, behind);
        ReplaySpace nearest = ReplaySpace.nearest(distance, before, unit, workers);
        double gain = nearest.gain();
        spaceRuledOut = nearest.harm() >= RULED_OUT && !setting.company();
        boolean heard = exam.reverb().isPresent() && !setting.company();
        boolean sure = heard && exam.reverb().confidence() >= SURE && ReplaySpace.lasts(heardS);
        boolean closes = setting.company()
                ? gain >= CLOSES_AMONG_OTHERS
                : nearest.isBelieved(heard ? OptionalDouble.of(heardS) : OptionalDouble.empty());
        Optional<Block> closing = sure && !closes && gain >= CLOSES_BY_TAILS
                ? new ClosingSpace(reference, core, played(effects, core), setting, workers).of(unit, heardS)
                : Optional.empty();
        if (!closes && closing.isEmpty()) {
            if (sure) missing.add("space");
            return Optional.empty();
        }
        if (left - effects.size() < 1 || measured.spaceUnit(heardS).isEmpty()) {
            missing.add("space");
            return Optional.empty();
        }
        if (closing.isPresent()) return closing;
        // What was heard in the tails tells the decay better than the way to the nearest space.
        return Optional.of(sure && exam.reverb().confidence() > 0.7
                ? nearest.block().with(ControlNames.DECAY, heardS)
                : nearest.block());
    }

    /** Four filters at the most, fitted on what is heard with the effects behind them. */
    private Block equalizer(Sound flat, List<Block> effects) {
        Optional<Block> locked = options.earlier().flatMap(t -> t.first(GearKind.EQUALIZER))
                .filter(b -> options.locked().touches(b.id()));
        if (locked.isPresent()) return locked.get();
        boolean moderate = options.school().values() == SearchOptions.Values.MODERATE;
        EqualizerFit fit = EqualizerFit.ofFew(target.weight(), RIDGE * (moderate ? 3 : 1),
                options.school().equalizing() == SearchOptions.Equalizing.CUT_FIRST, empty);
        Block eq = Block.of("parametric equalizer");
        for (int pass = 0; pass < PASSES; pass++) {
            List<Block> behind = new ArrayList<>(List.of(eq));
            behind.addAll(effects);
            double[] has = Features.of(played(behind, flat).mid(), 0, Sound.WORKING_RATE_HZ).levelDb();
            double[] now = fit.curve(eq);
            double[] wanted = new double[has.length];
            for (int b = 0; b < wanted.length; b++) wanted[b] = target.levelDb()[b] - has[b] + now[b];
            eq = fit.fit(wanted);
        }
        boolean leaner = options.school().lows() == SearchOptions.Lows.ROOM_FOR_BASS;
        return options.rig().own(leaner ? eq.with(ControlNames.LOW_CUT, LEANER_LOWS_HZ) : eq);
    }

    /** What the replay could not judge, so that nobody takes silence for absence. */
    private void note(ReplayExamination exam, Evidence found, boolean spacious) {
        if (reference.durationS() < ReplayExamination.SHORTEST_S) {
            unjudged.addAll(List.of("echo", "space", "movement"));
            return;
        }
        if (exam.echo().presence() == Presence.UNKNOWN) unjudged.add("echo");
        if (!spacious && !spaceRuledOut && exam.reverb().presence() != Presence.ABSENT) unjudged.add("space");
        boolean still = evidence.modulation().presence() == Presence.ABSENT && evidence.modulation().confidence() >= 0.9
                && exam.level().presence() == Presence.ABSENT;
        if (found.modulation().value().isEmpty() && !still) unjudged.add("movement");
    }
}
