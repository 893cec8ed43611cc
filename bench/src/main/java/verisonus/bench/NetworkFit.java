package verisonus.bench;

import java.util.Arrays;
import java.util.List;
import java.util.SplittableRandom;
import java.util.stream.Collectors;
import java.util.stream.DoubleStream;
import verisonus.core.evidence.signs.Network;
import verisonus.core.work.Figures;

/**
 * Trains a {@link Network} by gradient descent with momentum (D. P. Kingma, J. Ba, "Adam", 2015), weight decay and features
 * blurred by a little noise, so that its probabilities can be believed.
 */
final class NetworkFit {
    private static final double CLIP = 3;
    private static final int EPOCHS = 250;
    private static final double RATE = 0.004;
    private static final double DECAY = 0.04;
    private static final double BLUR = 0.3;

    /** Features and the number of the answer. */
    record Sample(double[] features, int answer) {}

    private final SplittableRandom random;
    private final double[] mean;
    private final double[] deviation;
    private final double[][] hidden;
    private final double[][] out;

    private NetworkFit(List<Sample> samples, int units, int answers, long seed) {
        random = new SplittableRandom(seed);
        int n = samples.get(0).features.length;
        mean = new double[n];
        deviation = new double[n];
        for (int i = 0; i < n; i++) {
            int k = i;
            mean[i] = known(samples, k).average().orElse(0);
            deviation[i] = Math.sqrt(known(samples, k).map(v -> (v - mean[k]) * (v - mean[k])).average().orElse(1))
                    + 1e-6;
        }
        hidden = new double[units][n + 1];
        out = new double[answers][units + 1];
        for (double[] row : hidden) Arrays.setAll(row, _ -> random.nextGaussian() / Math.sqrt(n));
        for (double[] row : out) Arrays.setAll(row, _ -> 0.3 * random.nextGaussian() / Math.sqrt(units));
    }

    /** A feature where it is a number: what a recording does not show stays out. */
    private static DoubleStream known(List<Sample> samples, int feature) {
        return samples.stream().mapToDouble(s -> s.features[feature]).filter(Double::isFinite);
    }

    static Network fit(List<Sample> samples, int units, int answers, long seed) {
        return fit(samples, units, answers, seed, EPOCHS);
    }

    /** @param epochs how often every sample is seen: of many samples less often will do */
    static Network fit(List<Sample> samples, int units, int answers, long seed, int epochs) {
        NetworkFit f = new NetworkFit(samples, units, answers, seed);
        f.descend(samples, epochs);
        return new Network(f.mean, f.deviation, f.hidden, f.out);
    }

    private void descend(List<Sample> samples, int epochs) {
        double[][] z = new double[samples.size()][];
        for (int s = 0; s < z.length; s++) {
            double[] x = samples.get(s).features;
            z[s] = new double[x.length + 1];
            for (int i = 0; i < x.length; i++) {
                z[s][i] = Double.isFinite(x[i]) ? Math.clamp((x[i] - mean[i]) / deviation[i], -CLIP, CLIP) : 0;
            }
            z[s][x.length] = 1;
        }
        Moments first = new Moments(hidden);
        Moments second = new Moments(out);
        int[] order = java.util.stream.IntStream.range(0, z.length).toArray();
        int batch = 32;
        long step = 0;
        for (int e = 0; e < epochs; e++) {
            for (int i = order.length - 1; i > 0; i--) {
                int j = random.nextInt(i + 1);
                int t = order[i];
                order[i] = order[j];
                order[j] = t;
            }
            for (int from = 0; from < order.length; from += batch) {
                double[][] gh = new double[hidden.length][hidden[0].length];
                double[][] go = new double[out.length][out[0].length];
                int to = Math.min(order.length, from + batch);
                for (int i = from; i < to; i++) gradient(z[order[i]], samples.get(order[i]).answer, gh, go, to - from);
                step++;
                double rate = RATE * (1 - 0.9 * e / epochs);
                first.move(hidden, gh, rate, step);
                second.move(out, go, rate, step);
            }
        }
    }

    private void gradient(double[] clean, int answer, double[][] gh, double[][] go, int of) {
        double[] z = clean.clone();
        for (int i = 0; i + 1 < z.length; i++) z[i] += BLUR * random.nextGaussian();
        double[] h = new double[hidden.length + 1];
        h[hidden.length] = 1;
        for (int u = 0; u < hidden.length; u++) {
            double sum = 0;
            for (int i = 0; i < z.length; i++) sum += hidden[u][i] * z[i];
            h[u] = Math.tanh(sum);
        }
        double[] p = new double[out.length];
        double all = 0;
        for (int k = 0; k < p.length; k++) {
            double sum = 0;
            for (int u = 0; u < h.length; u++) sum += out[k][u] * h[u];
            p[k] = Math.exp(Math.min(sum, 50));
            all += p[k];
        }
        double[] back = new double[hidden.length];
        for (int k = 0; k < p.length; k++) {
            double d = (p[k] / all - (k == answer ? 1 : 0)) / of;
            for (int u = 0; u < h.length; u++) {
                go[k][u] += d * h[u];
                if (u < back.length) back[u] += d * out[k][u];
            }
        }
        for (int u = 0; u < back.length; u++) {
            double d = back[u] * (1 - h[u] * h[u]);
            for (int i = 0; i < z.length; i++) gh[u][i] += d * z[i];
        }
    }

    /** Running means of the gradient and of its square. */
    private static final class Moments {
        private final double[][] m;
        private final double[][] v;

        Moments(double[][] like) {
            m = new double[like.length][like[0].length];
            v = new double[like.length][like[0].length];
        }

        void move(double[][] w, double[][] g, double rate, long step) {
            for (int i = 0; i < w.length; i++) {
                for (int j = 0; j < w[i].length; j++) {
                    m[i][j] = 0.9 * m[i][j] + 0.1 * g[i][j];
                    v[i][j] = 0.999 * v[i][j] + 0.001 * g[i][j] * g[i][j];
                    double a = m[i][j] / (1 - Math.pow(0.9, step));
                    double b = v[i][j] / (1 - Math.pow(0.999, step));
                    w[i][j] -= rate * (a / (Math.sqrt(b) + 1e-8) + DECAY * w[i][j]);
                }
            }
        }
    }

    /** The network as the file that ships. */
    static String text(Network n, List<String> signs) {
        StringBuilder out = new StringBuilder(
                "# means, deviations, hidden units, answers; the last of a row stands alone\n");
        out.append(Network.SIGNS).append(String.join(",", signs)).append('\n');
        out.append(line(n.mean())).append(line(n.deviation()));
        for (double[] row : n.hidden()) out.append(line(row));
        for (double[] row : n.out()) out.append(line(row));
        return out.toString();
    }

    private static String line(double[] v) {
        return Arrays.stream(v).mapToObj(d -> Figures.of("%.5g", d)).collect(Collectors.joining(","))
                + "\n";
    }
}
