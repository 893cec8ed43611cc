package verisonus.core.capture.passes;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Collections;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import java.util.TreeMap;
import java.util.concurrent.Callable;
import java.util.concurrent.ExecutorService;
import java.util.stream.IntStream;
import verisonus.core.rig.Block;
import verisonus.core.rig.Control;
import verisonus.core.rig.ControlNames;
import verisonus.core.rig.Dial;
import verisonus.core.rig.GearKind;
import verisonus.core.rig.Model;
import verisonus.core.rig.Tone;
import verisonus.core.simulate.Renderer;
import verisonus.core.simulate.stages.Quality;
import verisonus.core.work.Parallel;

/**
 * Where the controls of one model must stand to make of each pass what the device made of it. A mark of the device is one value in all
 * passes in which it is set, and what the device has no control for is one value in all; they are sought one at a time, first over their
 * whole way, then by ever smaller steps (coordinate descent). Beside them stands, for a drive, the curve that all passes lack alike.
 */
final class DeviceFit {
    /** What is sought where the device has no control for it. */
    private static final Set<String> SOUGHT = Set.of(ControlNames.DRIVE, ControlNames.TONE, ControlNames.LEVEL,
            ControlNames.BASS, ControlNames.TREBLE, ControlNames.TIME, ControlNames.FEEDBACK, ControlNames.MIX,
            ControlNames.LOW_CUT, ControlNames.HIGH_CUT, ControlNames.WOW, ControlNames.RATE, ControlNames.DEPTH,
            ControlNames.DECAY, ControlNames.PRE_DELAY, ControlNames.THRESHOLD, ControlNames.RATIO,
            ControlNames.ATTACK, ControlNames.RELEASE);
    /** What is found by nothing but trying all of its way, and how finely. */
    private static final Map<String, Integer> FINE = Map.of(ControlNames.RATE, 80);
    private static final int COARSE = 8;
    /** Shares of the way by which a value is moved in turn. */
    static final double[] WIDE_STEPS = {0.12, 0.06};
    static final double[] FINE_STEPS = {0.05, 0.025, 0.012, 0.006};
    private static final double MOST_DB = 12;
    /** A wet control that starts at nothing would show nothing of the others. */
    private static final double WET = 0.45;
    /** Less than this is no gain, steps. */
    private static final double GAINED = 1e-4;
    private static final double[] FLAT = new double[PassTrace.bands()];

    /** One value that is sought: of a control, at one mark or (empty) wherever it stands. */
    private static final class Sought {
        private final Control control;
        private final Optional<Double> mark;
        private final int[] passes;
        private double position;

        Sought(Control control, Optional<Double> mark, int[] passes, double position) {
            this.control = control;
            this.mark = mark;
            this.passes = passes;
            this.position = position;
        }
    }

    private final Model model;
    private final LearningPlan plan;
    private final SendThrough sent;
    private final List<PassTrace> wanted;
    private final ExecutorService workers;
    private final float[] dry;
    private final List<Sought> sought = new ArrayList<>();
    private final double[] apart;
    private double[] left = FLAT;

    /**
     * @param passes what the device made, by setting of the plan
     * @param wanted the same as it is compared
     * @param learnt which settings are learnt from
     */
    DeviceFit(Model model, LearningPlan plan, SendThrough sent, List<float[]> passes, List<PassTrace> wanted,
            List<Integer> learnt, ExecutorService workers) {
        this.model = model;
        this.plan = plan;
        this.sent = sent;
        this.wanted = wanted;
        this.workers = workers;
        dry = sent.pass();
        apart = new double[wanted.size()];
        for (Knob k : plan.knobs()) {
            Map<Double, List<Integer>> by = new TreeMap<>();
            for (int s : learnt)
                by.computeIfAbsent(plan.mark(s, k), _ -> new ArrayList<>()).add(s);
            Control c = model.control(k.means());
            by.forEach((mark, at) -> sought.add(new Sought(c, Optional.of(mark), array(at), repeat(c, passes, at)
                    .orElseGet(() -> c.position(Dial.of(k.face()).value(c, mark))))));
        }
        for (Control c : model.controls()) {
            boolean own = plan.knobs().stream().anyMatch(k -> k.means().equals(c.name()));
            if (own || c.isChoice() || !SOUGHT.contains(c.name())) continue;
            boolean wet = c.name().equals(ControlNames.MIX) && c.defaultValue() == c.minimum();
            sought.add(new Sought(c, Optional.empty(), array(learnt), repeat(c, passes, learnt).orElseGet(
                    () -> wet ? WET : c.position(c.defaultValue()))));
        }
    }

    /** Where a time stands by the repeats of the tick, the median of some passes; empty of what is no time. */
    private OptionalDouble repeat(Control c, List<float[]> passes, List<Integer> at) {
        if (!c.name().equals(ControlNames.TIME)) return OptionalDouble.empty();
        double[] seen = at.stream().map(passes::get).map(sent::repeatS).flatMapToDouble(OptionalDouble::stream).sorted()
                .toArray();
        return seen.length == 0
                ? OptionalDouble.empty()
                : OptionalDouble.of(c.position(1000 * seen[seen.length / 2]));
    }

    private static int[] array(List<Integer> list) {
        return list.stream().mapToInt(Integer::intValue).toArray();
    }

    Model model() {
        return model;
    }

    /** The curve that is left by band of {@link PassTrace}, dB. */
    double[] left() {
        return left.clone();
    }

    /** The model as it stands for a setting. */
    Block at(int setting) {
        Block out = Block.of(model);
        for (Sought s : sought) {
            boolean here = s.mark.isEmpty() || Arrays.stream(s.passes).anyMatch(p -> p == setting);
            if (here) out = out.with(s.control.name(), s.control.valueAt(s.position));
        }
        return out;
    }

