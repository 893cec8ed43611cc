package verisonus.core.derive;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import java.util.concurrent.Callable;
import java.util.concurrent.ExecutorService;
import verisonus.core.compare.GapLedger;
import verisonus.core.compare.GapRow;
import verisonus.core.evidence.EchoReading;
import verisonus.core.evidence.Evidence;
import verisonus.core.evidence.Examination;
import verisonus.core.evidence.Finding;
import verisonus.core.evidence.Trait;
import verisonus.core.evidence.Word;
import verisonus.core.fault.Progress;
import verisonus.core.rig.Block;
import verisonus.core.rig.Control;
import verisonus.core.rig.Kind;
import verisonus.core.rig.Model;
import verisonus.core.rig.Rig;
import verisonus.core.rig.Tone;
import verisonus.core.simulate.EqualizerCurve;
import verisonus.core.simulate.LoudspeakerCurve;
import verisonus.core.simulate.MixLaw;
import verisonus.core.simulate.Quality;
import verisonus.core.simulate.Renderer;
import verisonus.core.sound.Sound;

/**
 * What to turn next. Controls behind the last clipper are judged by their curves; each control before it is tried once, its effect on
 * every row of the ledger taken as a straight line, the best place on that line rendered and measured. Gains are of all differences
 * together ({@link GapLedger#distanceJnd}).
 */
public final class NextMoves {
    private static final double PROBE = 0.08;
    private static final int CHECKED = 8;
    private static final double[] STEPS = {0.04, 0.08, 0.15, 0.25, 0.4};
    /** Adding to the chain must earn this much more than turning what is there, JND. */
    private static final double ADDING_COSTS = 0.3;
    /** Taking back what was set is worth this much, JND. */
    private static final double UNDOING_SAVES = 0.1;
    private static final double WORTH_A_WORD = 0.15;
    private static final double LEAST_JND = 0.05;
    /** As long a part as it takes to judge a move, and no longer. */
    public static final double LONGEST_S = 20;
    private static final Set<String> BEFORE_THE_CLIPPER = Set.of("gain", "bass", "mid", "treble", "master", "sag",
            "drive", "tone", "level", "threshold", "ratio", "lows before clipping", "attack softening");
    private static final List<String> OF_THE_HIGHS = List.of("amp/treble", "amp/presence", "microphone/position");

    private final Evidence reference;
    private final Sound di;
    private final Tone tone;
    private final Rig rig;
    private final Set<String> locked;
    private final Set<String> wantedSo;
    private final ExecutorService workers;
    private final Evidence now;
    private final GapLedger gap;
    private final Map<String, Evidence> probes = new TreeMap<>();

    /**
     * What moves are looked for.
     *
     * @param reference what was measured in the part that is listened to
     * @param di the dry take, in time with it where it plays the same
     * @param locked controls that are not turned
     * @param wantedSo differences that are not chased
     */
    public record Question(Evidence reference, Sound di, Tone tone, Rig rig, Set<String> locked,
            Set<String> wantedSo) {}

    public NextMoves(Question q, ExecutorService workers, Progress progress) {
        reference = q.reference;
        di = q.di.atRate(Renderer.RATE_HZ);
        tone = q.tone;
        rig = q.rig;
        locked = q.locked;
        wantedSo = q.wantedSo;
        this.workers = workers;
        progress.step(0.05, "measuring the tone as it is");
        now = examined(tone, Examination.Depth.TONE);
        gap = ledger(now);
        List<Callable<Evidence>> work = new ArrayList<>();
        List<String> names = new ArrayList<>();
        for (Block b : tone.main()) {
            for (Control c : b.model().controls()) {
                if (!searchable(b, c) || !isNonlinear(b, c)) continue;
                names.add(b.id() + "/" + c.name());
                work.add(() -> examined(tone.with(b.with(c.name(), c.valueAt(probed(b, c)))),
                        Examination.Depth.CONTROL).echoing(now));
            }
        }
        progress.step(0.2, "trying " + names.size() + " controls");
        List<Evidence> found = KnobFit.all(work, workers);
        for (int i = 0; i < names.size(); i++) probes.put(names.get(i), found.get(i));
    }

    private boolean searchable(Block b, Control c) {
        return b.on() && !c.isChoice() && !locked.contains(b.id() + "/" + c.name())
                && !(c.rare() && !b.settings().containsKey(c.name()));
    }

