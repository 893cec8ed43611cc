package verisonus.demo;

import java.util.Arrays;
import java.util.List;
import java.util.SplittableRandom;
import verisonus.core.sound.Sound;

/**
 * Plays a phrase as a sum of stiff strings' partials, each with a decay of its own: a second instrument that shares nothing
 * with {@link PluckedString}, so that an estimator cannot pass by knowing one of them (stiffness: N. H. Fletcher, T. D.
 * Rossing, "The Physics of Musical Instruments", 1998).
 */
final class PartialsPlayer {
    private final SplittableRandom random;
    private final double stiffness;
    private final double pickAt;
    private final double pickupAt;
    private final double brightness;
    private final double centsOff;
    private final boolean vibrates;
    private final double releaseS;
    private final double fastShare;

    PartialsPlayer(long seed) {
        this(-1, new SplittableRandom(seed));
    }

    /** One instrument under different hands. */
    PartialsPlayer(long instrument, long hand) {
        this(hand, new SplittableRandom(instrument));
    }

    private PartialsPlayer(long hand, SplittableRandom of) {
        stiffness = 4e-5 + 1.6e-4 * of.nextDouble();
        pickAt = 0.08 + 0.17 * of.nextDouble();
        pickupAt = 0.07 + 0.18 * of.nextDouble();
        brightness = 0.6 + 0.8 * of.nextDouble();
        centsOff = 16 * (of.nextDouble() - 0.5);
        vibrates = of.nextInt(3) == 0;
        // A finger stops a string at once, or leaves it to the wood.
        releaseS = 0.012 * Math.pow(12, of.nextDouble());
        fastShare = 0.7 * of.nextDouble();
        random = hand == -1 ? of : new SplittableRandom(hand);
    }

    /** How far the instrument is off 440 Hz. */
    double centsOff() {
        return centsOff;
    }

    Sound play(List<Note> phrase, double lengthS, double timingMs, double strength) {
        int rate = Sound.WORKING_RATE_HZ;
        float[] out = new float[(int) (lengthS * rate)];
        for (int i = 0; i < phrase.size(); i++) {
            Note n = phrase.get(i);
            double start = Math.max(0, n.startS() + random.nextGaussian() * timingMs / 1000);
            double hard = Math.clamp(n.strength() + random.nextGaussian() * strength, 0.15, 1);
            double end = n.startS() + n.lengthS();
            // A string that is picked again does not ring on.
            for (int k = i + 1; k < phrase.size(); k++) {
                if (phrase.get(k).string() == n.string() && phrase.get(k).startS() > n.startS()) {
                    end = Math.min(end, phrase.get(k).startS());
                    break;
                }
            }
            add(n, start, end, timingMs > 0 ? hard : Math.rint(3 * hard) / 3, timingMs, out, rate);
        }
        double top = 1e-9;
        for (float v : out) top = Math.max(top, Math.abs(v));
        for (int i = 0; i < out.length; i++) {
            out[i] = (float) (0.45 * out[i] / top + 6e-5 * random.nextGaussian());
        }
        return Sound.mono(out, rate);
    }

    /** Without human timing the same note sounds the same each time, to the sample. */
    private void add(Note n, double startS, double endS, double hard, double timingMs, float[] out, int rate) {
        double hz = Instrument.SINGLE_COIL.hz(n) * Math.pow(2, centsOff / 1200);
        int from = (int) (startS * rate);
        int stop = (int) (Math.max(endS, startS + 0.03) * rate);
        int to = Math.min(out.length, stop + (int) (7 * releaseS * rate));
        double[] fade = new double[to - Math.min(from, to)];
        Arrays.setAll(fade, i -> i + from < stop ? 1 : Math.exp(-(i + from - stop) / (releaseS * rate)));
        double[] bend = vibrates && endS - startS > 0.35 && !n.muted()
                ? fingerVibrato(fade.length, rate)
                : new double[0];
        SplittableRandom touch = timingMs > 0
                ? random
                : new SplittableRandom(97L * n.string() + 31L * n.fret() + (n.muted() ? 7 : 0));
        for (int k = 1; k < 60; k++) {
            double f = hz * k * Math.sqrt(1 + stiffness * k * k);
            if (f > 9000) break;
            double level = Math.sin(Math.PI * k * pickAt) * Math.sin(Math.PI * k * pickupAt) / k
                    * Math.exp(-k * (1.15 - hard) * 0.12 / brightness) * hard;
            double decayS = (n.muted() ? 0.10 : 2.4 * Math.pow(110 / hz, 0.4)) / (1 + 0.06 * k * (n.muted() ? 4 : 1));
            double phase = 2 * Math.PI * touch.nextDouble();
            if (bend.length > 0) {
                addBentPartial(out, from, fade, f / rate, level, Math.exp(-1 / (decayS * rate)), phase, bend);
                continue;
            }
            double loud = level * (0.85 + 0.3 * touch.nextDouble());
            addPartial(out, from, fade, f / rate, (1 - fastShare) * loud,
                    Math.exp(-1 / (decayS * rate)), phase);
            addPartial(out, from, fade, f * 1.0003 / rate, fastShare * loud, Math.exp(-4 / (decayS * rate)), phase);
        }
    }

    /** A finger sways the pitch upwards, a moment after the note began, never quite evenly. @return turns' factor */
    private double[] fingerVibrato(int length, int rate) {
        double hz = 4.2 + 2.3 * random.nextDouble();
        double cents = 8 + 25 * random.nextDouble();
        double[] out = new double[length];
        double phase = 0;
        double wander = 0;
        for (int i = 0; i < length; i++) {
            if (i % 480 == 0) wander = 0.9 * wander + 0.06 * random.nextGaussian();
            phase += 2 * Math.PI * hz * (1 + wander) / rate;
            double depth = cents * Math.clamp((i / (double) rate - 0.12) / 0.25, 0, 1);
            out[i] = 1 + depth * (0.5 - 0.5 * Math.cos(phase)) * Math.log(2) / 1200;
        }
        return out;
    }

    private static void addBentPartial(float[] out, int from, double[] fade, double turns, double level, double loss,
            double startPhase, double[] bend) {
        double phase = startPhase;
        double gain = level;
        for (int i = 0; i < fade.length; i++) {
            double rise = i < 60 ? i / 60.0 : 1;
            out[from + i] += (float) (rise * fade[i] * gain * Math.sin(phase));
            phase += 2 * Math.PI * turns * bend[i];
            gain *= loss;
        }
    }

    private static void addPartial(float[] out, int from, double[] fade, double turns, double level, double loss,
            double phase) {
        double c = Math.cos(2 * Math.PI * turns) * loss;
        double s = Math.sin(2 * Math.PI * turns) * loss;
        double x = level * Math.cos(phase);
        double y = level * Math.sin(phase);
        for (int i = 0; i < fade.length; i++) {
            double rise = i < 60 ? i / 60.0 : 1;
            out[from + i] += (float) (rise * fade[i] * y);
            double nx = x * c - y * s;
            y = x * s + y * c;
            x = nx;
        }
    }
}
