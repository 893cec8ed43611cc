package verisonus.bench;

import java.util.Arrays;
import java.util.SplittableRandom;
import verisonus.core.sound.Biquad;
import verisonus.core.sound.RealFft;

/** Plain effects written for the report alone, so that no estimator is judged by the gear it was made with. 48 kHz. */
public final class Effects {
    public static final int RATE_HZ = 48000;

    private Effects() {}

    /**
     * An echo.
     *
     * @param feedback amplitude of each repeat against the one before
     * @param levelDb first repeat against the sound
     * @param cornerHz low-pass in the loop; 0 for none
     * @param swayMs how far the time sways to either side
     */
    public record Echo(double timeMs, double feedback, double levelDb, double cornerHz, double swayMs, double swayHz) {
        public Echo(double timeMs, double feedback, double levelDb) {
            this(timeMs, feedback, levelDb, 0, 0, 0);
        }

        /** Repeats alone. */
        float[] repeats(float[] x) {
            float[] line = new float[x.length];
            float[] out = new float[x.length];
            double gain = Math.pow(10, levelDb / 20);
            double keep = cornerHz > 0 ? Math.exp(-2 * Math.PI * cornerHz / RATE_HZ) : 0;
            double low = 0;
            for (int i = 0; i < x.length; i++) {
                double ms = timeMs + swayMs * Math.sin(2 * Math.PI * swayHz * i / RATE_HZ);
                double back = read(line, i - ms * RATE_HZ / 1000);
                low = (1 - keep) * back + keep * low;
                out[i] = (float) (gain * low);
                line[i] = (float) (x[i] + feedback * low);
            }
            return out;
        }

        public float[] on(float[] x) {
            return sum(x, repeats(x), 1);
        }

        /** Left and right: repeats change sides, the sound stays in the middle. */
        float[][] changingSides(float[] x) {
            float[][] out = {x.clone(), x.clone()};
            double gain = Math.pow(10, levelDb / 20);
            int t = (int) Math.round(timeMs * RATE_HZ / 1000);
            for (int side = 0, n = 1; n * t < x.length && gain > 1e-3; n++, side = 1 - side, gain *= feedback) {
                for (int i = n * t; i < x.length; i++) out[side][i] += (float) (gain * x[i - n * t]);
            }
            return out;
        }
    }

    static double read(float[] line, double at) {
        int i = (int) Math.floor(at);
        if (i < 1 || i + 2 >= line.length) return 0;
        double u = at - i;
        double a = line[i - 1];
        double b = line[i];
        double c = line[i + 1];
        double d = line[i + 2];
        return b + 0.5 * u * (c - a + u * (2 * a - 5 * b + 4 * c - d + u * (3 * (b - c) + d - a)));
    }

    static float[] sum(float[] a, float[] b, double gain) {
        float[] out = a.clone();
        for (int i = 0; i < out.length && i < b.length; i++) out[i] += (float) (gain * b[i]);
        return out;
    }

    /** A dense tail of noise that decays; highs decay faster. Level: tail's energy against the sound's. */
    public static float[] reverb(float[] x, double decayS, double preDelayMs, double levelDb, SplittableRandom random) {
        float[] tail = reverbTail(x, decayS, preDelayMs, random);
        return sum(x, tail, Math.sqrt(energy(x) / energy(tail)) * Math.pow(10, levelDb / 20));
    }