    /** Level controls behind the last clipper change nothing that counts; in front they drive. */
    private static boolean isNonlinear(Block b, Control c) {
        Kind k = b.model().kind();
        return (k == Kind.AMP || k == Kind.DRIVE || k == Kind.COMPRESSOR) && BEFORE_THE_CLIPPER.contains(c.name());
    }

    private static double probed(Block b, Control c) {
        double p = c.position(b.get(c.name()));
        return p > 0.5 ? p - PROBE : p + PROBE;
    }

    private Evidence examined(Tone t, Examination.Depth depth) {
        return Examination.of(Renderer.render(t, di, java.util.Optional.of(di), Quality.FINAL, Progress.NONE), depth,
                Progress.NONE);
    }

    private GapLedger ledger(Evidence candidate) {
        return GapLedger.between(reference, candidate).wanting(wantedSo);
    }

    /** The gap of the tone as it is, on the part that is listened to. */
    public GapLedger gap() {
        return gap;
    }

    /** What helps, the most first; empty where nothing does. */
    public List<Move> best(Progress progress) {
        List<Move> out = new ArrayList<>();
        out.addAll(checked(rough(), progress));
        out.addAll(behind());
        out.addAll(exchanges());
        out.addAll(echoes());
        out.addAll(highs());
        out.removeIf(m -> m.gainJnd() < LEAST_JND);
        out.sort(Comparator.comparingDouble((Move m) -> -worth(m)));
        return out;
    }

    private double worth(Move m) {
        double out = m.gainJnd();
        if (m.tone().blocks().size() > tone.blocks().size()) out -= ADDING_COSTS;
        for (Move.Turn t : m.turned()) {
            double start = tone.find(t.block()).flatMap(b -> b.model().find(t.control())).map(Control::defaultValue)
                    .orElse(t.from());
            if (Math.abs(t.to() - start) < Math.abs(t.from() - start)) out += UNDOING_SAVES / m.turned().size();
        }
        return out;
    }

    /**
     * Moves that bring a word nearer or take it away, harming little else: help in steps of the word's own figures, less what
     * all other differences would grow.
     *
     * @param more whether the tone should be more so ("needs air") or less so ("too boxy")
     */
    public List<Move> towards(Word word, boolean more, Progress progress) {
        List<Move> all = new ArrayList<>();
        for (Candidate c : candidates()) {
            for (double step : STEPS) {
                for (int side : new int[]{-1, 1}) {
                    double to = c.position + side * step;
                    if (to < 0 || to > 1) continue;
                    Evidence e = c.at(to);
                    double help = help(word, more, e);
                    double harm = Math.max(0, ledger(e).distanceJnd() - gap.distanceJnd());
                    if (help > WORTH_A_WORD) all.add(move(c, to, e, help - 0.5 * harm));
                }
            }
        }
        all.sort(Comparator.comparingDouble((Move m) -> -m.gainJnd()));
        Map<String, Move> best = new java.util.LinkedHashMap<>();
        for (Move m : all) best.putIfAbsent(m.turned().get(0).block() + m.turned().get(0).control(), m);
        progress.step(1, "found");
        return best.values().stream().limit(6)
                .map(m -> new Move(m.tone(), m.what(), m.turned(),
                        gap.distanceJnd() - ledger(examined(m.tone(), Examination.Depth.CONTROL).echoing(now))
                                .distanceJnd(),
                        m.rowsJnd()))
                .toList();
    }

    /** How far a word's figures move the wanted way, in their own steps. */
    private double help(Word word, boolean more, Evidence e) {
        Map<Trait, Double> before = Trait.of(now);
        Map<Trait, Double> after = Trait.of(e);
        double sum = 0;
        for (Word.Condition c : word.conditions()) {
            double moved = after.getOrDefault(c.trait(), 0.0) - before.getOrDefault(c.trait(), 0.0);
            sum += (c.above() == more ? moved : -moved) / c.trait().step() / word.conditions().size();
        }
        return sum;
    }

    /** One control with what it does, as a line between two examinations or as a curve. */
    private final class Candidate {
        private final Block block;
        private final Control control;
        private final double position;

        Candidate(Block block, Control control) {
            this.block = block;
            this.control = control;
            position = control.position(block.get(control.name()));
        }

