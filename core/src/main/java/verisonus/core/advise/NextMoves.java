package verisonus.core.advise;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.ExecutorService;
import verisonus.core.compare.GapAttribute;
import verisonus.core.compare.GapLedger;
import verisonus.core.compare.GapRow;
import verisonus.core.evidence.Evidence;
import verisonus.core.evidence.words.Trait;
import verisonus.core.evidence.words.Word;
import verisonus.core.rig.Block;
import verisonus.core.rig.Control;
import verisonus.core.rig.ControlNames;
import verisonus.core.rig.ControlPlace;
import verisonus.core.rig.Gear;
import verisonus.core.rig.GearKind;
import verisonus.core.rig.Locks;
import verisonus.core.rig.Model;
import verisonus.core.rig.Rig;
import verisonus.core.rig.Tone;
import verisonus.core.rig.Voice;
import verisonus.core.search.ToneEvidence;
import verisonus.core.search.colour.EmptyBands;
import verisonus.core.search.colour.Features;
import verisonus.core.simulate.AfterClipping;
import verisonus.core.sound.Sound;
import verisonus.core.work.Figures;
import verisonus.core.work.Progress;

/**
 * What to turn next: {@link ControlEffects} say what each control would do, the best place on each is chosen, and what is only roughly
 * known is rendered and measured. Gains are of all differences together ({@link GapLedger#distanceJnd}).
 */
public final class NextMoves {
    /** As long a part as it takes to judge a move, and no longer. */
    public static final double LONGEST_S = 20;
    private static final int CHECKED = 8;
    private static final int MOST_FOR_A_WORD = 6;
    private static final int ROUNDS = 3;
    private static final double[] STEPS = {0.04, 0.08, 0.15, 0.25, 0.4};
    /** Putting a block in must earn this much more than turning what is there, JND. */
    private static final double ADDING_COSTS = 0.3;
    /** Taking back what was set is worth this much, JND. */
    private static final double UNDOING_SAVES = 0.1;
    private static final double WORTH_A_WORD = 0.15;
    private static final double HARM_COUNTS = 0.5;
    private static final double LEAST_JND = 0.05;
    private static final Set<ControlPlace> OF_THE_HIGHS = Set.of(ControlPlace.parse("amp/treble"),
            ControlPlace.parse("amp/presence"), ControlPlace.parse("amp/treble cut"),
            ControlPlace.parse("microphone/position"));

    private final Question question;
    private final MoveJudge judge;
    private final List<ControlEffects.Effect> effects;
    private final EmptyBands empty;

    /**
     * What moves are looked for.
     *
     * @param reference what was measured in the part that is listened to, and how the tone is measured against it
     * @param di the dry take, in time with it where it plays the same
     * @param locked controls that are not turned
     * @param wantedSo differences that are not chased
     */
    public record Question(ToneEvidence reference, Sound di, Tone tone, Rig rig, Locks locked,
            Set<GapAttribute> wantedSo) {
        Evidence wanted() {
            return reference.wanted();
        }
    }

    /** Measures the tone as it is and tries each control once. */
    public NextMoves(Question question, ExecutorService workers, Progress progress) {
        this.question = question;
        progress.step(0.05, "measuring the tone as it is");
        judge = new MoveJudge(question, workers);
        empty = EmptyBands
                .of(Features.of(question.di.atRate(Sound.WORKING_RATE_HZ).mid(), 0, Sound.WORKING_RATE_HZ).levelDb());
        progress.step(0.2, "trying each control");
        effects = new ControlEffects(question.tone, judge, question.locked).all(workers);
    }

    /** The gap of the tone as it is, on the part that is listened to. */
    public GapLedger gap() {
        return judge.gap();
    }

