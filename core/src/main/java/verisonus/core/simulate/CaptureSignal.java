package verisonus.core.simulate;

import java.util.SplittableRandom;
import verisonus.core.sound.Sound;

/**
 * What is played into an amp to capture it: plucked notes and chords from soft to hard, twelve seconds, peak −3 dBFS. Strings are
 * delay lines with a smoothing loop (K. Karplus, A. Strong, Computer Music Journal 7, 1983), so that the amp meets what it will
 * meet: attacks, decays, low and high notes together. The same each time.
 */
public final class CaptureSignal {
    private static final double LENGTH_S = 12;
    private static final double PEAK = 0.7;
    private static final int[][] CHORDS = {{40}, {45}, {52}, {40, 47, 52}, {59}, {45, 52, 57}, {64}, {43, 47, 50, 55},
            {69}, {40, 52}, {48, 55, 64}, {76}};

    private CaptureSignal() {}

    public static Sound make() {
        int rate = Sound.WORKING_RATE_HZ;
        float[] out = new float[(int) (LENGTH_S * rate)];
        SplittableRandom random = new SplittableRandom(12);
        double[] hardness = {0.12, 0.3, 0.6, 1};
        int event = 0;
        for (double t = 0.25; t < LENGTH_S - 0.6; t += 0.45, event++) {
            for (int note : CHORDS[event % CHORDS.length]) {
                pluck(out, (int) (t * rate), 440 * Math.pow(2, (note - 69) / 12.0), hardness[event / 3 % 4], random);
            }
        }
        float peak = 0;
        for (float v : out) peak = Math.max(peak, Math.abs(v));
        for (int i = 0; i < out.length; i++) out[i] *= (float) (PEAK / peak);
        return Sound.mono(out, rate);
    }

    private static void pluck(float[] out, int at, double hz, double hard, SplittableRandom random) {
        double[] line = new double[(int) Math.round(Sound.WORKING_RATE_HZ / hz)];
        double smooth = 0;
        for (int i = 0; i < line.length; i++) {
            smooth += (0.2 + 0.6 * hard) * (2 * random.nextDouble() - 1 - smooth);
            line[i] = hard * smooth;
        }
        int k = 0;
        for (int i = at; i < Math.min(out.length, at + (int) (0.6 * Sound.WORKING_RATE_HZ)); i++) {
            int next = (k + 1) % line.length;
            out[i] += (float) line[k];
            line[k] = 0.997 * 0.5 * (line[k] + line[next]);
            k = next;
        }
    }
}
