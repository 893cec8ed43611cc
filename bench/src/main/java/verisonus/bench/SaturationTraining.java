package verisonus.bench;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.SplittableRandom;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import org.hipparchus.linear.Array2DRowRealMatrix;
import org.hipparchus.linear.CholeskyDecomposition;
import org.hipparchus.linear.RealMatrix;
import org.hipparchus.linear.RealVector;
import verisonus.core.evidence.dirt.SaturationEstimator;
import verisonus.core.evidence.dirt.SaturationFeatures;
import verisonus.core.evidence.dirt.SaturationSign;
import verisonus.core.evidence.signs.Network;
import verisonus.core.evidence.signs.Signs;
import verisonus.core.sound.Biquad;
import verisonus.core.sound.Sound;
import verisonus.core.work.Figures;
import verisonus.demo.Takes;

/** Makes the weights of the saturation index, and says how well they do on performances they were not made from. */
final class SaturationTraining {
    private static final double LAMBDA = 150;
    private static final double CLIP = 3;
    private static final int SEEDS = 14;

    private SaturationTraining() {}

    private record Sample(int performance, double driveDb, double[] features, double[] paired) {}

    /** @param args the folder that the weights go to */
    public static void main(String[] args) throws IOException {
        List<Sample> samples = samples();
        train(Path.of(args[0]).resolve("saturation-weights.csv"), samples, SaturationEstimator.SIGNS);
        train(Path.of(args[0]).resolve("saturation-paired.csv"), samples.stream()
                .map(s -> new Sample(s.performance, s.driveDb, s.paired, s.paired)).toList(),
                SaturationEstimator.PAIRED_SIGNS);
    }

    private static void train(Path file, List<Sample> samples, List<String> signs) throws IOException {
        System.out.println(file.getFileName());
        double[] mean = new double[samples.get(0).features.length];
        double[] deviation = new double[mean.length];
        for (int i = 0; i < mean.length; i++) {
            int k = i;
            double m = samples.stream().mapToDouble(s -> s.features[k]).average().orElse(0);
            mean[i] = m;
            deviation[i] = Math.sqrt(samples.stream().mapToDouble(s -> Math.pow(s.features[k] - m, 2)).average()
                    .orElse(1)) + 1e-9;
        }
        crossValidate(samples, mean, deviation);
        double[] weights = fit(samples, mean, deviation);
        Files.writeString(file, "# means, deviations, weights (constant, each sign, each square)\n"
                + Network.SIGNS + String.join(",", signs) + "\n" + line(mean) + line(deviation) + line(weights));
    }

    private static String line(double[] v) {
        return Arrays.stream(v).mapToObj(d -> Figures.of("%.6g", d)).collect(Collectors.joining(","))
                + "\n";
    }

    private static List<Sample> samples() {
        return IntStream.range(0, Takes.Style.values().length * SEEDS).parallel().boxed().flatMap(p -> {
            Takes.Style style = Takes.Style.values()[p % Takes.Style.values().length];
            Sound dry = Takes.known(style, 1000 + p, 8).sound();
            Signs<SaturationSign> played = SaturationFeatures.of(dry);
            SplittableRandom random = new SplittableRandom(p);
            List<Sample> out = new ArrayList<>();
            int clipper = random.nextInt(4);
            double corner = 2800 + 3700 * random.nextDouble();
            double lift = 7 * random.nextDouble();
            double liftHz = 800 + 2700 * random.nextDouble();
            double tilt = 8 * (random.nextDouble() - 0.5);
            int after = random.nextInt(5);
            boolean speaker = random.nextInt(5) > 0;
            double echoS = 0.2 + 0.3 * random.nextDouble();
            for (double drive = -3; drive <= 33; drive += 3) {
                float[] x = clipped(dry, drive, clipper, tilt);
                if (speaker) {
                    new Biquad.Section(Biquad.lowPass(corner, 0.7, 48000)).process(x, 0, x.length);
                    new Biquad.Section(Biquad.peak(liftHz, lift, 0.8, 48000)).process(x, 0, x.length);
                }
                if (after == 1) echo(x, echoS);
                if (after == 2) x = Effects.reverb(x, echoS * 4, 0, -12, new SplittableRandom(p + 7L));
                Signs<SaturationSign> f = SaturationFeatures.of(Sound.mono(x, 48000));
                out.add(new Sample(p, drive, f.values(), SaturationFeatures.against(f, played)));
            }
            return out.stream();
        }).toList();
    }