    /** What helps, the most first; empty where nothing does. */
    public List<Move> best(Progress progress) {
        gap().measured();
        List<Move> rough = new ArrayList<>();
        List<Move> out = new ArrayList<>();
        for (ControlEffects.Effect e : effects) bestPlace(e).ifPresent(m -> (e.isRough() ? rough : out).add(m));
        rough.sort(Comparator.comparingDouble((Move m) -> -m.gainJnd()));
        List<Move> promising = new ArrayList<>(rough.stream().limit(CHECKED).toList());
        highs().ifPresent(promising::add);
        progress.step(0.6, "checking " + promising.size() + " moves");
        out.addAll(judge.measured(promising));
        out.addAll(exchanges());
        out.addAll(new EffectMoves(question, judge).all());
        equalizerPutIn().ifPresent(out::add);
        out.removeIf(m -> m.gainJnd() < LEAST_JND);
        out.sort(Comparator.comparingDouble((Move m) -> -worth(m)));
        return out;
    }

    private double worth(Move m) {
        double out = m.gainJnd();
        if (m.tone().blocks().size() > question.tone.blocks().size()) out -= ADDING_COSTS;
        for (Move.Turn t : m.turned()) {
            double start = question.tone.find(t.block()).flatMap(b -> b.model().find(t.control()))
                    .map(Control::defaultValue).orElse(t.from());
            if (Math.abs(t.to() - start) < Math.abs(t.from() - start)) out += UNDOING_SAVES / m.turned().size();
        }
        return out;
    }

    private Move move(ControlEffects.Effect e, double to) {
        return judge.judged(question.tone.with(e.set(e.block(), to)), e.block().id() + " " + e.place().control(),
                List.of(e.turn(to)), e.at(to));
    }

    /** Places on a control's track at some steps to either side, without lifts of what the take has not got. */
    private List<Double> places(ControlEffects.Effect e) {
        List<Double> out = new ArrayList<>();
        for (double step : STEPS) {
            for (int side : new int[]{-1, 1}) {
                double to = e.position() + side * step;
                if (to >= 0 && to <= 1 && !liftsNothing(e.block(), e.set(e.block(), to))) out.add(to);
            }
        }
        return out;
    }

    private boolean liftsNothing(Block before, Block after) {
        return before.model().kind() == GearKind.EQUALIZER && empty.isLiftedBy(hz -> AfterClipping.gainDb(after, hz)
                - AfterClipping.gainDb(before, hz));
    }

    private Optional<Move> bestPlace(ControlEffects.Effect e) {
        return places(e).stream().max(Comparator.comparingDouble((Double to) -> judge.gain(e.at(to))))
                .map(to -> move(e, to)).filter(m -> m.gainJnd() > LEAST_JND);
    }

    /**
     * Moves that bring a word nearer or take it away, harming little else, the most helpful first; each is rendered and measured.
     *
     * @param more whether the tone should be more so ("needs air") or less so ("too boxy")
     */
    public List<Move> towards(Word word, boolean more, Progress progress) {
        record Wish(Move move, double worth) {}
        Map<ControlPlace, Wish> best = new LinkedHashMap<>();
        for (ControlEffects.Effect e : effects) {
            for (double to : places(e)) {
                double help = help(word, more, e.at(to));
                double worth = help + HARM_COUNTS * Math.min(0, judge.gain(e.at(to)));
                if (help > WORTH_A_WORD)
                    best.merge(e.place(), new Wish(move(e, to), worth), (a, b) -> a.worth >= b.worth ? a : b);
            }
        }
        progress.step(0.6, "checking what helps most");
        return judge.measured(best.values().stream().sorted(Comparator.comparingDouble((Wish w) -> -w.worth))
                .limit(MOST_FOR_A_WORD).map(Wish::move).toList());
    }

    /** How far a word's figures move the wanted way, in their own steps. */
    private double help(Word word, boolean more, Evidence e) {
        Map<Trait, Double> before = Trait.of(judge.now());
        Map<Trait, Double> after = Trait.of(e);
        double sum = 0;
        for (Word.Condition c : word.conditions()) {
            double moved = after.getOrDefault(c.trait(), 0.0) - before.getOrDefault(c.trait(), 0.0);
            sum += (c.above() == more ? moved : -moved) / c.trait().step() / word.conditions().size();
        }
        return sum;
    }