        Evidence at(double to) {
            Evidence probe = probes.get(block.id() + "/" + control.name());
            if (probe == null) {
                Block turned = block.with(control.name(), control.valueAt(to));
                return now.coloured(hz -> curveDb(turned, hz) - curveDb(block, hz));
            }
            double share = (to - position) / (probed(block, control) - position);
            return now.shifted(probe, now, share);
        }
    }

    private List<Candidate> candidates() {
        List<Candidate> out = new ArrayList<>();
        for (Block b : tone.main()) {
            for (Control c : b.model().controls()) {
                boolean curve = isLinear(b, c);
                if (searchable(b, c) && (curve || probes.containsKey(b.id() + "/" + c.name())))
                    out.add(new Candidate(b, c));
            }
        }
        return out;
    }

    private static boolean isLinear(Block b, Control c) {
        return switch (b.model().kind()) {
            case CABINET, EQUALIZER, MICROPHONE -> !c.name().equals("level");
            case AMP -> c.name().equals("presence") || c.name().equals("treble cut")
                    || c.name().endsWith("after clipping") || c.name().equals("low resonance");
            default -> false;
        };
    }

    private static double curveDb(Block b, double hz) {
        return switch (b.model().kind()) {
            case CABINET -> LoudspeakerCurve.cabinetDb(b, hz);
            case MICROPHONE -> LoudspeakerCurve.microphoneDb(b, hz);
            case EQUALIZER -> EqualizerCurve.gainDb(b, hz, Renderer.RATE_HZ);
            default -> LoudspeakerCurve.ampDb(b, hz);
        };
    }

    private Move move(Candidate c, double to, Evidence e, double gain) {
        double value = rounded(c.control, c.control.valueAt(to));
        Block turned = c.block.with(c.control.name(), value);
        return new Move(tone.with(turned), c.block.id() + " " + c.control.name(),
                List.of(new Move.Turn(c.block.id(), c.control.name(), c.block.get(c.control.name()), value)), gain,
                rows(ledger(e)));
    }

    private Map<String, Double> rows(GapLedger after) {
        Map<String, Double> out = new TreeMap<>();
        for (GapRow r : after.rows()) {
            gap.find(r.attribute()).ifPresent(b -> out.put(r.attribute(), r.audibility() - b.audibility()));
        }
        return out;
    }

    /** As fine as a hand can set it. */
    static double rounded(Control c, double v) {
        double step = c.unit().equals("0-10") || c.unit().equals("dB") ? 0.1 : c.unit().equals("Q") ? 0.01 : 1;
        return c.clamp(Math.rint(v / step) * step);
    }

    /** The best place of each control before the clipper on its straight line. */
    private List<Candidate> rough() {
        return candidates().stream().filter(c -> probes.containsKey(c.block.id() + "/" + c.control.name())).toList();
    }

    private Move onItsLine(Candidate c) {
        Move best = move(c, c.position, now, 0);
        for (double step : STEPS) {
            for (int side : new int[]{-1, 1}) {
                double to = c.position + side * step;
                if (to < 0 || to > 1) continue;
                Evidence e = c.at(to);
                double gain = gap.distanceJnd() - ledger(e).distanceJnd();
                if (gain > best.gainJnd()) best = move(c, to, e, gain);
            }
        }
        return best;
    }

    /** The most promising of those, rendered and measured. */
    private List<Move> checked(List<Candidate> rough, Progress progress) {
        List<Move> promising = rough.stream().map(this::onItsLine).filter(m -> m.gainJnd() > 0.05)
                .sorted(Comparator.comparingDouble((Move m) -> -m.gainJnd())).limit(CHECKED).toList();
        progress.step(0.6, "checking " + promising.size() + " moves");
        return measured(promising);
    }

    private List<Move> measured(List<Move> moves) {
        List<Callable<Move>> work = new ArrayList<>();
        for (Move m : moves) {
            work.add(() -> {
                GapLedger after = ledger(examined(m.tone(), Examination.Depth.CONTROL).echoing(now));
                return new Move(m.tone(), m.what(), m.turned(), gap.distanceJnd() - after.distanceJnd(), rows(after));
            });
        }
        return KnobFit.all(work, workers);
    }

    private List<Move> behind() {
        List<Move> out = new ArrayList<>();
        for (Candidate c : candidates()) {
            if (!probes.containsKey(c.block.id() + "/" + c.control.name())) out.add(onItsLine(c));
        }
        return out;
    }

