package verisonus.core.evidence.signs;

import java.io.BufferedReader;
import java.io.IOException;
import java.io.InputStream;
import java.io.InputStreamReader;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import org.jspecify.annotations.Nullable;

/**
 * Weighs {@link Signs} to the probability of each answer: standardised, clipped to ±3, through one hidden layer of tanh units to
 * a softmax. Weights are trained in {@code bench} on made-up cases and read from a file of lines of numbers.
 *
 * @param mean by feature
 * @param deviation by feature
 * @param hidden unit by feature, the last column a constant
 * @param out answer by unit, the last column a constant
 */
public record Network(double[] mean, double[] deviation, double[][] hidden, double[][] out) {
    /** How the line of a weights' file begins that names what is weighed. */
    public static final String SIGNS = "# signs: ";
    private static final double CLIP = 3;

    /**
     * The weights that ship under this name beside the estimator that asks for them.
     *
     * @param signs what the estimator will give it, in this order; weights of other signs are refused
     */
    public static Network beside(Class<?> estimator, String file, List<String> signs) {
        try (@Nullable
        InputStream in = estimator.getResourceAsStream(file)) {
            if (in == null) throw new IllegalStateException("the weights " + file + " are missing");
            BufferedReader lines = new BufferedReader(new InputStreamReader(in, StandardCharsets.US_ASCII));
            List<double[]> rows = new ArrayList<>();
            List<String> named = List.of();
            for (String line : lines.lines().toList()) {
                if (line.startsWith(SIGNS)) named = List.of(line.substring(SIGNS.length()).split(",", -1));
                if (line.startsWith("#")) continue;
                String[] cells = line.split(",", -1);
                double[] row = new double[cells.length];
                for (int i = 0; i < row.length; i++) row[i] = Double.parseDouble(cells[i]);
                rows.add(row);
            }
            if (!named.equals(signs))
                throw new IllegalStateException("the weights " + file + " are of other signs: " + named);
            int features = rows.get(0).length;
            List<double[]> body = rows.subList(2, rows.size());
            int units = (int) body.stream().takeWhile(r -> r.length == features + 1).count();
            return new Network(rows.get(0), rows.get(1), body.subList(0, units).toArray(new double[0][]),
                    body.subList(units, body.size()).toArray(new double[0][]));
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    /** Probability of each answer; they add to one. */
    public double[] probabilities(double[] features) {
        double[] h = new double[hidden.length];
        for (int u = 0; u < h.length; u++) {
            double sum = hidden[u][features.length];
            for (int i = 0; i < features.length; i++) {
                double z = Double.isFinite(features[i]) ? (features[i] - mean[i]) / deviation[i] : 0;
                sum += hidden[u][i] * Math.clamp(z, -CLIP, CLIP);
            }
            h[u] = Math.tanh(sum);
        }
        double[] p = new double[out.length];
        double all = 0;
        for (int k = 0; k < p.length; k++) {
            double sum = out[k][h.length];
            for (int u = 0; u < h.length; u++) sum += out[k][u] * h[u];
            p[k] = Math.exp(Math.min(sum, 50));
            all += p[k];
        }
        for (int k = 0; k < p.length; k++) p[k] /= all;
        return p;
    }
}
