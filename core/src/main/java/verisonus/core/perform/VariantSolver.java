package verisonus.core.perform;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.function.DoubleUnaryOperator;
import verisonus.core.rig.Block;
import verisonus.core.rig.Control;
import verisonus.core.rig.ControlNames;
import verisonus.core.rig.ControlPlace;
import verisonus.core.rig.GearKind;
import verisonus.core.rig.MixLaw;
import verisonus.core.rig.Tone;
import verisonus.core.rig.Variant;
import verisonus.core.simulate.Renderer;
import verisonus.core.simulate.stages.Quality;
import verisonus.core.sound.Sound;
import verisonus.core.take.LoudestPart;
import verisonus.core.work.Figures;
import verisonus.core.work.InputFault;
import verisonus.core.work.Progress;

/**
 * Makes a variant by a goal: dirt by halving on the clipper's gain, space and repeats by their own controls, loudness last, behind
 * all that clips, where it is one step. Everything is measured on a phrase of the player's own and read again when it is set.
 */
public final class VariantSolver {
    private static final int HALVINGS = 10;
    private static final double DIRT_OFF = 0.03;
    private static final double LOUDNESS_OFF_LU = 0.2;
    /** So long a part of the phrase tells its colour. */
    private static final double COLOUR_S = 6;
    private static final int COLOUR_ROUNDS = 3;
    /** A damped stab. */
    private static final double SHORTEST_RING_S = 0.1;

    private final Tone base;
    private final Sound phrase;
    private final ControlPlace loudnessAt;
    private final Optional<ControlPlace> dirtAt;
    private final PlayedReading before;

    /**
     * @param base the tone that the variants belong to
     * @param phrase dry take of the player's own
     * @param loudnessAt where loudness is turned; empty: what a foot reaches most easily
     * @param dirtAt where dirt is turned; empty: the gain of the amp that sounds
     */
    public VariantSolver(Tone base, Sound phrase, Optional<ControlPlace> loudnessAt, Optional<ControlPlace> dirtAt) {
        this.base = loudnessAt.isPresent() ? base : LevelPoint.having(base);
        this.phrase = phrase.atRate(Sound.WORKING_RATE_HZ);
        loudnessAt.filter(p -> !LevelPoint.isOne(base, p)).ifPresent(p -> {
            throw new InputFault(p.toString(), "it is no level in dB behind all that clips",
                    "turn loudness at " + places(LevelPoint.all(base)));
        });
        this.loudnessAt = loudnessAt.orElseGet(() -> LevelPoint.all(this.base).getFirst());
        this.dirtAt = dirtAt;
        dirtAt.filter(p -> control(this.base, p).isEmpty()).ifPresent(p -> {
            throw new InputFault(p.toString(), "the tone has no such control", "name a block and its control");
        });
        before = PlayedReading.of(this.base, this.phrase);
    }

    private static String places(List<ControlPlace> all) {
        return all.isEmpty() ? "a volume at the end" : all.getFirst().toString();
    }

    private static Optional<ControlPlace> gain(Tone t) {
        return t.sounding(GearKind.AMP).map(b -> ControlPlace.of(b, ControlNames.GAIN))
                .or(() -> t.sounding(GearKind.DRIVE).map(b -> ControlPlace.of(b, ControlNames.DRIVE)));
    }

    /** Where dirt is turned in a variant. */
    private Optional<ControlPlace> dirtAt(Tone t) {
        return dirtAt.isPresent() ? dirtAt : gain(t);
    }

    private static Optional<Control> control(Tone t, ControlPlace p) {
        return t.find(p.block()).flatMap(b -> b.model().find(p.control()));
    }

    /** The tone that variants belong to: with a volume at its end, where it had no level to turn. */
    public Tone base() {
        return base;
    }

    /** What the tone makes of the phrase. */
    public PlayedReading before() {
        return before;
    }

    /** A variant with this goal, starting from the tone. */
    public SolvedVariant solved(String name, VariantGoal goal, Progress progress) {
        return solved(new Variant(name), goal, progress);
    }

