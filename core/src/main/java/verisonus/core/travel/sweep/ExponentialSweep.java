package verisonus.core.travel.sweep;

import verisonus.core.sound.RealFft;
import verisonus.core.sound.Sound;

/**
 * The signal that measures a playback system, and what undoes it: a sine whose frequency rises exponentially, so that what a
 * loudspeaker distorts falls before the straight response and can be cut away (A. Farina, "Simultaneous measurement of impulse
 * response and distortion with a swept-sine technique", AES 108, 2000). A silence leads, a
 * longer one follows for the room. In the first stand a soft tone and a loud one that is held, 20 dB apart; right behind the sweep stands
 * the loud one once more. What changes the level by itself brings the two nearer, lets the held one sink, or leaves the last one softer than
 * the first. Once the sweep is undone they lie far from the response.
 *
 * @param fromHz where it begins
 * @param toHz where it ends
 * @param lengthS of the sweep itself
 */
public record ExponentialSweep(double fromHz, double toHz, double lengthS) {
    /** 20 Hz to 20 kHz in 6 s. */
    public static final ExponentialSweep STANDARD = new ExponentialSweep(20, 20000, 6);
    public static final double LEAD_S = 2.05;
    public static final double TAIL_S = 1.6;
    /** Where the tones begin, from the sweep's begin and from its end, and how long each lasts, s. */
    private static final double SOFT_BEFORE_S = 1.85;
    private static final double LOUD_BEFORE_S = 1.7;
    private static final double LOUD_AFTER_S = 0.1;
    private static final double TONE_S = 0.15;
    private static final double HELD_S = 1.2;
    /** From the held tone's begin: a room has built up by the first, a slow level control has acted by the second. */
    private static final double BUILT_UP_S = 0.3;
    private static final double SETTLED_S = 1.0;
    private static final double TONE_HZ = 1000;
    static final double TONES_APART_DB = 20;
    private static final double LEVEL = 0.35;
    private static final double FADE_S = 0.02;
    private static final int RATE_HZ = Sound.WORKING_RATE_HZ;

    /** Mono at {@value Sound#WORKING_RATE_HZ} Hz, −9 dBFS at its peaks. */
    public Sound signal() {
        float[] x = new float[leadFrames() + frames() + (int) (TAIL_S * RATE_HZ)];
        float[] sweep = sweep();
        System.arraycopy(sweep, 0, x, leadFrames(), sweep.length);
        tone(x, softAt(), TONE_S, LEVEL * Math.pow(10, -TONES_APART_DB / 20));
        tone(x, loudAt(), HELD_S, LEVEL);
        tone(x, loudAgainAt(), TONE_S, LEVEL);
        return Sound.mono(x, RATE_HZ);
    }

    /** Where in the signal the soft tone begins, frames. */
    private int softAt() {
        return leadFrames() - (int) (SOFT_BEFORE_S * RATE_HZ);
    }

    private int loudAt() {
        return leadFrames() - (int) (LOUD_BEFORE_S * RATE_HZ);
    }

    private int loudAgainAt() {
        return leadFrames() + frames() + (int) (LOUD_AFTER_S * RATE_HZ);
    }

    private static void tone(float[] x, int at, double seconds, double level) {
        int n = (int) (seconds * RATE_HZ);
        int fade = (int) (FADE_S * RATE_HZ / 4);
        for (int i = 0; i < n; i++) {
            double w = Math.min(1, Math.min(i, n - 1 - i) / (double) fade);
            x[at + i] += (float) (level * Math.sin(2 * Math.PI * TONE_HZ * i / RATE_HZ)
                    * (0.5 - 0.5 * Math.cos(Math.PI * w)));
        }
    }

    /**
     * Levels of the tones in a recording, dB.
     *
     * @param soft of the soft one @param loud of the loud one's begin @param builtUp of it once a room has built up
     * @param settled of it near its end @param again of the last one
     */
    record Tones(double soft, double loud, double builtUp, double settled, double again) {}

    /** @param startsAt frame of the recording at which the signal begins */
    Tones tonesDb(float[] heard, int startsAt) {
        int loud = startsAt + loudAt();
        return new Tones(toneDb(heard, startsAt + softAt()), toneDb(heard, loud),
                toneDb(heard, loud + (int) (BUILT_UP_S * RATE_HZ)), toneDb(heard, loud + (int) (SETTLED_S * RATE_HZ)),
                toneDb(heard, startsAt + loudAgainAt()));
    }

