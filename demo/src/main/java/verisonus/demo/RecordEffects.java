package verisonus.demo;

import verisonus.core.sound.Biquad;
import verisonus.core.sound.Sound;

/** What was done to a made-up recording besides the chain: written apart from the gear, as a studio's own boxes would be. */
final class RecordEffects {
    private static final double RATE = Sound.WORKING_RATE_HZ;

    private RecordEffects() {}

    /** The level sways; depth 1 is down to silence. */
    static float[] tremolo(float[] x, double hz, double depth) {
        float[] out = new float[x.length];
        for (int i = 0; i < x.length; i++) {
            out[i] = (float) (x[i] * (1 - depth * (0.5 - 0.5 * Math.cos(2 * Math.PI * hz * i / RATE))));
        }
        return out;
    }

    /** A delayed copy whose time sways, left and right against each other, quietly beside the dry sound in the middle. */
    static Sound wideChorus(float[] x, double hz, double centreMs, double swayMs, double levelDb) {
        float[][] out = {x.clone(), x.clone()};
        double gain = Math.pow(10, levelDb / 20);
        for (int c = 0; c < 2; c++) {
            for (int i = 0; i < x.length; i++) {
                double ms = centreMs + swayMs * Math.sin(2 * Math.PI * hz * i / RATE + c * Math.PI);
                out[c][i] += (float) (gain * read(x, i - ms * RATE / 1000));
            }
        }
        return Sound.stereo(out[0], out[1], Sound.WORKING_RATE_HZ);
    }

    /** Repeats that darken and whose time sways; a pedal rides how far, from one value to another. */
    static float[] swayingEcho(float[] x, double timeMs, double feedback, double cornerHz, double levelDb,
            double fromSwayMs,
            double toSwayMs) {
        float[] line = new float[x.length];
        float[] out = x.clone();
        double keep = Math.exp(-2 * Math.PI * cornerHz / RATE);
        double gain = Math.pow(10, levelDb / 20);
        double low = 0;
        for (int i = 0; i < x.length; i++) {
            double swayMs = fromSwayMs + (toSwayMs - fromSwayMs) * i / x.length;
            double ms = timeMs + swayMs * Math.sin(2 * Math.PI * 0.6 * i / RATE);
            low = (1 - keep) * read(line, i - ms * RATE / 1000) + keep * low;
            line[i] = (float) (x[i] + feedback * low);
            out[i] += (float) (gain * low);
        }
        return out;
    }

    /** Shuts where the input stays under a level, dB under its top, within 8 ms; opens at once. */
    static float[] gate(float[] x, double underTopDb) {
        double top = 0;
        for (float v : x) top = Math.max(top, Math.abs(v));
        double limit = top * Math.pow(10, underTopDb / 20);
        double hold = 0;
        double gain = 0;
        double fall = Math.exp(-1 / (0.008 * RATE));
        float[] out = new float[x.length];
        for (int i = 0; i < x.length; i++) {
            hold = Math.abs(x[i]) > limit ? 0.03 * RATE : hold - 1;
            gain = hold > 0 ? Math.min(1, gain + 0.01) : gain * fall;
            out[i] = (float) (gain * x[i]);
        }
        return out;
    }

    /** Highs trimmed before whatever clips next. */
    static float[] trimmed(float[] x, double cornerHz) {
        float[] out = x.clone();
        new Biquad.Section(Biquad.lowPass(cornerHz, 0.6, RATE)).process(out, 0, out.length);
        return out;
    }

    private static double read(float[] x, double at) {
        int i = (int) Math.floor(at);
        double u = at - i;
        return i < 0 || i + 1 >= x.length ? 0 : (1 - u) * x[i] + u * x[i + 1];
    }
}
