package verisonus.bench;

import java.util.SplittableRandom;
import java.util.function.IntUnaryOperator;
import verisonus.core.sound.Biquad;

/** Bass, drums, keys and a lead voice of drawn timbres, to put around a guitar; none of it is shared with the demo's band. */
public final class MadeBand {
    private static final int RATE = Effects.RATE_HZ;
    private static final int[] CHORD = {0, 4, 7, 12};
    private static final int[] STEPS = {0, 3, 5, 7, 8, 10};

    private static final float[] SINE = sine();

    private static float[] sine() {
        float[] out = new float[1 << 14];
        for (int i = 0; i < out.length; i++) out[i] = (float) Math.sin(2 * Math.PI * i / out.length);
        return out;
    }

    private final SplittableRandom r;
    private final int frames;
    private final double beatS;
    private final double rootHz;
    private final IntUnaryOperator steps;

    /** @param rootHz root of the harmony, somewhere in the bass's lowest octave */
    public MadeBand(long seed, int frames, double beatS, double rootHz) {
        r = new SplittableRandom(seed * 31 + 5);
        this.frames = frames;
        this.beatS = beatS;
        this.rootHz = rootHz;
        this.steps = bar -> STEPS[Math.floorMod(bar * 5 + (int) rootHz, STEPS.length)];
    }

    /** @param steps semitones over the root, by bar */
    public MadeBand(long seed, int frames, double beatS, double rootHz, IntUnaryOperator steps) {
        r = new SplittableRandom(seed * 31 + 5);
        this.frames = frames;
        this.beatS = beatS;
        this.rootHz = rootHz;
        this.steps = steps;
    }

    private double step(int bar) {
        return Math.pow(2, steps.applyAsInt(bar) / 12.0);
    }

    private int bars() {
        return (int) Math.ceil(frames / (double) RATE / (4 * beatS));
    }

    /** A plucked, bowed or synthetic bass line. */
    public float[][] bass() {
        float[] out = new float[frames];
        int kind = r.nextInt(4);
        double corner = 250 * Math.pow(10, r.nextDouble());
        double decay = 0.2 + 1.5 * r.nextDouble();
        int per = new int[]{1, 2, 4, 8}[r.nextInt(4)];
        double sub = r.nextInt(4) == 0 ? 2 : 1;
        for (int bar = 0; bar < bars(); bar++) {
            for (int n = 0; n < per; n++) {
                if (n > 0 && r.nextInt(6) == 0) continue;
                double hz = rootHz * sub * step(bar) * (n > 0 && r.nextInt(3) == 0 ? 1.498 : 1);
                double at = (bar + n / (double) per) * 4 * beatS;
                note(out, at, 4 * beatS / per * (0.6 + 0.4 * r.nextDouble()), hz, kind, decay, 0.7 + 0.3 * r
                        .nextDouble());
            }
        }
        OtherChain.filter(out, Biquad.lowPass(corner, 0.8, RATE));
        if (r.nextInt(3) == 0) out = Effects.clipped(out, 14 * r.nextDouble(), 0);
        return new float[][]{out};
    }

    /** One note of a wave: sine with overtones, saw, square or a dull pluck. */
    private void note(float[] out, double atS, double lengthS, double hz, int kind, double decayS, double gain) {
        int from = (int) (atS * RATE);
        int n = (int) (lengthS * RATE);
        double phase = 0;
        for (int i = 0; i < n + RATE / 30 && from + i < frames; i++) {
            phase += hz / RATE;
            double p = phase - Math.floor(phase);
            double wave = switch (kind) {
                case 0 -> Math.sin(2 * Math.PI * p) + 0.4 * Math.sin(4 * Math.PI * p) + 0.15 * Math.sin(6 * Math.PI
                        * p);
                case 1 -> 1 - 2 * p;
                case 2 -> p < 0.5 ? 0.7 : -0.7;
                default -> Math.sin(2 * Math.PI * p) * (1 + 2 * Math.exp(-i / (0.03 * RATE)) * Math.sin(10 * Math.PI
                        * p));
            };
            double envelope = Math.min(1, i / (0.004 * RATE)) * Math.exp(-i / (decayS * RATE));
            if (i > n) envelope *= Math.max(0, 1 - (i - n) / (RATE / 30.0));
            out[from + i] += (float) (gain * envelope * wave);
        }
    }

    /** A kit in stereo: kick, snare, closed and open hats, now and then a ride, a crash, toms, a shaker. */
    public float[][] drums() {
        float[][] out = new float[2][frames];
        double kickHz = 38 + 30 * r.nextDouble();
        double kickS = 0.05 + 0.2 * r.nextDouble();
        double snareHz = 600 + 1800 * r.nextDouble();
        double snareS = 0.05 + 0.15 * r.nextDouble();
        double hatHz = 5000 + 4500 * r.nextDouble();
        double hatS = 0.012 + 0.06 * r.nextDouble();
        double hatPan = r.nextDouble();
        double hatGain = 0.05 + 0.2 * r.nextDouble();
        boolean ride = r.nextInt(4) == 0;
        boolean shaker = r.nextInt(5) == 0;
        boolean noHats = r.nextInt(6) == 0;
        boolean[] kicks = new boolean[8];
        for (int k = 0; k < 8; k++) kicks[k] = k == 0 || r.nextInt(3) == 0;
        for (int bar = 0; bar < bars(); bar++) {
            for (int e = 0; e < 8; e++) {
                double at = (bar * 8 + e) * beatS / 2;
                if (kicks[e]) kick(out, at, kickHz, kickS, 0.8 + 0.2 * r.nextDouble());
                if (e == 2 || e == 6) burst(out, at, snareHz, 0.8, snareS, 0.5, 0.5);
                boolean open = e == 7 && r.nextInt(3) == 0;
                if (!noHats) burst(out, at, hatHz, 0.9, open ? 0.25 : hatS, hatGain * (e % 2 == 0 ? 1 : 0.6), hatPan);
                if (ride && e % 2 == 0) burst(out, at, 4500, 3, 0.5, 0.06, 1 - hatPan);
                if (shaker) burst(out, at + beatS / 4, 6000, 0.7, 0.03, 0.07, 0.5);
            }
            if (bar % 4 == 0) burst(out, bar * 4 * beatS, 3500, 0.6, 0.9, 0.2, 0.3 + 0.4 * r.nextDouble());
            if (bar % 4 == 3)
                for (int k = 0; k < 3; k++)
                    kick(out, (bar * 4 + 3 + k / 3.0) * beatS, 80 + 30 * k, 0.15, 0.5);
        }
        return out;
    }

