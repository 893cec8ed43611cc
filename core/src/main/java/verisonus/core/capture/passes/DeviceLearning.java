package verisonus.core.capture.passes;

import java.math.BigDecimal;
import java.math.MathContext;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.OptionalInt;
import java.util.concurrent.ExecutorService;
import java.util.stream.IntStream;
import verisonus.core.compare.GapLedger;
import verisonus.core.evidence.Evidence;
import verisonus.core.evidence.Examination;
import verisonus.core.rig.Block;
import verisonus.core.rig.Control;
import verisonus.core.rig.Dial;
import verisonus.core.rig.Gear;
import verisonus.core.rig.GearKind;
import verisonus.core.rig.Model;
import verisonus.core.rig.Tone;
import verisonus.core.rig.Unit;
import verisonus.core.rig.Voice;
import verisonus.core.simulate.Renderer;
import verisonus.core.simulate.stages.Quality;
import verisonus.core.sound.Sound;
import verisonus.core.work.Isotonic;
import verisonus.core.work.Progress;

/**
 * A pedal, an echo, a movement or a space of the player's own, learnt from what came back of one {@link SendThrough}: the model that comes
 * nearest, each control as a {@link Dial} with the taper that its marks show, and for a drive the curve that no control makes. How far off
 * it is at a setting that was not learnt from is measured on the plan's last pass.
 *
 * <p>What it cannot know: a device that widens is heard in one channel, and the pitch of a vibrato is not compared. Known error: see
 * the report on learnt devices in {@code bench}.
 */
public final class DeviceLearning {
    /** Kinds that can be learnt so; amps are learnt with their loudspeaker ({@link verisonus.core.capture.AmpLearning}). */
    public static final List<GearKind> KINDS = List.of(GearKind.DRIVE, GearKind.COMPRESSOR, GearKind.MODULATION,
            GearKind.ECHO, GearKind.REVERB);
    /** How many models are set further after all were tried roughly, and how many of these to the end. */
    private static final int WIDELY = 3;
    private static final int FINELY = 2;
    /** A control whose marks lie within this share of its way does nothing that was heard. */
    private static final double NOTHING = 0.01;
    private static final double APART = 1e-3;
    private static final MathContext DIGITS = new MathContext(4);

    /**
     * A learnt device.
     *
     * @param apart how unlike the device and what was learnt are over the passes it was learnt from, steps of 3 dB
     * @param checkJnd how far off it is at the setting that was kept back, just-noticeable differences; empty without one
     * @param checkPlainJnd the same of the nearest model with its controls where the device's stand
     * @param idle labels of controls that did nothing that could be heard
     * @param back how the recording was laid
     */
    public record Learnt(Unit unit, double apart, OptionalDouble checkJnd, OptionalDouble checkPlainJnd,
            List<String> idle, SentBack back) {}

    private DeviceLearning() {}

    /**
     * @param name that the player gives it
     * @param back cut by {@link SentBack}
     * @throws IllegalArgumentException where the kind cannot be learnt so, or no model has all the controls
     */
    public static Learnt of(String name, LearningPlan plan, SendThrough sent, SentBack back, ExecutorService workers,
            Progress progress) {
        if (!KINDS.contains(plan.kind()))
            throw new IllegalArgumentException("a " + plan.kind().word() + " is not learnt in passes");
        List<Model> models = Gear.of(plan.kind()).stream()
                .filter(m -> plan.knobs().stream().allMatch(k -> m.find(k.means()).isPresent())).toList();
        if (models.isEmpty())
            throw new IllegalArgumentException("no " + plan.kind().word() + " has all of these controls");
        return of(name, models, plan, sent, back, workers, progress);
    }

    static Learnt of(String name, List<Model> models, LearningPlan plan, SendThrough sent, SentBack back,
            ExecutorService workers, Progress progress) {
        List<float[]> passes = back.passes().subList(1, back.passes().size());
        List<PassTrace> wanted = passes.stream().map(p -> PassTrace.of(p, sent)).toList();
        List<Integer> learnt = IntStream.range(0, wanted.size())
                .filter(i -> plan.checks().isEmpty() || plan.checks().getAsInt() != i).boxed().toList();
        List<DeviceFit> fits = new ArrayList<>();
        for (Model m : models) {
            progress.step(0.3 * fits.size() / models.size(), "trying " + m.name());
            DeviceFit fit = new DeviceFit(m, plan, sent, passes, wanted, learnt, workers);
            fit.roughly();
            fits.add(fit);
        }
        List<DeviceFit> some = nearest(fits, WIDELY);
        for (int i = 0; i < some.size(); i++) {
            progress.step(0.3 + 0.3 * i / some.size(), "setting " + some.get(i).model().name());
            some.get(i).finely(DeviceFit.WIDE_STEPS);
        }
        List<DeviceFit> few = nearest(some, FINELY);
        for (int i = 0; i < few.size(); i++) {
            progress.step(0.6 + 0.3 * i / few.size(), "following its controls on " + few.get(i).model().name());
            few.get(i).finely(DeviceFit.FINE_STEPS);
        }
        DeviceFit nearest = nearest(few, 1).getFirst();
        progress.step(0.9, "measuring how far off it is");
        return learnt(name, nearest, sent, back);
    }

    private static List<DeviceFit> nearest(List<DeviceFit> fits, int most) {
        return fits.stream().sorted(Comparator.comparingDouble(DeviceFit::score)).limit(most).toList();
    }

