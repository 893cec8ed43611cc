package verisonus.core.evidence.space;

import java.util.Arrays;
import java.util.Optional;
import verisonus.core.evidence.echo.EchoReading;
import verisonus.core.evidence.signs.OctaveEnergies;
import verisonus.core.sound.Sound;

/**
 * A space read by synthesis: the dry take's energy in octaves, bent by a power law that stands for whatever compresses it, is
 * followed by a decaying tail; decay, gap and level of the tail that explain the recording's levels best are kept. Energies
 * add, so phase, clipping and colour do not matter, and repeats can be put in where they are known.
 *
 * @param decayS time to fall by 60 dB
 * @param preDelayMs gap before the tail
 * @param levelDb energy of the tail against the dry sound
 * @param gainDb how much nearer the levels come with the tail than without, mean absolute dB
 * @param errorDb what remains, mean absolute dB
 * @param octavesS decay by octave around 283, 566, 1131 and 2263 Hz
 */
public record TailFit(double decayS, double preDelayMs, double levelDb, double gainDb, double errorDb,
        double[] octavesS) {
    private static final int RATE_HZ = OctaveEnergies.RATE_HZ;
    private static final double HOP_S = (double) OctaveEnergies.HOP / RATE_HZ;
    private static final double[] POWERS = {1, 0.8, 0.6, 0.45, 0.3, 0.2, 0.12};
    private static final int[] DELAYS = {0, 1, 2, 3, 4, 6, 8, 10};
    private static final double RANGE_DB = 45;

    /** What was heard and what was played, energy by octave and hop, without the softest. */
    private record Energies(double[][] heard, double[][] played, double[] floor) {}

    public static TailFit of(Sound recording, Sound take, double lagS, Optional<EchoReading> echo) {
        float[] x = recording.atRate(RATE_HZ).mid();
        float[] d = take.atRate(RATE_HZ).mid();
        int shift = (int) Math.round(lagS * RATE_HZ);
        float[] moved = new float[x.length];
        for (int i = 0; i < x.length; i++) if (i - shift >= 0 && i - shift < d.length) moved[i] = d[i - shift];
        Energies e = energies(x, moved);
        double bestDry = Double.MAX_VALUE;
        double[] best = {0, 1, 0, 0};
        double least = Double.MAX_VALUE;
        for (double power : POWERS) {
            double[][] direct = direct(e, power, echo);
            double dry = error(e, direct, 0, 0, 0, 0, 3);
            bestDry = Math.min(bestDry, dry);
            for (double decay = 0.25; decay < 5; decay *= 1.3) {
                for (double db = -24; db <= 3; db += 4.5) {
                    double err = error(e, direct, decay, 1, db, 0, 3);
                    if (err < least) {
                        least = err;
                        best = new double[]{power, decay, 1, db};
                    }
                }
            }
        }
        double[][] direct = direct(e, best[0], echo);
        for (int round = 0; round < 2; round++) {
            for (int late : DELAYS) {
                double err = error(e, direct, best[1], late, best[3], 0, 3);
                if (err < least) {
                    least = err;
                    best[2] = late;
                }
            }
            for (double f = 0.75; f < 1.35; f *= 1.06) {
                for (double db = -4; db <= 4; db += 1) {
                    if (best[1] * f < 0.15 || best[1] * f > 8 || best[3] + db > 6) continue;
                    double err = error(e, direct, best[1] * f, (int) best[2], best[3] + db, 0, 3);
                    if (err < least - 1e-9) {
                        least = err;
                        best = new double[]{best[0], best[1] * f, best[2], best[3] + db};
                    }
                }
            }
        }
        double[] octaves = new double[OctaveEnergies.CENTRES_HZ.length];
        for (int b = 0; b < octaves.length; b++) octaves[b] = octave(e, direct, best, b);
        return new TailFit(best[1], best[2] * HOP_S * 1000, best[3], bestDry - least, least, octaves);
    }

    private static double octave(Energies e, double[][] direct, double[] best, int b) {
        double least = Double.MAX_VALUE;
        double decay = best[1];
        for (double f = 0.35; f < 2.2; f *= 1.12) {
            for (double db = -5; db <= 5; db += 2.5) {
                double err = error(e, direct, best[1] * f, (int) best[2], best[3] + db, b, b);
                if (err < least) {
                    least = err;
                    decay = best[1] * f;
                }
            }
        }
        return decay;
    }

    private static Energies energies(float[] x, float[] d) {
        double[][] heard = floored(OctaveEnergies.of(x));
        double[][] played = floored(OctaveEnergies.of(d));
        double[] floor = new double[heard.length];
        for (int b = 0; b < heard.length; b++) {
            double[] s = heard[b].clone();
            Arrays.sort(s);
            floor[b] = s[(int) (0.01 * (s.length - 1))];
        }
        return new Energies(heard, played, floor);
    }

    private static double[][] floored(double[][] energy) {
        for (double[] octave : energy) for (int t = 0; t < octave.length; t++) octave[t] += 1e-13;
        return energy;
    }

    /** The take's energies bent and, where repeats are known, followed by them. */
    private static double[][] direct(Energies e, double power, Optional<EchoReading> echo) {
        double[][] out = new double[e.played.length][];
        for (int b = 0; b < out.length; b++) {
            out[b] = new double[e.played[b].length];
            double top = Arrays.stream(e.played[b]).max().orElse(1);
            for (int t = 0; t < out[b].length; t++) out[b][t] = Math.pow(e.played[b][t] / top, power);
            if (echo.isPresent()) repeat(out[b], echo.get());
            if (echo.flatMap(EchoReading::second).isPresent()) repeat(out[b], echo.get().second().orElseThrow());
        }
        return out;
    }

    private static void repeat(double[] d, EchoReading r) {
        double[] dry = d.clone();
        double gain = Math.pow(10, r.levelDb() / 10);
        double f = r.feedbackPercent() * r.feedbackPercent() / 1e4;
        for (int n = 1; n < 40 && gain > 1e-5; n++, gain *= f) {
            int late = (int) Math.round(n * r.timeMs() / 1000 / HOP_S);
            for (int t = late; t < d.length; t++) d[t] += gain * dry[t - late];
        }
    }

    /** Mean absolute difference in dB over octaves from one to another, each at its best gain; level 0 decay: no tail. */
    private static double error(Energies e, double[][] direct, double decayS, int late, double levelDb, int first,
            int last) {
        double sum = 0;
        int n = 0;
        double keep = decayS > 0 ? Math.pow(10, -6 * HOP_S / decayS) : 0;
        double gain = decayS > 0 ? Math.pow(10, levelDb / 10) * (1 - keep) : 0;
        for (int b = first; b <= last; b++) {
            double[] heard = e.heard[b];
            double[] d = direct[b];
            double top = Arrays.stream(heard).max().orElse(0);
            double limit = Math.max(top * Math.pow(10, -RANGE_DB / 10), 2 * e.floor[b]);
            double[] off = new double[heard.length];
            int kept = 0;
            double tail = 0;
            for (int t = 0; t < heard.length; t++) {
                tail = keep * tail + (t >= late ? gain * d[t - late] : 0);
                if (heard[t] < limit && d[t] + tail < 1e-4) continue;
                off[kept++] = Math.log((Math.max(heard[t], limit)) / (d[t] + tail + 1e-7));
            }
            if (kept < 20) continue;
            double[] s = Arrays.copyOf(off, kept);
            Arrays.sort(s);
            double middle = s[kept / 2];
            for (int i = 0; i < kept; i++) sum += Math.min(Math.abs(s[i] - middle), 5);
            n += kept;
        }
        return n == 0 ? 0 : sum / n * 10 / Math.log(10);
    }
}