    private static float[] reverbTail(float[] x, double decayS, double preDelayMs, SplittableRandom random) {
        int n = (int) (Math.min(4, 1.2 * decayS) * RATE_HZ);
        int late = (int) (preDelayMs * RATE_HZ / 1000);
        float[] h = new float[n + late];
        float[] high = new float[n];
        float[] low = new float[n];
        double k = -3 * Math.log(10) / RATE_HZ;
        for (int i = 0; i < n; i++) {
            double build = Math.min(1, i / (0.008 * RATE_HZ));
            low[i] = (float) (build * random.nextGaussian() * Math.exp(k * i / decayS));
            high[i] = (float) (build * random.nextGaussian() * Math.exp(k * i / (0.55 * decayS)));
        }
        new Biquad.Section(Biquad.lowPass(3500, 0.6, RATE_HZ)).process(low, 0, n);
        new Biquad.Section(Biquad.highPass(180, 0.7, RATE_HZ)).process(low, 0, n);
        new Biquad.Section(Biquad.highPass(3500, 0.6, RATE_HZ)).process(high, 0, n);
        for (int i = 0; i < n; i++) h[late + i] = low[i] + 0.6f * high[i];
        return convolved(x, h);
    }

    static float[] convolved(float[] x, float[] h) {
        int size = RealFft.sizeFor(x.length + h.length);
        RealFft fft = new RealFft(size);
        float[] a = Arrays.copyOf(x, size);
        float[] b = Arrays.copyOf(h, size);
        fft.forward(a);
        fft.forward(b);
        RealFft.multiply(a, b);
        fft.inverse(a);
        return Arrays.copyOf(a, x.length);
    }

    public static double energy(float[] x) {
        double sum = 1e-12;
        for (float v : x) sum += (double) v * v;
        return sum;
    }

    /** Shuts below a level, after a hold, in decibels a second: 60 in the release. Opens at once. */
    static float[] gate(float[] x, double thresholdDb, double depthDb, double holdMs, double releaseMs) {
        float[] out = new float[x.length];
        double threshold = Math.pow(10, thresholdDb / 20);
        double fall = Math.exp(-1 / (0.012 * RATE_HZ));
        double step = 60 / (releaseMs / 1000 * RATE_HZ);
        double envelope = 0;
        double db = -depthDb;
        int held = 0;
        for (int i = 0; i < x.length; i++) {
            envelope = Math.max(Math.abs(x[i]), envelope * fall);
            if (envelope > threshold) held = (int) (holdMs * RATE_HZ / 1000);
            db = held-- > 0 ? Math.min(0, db + 0.2) : Math.max(-depthDb, db - step);
            out[i] = (float) (x[i] * Math.pow(10, db / 20));
        }
        return out;
    }

    /** Hiss, and hum with its harmonics, as a guitar picks them up. */
    static float[] picksUp(float[] x, double db, SplittableRandom r) {
        float[] hiss = new float[x.length];
        for (int i = 0; i < x.length; i++) hiss[i] = (float) r.nextGaussian();
        new Biquad.Section(Biquad.lowPass(5000, 0.7, RATE_HZ)).process(hiss, 0, x.length);
        double hum = r.nextDouble();
        for (int i = 0; i < x.length; i++) {
            double t = 2 * Math.PI * 50 * i / RATE_HZ;
            hiss[i] += (float) (hum * (Math.sin(t) + 0.6 * Math.sin(3 * t) + 0.4 * Math.sin(5 * t)));
        }
        return sum(x, hiss, Math.pow(10, db / 20) * Math.sqrt(x.length / energy(hiss)));
    }

    /** @param depth 1: down to silence */
    public static float[] tremolo(float[] x, double hz, double depth, double phase) {
        float[] out = new float[x.length];
        for (int i = 0; i < x.length; i++) {
            out[i] = (float) (x[i] * (1 - depth * (0.5 - 0.5 * Math.cos(2 * Math.PI * hz * i / RATE_HZ + phase))));
        }
        return out;
    }

    static float[] harmonicTremolo(float[] x, double hz, double depth, double phase) {
        float[] low = x.clone();
        new Biquad.Section(Biquad.lowPass(750, 0.5, RATE_HZ)).process(low, 0, low.length);
        float[] high = sum(x, low, -1);
        return sum(tremolo(low, hz, depth, phase), tremolo(high, hz, depth, phase + Math.PI), 1);
    }

