package verisonus.bench;

import java.util.SplittableRandom;
import verisonus.core.sound.Biquad;

/**
 * References made by a chain of another design than the simulated gear: other clip curves, a tone control of shelves, another
 * order of filters, a loudspeaker of random ripples. Nothing of the simulated gear is used.
 */
public final class OtherChain {
    private static final double NOISE_DB = -50;
    private static final double NONE_DB = -200;

    private OtherChain() {}

    /** What is added to the dry chain. */
    public enum Spoiling {
        NOTHING,
        /** All but the noise: what a tone can be judged by, for no tone shall hiss as the recording does. */
        QUIET,
        /** The same in another hall of the same description: two such halls differ as much as no tone can be nearer. */
        OTHER_HALL,
        ALL
    }

    /** The settings of one such chain; the same for every take that goes through it. */
    public record Settings(long seed) {
        public float[] play(float[] di, Spoiling spoiling) {
            SplittableRandom r = new SplittableRandom(seed * 104729);
            float[] x = di.clone();
            filter(x, Biquad.highPass(60 + 120 * r.nextDouble(), 0.7, Effects.RATE_HZ));
            filter(x, Biquad.peak(600 + 900 * r.nextDouble(), 8 * r.nextDouble() - 2, 0.6, Effects.RATE_HZ));
            boolean pedal = r.nextInt(2) == 0;
            int pedalShape = r.nextInt(4);
            double pedalDrive = 20 * r.nextDouble();
            if (pedal) {
                x = Effects.sum(Effects.clipped(x, pedalDrive, pedalShape), x, 0.2);
                filter(x, Biquad.lowPass(2500 + 4000 * r.nextDouble(), 0.6, Effects.RATE_HZ));
            }
            x = Effects.clipped(x, 32 * r.nextDouble() - 4, r.nextInt(4));
            filter(x, Biquad.lowShelf(180, 12 * r.nextDouble() - 8, Effects.RATE_HZ));
            filter(x, Biquad.peak(650, 12 * r.nextDouble() - 8, 0.7, Effects.RATE_HZ));
            filter(x, Biquad.highShelf(2200, 12 * r.nextDouble() - 4, Effects.RATE_HZ));
            x = Effects.clipped(x, 12 * r.nextDouble() - 6, r.nextInt(4));
            x = speaker(x, r);
            return spoiling == Spoiling.NOTHING
                    ? x
                    : spoiled(x, r, spoiling == Spoiling.ALL ? NOISE_DB : NONE_DB,
                            new SplittableRandom(seed + (spoiling == Spoiling.OTHER_HALL ? 77 : 0)));
        }
    }

    private static float[] speaker(float[] x, SplittableRandom r) {
        float[] out = Effects.speaker(x, 3800 + 2200 * r.nextDouble(), 1200 + 2200 * r.nextDouble(),
                6 * r.nextDouble());
        filter(out, Biquad.peak(85 + 60 * r.nextDouble(), 5 * r.nextDouble(), 1.2, Effects.RATE_HZ));
        for (int i = 0; i < 12; i++) {
            double hz = 90 * Math.pow(80, r.nextDouble());
            filter(out, Biquad.peak(hz, 4 * r.nextDouble() - 2, 1 + 4 * r.nextDouble(), Effects.RATE_HZ));
        }
        return out;
    }

    /** An echo, a space, noise, another level, and a late start. */
    private static float[] spoiled(float[] x, SplittableRandom r, double noiseDb, SplittableRandom hall) {
        float[] y = r.nextInt(2) == 0
                ? new Effects.Echo(180 + 400 * r.nextDouble(), 0.4 * r.nextDouble(), -14 + 7 * r.nextDouble()).on(x)
                : x;
        y = Effects.reverb(y, 0.4 + 1.6 * r.nextDouble(), 15 * r.nextDouble(), -16 + 8 * r.nextDouble(), hall);
        double rms = Math.sqrt(Effects.energy(y) / y.length);
        float[] out = new float[y.length];
        int late = (int) (0.008 * Effects.RATE_HZ);
        double gain = Math.pow(10, (8 * r.nextDouble() - 4) / 20);
        for (int i = 0; i < out.length; i++) {
            double noise = rms * Math.pow(10, noiseDb / 20) * r.nextGaussian();
            out[i] = (float) (gain * ((i >= late ? y[i - late] : 0) + noise));
        }
        return out;
    }

    public static void filter(float[] x, Biquad b) {
        new Biquad.Section(b).process(x, 0, x.length);
    }
}