    /** A variant with this goal, keeping what it differs in already, as switches set by hand. */
    public SolvedVariant solved(Variant from, VariantGoal goal, Progress progress) {
        List<String> amiss = new ArrayList<>();
        Tone now = from.on(base);
        OptionalDouble louder = goal.of(Noticed.LOUDNESS);
        OptionalDouble dirt = goal.of(Noticed.DIRT);
        if (goal.of(Noticed.SPACE).isPresent()) now = longer(now, goal.of(Noticed.SPACE).getAsDouble(), amiss);
        if (goal.of(Noticed.REPEATS).isPresent()) now = repeating(now, goal.of(Noticed.REPEATS).getAsDouble(), amiss);
        if (goal.of(Noticed.RING).isPresent()) now = ringing(now, goal.of(Noticed.RING).getAsDouble(), amiss);
        // After what rings: it fills the gaps and so is read as dirt.
        progress.step(0.2, "dirt");
        if (dirt.isPresent()) now = dirtier(now, before.dirt() + dirt.getAsDouble(), amiss);
        now = coloured(now, goal, progress, amiss);
        progress.step(0.8, "loudness");
        PlayedReading after = PlayedReading.of(now, phrase);
        if (louder.isPresent()) {
            now = atLoudness(now, after, before.loudnessLufs() + louder.getAsDouble());
            after = PlayedReading.of(now, phrase);
            missed(now, after.loudnessLufs() - before.loudnessLufs() - louder.getAsDouble(), amiss);
        }
        if (after.headroomDb() < 0 && after.headroomDb() < before.headroomDb())
            amiss.add(Figures.of("it clips by %.1f dB: turn the tone itself down first",
                    -after.headroomDb()));
        return new SolvedVariant(base, Variant.between(from.name(), base, now), before, after, loudnessAt,
                dirt.isPresent() ? dirtAt(now) : Optional.empty(), amiss);
    }

    /** Steps of dirt at equal loudness, the tone's own first and the variant's last; what else differs goes along in steps. */
    public List<SolvedVariant> ladder(Variant to, int steps, Progress progress) {
        if (steps < 3 || steps > 12)
            throw new InputFault("ladder of " + steps, "it is not 3 to 12 steps", "five are a usual number");
        Tone end = to.on(base);
        PlayedReading high = PlayedReading.of(end, phrase);
        List<SolvedVariant> out = new ArrayList<>();
        for (int i = 0; i < steps; i++) {
            double share = i / (steps - 1.0);
            progress.step(share, "step " + (i + 1));
            Tone between = between(end, share);
            List<String> amiss = new ArrayList<>();
            Tone t = dirtier(between, before.dirt() + share * (high.dirt() - before.dirt()), amiss);
            t = atLoudness(t, PlayedReading.of(t, phrase), before.loudnessLufs());
            PlayedReading read = PlayedReading.of(t, phrase);
            missed(t, read.loudnessLufs() - before.loudnessLufs(), amiss);
            String name = Figures.of("%s %d of %d", to.name(), i + 1, steps);
            out.add(new SolvedVariant(base, Variant.between(name, base, t), before, read, loudnessAt, dirtAt(t),
                    amiss));
        }
        return out;
    }

    /** A share of the way on every control's own track; switches turn half way. */
    private Tone between(Tone end, double share) {
        Tone out = base;
        for (Block e : end.blocks()) {
            Block b = base.find(e.id()).orElseThrow();
            Block made = (share < 0.5 ? b : e).on() == b.on() ? b : b.switched(e.on());
            for (Control c : e.model().turnable()) {
                if (Math.abs(b.get(c.name()) - e.get(c.name())) < 1e-9) continue;
                double position = c.position(b.get(c.name()))
                        + share * (c.position(e.get(c.name())) - c.position(b.get(c.name())));
                made = made.with(c.name(), c.isChoice()
                        ? share < 0.5 ? b.get(c.name()) : e.get(c.name())
                        : c.valueAt(position));
            }
            out = out.with(made);
        }
        return out;
    }

    /** Brightness and body by the tone's own controls; dirt that they moved is set again. */
    private Tone coloured(Tone t, VariantGoal goal, Progress progress, List<String> amiss) {
        Tone now = t;
        List<Noticed> asked = List.of(Noticed.BRIGHTNESS, Noticed.BODY).stream()
                .filter(n -> goal.of(n).isPresent()).toList();
        if (asked.isEmpty()) return now;
        double dirty = PlayedReading.dirt(t, phrase);
        Sound part = LoudestPart.of(phrase, COLOUR_S).cut(phrase);
        // Tone controls before the clipper move its dirt, and gain moves the colour: each is set again until both hold.
        for (int round = 0; round < COLOUR_ROUNDS; round++) {
            progress.step(0.4 + 0.4 * round / COLOUR_ROUNDS, "brightness and body");
            for (Noticed n : asked) {
                ColourTurns turns = new ColourTurns(part, n);
                now = turns.towards(now, turns.read(base) + goal.of(n).orElseThrow());
            }
            if (Math.abs(PlayedReading.dirt(now, phrase) - dirty) <= DIRT_OFF || dirtAt(now).isEmpty()) break;
            if (round < COLOUR_ROUNDS - 1) now = dirtier(now, dirty, new ArrayList<>());
        }
        for (Noticed n : asked) {
            ColourTurns turns = new ColourTurns(part, n);
            double reached = turns.read(now) - turns.read(base);
            double wanted = goal.of(n).orElseThrow();
            if (Math.abs(reached - wanted) > ColourTurns.JUST_HEARD_DB)
                amiss.add(
                        Figures.read("%s comes to %+.1f dB, %+.1f was wanted: the tone's own controls reach no further",
                                n.words(), reached, wanted));
        }
        return now;
    }

