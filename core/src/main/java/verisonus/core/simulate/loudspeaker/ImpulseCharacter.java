package verisonus.core.simulate.loudspeaker;

import java.util.ArrayList;
import java.util.List;
import verisonus.core.rig.Impulse;
import verisonus.core.sound.Bands;
import verisonus.core.sound.RealFft;
import verisonus.core.sound.Sound;
import verisonus.core.work.Figures;

/**
 * What an impulse response sounds like, in figures and words: its level curve, how bright it is, what it has below, where it
 * resonates, how long it rings.
 *
 * @param levelDb by sixth octave from 72 Hz to 9.8 kHz, against its own mean from 250 Hz to 1 kHz
 * @param brightDb 2 to 6 kHz against 250 Hz to 1 kHz
 * @param lowDb 70 to 140 Hz against the same
 * @param resonanceHz where it stands out most from its surroundings
 * @param resonanceDb by how much
 * @param lengthMs until it has fallen by 40 dB
 */
public record ImpulseCharacter(double[] levelDb, double brightDb, double lowDb, double resonanceHz, double resonanceDb,
        double lengthMs) {
    private static final Bands BANDS = Bands.sixths(72, 9800);
    private static final int SIZE = 8192;
    private static final int AROUND = 4;

    public static ImpulseCharacter of(Impulse impulse) {
        float[] h = MeasuredCabinet.taps(impulse, 1000, false, Sound.WORKING_RATE_HZ);
        float[] x = java.util.Arrays.copyOf(h, SIZE);
        new RealFft(SIZE).forward(x);
        float[] power = new float[SIZE / 2 + 1];
        for (int k = 1; k < SIZE / 2; k++) power[k] = x[2 * k] * x[2 * k] + x[2 * k + 1] * x[2 * k + 1];
        double[] sums = BANDS.grouping(SIZE, Sound.WORKING_RATE_HZ).sum(power);
        double[] hz = BANDS.centresHz();
        double[] db = new double[sums.length];
        for (int b = 0; b < db.length; b++) db[b] = 10 * Math.log10(sums[b] / BANDS_WIDTH[b] + 1e-12);
        double middle = mean(db, hz, 250, 1000);
        for (int b = 0; b < db.length; b++) db[b] -= middle;
        int loudest = 0;
        double most = -100;
        for (int b = AROUND; b + AROUND < db.length; b++) {
            double around = 0;
            for (int k = 1; k <= AROUND; k++) around += (db[b - k] + db[b + k]) / (2 * AROUND);
            if (db[b] - around > most) {
                most = db[b] - around;
                loudest = b;
            }
        }
        return new ImpulseCharacter(db, mean(db, hz, 2000, 6000), mean(db, hz, 70, 140), hz[loudest], most, fallMs(h));
    }

    private static final double[] BANDS_WIDTH = widths();

    private static double[] widths() {
        double[] out = new double[BANDS.count()];
        for (int b = 0; b < out.length; b++) out[b] = BANDS.highHz(b) - BANDS.lowHz(b);
        return out;
    }

    private static double mean(double[] db, double[] hz, double from, double to) {
        double sum = 0;
        int n = 0;
        for (int b = 0; b < db.length; b++) {
            if (hz[b] < from || hz[b] > to) continue;
            sum += db[b];
            n++;
        }
        return n == 0 ? 0 : sum / n;
    }

    /** Backward integration (M. R. Schroeder, 1965). */
    private static double fallMs(float[] h) {
        double all = 0;
        for (float v : h) all += (double) v * v;
        double left = all;
        for (int i = 0; i < h.length; i++) {
            left -= (double) h[i] * h[i];
            if (left < 1e-4 * all) return 1000.0 * i / Sound.WORKING_RATE_HZ;
        }
        return 1000.0 * h.length / Sound.WORKING_RATE_HZ;
    }

    /** "dark, full below, resonates at 120 Hz". */
    public String words() {
        List<String> out = new ArrayList<>();
        out.add(brightDb > 3 ? "bright" : brightDb < -3 ? "dark" : "even");
        out.add(lowDb > 2 ? "full below" : lowDb < -6 ? "lean below" : "moderate below");
        if (resonanceDb > 2) {
            out.add(Figures.of(resonanceHz < 1000 ? "resonates at %.0f Hz" : "resonates at %.1f kHz",
                    resonanceHz < 1000 ? resonanceHz : resonanceHz / 1000));
        }
        if (lengthMs > 120) out.add("with the room in it");
        return String.join(", ", out);
    }
}
