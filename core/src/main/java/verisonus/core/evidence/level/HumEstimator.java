package verisonus.core.evidence.level;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import verisonus.core.evidence.signs.Finding;
import verisonus.core.sound.Decibels;
import verisonus.core.sound.Resampler;
import verisonus.core.sound.Sound;
import verisonus.core.sound.Stft;
import verisonus.core.work.Figures;

/**
 * Is there mains hum? A hum line stands at a multiple of 50 or 60 Hz in every moment, so its low quantile over time stays above its
 * neighbours' while a played note's does not, and all lines stand at multiples of one frequency to an eighth of a hertz, which held
 * notes do not. Input: mid, 2 s or more. Silence: absent.
 *
 * <p>The low quantile over time is that of noise estimation by minimum statistics (R. Martin, IEEE Transactions on Speech and Audio
 * Processing 9, 2001). Units: Hz, dB under the playing. Known error: hum that lies more than 25 dB under constant playing is missed more
 * often than not; held drones beside a multiple of the mains are mistaken in one of ten.
 */
public final class HumEstimator {
    private static final int RATE_HZ = 6000;
    private static final int HARMONICS = 16;
    private static final double STANDS_OUT_DB = 7;
    /** How far all lines together may lie off the mains frequency: a tape's speed. */
    private static final double OFF = 0.004;
    /** How far one line may lie off its place among the others. */
    private static final double EXACT_HZ = 0.12;

    private HumEstimator() {}

    public static Finding<HumReading> estimate(Sound recorded) {
        float[] mid = recorded.mid();
        // All lines lie under 1.1 kHz: an eighth of the samples tells as much.
        Sound sound = recorded.rateHz() > 2 * RATE_HZ
                ? Resampler.quick(recorded.rateHz(), RATE_HZ).resample(Sound.mono(mid, recorded.rateHz()))
                : Sound.mono(mid, recorded.rateHz());
        int size = 2 * Integer.highestOneBit((int) (0.75 * sound.rateHz()));
        Stft stft = new Stft(size, size / 8);
        float[] x = sound.channel(0);
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
        return Finding.present(reading, best.count >= 4 ? 0.95 : 0.8,
                Figures.of("%d steady lines at multiples of %.0f Hz, whatever is played", best.count, best.mainsHz));
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

    /** A line that stands out of its surroundings. */
    private record Line(int multiple, double hz, double excessDb, double power) {}

    /** Steady lines at the multiples of one mains frequency, all of them of the same. */
    private record Lines(double mainsHz, int count, boolean lowOne, double excessDb, double power) {
        static Lines at(double mainsHz, float[] floor, double width) {
            List<Line> found = new ArrayList<>();
            for (int h = 1; h <= HARMONICS; h++) {
                int centre = (int) Math.round(h * mainsHz / width);
                if (centre + (int) (14 / width) >= floor.length) break;
                line(h, centre, floor, width).ifPresent(found::add);
            }
            // Notes lie near one multiple or another; hum lies exactly on all of them, wherever a tape's speed has put them.
            List<Line> exact = List.of();
            for (Line l : found) {
                double base = l.hz / l.multiple;
                if (Math.abs(base / mainsHz - 1) > OFF) continue;
                List<Line> with = found.stream().filter(o -> Math.abs(o.hz - o.multiple * base) < EXACT_HZ).toList();
                if (with.size() > exact.size()) exact = with;
            }
            return new Lines(mainsHz, exact.size(), exact.stream().anyMatch(l -> l.multiple <= 2),
                    exact.stream().mapToDouble(Line::excessDb).sum(), exact.stream().mapToDouble(Line::power).sum());
        }

        private static Optional<Line> line(int h, int centre, float[] floor, double width) {
            int reach = Math.max(1, (int) Math.round(OFF * h * 50 / width));
            int peak = centre;
            for (int k = centre - reach; k <= centre + reach; k++) if (floor[k] > floor[peak]) peak = k;
            double beside = Math.max(around(floor, centre, -1, width), around(floor, centre, 1, width));
            double db = 10 * Math.log10((floor[peak] + 1e-20) / (beside + 1e-20));
            boolean slope = floor[peak] < floor[peak - 1] || floor[peak] < floor[peak + 1];
            if (slope || db < STANDS_OUT_DB || floor[peak] < 1e-12) return Optional.empty();
            double sum = 0;
            for (int k = peak - 2; k <= peak + 2; k++) sum += floor[k];
            return Optional.of(new Line(h, width * (peak + between(floor, peak)), db, sum / 0.75));
        }

        /** Where between the bins a peak lies, by a parabola through its logarithms. */
        private static double between(float[] floor, int peak) {
            double a = Math.log(floor[peak - 1] + 1e-20);
            double b = Math.log(floor[peak] + 1e-20);
            double c = Math.log(floor[peak + 1] + 1e-20);
            double curve = a - 2 * b + c;
            return curve >= 0 ? 0 : Math.clamp(0.5 * (a - c) / curve, -0.5, 0.5);
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