    /** Another cabinet or microphone of the rig in the same place. */
    private List<Move> exchanges() {
        List<Move> out = new ArrayList<>();
        for (Block b : question.tone.main()) {
            GearKind k = b.model().kind();
            boolean kept = question.locked.touches(b.id());
            if (!b.on() || kept || k != GearKind.CABINET && k != GearKind.MICROPHONE || b.impulse().isPresent())
                continue;
            for (Model m : question.rig.owned(k)) {
                if (m.voice().equals(b.model().voice()) || m.voice() == Voice.Cabinet.IMPULSE_RESPONSE) continue;
                Block other = b.exchangedFor(m);
                out.add(judge.judged(question.tone.with(other), m.name() + " for " + b.model().name(), List.of(),
                        judge.now().coloured(
                                hz -> AfterClipping.gainDb(other, hz) - AfterClipping.gainDb(b, hz))));
            }
        }
        return out;
    }

    /** One band of an equalizer that is owned and not in the chain, where the spectrum is furthest off. */
    private Optional<Move> equalizerPutIn() {
        Tone tone = question.tone;
        boolean there = tone.first(GearKind.EQUALIZER).isPresent();
        boolean room = tone.blocks().size() < question.rig.mostBlocks();
        if (there || !room || !question.rig.holds(Gear.model("parametric equalizer"))) return Optional.empty();
        Optional<GapRow> worst = gap().rows().stream()
                .filter(r -> gap().counts(r) && r.attribute().isBand()).findFirst();
        if (worst.isEmpty()) return Optional.empty();
        GapAttribute band = worst.get().attribute();
        double hz = Math.rint(Math.sqrt(band.fromHz() * band.toHz()));
        double db = Math.rint(Math.clamp(-worst.get().difference(), -9, 9) * 10) / 10;
        Block eq = question.rig.device(Gear.model("parametric equalizer")).with(ControlNames.peak(1), db).with(
                ControlNames.peakFrequency(1),
                hz);
        if (empty.isLiftedBy(f -> AfterClipping.gainDb(eq, f))) return Optional.empty();
        return Optional.of(judge.judged(tone.insertedInOrder(eq),
                eq.model().name() + Figures.read(" put in: %+.1f dB at %.0f Hz", db, hz),
                List.of(), judge.now().coloured(f -> AfterClipping.gainDb(eq, f))));
    }

    /** Treble, presence, treble cut and microphone position act on the same highs: solved together, in rounds. */
    private Optional<Move> highs() {
        List<ControlEffects.Effect> of = effects.stream().filter(e -> OF_THE_HIGHS.contains(e.place())).toList();
        if (of.size() < 2) return Optional.empty();
        double[] at = of.stream().mapToDouble(ControlEffects.Effect::position).toArray();
        double most = 0;
        for (int round = 0; round < ROUNDS; round++) {
            for (int i = 0; i < of.size(); i++) {
                for (double step : STEPS) {
                    for (int side : new int[]{-1, 1}) {
                        double[] tried = at.clone();
                        tried[i] = Math.clamp(at[i] + side * step, 0, 1);
                        double gain = judge.gain(together(of, tried));
                        if (gain > most + 1e-6) {
                            most = gain;
                            at = tried;
                        }
                    }
                }
            }
        }
        List<Move.Turn> turns = new ArrayList<>();
        Tone turned = question.tone;
        for (int i = 0; i < at.length; i++) {
            ControlEffects.Effect e = of.get(i);
            if (Math.abs(at[i] - e.position()) < 0.02) continue;
            turned = turned.with(e.set(turned.find(e.block().id()).orElseThrow(), at[i]));
            turns.add(e.turn(at[i]));
        }
        return turns.size() < 2
                ? Optional.empty()
                : Optional.of(judge.judged(turned, "the highs together", turns, together(of, at)));
    }

    private Evidence together(List<ControlEffects.Effect> of, double[] at) {
        Evidence out = judge.now();
        for (int i = 0; i < at.length; i++) out = out.shifted(of.get(i).at(at[i]), judge.now(), 1);
        return out;
    }
}
