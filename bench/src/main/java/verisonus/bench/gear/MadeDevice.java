package verisonus.bench.gear;

import java.util.List;
import java.util.SplittableRandom;
import verisonus.core.rig.GearKind;
import verisonus.core.sound.Biquad;
import verisonus.core.sound.Sound;

/**
 * A device that is none of the simulated ones: other clippers, other detectors, other lines, tapers and scales of its own. Nothing of the
 * simulated gear is used; the seed makes one of its kind.
 */
record MadeDevice(GearKind kind, long seed) {
    private static final int RATE_HZ = Sound.WORKING_RATE_HZ;

    /** Its controls as a player would say them. */
    List<String> knobs() {
        return switch (kind) {
            case DRIVE -> List.of("gain=drive 0..10", "tone=tone 7:00..17:00", "volume=level 0..100");
            case COMPRESSOR -> List.of("sustain=threshold 0..10", "level=level 0..10");
            case MODULATION -> List.of("speed=rate 0..10", "intensity=depth 0..100");
            case ECHO -> List.of("delay=time 0..10", "repeats=feedback 0..10", "blend=mix 0..10");
            case REVERB -> List.of("dwell=decay 0..10", "mix=mix 0..10");
            default -> throw new IllegalArgumentException(kind.word());
        };
    }

    /** What it makes of a dry guitar with its controls at these shares of their way, in the order of {@link #knobs}. */
    float[] play(float[] dry, double... at) {
        SplittableRandom r = new SplittableRandom(seed * 104729 + kind.ordinal());
        return switch (kind) {
            case DRIVE -> drive(dry.clone(), at, r);
            case COMPRESSOR -> compressor(dry.clone(), at, r);
            case MODULATION -> tremolo(dry.clone(), at, r);
            case ECHO -> echo(dry, at, r);
            case REVERB -> space(dry, at, r);
            default -> throw new IllegalArgumentException(kind.word());
        };
    }

    private static float[] drive(float[] x, double[] at, SplittableRandom r) {
        filter(x, Biquad.highPass(40 + 250 * r.nextDouble(), 0.7, RATE_HZ));
        filter(x, Biquad.peak(500 + 900 * r.nextDouble(), 10 * r.nextDouble() - 2, 0.5, RATE_HZ));
        double drive = 4 + (20 + 16 * r.nextDouble()) * Math.pow(at[0], 0.5 + r.nextDouble());
        double hard = 0.6 + 2 * r.nextDouble();
        double lop = 0.4 * r.nextDouble();
        double g = Math.pow(10, drive / 20);
        for (int i = 0; i < x.length; i++) {
            double v = g * x[i] + lop;
            x[i] = (float) (v / Math.pow(1 + Math.pow(Math.abs(v), hard), 1 / hard));
        }
        filter(x, Biquad.highPass(20, 0.7, RATE_HZ));
        double corner = 700 + 2500 * r.nextDouble();
        filter(x,
                Biquad.highShelf(corner,
                        (14 + 8 * r.nextDouble()) * (Math.pow(at[1], 0.7 + 0.6 * r.nextDouble()) - 0.6),
                        RATE_HZ));
        filter(x, Biquad.peak(300 + 3000 * r.nextDouble(), 6 * r.nextDouble() - 3, 0.9, RATE_HZ));
        filter(x, Biquad.lowPass(4500 + 6000 * r.nextDouble(), 0.7, RATE_HZ));
        double level = Math.pow(10, (-26 + 26 * Math.pow(at[2], 0.5 + 0.5 * r.nextDouble())) / 20);
        for (int i = 0; i < x.length; i++) x[i] *= (float) level;
        return x;
    }

    /** Holds back by the mean of what came out, a feedback design. */
    private static float[] compressor(float[] x, double[] at, SplittableRandom r) {
        double threshold = -12 - (26 + 8 * r.nextDouble()) * Math.pow(at[0], 0.7 + 0.6 * r.nextDouble());
        double attack = Math.exp(-1 / ((0.004 + 0.02 * r.nextDouble()) * RATE_HZ));
        double release = Math.exp(-1 / ((0.1 + 0.25 * r.nextDouble()) * RATE_HZ));
        double slope = 1.5 + 2.5 * r.nextDouble();
        double level = Math.pow(10, (-10 + 26 * at[1]) / 20);
        double mean = 1e-9;
        for (int i = 0; i < x.length; i++) {
            double over = Math.max(0, 10 * Math.log10(mean) - threshold);
            double y = x[i] * Math.pow(10, -slope * over / (1 + slope) / 20);
            double square = y * y;
            mean = square + (square > mean ? attack : release) * (mean - square);
            x[i] = (float) (level * y);
        }
        return x;
    }