    /** Another cabinet or microphone of the rig in the same place. */
    private List<Move> exchanges() {
        List<Move> out = new ArrayList<>();
        for (Block b : tone.main()) {
            Kind k = b.model().kind();
            boolean kept = locked.stream().anyMatch(l -> l.startsWith(b.id() + "/"));
            if (!b.on() || kept || k != Kind.CABINET && k != Kind.MICROPHONE || b.impulse().isPresent()) continue;
            for (Model m : rig.owned(k)) {
                if (m.equals(b.model()) || m.name().equals("impulse response")) continue;
                Block other = b.exchangedFor(m);
                GapLedger after = ledger(now.coloured(hz -> curveDb(other, hz) - curveDb(b, hz)));
                out.add(new Move(tone.with(other), m.name() + " for " + b.model().name(), List.of(),
                        gap.distanceJnd() - after.distanceJnd(), rows(after)));
            }
        }
        return out;
    }

    /** The echo's mix and feedback where the repeats are off. */
    private List<Move> echoes() {
        var wanted = reference.echo().value();
        var has = now.echo().value();
        var unit = tone.main().stream().filter(b -> b.on() && b.model().kind() == Kind.ECHO).findFirst();
        if (wanted.isEmpty() || has.isEmpty() || unit.isEmpty()) return List.of();
        Block b = unit.get();
        double level = 20 * Math.log10(Math.max(1e-3, b.get("mix") / 50)) + wanted.get().levelDb() - has.get()
                .levelDb();
        double feedback = b.get("feedback") + wanted.get().feedbackPercent() - has.get().feedbackPercent();
        List<Move> out = new ArrayList<>();
        EchoReading e = has.get();
        out.add(echo(b, "mix", MixLaw.percentFor(level),
                new EchoReading(e.timeMs(), e.feedbackPercent(), wanted.get().levelDb(), e.pingPong())));
        out.add(echo(b, "feedback", Math.clamp(feedback, 0, 95),
                new EchoReading(e.timeMs(), wanted.get().feedbackPercent(), e.levelDb(), e.pingPong())));
        out.removeIf(m -> locked.contains(m.turned().get(0).block() + "/" + m.turned().get(0).control()));
        return out;
    }

    private Move echo(Block b, String control, double to, EchoReading then) {
        GapLedger after = ledger(now.repeating(Finding.present(then, 1, "set so")));
        return new Move(tone.with(b.with(control, to)), b.id() + " " + control,
                List.of(new Move.Turn(b.id(), control, b.get(control), to)),
                gap.distanceJnd() - after.distanceJnd(), rows(after));
    }

    /** Treble, presence and microphone position act on the same highs: solved together, in rounds. */
    private List<Move> highs() {
        List<Candidate> of = candidates().stream()
                .filter(c -> OF_THE_HIGHS.contains(c.block.id() + "/" + c.control.name())).toList();
        if (of.size() < 2) return List.of();
        double[] at = of.stream().mapToDouble(c -> c.position).toArray();
        double best = gap.distanceJnd();
        for (int round = 0; round < 3; round++) {
            for (int i = 0; i < of.size(); i++) {
                for (double step : STEPS) {
                    for (int side : new int[]{-1, 1}) {
                        double[] tried = at.clone();
                        tried[i] = Math.clamp(at[i] + side * step, 0, 1);
                        double there = ledger(together(of, tried)).distanceJnd();
                        if (there < best - 1e-6) {
                            best = there;
                            at = tried;
                        }
                    }
                }
            }
        }
        List<Move.Turn> turns = new ArrayList<>();
        Tone turned = tone;
        for (int i = 0; i < at.length; i++) {
            Candidate c = of.get(i);
            double value = rounded(c.control, c.control.valueAt(at[i]));
            if (Math.abs(at[i] - c.position) < 0.02) continue;
            Block b = turned.find(c.block.id()).orElseThrow();
            turned = turned.with(b.with(c.control.name(), value));
            turns.add(new Move.Turn(b.id(), c.control.name(), c.block.get(c.control.name()), value));
        }
        if (turns.size() < 2) return List.of();
        return measured(List.of(new Move(turned, "the highs together", turns, 0, Map.of())));
    }

    private Evidence together(List<Candidate> of, double[] at) {
        Evidence out = now;
        for (int i = 0; i < at.length; i++) {
            out = out.shifted(of.get(i).at(at[i]), now, 1);
        }
        return out;
    }
}