    /** Drive 0: the peak of the input stands 6 dB under the clipper's knee. */
    private static float[] clipped(Sound dry, double driveDb, int clipper, double tiltDb) {
        float[] x = dry.mid().clone();
        new Biquad.Section(Biquad.highShelf(800, tiltDb, 48000)).process(x, 0, x.length);
        double peak = 1e-9;
        for (float v : x) peak = Math.max(peak, Math.abs(v));
        double gain = 0.5 / peak * Math.pow(10, driveDb / 20);
        for (int i = 0; i < x.length; i++) {
            double v = gain * x[i];
            x[i] = (float) switch (clipper) {
                case 0 -> Math.tanh(v);
                case 1 -> Math.tanh(v + 0.3) - Math.tanh(0.3);
                case 2 -> Math.clamp(v, -1, 1);
                default -> Math.tanh(2 * Math.tanh(0.5 * v) + 0.15 * v);
            };
        }
        new Biquad.Section(Biquad.highPass(30, 0.7, 48000)).process(x, 0, x.length);
        return x;
    }

    private static void echo(float[] x, double timeS) {
        int delay = (int) (timeS * 48000);
        for (int i = x.length - 1; i >= delay; i--) x[i] += 0.35f * x[i - delay];
    }

    private static double[] row(double[] f, double[] mean, double[] deviation) {
        double[] out = new double[1 + 2 * f.length];
        out[0] = 1;
        for (int i = 0; i < f.length; i++) {
            double z = Math.clamp((f[i] - mean[i]) / deviation[i], -CLIP, CLIP);
            out[1 + i] = z;
            out[1 + f.length + i] = z * z;
        }
        return out;
    }

    private static double[] fit(List<Sample> samples, double[] mean, double[] deviation) {
        RealMatrix x = new Array2DRowRealMatrix(samples.size(), 1 + 2 * mean.length);
        double[] y = new double[samples.size()];
        for (int i = 0; i < y.length; i++) {
            x.setRow(i, row(samples.get(i).features, mean, deviation));
            y[i] = samples.get(i).driveDb;
        }
        RealMatrix normal = x.transpose().multiply(x);
        for (int i = 1; i < normal.getRowDimension(); i++) normal.addToEntry(i, i, LAMBDA);
        RealVector right = x.transpose().operate(new org.hipparchus.linear.ArrayRealVector(y));
        return new CholeskyDecomposition(normal).getSolver().solve(right).toArray();
    }

    /** Leaves one performance in six out at a time. */
    private static void crossValidate(List<Sample> samples, double[] mean, double[] deviation) {
        List<Double> errors = new ArrayList<>();
        int rising = 0;
        int steps = 0;
        for (int fold = 0; fold < 6; fold++) {
            int f = fold;
            double[] w = fit(samples.stream().filter(s -> s.performance / 6 % 6 != f).toList(), mean, deviation);
            double last = Double.NEGATIVE_INFINITY;
            int performance = -1;
            for (Sample s : samples) {
                if (s.performance / 6 % 6 != f) continue;
                double[] r = row(s.features, mean, deviation);
                double drive = 0;
                for (int i = 0; i < r.length; i++) drive += w[i] * r[i];
                errors.add(Math.abs(drive - s.driveDb));
                if (s.performance == performance) {
                    steps++;
                    if (drive > last) rising++;
                }
                performance = s.performance;
                last = drive;
            }
        }
        errors.sort(null);
        System.out.printf(Locale.ROOT, "left out: error median %.1f dB, 90 %% within %.1f; rising steps %d of %d%n",
                errors.get(errors.size() / 2), errors.get(errors.size() * 9 / 10), rising, steps);
    }
}
