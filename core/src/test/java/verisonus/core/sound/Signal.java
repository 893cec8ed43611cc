package verisonus.core.sound;

import java.util.SplittableRandom;
import java.util.function.IntToDoubleFunction;

/** Test signals by recipe: {@code Signal.sine(440).atDb(-6).lasting(2)}. */
public record Signal(Shape shape, double db, int rateHz) {
    public static final int RATE_HZ = 48000;

    /** Value at a time, peak 1. */
    public interface Shape {
        double at(double timeS);
    }

    public static Signal of(Shape shape) {
        return new Signal(shape, 0, RATE_HZ);
    }

    public static Signal sine(double hz) {
        return of(t -> Math.sin(2 * Math.PI * hz * t));
    }

    public static Signal silence() {
        return of(_ -> 0);
    }

    /** Uniform noise, the same for the same seed. */
    public static Signal noise(long seed) {
        SplittableRandom random = new SplittableRandom(seed);
        return of(_ -> 2 * random.nextDouble() - 1);
    }

    /** One sample of 1 at the start. */
    public static Signal impulse() {
        return of(t -> t == 0 ? 1 : 0);
    }

    /** Notes with falling partials, one every {@code everyS}, in a scale that does not repeat itself soon. */
    public static Signal plucks(double everyS, long seed) {
        return plucks(everyS, seed, seed);
    }

    /** The same notes as another hand, or the same hand another time, plays them: each begins elsewhere by up to 8 ms. */
    public static Signal plucks(double everyS, long seed, long hand) {
        SplittableRandom random = new SplittableRandom(seed);
        SplittableRandom other = new SplittableRandom(hand);
        double[] hz = new double[400];
        double[] late = new double[hz.length];
        double[] hard = new double[hz.length];
        int[] scale = {0, 2, 3, 5, 7, 8, 10, 12, 14, 15, 17, 19};
        for (int i = 0; i < hz.length; i++) {
            hz[i] = 110 * Math.pow(2, scale[random.nextInt(scale.length)] / 12.0);
            double waver = random.nextDouble();
            double force = random.nextDouble();
            late[i] = 0.008 * (hand == seed ? waver : other.nextDouble());
            hard[i] = 0.6 + 0.4 * (hand == seed ? force : other.nextDouble());
        }
        return of(t -> {
            double sum = 0;
            int note = (int) (t / everyS);
            for (int n = Math.max(0, note - 1); n <= note; n++) {
                double u = t - n * everyS - late[n];
                if (u < 0) continue;
                for (int p = 1; p <= 12; p++) {
                    double partial = p * hz[n] * Math.sqrt(1 + 2e-5 * p * p);
                    sum += hard[n] / p * Math.exp(-u * (3 + 0.8 * p)) * Math.sin(2 * Math.PI * partial * u + p);
                }
            }
            return 0.25 * sum;
        });
    }

    /** Peak level in dB against full scale. */
    public Signal atDb(double newDb) {
        return new Signal(shape, newDb, rateHz);
    }

    public Signal atRate(int newRateHz) {
        return new Signal(shape, db, newRateHz);
    }

    /** One channel of this length. */
    public Sound lasting(double seconds) {
        return Sound.mono(samples((int) Math.round(seconds * rateHz)), rateHz);
    }

    public float[] samples(int count) {
        double gain = Decibels.toAmplitude(db);
        return array(count, i -> gain * shape.at((double) i / rateHz));
    }

    public static float[] array(int count, IntToDoubleFunction value) {
        float[] out = new float[count];
        for (int i = 0; i < count; i++) out[i] = (float) value.applyAsDouble(i);
        return out;
    }

    public static Sound sum(Sound a, Sound b) {
        return Sound.mono(array(a.frames(), i -> a.channel(0)[i] + (i < b.frames() ? b.channel(0)[i] : 0)),
                a.rateHz());
    }

    /** Power of one frequency over a whole sound, as a full-scale sine reads 0 dB. */
    public static double levelDbAt(float[] x, double hz, int rateHz) {
        double re = 0;
        double im = 0;
        double weight = 0;
        for (int i = 0; i < x.length; i++) {
            double w = 0.5 - 0.5 * Math.cos(2 * Math.PI * (i + 0.5) / x.length);
            re += w * x[i] * Math.cos(2 * Math.PI * hz * i / rateHz);
            im += w * x[i] * Math.sin(2 * Math.PI * hz * i / rateHz);
            weight += w;
        }
        return Decibels.fromAmplitude(2 * Math.hypot(re, im) / weight);
    }

    public static double rmsDb(float[] x, int from, int to) {
        double sum = 0;
        for (int i = from; i < to; i++) sum += (double) x[i] * x[i];
        return Decibels.fromPower(sum / (to - from));
    }
}
