package verisonus.core.evidence.level;

import java.util.Arrays;
import java.util.Locale;
import verisonus.core.evidence.signs.Finding;
import verisonus.core.sound.Decibels;
import verisonus.core.sound.Sound;
import verisonus.core.sound.Stft;

/**
 * Is there mains hum? A hum line stands at a multiple of 50 or 60 Hz in every moment, so its low quantile over time
 * stays above its neighbours' while a played note's does not. Input: mid, 2 s or more. Silence: absent.
 */
public final class HumEstimator {
    private static final int HARMONICS = 16;
    private static final double STANDS_OUT_DB = 7;

    private HumEstimator() {}

    public static Finding<HumReading> estimate(Sound sound) {
        int size = 2 * Integer.highestOneBit((int) (0.75 * sound.rateHz()));
        Stft stft = new Stft(size, size / 8);
        float[] x = sound.mid();
        if (stft.frames(x.length) < 6) return Finding.unknown("too short to tell hum from a note");
        float[] floor = quantiles(stft.power(x), (int) Math.min(size / 2.0, 1100.0 * size / sound.rateHz()));
        double width = (double) sound.rateHz() / size;
        Lines fifty = Lines.at(50, floor, width);
        Lines sixty = Lines.at(60, floor, width);
        Lines best = sixty.score() > fifty.score() ? sixty : fifty;
        if (!best.convincing()) {
            return Finding.absent(0.93, "nothing steady stands at multiples of 50 or 60 Hz");
        }
        HumReading reading = new HumReading(best.mainsHz, Decibels.fromPower(best.power));
        return Finding.present(reading, best.count >= 4 ? 0.95 : 0.8, String.format(Locale.ROOT,
                "%d steady lines at multiples of %.0f Hz, whatever is played", best.count, best.mainsHz));
    }

    private static float[] quantiles(float[][] power, int bins) {
        float[] out = new float[bins];
        float[] column = new float[power.length];
        for (int k = 0; k < bins; k++) {
            for (int t = 0; t < column.length; t++) column[t] = power[t][k];
            Arrays.sort(column);
            out[k] = column[column.length / 5];
        }
        return out;
    }

    /** Steady lines at the multiples of one mains frequency. */
    private record Lines(double mainsHz, int count, boolean lowOne, double excessDb, double power) {
        static Lines at(double mainsHz, float[] floor, double width) {
            int count = 0;
            boolean low = false;
            double excess = 0;
            double power = 0;
            for (int h = 1; h <= HARMONICS; h++) {
                int centre = (int) Math.round(h * mainsHz / width);
                if (centre + (int) (14 / width) >= floor.length) break;
                int peak = centre;
                for (int k = centre - 1; k <= centre + 1; k++) if (floor[k] > floor[peak]) peak = k;
                double beside = Math.max(around(floor, centre, -1, width), around(floor, centre, 1, width));
                double db = 10 * Math.log10((floor[peak] + 1e-20) / (beside + 1e-20));
                if (db < STANDS_OUT_DB || floor[peak] < 1e-12) continue;
                count++;
                low |= h <= 2;
                excess += db;
                double sum = 0;
                for (int k = peak - 2; k <= peak + 2; k++) sum += floor[k];
                power += sum / 0.75;
            }
            return new Lines(mainsHz, count, low, excess, power);
        }

        /** Median floor between 4 and 14 Hz beside a line, on one side. */
        private static double around(float[] floor, int centre, int side, double width) {
            int from = (int) Math.ceil(4 / width);
            int to = (int) Math.ceil(14 / width);
            float[] v = new float[to - from];
            for (int i = 0; i < v.length; i++) v[i] = floor[Math.max(0, centre + side * (from + i))];
            Arrays.sort(v);
            return v[v.length / 2];
        }

        double score() {
            return excessDb;
        }

        boolean convincing() {
            return lowOne && count >= 3;
        }
    }
}