    /** Of one tone, in the same part of each, so that a room that builds up says the same of all. */
    private static double toneDb(float[] x, int at) {
        int skip = (int) (TONE_S * RATE_HZ / 3);
        int n = (int) (TONE_S * RATE_HZ / 2);
        double re = 0;
        double im = 0;
        for (int i = 0; i < n; i++) {
            int k = at + skip + i;
            if (k < 0 || k >= x.length) return Double.NEGATIVE_INFINITY;
            double w = 0.5 - 0.5 * Math.cos(2 * Math.PI * i / n);
            re += w * x[k] * Math.cos(2 * Math.PI * TONE_HZ * i / RATE_HZ);
            im += w * x[k] * Math.sin(2 * Math.PI * TONE_HZ * i / RATE_HZ);
        }
        return 20 * Math.log10(Math.hypot(re, im) / n + 1e-12);
    }

    /** Frequency that sounds this long after the sweep's begin, Hz. */
    double hzAt(double seconds) {
        return fromHz * Math.pow(toHz / fromHz, seconds / lengthS);
    }

    int leadFrames() {
        return (int) (LEAD_S * RATE_HZ);
    }

    int frames() {
        return (int) (lengthS * RATE_HZ);
    }

    private float[] sweep() {
        double rate = Math.log(toHz / fromHz);
        float[] x = new float[frames()];
        int fade = (int) (FADE_S * RATE_HZ);
        for (int i = 0; i < x.length; i++) {
            double t = (double) i / RATE_HZ;
            double phase = 2 * Math.PI * fromHz * lengthS / rate * (Math.exp(t / lengthS * rate) - 1);
            double w = Math.min(1, Math.min(i, x.length - 1 - i) / (double) fade);
            x[i] = (float) (LEVEL * Math.sin(phase) * (0.5 - 0.5 * Math.cos(Math.PI * w)));
        }
        return x;
    }

    /**
     * The impulse response of what lay between the signal and this recording. Index 0 is the moment at which the sweep began in
     * the signal; distortion folds to the end. The spectrum is divided with a small regularisation outside the swept range.
     */
    float[] undo(float[] heard) {
        float[] sweep = new float[leadFrames() + frames()];
        System.arraycopy(sweep(), 0, sweep, leadFrames(), frames());
        int n = RealFft.sizeFor(Math.max(heard.length, sweep.length) + frames());
        RealFft fft = new RealFft(n);
        double[] s = widened(sweep, n);
        double[] y = widened(heard, n);
        fft.forward(s);
        fft.forward(y);
        double top = 0;
        for (int k = 2; k < n; k += 2) top = Math.max(top, s[k] * s[k] + s[k + 1] * s[k + 1]);
        for (int k = 2; k < n; k += 2) {
            double hz = (k / 2.0) * RATE_HZ / n;
            double p = s[k] * s[k] + s[k + 1] * s[k + 1];
            boolean inside = hz > fromHz * 1.1 && hz < toHz * 0.95;
            double q = p + top * (inside ? 1e-9 : 1e-2);
            double re = (y[k] * s[k] + y[k + 1] * s[k + 1]) / q;
            double im = (y[k + 1] * s[k] - y[k] * s[k + 1]) / q;
            y[k] = re;
            y[k + 1] = im;
        }
        y[0] = 0;
        y[1] = 0;
        fft.inverse(y);
        float[] out = new float[n];
        for (int i = 0; i < n; i++) out[i] = (float) y[i];
        return out;
    }

    private static double[] widened(float[] x, int n) {
        double[] out = new double[n];
        for (int i = 0; i < Math.min(n, x.length); i++) out[i] = x[i];
        return out;
    }

    /** Samples by which a harmonic's answer comes before the straight one. */
    int harmonicFrames(int harmonic) {
        return (int) Math.round(frames() * Math.log(harmonic) / Math.log(toHz / fromHz));
    }

    /** Samples from the sweep's begin to a frequency. */
    int frameOf(double hz) {
        return (int) Math.round(frames() * Math.log(hz / fromHz) / Math.log(toHz / fromHz));
    }
}