    private static float[] tremolo(float[] x, double[] at, SplittableRandom r) {
        double rate = 0.8 * Math.pow(8 + 4 * r.nextDouble(), Math.pow(at[0], 0.8 + 0.5 * r.nextDouble()));
        double depth = Math.pow(at[1], 0.6 + 0.6 * r.nextDouble()) * 0.9;
        double lean = 0.3 * r.nextDouble();
        double phase = r.nextDouble();
        for (int i = 0; i < x.length; i++) {
            double w = 2 * Math.PI * (rate * i / RATE_HZ + phase);
            double sway = Math.sin(w + lean * Math.sin(w));
            x[i] *= (float) (1 - depth * 0.5 * (1 + sway));
        }
        return x;
    }

    private static float[] echo(float[] dry, double[] at, SplittableRandom r) {
        double shortest = 40 + 40 * r.nextDouble();
        double longest = 450 + 500 * r.nextDouble();
        double ms = shortest + (longest - shortest) * Math.pow(at[0], 0.7 + 1.2 * r.nextDouble());
        double back = 0.85 * Math.pow(at[1], 0.7 + 0.6 * r.nextDouble());
        double wet = Math.pow(at[2], 0.8 + 0.8 * r.nextDouble());
        Biquad.Section dark = new Biquad.Section(Biquad.lowPass(1800 + 4000 * r.nextDouble(), 0.6, RATE_HZ));
        Biquad.Section thin = new Biquad.Section(Biquad.highPass(40 + 160 * r.nextDouble(), 0.6, RATE_HZ));
        int n = (int) (ms / 1000 * RATE_HZ);
        float[] line = new float[n];
        float[] out = new float[dry.length];
        float[] one = new float[1];
        for (int i = 0; i < dry.length; i++) {
            one[0] = line[i % n];
            dark.process(one, 0, 1);
            thin.process(one, 0, 1);
            line[i % n] = (float) Math.tanh(dry[i] + back * one[0]);
            out[i] = (float) (dry[i] + wet * one[0]);
        }
        return out;
    }

    /** Parallel combs and allpasses in a row (M. R. Schroeder, Journal of the AES 10, 1962). */
    private static float[] space(float[] dry, double[] at, SplittableRandom r) {
        double decay = 0.5 + 3.2 * Math.pow(at[0], 0.8 + 0.8 * r.nextDouble());
        double wet = 0.8 * Math.pow(at[1], 0.8 + 0.6 * r.nextDouble());
        double scale = 0.8 + 0.5 * r.nextDouble();
        float[] sum = new float[dry.length];
        for (double ms : new double[]{29.7, 37.1, 41.1, 43.7, 47.3, 53.9, 31.7, 34.3}) {
            int n = (int) (ms * scale / 1000 * RATE_HZ);
            float g = (float) Math.pow(10, -3 * n / (decay * RATE_HZ));
            float[] line = new float[n];
            double low = 0;
            for (int i = 0; i < dry.length; i++) {
                float v = line[i % n];
                low += 0.55 * (v - low);
                line[i % n] = dry[i] + g * (float) low;
                sum[i] += v / 6;
            }
        }
        for (double ms : new double[]{5, 1.7}) {
            int n = (int) (ms / 1000 * RATE_HZ);
            float[] line = new float[n];
            for (int i = 0; i < sum.length; i++) {
                float v = line[i % n];
                float in = sum[i] + 0.7f * v;
                line[i % n] = in;
                sum[i] = v - 0.7f * in;
            }
        }
        for (int i = 0; i < sum.length; i++) sum[i] = (float) (dry[i] + wet * sum[i]);
        return sum;
    }

    private static void filter(float[] x, Biquad b) {
        new Biquad.Section(b).process(x, 0, x.length);
    }
}