    /** Delay that sways; mixed in beside the sound by {@code wet}, fed back by {@code feedback}. */
    public static float[] moving(float[] x, double centreMs, double swayMs, double hz, double dry, double wet,
            double feedback, double phase) {
        float[] line = new float[x.length];
        float[] out = new float[x.length];
        for (int i = 0; i < x.length; i++) {
            double ms = centreMs + swayMs * Math.sin(2 * Math.PI * hz * i / RATE_HZ + phase);
            double back = read(line, i - ms * RATE_HZ / 1000);
            line[i] = (float) (x[i] + feedback * back);
            out[i] = (float) (dry * x[i] + wet * back);
        }
        return out;
    }

    /** All-passes whose corner sweeps between two frequencies. */
    static float[] phaser(float[] x, double hz, double lowHz, double highHz, int stages, double feedback,
            double phase) {
        double[] in = new double[stages];
        double[] before = new double[stages];
        double last = 0;
        float[] out = new float[x.length];
        for (int i = 0; i < x.length; i++) {
            double s = 0.5 - 0.5 * Math.cos(2 * Math.PI * hz * i / RATE_HZ + phase);
            double tan = Math.tan(Math.PI * lowHz * Math.pow(highHz / lowHz, s) / RATE_HZ);
            double a = (tan - 1) / (tan + 1);
            double v = x[i] + feedback * last;
            for (int k = 0; k < stages; k++) {
                double y = a * v + in[k] - a * before[k];
                in[k] = v;
                before[k] = y;
                v = y;
            }
            last = v;
            out[i] = (float) (0.5 * (x[i] + v));
        }
        return out;
    }

    /** Two horns' worth of sway: highs fast in level and pitch, lows in level, to left and right against each other. */
    static float[][] rotary(float[] x, double hz, double depth) {
        float[] low = x.clone();
        new Biquad.Section(Biquad.lowPass(800, 0.6, RATE_HZ)).process(low, 0, low.length);
        float[] high = sum(x, low, -1);
        float[] swayed = moving(high, 1.2, 0.35 * depth, hz, 0, 1, 0, 0);
        float[][] out = new float[2][];
        for (int c = 0; c < 2; c++) {
            double phase = c * Math.PI / 2;
            out[c] = sum(tremolo(low, 0.85 * hz, 0.5 * depth, phase), tremolo(swayed, hz, 0.7 * depth, phase), 1);
        }
        return out;
    }

    /** Drive 0 dB: the peak of the input stands 6 dB under the clipper's unit. */
    static float[] clipped(float[] x, double driveDb, int shape) {
        double peak = 1e-9;
        for (float v : x) peak = Math.max(peak, Math.abs(v));
        double gain = 0.5 / peak * Math.pow(10, driveDb / 20);
        float[] out = new float[x.length];
        for (int i = 0; i < x.length; i++) {
            double v = gain * x[i];
            out[i] = (float) switch (shape) {
                case 0 -> Math.tanh(v);
                case 1 -> v > 0 ? 1 - Math.exp(-v) : -0.7 * (1 - Math.exp(v / 0.7));
                case 2 -> Math.clamp(v, -1, 1);
                default -> v / Math.sqrt(1 + v * v);
            };
        }
        new Biquad.Section(Biquad.highPass(30, 0.7, RATE_HZ)).process(out, 0, out.length);
        return out;
    }

    static float[] speaker(float[] x, double cornerHz, double liftHz, double liftDb) {
        float[] out = x.clone();
        new Biquad.Section(Biquad.highPass(75, 0.9, RATE_HZ)).process(out, 0, out.length);
        new Biquad.Section(Biquad.peak(liftHz, liftDb, 0.9, RATE_HZ)).process(out, 0, out.length);
        for (int i = 0; i < 2; i++) {
            new Biquad.Section(Biquad.lowPass(cornerHz, 0.8, RATE_HZ)).process(out, 0, out.length);
        }
        return out;
    }
}