    private Tone ringing(Tone t, double bySeconds, List<String> amiss) {
        if (t.first(GearKind.COMPRESSOR).isEmpty())
            throw new InputFault("the ring of a note", "the chain holds no compressor that could hold a note up",
                    "put one in at its beginning, it may be off");
        Sound part = LoudestPart.of(phrase, COLOUR_S).cut(phrase);
        double was = ToneNotices.ringS(Renderer.render(base.withoutTails(), part, Quality.SEARCH, Progress.NONE))
                .orElseThrow(() -> new InputFault("the phrase", "no note in it rings long enough to see how it falls",
                        "hold a few single notes"));
        double wanted = Math.max(SHORTEST_RING_S, was + bySeconds);
        SustainSolver.Solved s = new SustainSolver(t, phrase).towards(-ToneNotices.RING_DB / wanted, Progress.NONE);
        if (!s.isReached()) amiss.add(s.words());
        return s.tone();
    }

    private Tone dirtier(Tone t, double wanted, List<String> amiss) {
        ControlPlace at = dirtAt(t).orElseThrow(() -> new InputFault("dirt", "nothing in this tone clips",
                "switch a drive or an amp on"));
        Control c = control(t, at).orElseThrow();
        Block b = t.find(at.block()).orElseThrow();
        DoubleUnaryOperator dirt = v -> PlayedReading.dirt(t.with(b.with(at.control(), v)), phrase);
        double value = rounded(sought(dirt, wanted, c));
        double reached = dirt.applyAsDouble(value);
        if (Math.abs(reached - wanted) > DIRT_OFF) {
            amiss.add(
                    Figures.of("%s at %s reaches a dirt of %.2f, not %.2f: more of it has to come from"
                            + " another place", at, c.display(value), reached, wanted));
        }
        return t.with(b.with(at.control(), value));
    }

    private static double sought(DoubleUnaryOperator dirt, double wanted, Control c) {
        double low = c.minimum();
        double high = c.maximum();
        for (int i = 0; i < HALVINGS; i++) {
            double middle = (low + high) / 2;
            if (dirt.applyAsDouble(middle) < wanted) {
                low = middle;
            } else {
                high = middle;
            }
        }
        return (low + high) / 2;
    }

    private Tone longer(Tone t, double bySeconds, List<String> amiss) {
        Block space = on(t, GearKind.REVERB, "decay", "it has no space that is on");
        double was = base.find(space.id()).orElseThrow().get(ControlNames.DECAY);
        return moved(t, space, ControlNames.DECAY, was + bySeconds, amiss);
    }

    private Tone repeating(Tone t, double byDb, List<String> amiss) {
        Block echo = on(t, GearKind.ECHO, "repeats", "it has no echo that is on");
        MixLaw law = MixLaw.of(echo);
        double wanted = law.wetDb(base.find(echo.id()).orElseThrow().get(ControlNames.MIX)) + byDb;
        if (wanted > 0) amiss.add("repeats cannot be louder than the note itself");
        return moved(t, echo, ControlNames.MIX, rounded(law.percentFor(wanted)), amiss);
    }

    private static Block on(Tone t, GearKind kind, String what, String fault) {
        return t.blocks().stream().filter(b -> b.on() && b.model().kind() == kind).findFirst()
                .orElseThrow(() -> new InputFault(what, fault, "put one in, or switch it on"));
    }

    private static Tone moved(Tone t, Block b, String control, double to, List<String> amiss) {
        Control c = b.model().control(control);
        double value = c.clamp(to);
        if (Math.abs(value - to) > 1e-6)
            amiss.add(b.id() + " " + control + " ends at " + c.display(value) + ", " + c.display(to) + " was wanted");
        return t.with(b.with(control, value));
    }

    /** Behind all that clips a decibel is a decibel, so one step is enough. */
    private Tone atLoudness(Tone t, PlayedReading now, double wantedLufs) {
        Block at = t.find(loudnessAt.block()).orElseThrow();
        Control c = at.model().control(loudnessAt.control());
        double value = at.get(loudnessAt.control()) + wantedLufs - now.loudnessLufs();
        return t.with(at.with(loudnessAt.control(), rounded(c.clamp(value))));
    }

    private void missed(Tone t, double offLu, List<String> amiss) {
        if (Math.abs(offLu) <= LOUDNESS_OFF_LU) return;
        Control c = control(t, loudnessAt).orElseThrow();
        amiss.add(Figures.of("%s ends at %s: it stays %.1f LU too %s", loudnessAt,
                c.display(t.find(loudnessAt.block()).orElseThrow().get(loudnessAt.control())), Math.abs(offLu),
                offLu > 0 ? "loud" : "soft"));
    }

    /** As finely as a device keeps it. */
    private static double rounded(double v) {
        return Math.rint(100 * v) / 100;
    }
}
