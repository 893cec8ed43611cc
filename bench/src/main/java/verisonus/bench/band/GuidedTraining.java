package verisonus.bench.band;

import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.function.Predicate;
import java.util.stream.Collectors;
import java.util.stream.LongStream;
import verisonus.core.evidence.guided.GuidedParts;
import verisonus.core.evidence.guided.GuidedReading;
import verisonus.core.sound.Sound;

/**
 * Fits what {@link GuidedReading} weighs its parts by and how far off it expects to be, on even seeds; {@link GuidedReport} looks at odd
 * ones. Prints the constants.
 */
final class GuidedTraining {
    /** What lies under this may lie anywhere under it. */
    private static final double LEAST_DB = -45;
    /** An error of more says no more. */
    private static final double MOST_DB = 15;
    private static final double STEP = 0.05;
    private static final int ROUNDS = 4000;

    private GuidedTraining() {}

    private record Cell(int band, double truth, double thorough, double sparing, double recording, boolean aside) {}

    /** @param args first and last seed; only even ones are used */
    public static void main(String[] args) {
        List<Cell> all = LongStream.rangeClosed(Long.parseLong(args[0]), Long.parseLong(args[1]))
                .filter(seed -> seed % 2 == 0).parallel().boxed()
                .flatMap(seed -> cells(BandMix.of(seed, seed % 4 == 0 ? 0 : -6)).stream()).toList();
        double[] usual = new double[GuidedParts.centresHz().length];
        for (int b = 0; b < usual.length; b++) {
            int band = b;
            usual[b] = all.stream().filter(c -> c.band == band).mapToDouble(Cell::truth).average()
                    .orElse(LEAST_DB);
        }
        System.out.println("usual " + text(usual));
        for (boolean aside : new boolean[]{false, true}) {
            for (int r = 0; r < GuidedReading.REGIONS; r++) {
                int region = r;
                List<Cell> here = in(all, c -> c.aside == aside
                        && GuidedReading.region(GuidedParts.centresHz()[c.band]) == region);
                System.out.println((aside ? "aside  " : "middle ") + text(weights(here, usual)));
            }
        }
        System.out.println("off " + text(off(all)));
    }

    private static List<Cell> in(List<Cell> all, Predicate<Cell> which) {
        return all.stream().filter(which).toList();
    }

    private static List<Cell> cells(BandMix m) {
        Optional<Sound> take = GuidedReport.laid(m);
        if (take.isEmpty()) return List.of();
        GuidedParts p = GuidedParts.of(m.mix(), take.get());
        double[] truth = GuidedParts.thirdsDb(m.guitar());
        return java.util.stream.IntStream.range(0, truth.length)
                .mapToObj(b -> new Cell(b, Math.max(LEAST_DB, truth[b]), p.levelDb()[0][b], p.levelDb()[1][b],
                        p.recordingDb()[b], p.aside()))
                .toList();
    }

    /** Least squares over all weights that are not negative and add to one. */
    private static double[] weights(List<Cell> cells, double[] usual) {
        double[] best = {0.5, 0.5, 0};
        double least = Double.MAX_VALUE;
        for (double a = 0; a <= 1 + 1e-9; a += STEP) {
            for (double b = 0; a + b <= 1 + 1e-9; b += STEP) {
                double error = 0;
                for (Cell c : cells)
                    error += Math.pow(Math.min(MOST_DB, Math.abs(
                            a * c.thorough + b * c.sparing + (1 - a - b) * usual[c.band] - c.truth)), 2);
                if (error < least) {
                    least = error;
                    best = new double[]{a, b, 1 - a - b};
                }
            }
        }
        return best;
    }

    /** How far off a reading is by {@link GuidedReading#signs}: least squares with no weight negative, by coordinate descent. */
    private static double[] off(List<Cell> all) {
        double[][] x = new double[all.size()][];
        double[] left = new double[all.size()];
        for (int i = 0; i < x.length; i++) {
            Cell c = all.get(i);
            double[][] parts = new double[2][GuidedParts.centresHz().length];
            double[] recording = new double[parts[0].length];
            parts[0][c.band] = c.thorough;
            parts[1][c.band] = c.sparing;
            recording[c.band] = c.recording;
            GuidedParts p = new GuidedParts(parts, recording, c.aside);
            x[i] = GuidedReading.signs(p, c.band);
            left[i] = Math.min(MOST_DB, Math.abs(GuidedReading.of(p).levelDb()[c.band] - c.truth));
        }
        double[] w = new double[x[0].length];
        for (int round = 0; round < ROUNDS; round++) {
            for (int k = 0; k < w.length; k++) {
                double xy = 0;
                double xx = 1e-9;
                for (int i = 0; i < x.length; i++) {
                    xy += x[i][k] * (left[i] + w[k] * x[i][k]);
                    xx += x[i][k] * x[i][k];
                }
                double next = Math.max(0, xy / xx);
                for (int i = 0; i < x.length; i++) left[i] += (w[k] - next) * x[i][k];
                w[k] = next;
            }
        }
        return w;
    }

    private static String text(double[] x) {
        return Arrays.stream(x).mapToObj(v -> String.format(Locale.ROOT, "%.2f", v)).collect(Collectors.joining(", "));
    }
}
