package verisonus.bench.gear;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.SplittableRandom;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.stream.Collectors;
import verisonus.core.capture.passes.DeviceLearning;
import verisonus.core.capture.passes.Knob;
import verisonus.core.capture.passes.LearningPlan;
import verisonus.core.capture.passes.SendThrough;
import verisonus.core.capture.passes.SentBack;
import verisonus.core.compare.GapLedger;
import verisonus.core.evidence.Evidence;
import verisonus.core.evidence.Examination;
import verisonus.core.rig.Block;
import verisonus.core.rig.Gear;
import verisonus.core.rig.GearKind;
import verisonus.core.rig.Tone;
import verisonus.core.simulate.CaptureSignal;
import verisonus.core.simulate.Renderer;
import verisonus.core.simulate.stages.Quality;
import verisonus.core.sound.Sound;
import verisonus.core.work.Progress;

/**
 * What is left between a made-up device and what was learnt of it by one playing through, on other playing and at settings that were not
 * learnt from; beside it the same model with its controls as far turned. Arguments: first seed, last seed, kinds (all).
 */
final class LearnReport {
    private static final int RATE_HZ = Sound.WORKING_RATE_HZ;
    private static final double PAUSE_S = 8;
    private static final double[][] ASKED = {{0.3, 0.4, 0.6}, {0.7, 0.65, 0.4}, {0.45, 0.75, 0.8}};

    private LearnReport() {}

    public static void main(String[] args) {
        long from = args.length > 0 ? Long.parseLong(args[0]) : 1;
        long to = args.length > 1 ? Long.parseLong(args[1]) : 1;
        List<GearKind> kinds = args.length > 2
                ? Arrays.stream(args[2].split(",", -1)).map(k -> GearKind.valueOf(k.toUpperCase(Locale.ROOT))).toList()
                : DeviceLearning.KINDS;
        ExecutorService workers = Executors.newFixedThreadPool(2);
        try {
            for (GearKind kind : kinds)
                for (long seed = from; seed <= to; seed++) one(new MadeDevice(kind, seed), workers);
        } finally {
            workers.shutdownNow();
        }
    }

    private static void one(MadeDevice device, ExecutorService workers) {
        List<Knob> knobs = device.knobs().stream().map(k -> Knob.said(k, device.kind())).toList();
        LearningPlan plan = LearningPlan.usual(device.kind(), knobs);
        SendThrough sent = new SendThrough(device.kind(), plan.passes(), PAUSE_S);
        Sound recording = recorded(device, plan, sent);
        long begin = System.nanoTime();
        SentBack back = SentBack.of("made", recording, sent, plan::words);
        DeviceLearning.Learnt learnt = DeviceLearning.of("my device", plan, sent, back, workers, Progress.NONE);
        double seconds = (System.nanoTime() - begin) / 1e9;
        System.out.printf(Locale.ROOT,
                "%s %d: %s, %.1f steps left; checked %.2f JND (as far turned %.2f); idle %s; %.0f ms late, %.0f ppm, %.1f dB%s; %.0f s, %.1f min of playing%n",
                device.kind().word(), device.seed(), learnt.unit().base(), learnt.apart(),
                learnt.checkJnd().orElse(Double.NaN), learnt.checkPlainJnd().orElse(Double.NaN), learnt.idle(),
                1000 * back.latencyS(), back.driftPpm(), back.gainDb(), back.turned() ? ", turned" : "", seconds,
                recording.durationS() / 60);
        learnt.unit().dials().forEach((c, d) -> System.out.println("    " + c + ": " + d.words()));
        System.out.println("    stands: " + learnt.unit().model().controls().stream().filter(c -> c.isFixed())
                .filter(c -> c.defaultValue() != Gear.model(learnt.unit().base()).control(c.name()).defaultValue())
                .map(c -> c.name() + " " + c.display(c.defaultValue())).collect(Collectors.joining(", ")));
        elsewhere(device, knobs, learnt);
    }

    /** Other playing at settings that nobody recorded. */
    private static void elsewhere(MadeDevice device, List<Knob> knobs, DeviceLearning.Learnt learnt) {
        float[] dry = CaptureSignal.make().slice(6, 11.5).mid();
        List<Double> own = new ArrayList<>();
        List<Double> plain = new ArrayList<>();
        for (double[] asked : ASKED) {
            double[] shares = Arrays.copyOf(asked, knobs.size());
            Map<String, Double> marks = knobs.stream().collect(Collectors.toMap(Knob::label,
                    k -> k.face().mark(shares[knobs.indexOf(k)])));
            double[] exact = knobs.stream().mapToDouble(k -> k.face().share(marks.getOrDefault(k.label(), 0.0)))
                    .toArray();
            Evidence real = heard(device.play(dry, exact));
            own.add(off(real, DeviceLearning.set(learnt.unit(), marks, knobs), dry));
            plain.add(off(real, DeviceLearning.plain(Gear.model(learnt.unit().base()), marks, knobs), dry));
        }
        System.out.printf(Locale.ROOT, "    elsewhere %.2f JND, as far turned %.2f  %s%n", mean(own), mean(plain),
                own.stream().map(v -> String.format(Locale.ROOT, "%.2f", v)).toList());
    }

    private static double mean(List<Double> of) {
        return of.stream().mapToDouble(Double::doubleValue).average().orElse(Double.NaN);
    }

    private static double off(Evidence real, Block device, float[] dry) {
        return GapLedger.between(real, heard(Renderer.renderMono(new Tone("learnt", List.of(device)), dry,
                Quality.FINAL))).scoreJnd();
    }

    private static Evidence heard(float[] x) {
        return Examination.of(Sound.mono(x, RATE_HZ), Examination.Depth.TONE, Progress.NONE);
    }

    /** Through the device pass by pass, late, at another level, turned, by another clock, in some noise. */
    private static Sound recorded(MadeDevice device, LearningPlan plan, SendThrough sent) {
        float[] file = sent.signal().mid();
        float[] out = new float[file.length];
        for (int p = 0; p < plan.passes(); p++) {
            int from = (int) (sent.turnFromS(p) * RATE_HZ);
            int to = p + 1 < plan.passes() ? (int) (sent.turnFromS(p + 1) * RATE_HZ) : file.length;
            float[] part = Arrays.copyOfRange(file, from, to);
            int pass = p;
            float[] made = p == 0
                    ? part
                    : device.play(part, plan.knobs().stream()
                            .mapToDouble(k -> k.face().share(plan.mark(pass - 1, k))).toArray());
            System.arraycopy(made, 0, out, from, made.length);
        }
        SplittableRandom random = new SplittableRandom(device.seed());
        double late = 0.05 + 0.4 * random.nextDouble();
        double ppm = 60 * random.nextDouble() - 30;
        double gain = (device.seed() % 2 == 0 ? -1 : 1) * Math.pow(10, -(3 + 9 * random.nextDouble()) / 20);
        float[] back = new float[(int) (out.length + (late + 1) * RATE_HZ)];
        for (int i = 0; i < back.length; i++) {
            double at = (i - late * RATE_HZ) / (1 + ppm / 1e6);
            int k = (int) Math.floor(at);
            double share = at - k;
            double v = k >= 0 && k + 1 < out.length ? out[k] * (1 - share) + out[k + 1] * share : 0;
            back[i] = (float) (gain * v + 1e-4 * (random.nextDouble() - 0.5));
        }
        return Sound.mono(back, RATE_HZ);
    }
}
