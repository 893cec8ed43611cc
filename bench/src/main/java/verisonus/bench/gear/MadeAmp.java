package verisonus.bench.gear;

import java.util.SplittableRandom;
import verisonus.core.sound.Biquad;
import verisonus.core.sound.Sound;

/**
 * An amp that is none of the simulated ones: two or three clippers of another curve, its gain with a taper of its own, a treble and a bass
 * control as shelves at other corners and with other tapers, and ripples that no tone control makes. Nothing of the simulated gear is used.
 */
record MadeAmp(long seed) {
    private static final int RATE_HZ = Sound.WORKING_RATE_HZ;

    /** What it makes of a dry guitar with its controls at these positions, 0 to 10; a direct output. */
    Sound play(Sound dry, double gain, double treble, double bass) {
        SplittableRandom r = new SplittableRandom(seed * 7919 + 3);
        float[] x = dry.atRate(RATE_HZ).mid().clone();
        filter(x, Biquad.highPass(50 + 90 * r.nextDouble(), 0.7, RATE_HZ));
        filter(x, Biquad.peak(500 + 700 * r.nextDouble(), 7 * r.nextDouble() - 1, 0.6, RATE_HZ));
        double taper = 0.6 + 1.1 * r.nextDouble();
        double most = 18 + 18 * r.nextDouble();
        double drive = -8 + most * Math.pow(gain / 10, taper);
        double bend = 0.2 + 0.5 * r.nextDouble();
        clip(x, drive, bend);
        double corner = 1500 + 2500 * r.nextDouble();
        double trebleTaper = 0.6 + 0.9 * r.nextDouble();
        double trebleReach = 12 + 8 * r.nextDouble();
        filter(x, Biquad.highShelf(corner, trebleReach * (Math.pow(treble / 10, trebleTaper) - 0.5), RATE_HZ));
        filter(x, Biquad.lowShelf(120 + 130 * r.nextDouble(), (10 + 6 * r.nextDouble()) * (bass / 10 - 0.5), RATE_HZ));
        filter(x, Biquad.peak(400 + 500 * r.nextDouble(), -7 * r.nextDouble(), 0.7, RATE_HZ));
        clip(x, -4 + 6 * r.nextDouble(), 0.3 * r.nextDouble());
        for (int i = 0; i < 5; i++)
            filter(x, Biquad.peak(100 * Math.pow(60, r.nextDouble()), 5 * r.nextDouble() - 2.5, 0.8 + r.nextDouble(),
                    RATE_HZ));
        filter(x, Biquad.lowPass(6000 + 6000 * r.nextDouble(), 0.6, RATE_HZ));
        float peak = 1e-9f;
        for (float v : x) peak = Math.max(peak, Math.abs(v));
        for (int i = 0; i < x.length; i++) x[i] *= 0.6f / peak;
        return Sound.mono(x, RATE_HZ);
    }

    private static void filter(float[] x, Biquad b) {
        new Biquad.Section(b).process(x, 0, x.length);
    }

    /** A lopsided arc tangent, its offset taken off. */
    private static void clip(float[] x, double driveDb, double bend) {
        double peak = 1e-9;
        for (float v : x) peak = Math.max(peak, Math.abs(v));
        double g = Math.pow(10, driveDb / 20) / peak;
        double rest = Math.atan(bend);
        for (int i = 0; i < x.length; i++) x[i] = (float) (Math.atan(1.6 * g * x[i] + bend) - rest);
        new Biquad.Section(Biquad.highPass(25, 0.7, RATE_HZ)).process(x, 0, x.length);
    }
}