    private PassTrace heard(Block block) {
        return PassTrace.of(Renderer.renderMono(new Tone("learning", List.of(block)), dry, Quality.DRAFT), sent);
    }

    /** Mean square over some settings with one value moved. */
    private double with(Sought s, double position, int[] settings, boolean levelCounts) {
        double sum = 0;
        for (int p : settings) {
            Block moved = at(p).with(s.control.name(), s.control.valueAt(position));
            sum += Math.pow(wanted.get(p).distance(heard(moved), left, levelCounts), 2);
        }
        return sum / settings.length;
    }

    /** Every value over its whole way, on one setting each. */
    void roughly() {
        boolean level = levelTells();
        List<Sought> order = new ArrayList<>(sought);
        order.sort((a, b) -> Integer.compare(rank(a.control.name()), rank(b.control.name())));
        for (Sought s : order) {
            // A time is measured, not tried.
            if (s.control.name().equals(ControlNames.TIME)) continue;
            int[] one = {s.passes[0]};
            int n = FINE.getOrDefault(s.control.name(), COARSE);
            double[] tried = IntStream.rangeClosed(0, n).mapToDouble(i -> (double) i / n).toArray();
            boolean counts = level || s.control.name().equals(ControlNames.LEVEL);
            double now = with(s, s.position, one, counts);
            double[] cost = all(s, tried, one, counts);
            int best = IntStream.range(0, cost.length).reduce((a, b) -> cost[b] < cost[a] ? b : a).orElseThrow();
            if (cost[best] < now - GAINED) s.position = tried[best];
        }
        listen();
    }

    /** Time and rate first, for nothing else is seen before they stand; what only makes louder last. */
    private static int rank(String control) {
        if (FINE.containsKey(control)) return 0;
        return control.equals(ControlNames.LEVEL) ? 2 : 1;
    }

    /** Whether loudness tells something before the output level is found: not where clipping makes it. */
    private boolean levelTells() {
        return model.kind() != GearKind.DRIVE && model.kind() != GearKind.COMPRESSOR;
    }

    private double[] all(Sought s, double[] positions, int[] settings, boolean counts) {
        List<Callable<Double>> work = new ArrayList<>();
        for (double p : positions) work.add(() -> with(s, p, settings, counts));
        return Parallel.all(work, workers).stream().mapToDouble(Double::doubleValue).toArray();
    }

    /** Every value by these steps, each again while it comes nearer; the curve that is left after each. */
    void finely(double[] steps) {
        for (double step : steps) {
            curve();
            for (Sought s : sought) {
                double now = with(s, s.position, s.passes, true);
                double by = step * fineness(s.control.name());
                for (int again = 0; again < 4; again++) {
                    double[] tried = {Math.clamp(s.position + by, 0, 1), Math.clamp(s.position - by, 0, 1)};
                    double[] cost = all(s, tried, s.passes, true);
                    int best = cost[0] <= cost[1] ? 0 : 1;
                    if (cost[best] >= now - GAINED) break;
                    now = cost[best];
                    s.position = tried[best];
                }
            }
        }
        curve();
        listen();
    }

    /** A rate and a time are sought in smaller steps: a hundredth of either is heard. */
    private static double fineness(String control) {
        return control.equals(ControlNames.TIME) || control.equals(ControlNames.RATE) ? 0.1 : 1;
    }

    /** What all passes lack alike, its mean taken off: a level is the level control's. Only a drive keeps one. */
    private void curve() {
        if (model.kind() != GearKind.DRIVE) return;
        int[] learnt = learnt();
        List<Callable<double[]>> work = new ArrayList<>();
        for (int p : learnt) work.add(() -> wanted.get(p).lessDb(heard(at(p))));
        double[] sum = new double[FLAT.length];
        for (double[] one : Parallel.all(work, workers))
            for (int b = 0; b < sum.length; b++) sum[b] += one[b] / learnt.length;
        double mean = Arrays.stream(sum).average().orElse(0);
        for (int b = 0; b < sum.length; b++) sum[b] = Math.clamp(sum[b] - mean, -MOST_DB, MOST_DB);
        left = sum;
    }

    private int[] learnt() {
        return sought.stream().flatMapToInt(s -> Arrays.stream(s.passes)).distinct().sorted().toArray();
    }

    private void listen() {
        List<Callable<Double>> work = new ArrayList<>();
        int[] learnt = learnt();
        for (int p : learnt) work.add(() -> wanted.get(p).distance(heard(at(p)), left, true));
        List<Double> found = Parallel.all(work, workers);
        for (int i = 0; i < learnt.length; i++) apart[learnt[i]] = found.get(i);
    }

    /** Root of the mean square over what was learnt, steps. */
    double score() {
        int[] learnt = learnt();
        return Math.sqrt(Arrays.stream(learnt).mapToDouble(p -> apart[p] * apart[p]).average().orElse(0));
    }

    /** Marks of a control and the values found at them, in the order of marks. */
    List<Dial.Pair> pairs(Knob knob) {
        List<Dial.Pair> out = new ArrayList<>();
        for (Sought s : sought)
            if (s.control.name().equals(knob.means()) && s.mark.isPresent())
                out.add(new Dial.Pair(s.mark.get(), s.control.valueAt(s.position)));
        return Collections.unmodifiableList(out);
    }

    /** Values of what the device has no control for, by control. */
    Map<String, Double> still() {
        Map<String, Double> out = new TreeMap<>();
        for (Sought s : sought)
            if (s.mark.isEmpty()) out.put(s.control.name(), s.control.valueAt(s.position));
        return out;
    }

    LearningPlan plan() {
        return plan;
    }
}
