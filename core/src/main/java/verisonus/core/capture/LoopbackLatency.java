package verisonus.core.capture;

import java.util.Arrays;
import java.util.OptionalInt;
import verisonus.core.sound.RealFft;

/**
 * How many samples later an output is heard at an input that a cable joins to it: the peak of their cross-correlation, where it
 * stands out.
 */
public final class LoopbackLatency {
    private static final double STANDS_OUT = 20;

    private LoopbackLatency() {}

    /** A short noise burst to send, the same each time. */
    public static float[] burst(int samples) {
        java.util.SplittableRandom random = new java.util.SplittableRandom(7);
        float[] out = new float[samples];
        for (int i = 0; i < samples; i++) out[i] = (float) (0.25 * (2 * random.nextDouble() - 1));
        return out;
    }

    /** Empty where what was sent did not come back. */
    public static OptionalInt samples(float[] sent, float[] heard) {
        int size = RealFft.sizeFor(sent.length + heard.length);
        RealFft fft = new RealFft(size);
        float[] a = new float[size];
        // Turned round, so that convolving correlates.
        for (int i = 0; i < sent.length; i++) a[(size - i) % size] = sent[i];
        float[] b = Arrays.copyOf(heard, size);
        fft.forward(a);
        fft.forward(b);
        RealFft.multiply(a, b);
        fft.inverse(a);
        int best = 0;
        double sum = 1e-18;
        for (int i = 0; i < heard.length; i++) {
            sum += (double) a[i] * a[i] / heard.length;
            if (Math.abs(a[i]) > Math.abs(a[best])) best = i;
        }
        return Math.abs(a[best]) > STANDS_OUT * Math.sqrt(sum) ? OptionalInt.of(best) : OptionalInt.empty();
    }
}
