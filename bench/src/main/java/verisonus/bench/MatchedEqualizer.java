package verisonus.bench;

import java.util.Arrays;
import verisonus.core.sound.Bands;
import verisonus.core.sound.RealFft;

/** What a tone costs nothing to reach: the dry take with the reference's long-term spectrum laid on it, 42 bands. */
public final class MatchedEqualizer {
    private static final double MOST_DB = 40;

    private MatchedEqualizer() {}

    /** Both mono at 48 kHz. */
    public static float[] of(float[] reference, float[] di) {
        Bands sixths = Bands.sixths(72, 9800);
        double[] a = Bands.levelsDb(sixths.longTermPower(reference, Effects.RATE_HZ), 80);
        double[] b = Bands.levelsDb(sixths.longTermPower(di, Effects.RATE_HZ), 80);
        double[] hz = sixths.centresHz();
        int size = RealFft.sizeFor(2 * di.length);
        RealFft fft = new RealFft(size);
        float[] x = Arrays.copyOf(di, size);
        fft.forward(x);
        double width = (double) Effects.RATE_HZ / size;
        for (int k = 1; k < size / 2; k++) {
            double place = Math.clamp((Math.log10(k * width) - Math.log10(hz[0])) * 20, 0, hz.length - 1.001);
            int i = (int) place;
            double db = (a[i] - b[i]) * (1 - place + i) + (a[i + 1] - b[i + 1]) * (place - i);
            float gain = (float) Math.pow(10, Math.clamp(db, -MOST_DB, MOST_DB) / 20);
            x[2 * k] *= gain;
            x[2 * k + 1] *= gain;
        }
        fft.inverse(x);
        return Arrays.copyOf(x, di.length);
    }
}