    private static Learnt learnt(String name, DeviceFit fit, SendThrough sent, SentBack back) {
        Model model = fit.model();
        Map<String, Unit.Reach> reaches = new LinkedHashMap<>();
        Map<String, Double> still = fit.still();
        for (Control c : model.controls())
            if (fit.plan().knobs().stream().noneMatch(k -> k.means().equals(c.name())))
                reaches.put(c.name(), Unit.Reach.fixed(rounded(c, still.getOrDefault(c.name(), c.defaultValue()))));
        Map<String, Dial> dials = new LinkedHashMap<>();
        Map<String, String> labels = new LinkedHashMap<>();
        List<String> idle = new ArrayList<>();
        for (Knob k : fit.plan().knobs()) {
            Control c = model.control(k.means());
            if (!k.label().equals(c.name())) labels.put(c.name(), k.label());
            Optional<Dial> dial = dial(c, k, fit.pairs(k));
            dial.ifPresent(d -> dials.put(c.name(), d));
            if (dial.isPresent()) continue;
            idle.add(k.label());
            double at = fit.pairs(k).stream().mapToDouble(Dial.Pair::value).average().orElse(c.defaultValue());
            reaches.put(c.name(), Unit.Reach.fixed(rounded(c, at)));
        }
        List<Double> after = model.kind() == GearKind.DRIVE ? thirds(fit.left()) : List.of();
        Unit unit = Unit.of(name, model, reaches, after).labelled(labels).dialled(dials);
        OptionalInt checks = fit.plan().checks();
        OptionalDouble own = OptionalDouble.empty();
        OptionalDouble plain = OptionalDouble.empty();
        if (checks.isPresent()) {
            Map<String, Double> marks = fit.plan().settings().get(checks.getAsInt());
            Evidence real = heard(back.passes().get(checks.getAsInt() + 1), sent);
            own = OptionalDouble.of(off(real, set(unit, marks, fit.plan().knobs()), sent));
            plain = OptionalDouble.of(off(real, plain(model, marks, fit.plan().knobs()), sent));
        }
        return new Learnt(unit, fit.score(), own, plain, List.copyOf(idle), back);
    }

    /** The learnt device at marks of its own. */
    public static Block set(Unit unit, Map<String, Double> marks, List<Knob> knobs) {
        Block out = Block.of(unit.model());
        for (Knob k : knobs) {
            Dial dial = unit.dials().get(k.means());
            if (dial == null) continue;
            double value = dial.value(Gear.model(unit.base()).control(k.means()), marks.getOrDefault(k.label(), 0.0));
            out = out.with(k.means(), unit.model().control(k.means()).clamp(value));
        }
        return out;
    }

    /** The model with its controls as far turned as the device's. */
    public static Block plain(Model model, Map<String, Double> marks, List<Knob> knobs) {
        Block out = Block.of(model);
        for (Knob k : knobs) {
            Control c = model.control(k.means());
            out = out.with(c.name(), Dial.of(k.face()).value(c, marks.getOrDefault(k.label(), 0.0)));
        }
        return out;
    }

    private static double off(Evidence real, Block device, SendThrough sent) {
        float[] made = Renderer.renderMono(new Tone("learnt", List.of(device)), sent.pass(), Quality.FINAL);
        return GapLedger.between(real, heard(made, sent)).scoreJnd();
    }

    private static Evidence heard(float[] pass, SendThrough sent) {
        Sound played = Sound.mono(Arrays.copyOfRange(pass, sent.pluckedFrom(), pass.length), Sound.WORKING_RATE_HZ);
        return Examination.of(played, Examination.Depth.TONE, Progress.NONE);
    }

    /** Values that rise or fall with the marks all the way (pooled where they do not); empty where they hardly differ. */
    private static Optional<Dial> dial(Control c, Knob knob, List<Dial.Pair> found) {
        List<Dial.Pair> sorted = found.stream().sorted(Comparator.comparingDouble(p -> knob.face().share(p.mark())))
                .toList();
        if (sorted.size() < 2) return Optional.empty();
        double[] at = sorted.stream().mapToDouble(p -> c.position(p.value())).toArray();
        if (Arrays.stream(at).max().orElse(0) - Arrays.stream(at).min().orElse(0) < NOTHING) return Optional.empty();
        boolean up = at[at.length - 1] >= at[0];
        double[] level = Isotonic.rising(up ? at : Arrays.stream(at).map(v -> -v).toArray());
        List<Dial.Pair> pairs = new ArrayList<>();
        double before = Double.NEGATIVE_INFINITY;
        for (int i = 0; i < level.length; i++) {
            // Where two marks do the same the later one is put a hair further: a scale has one direction.
            double rising = Math.max(level[i], before + APART);
            before = rising;
            double value = c.valueAt(Math.clamp(up ? rising : -rising, 0, 1));
            Dial.Pair pair = new Dial.Pair(sorted.get(i).mark(), rounded(c, value));
            if (pairs.isEmpty() || pairs.getLast().value() != pair.value()) pairs.add(pair);
        }
        return pairs.size() < 2 ? Optional.empty() : Optional.of(new Dial(knob.face(), pairs));
    }

    /** To four digits, as files keep it. */
    private static double rounded(Control c, double value) {
        return c.clamp(BigDecimal.valueOf(value).round(DIGITS).doubleValue());
    }

    /** The curve at the third octaves in which a learnt device keeps it; beyond what was heard its ends go on. */
    private static List<Double> thirds(double[] byBand) {
        double[] hz = PassTrace.centresHz();
        return Voice.Learnt.CENTRES_HZ.stream().map(c -> {
            int nearest = IntStream.range(0, hz.length).boxed()
                    .min(Comparator.comparingDouble(i -> Math.abs(Math.log(hz[i] / c)))).orElseThrow();
            return Math.round(byBand[nearest] * 100) / 100.0;
        }).toList();
    }
}