    private static void kick(float[][] out, double atS, double hz, double decayS, double gain) {
        int from = (int) (atS * RATE);
        double phase = 0;
        for (int i = 0; i < 6 * decayS * RATE && from + i < out[0].length; i++) {
            double t = i / (double) RATE;
            phase += (hz + 2 * hz * Math.exp(-t / 0.02)) / RATE;
            float v = (float) (gain * Math.sin(2 * Math.PI * phase) * Math.exp(-t / decayS));
            out[0][from + i] += v;
            out[1][from + i] += v;
        }
    }

    private void burst(float[][] out, double atS, double hz, double q, double decayS, double gain, double pan) {
        int from = (int) (atS * RATE);
        int n = Math.min((int) (6 * decayS * RATE), out[0].length - from);
        if (n <= 0) return;
        float[] x = new float[n];
        for (int i = 0; i < n; i++) x[i] = (float) (r.nextGaussian() * Math.exp(-i / (decayS * RATE)));
        OtherChain.filter(x, Biquad.highPass(hz, q, RATE));
        for (int i = 0; i < n; i++) {
            out[0][from + i] += (float) (gain * x[i] * Math.cos(pan * Math.PI / 2));
            out[1][from + i] += (float) (gain * x[i] * Math.sin(pan * Math.PI / 2));
        }
    }

    /** Held or struck chords: organ, struck bars or a slow pad, wide or not. */
    public float[][] keys() {
        float[][] out = new float[2][frames];
        double decay = r.nextInt(3) == 0 ? 0.8 : 6;
        double attackS = r.nextInt(3) == 0 ? 0.4 : 0.01;
        int partials = 2 + r.nextInt(9);
        double slope = 0.7 + 1.3 * r.nextDouble();
        double spread = r.nextDouble();
        double octave = rootHz * (r.nextBoolean() ? 4 : 2);
        int per = r.nextInt(3) == 0 ? 2 : 1;
        double[] phases = new double[64];
        for (int k = 0; k < 64; k++) phases[k] = 2 * Math.PI * r.nextDouble();
        for (int bar = 0; bar < bars() * per; bar++) {
            for (int c = 0; c < CHORD.length; c++) {
                double hz = octave * step(bar / per) * Math.pow(2, CHORD[c] / 12.0);
                tone(out, bar * 4 * beatS / per, 4 * beatS / per, hz, partials, slope, attackS, decay, phases, spread,
                        0);
            }
        }
        return out;
    }

    /** A lead line that sings over the guitar. */
    public float[][] voice() {
        float[][] out = new float[2][frames];
        double vibrato = 4 + 2.5 * r.nextDouble();
        double[] phases = new double[64];
        double formant = 500 + 1500 * r.nextDouble();
        for (double at = 0; at < frames / (double) RATE - beatS;) {
            double length = beatS * (0.5 + r.nextInt(4) / 2.0);
            double hz = rootHz * 8 * Math.pow(2, STEPS[r.nextInt(STEPS.length)] / 12.0);
            if (r.nextInt(4) > 0) tone(out, at, length * 0.9, hz, 12, 1, 0.05, 5, phases, 0.1, vibrato);
            at += length;
        }
        for (float[] c : out) OtherChain.filter(c, Biquad.peak(formant, 9, 1.5, RATE));
        return out;
    }

    private static double sin(double cycles) {
        return SINE[(int) ((cycles - Math.floor(cycles)) * SINE.length)];
    }

    private static void tone(float[][] out, double atS, double lengthS, double hz, int partials, double slope,
            double attackS, double decayS, double[] phases, double spread, double vibratoHz) {
        int from = (int) (atS * RATE);
        int n = (int) (lengthS * RATE);
        for (int k = 1; k <= partials && k * hz < 15000; k++) {
            double cycles = hz * k / RATE;
            double gain = 0.2 * Math.pow(k, -slope);
            double left = Math.cos((0.5 + 0.5 * spread * (k % 2 == 0 ? 1 : -1)) * Math.PI / 2);
            double right = Math.sqrt(1 - left * left);
            double fade = 1;
            double ring = Math.exp(-1 / (decayS * RATE));
            for (int i = 0; i < n + RATE / 15 && from + i < out[0].length; i++) {
                double t = i / (double) RATE;
                fade *= ring;
                double sway = vibratoHz == 0 ? 0 : k * hz * 0.001 / vibratoHz * sin(vibratoHz * t);
                double e = Math.min(1, t / attackS) * fade;
                if (i > n) e *= Math.max(0, 1 - (i - n) / (RATE / 15.0));
                float v = (float) (gain * e * sin(cycles * i + phases[k % 64] + sway));
                out[0][from + i] += (float) (left * v);
                out[1][from + i] += (float) (right * v);
            }
        }
    }
}
