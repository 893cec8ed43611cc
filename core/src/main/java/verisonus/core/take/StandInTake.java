package verisonus.core.take;

import verisonus.core.sound.Biquad;
import verisonus.core.sound.Sound;

/**
 * A dry take of nobody's: where a player has a record and no guitar at hand yet, it stands in for theirs, so that a first sketch of a
 * tone can be searched for and heard. Open chords, a low riff, single notes high up, soft and hard, with rests between.
 *
 * <p>Strings are sums of slightly inharmonic partials (H. Fletcher and T. Rossing, "The Physics of Musical Instruments", 1998):
 * their first strengths follow from where the string is plucked and where the pickup stands, the high ones die away sooner. A
 * pickup's coil and cable are a low pass with a peak at 3.6 kHz.
 */
public final class StandInTake {
    /** What the take is called wherever it is listed. */
    public static final String NAME = "stand-in guitar, not yours";
    private static final int RATE_HZ = Sound.WORKING_RATE_HZ;
    private static final double LENGTH_S = 12;
    private static final double PLUCKED_AT = 0.17;
    private static final double PICKUP_AT = 0.13;
    private static final double INHARMONICITY = 6e-5;
    private static final double COIL_HZ = 3600;
    private static final double PEAK = 0.4;
    private static final double HIGHEST_HZ = 8000;

    /** Beginning in s, note as MIDI number, loudness 0 to 1, length in s. */
    private static final double[][] NOTES = notes();

    private StandInTake() {}

    private static double[][] notes() {
        java.util.List<double[]> out = new java.util.ArrayList<>();
        int[][] chords = {{40, 47, 52, 56, 59, 64}, {45, 52, 57, 61, 64}};
        for (int c = 0; c < chords.length; c++) {
            for (int i = 0; i < chords[c].length; i++)
                out.add(new double[]{0.1 + 1.7 * c + 0.014 * i, chords[c][i], c == 0 ? 0.75 : 0.45, 1.5});
        }
        int[] riff = {40, 40, 43, 45, 40, 46, 45, 43};
        for (int i = 0; i < riff.length; i++)
            out.add(new double[]{3.6 + 0.24 * i, riff[i], i % 2 == 0 ? 0.95 : 0.6, i == 7 ? 0.7 : 0.22});
        int[] line = {64, 67, 69, 71, 74, 71, 69, 67};
        double[] lasts = {0.45, 0.4, 0.4, 1.0, 0.35, 0.35, 0.4, 1.3};
        double at = 6.5;
        for (int i = 0; i < line.length; i++) {
            out.add(new double[]{at, line[i], 0.5 + 0.06 * i, lasts[i]});
            at += lasts[i] + 0.02;
        }
        return out.toArray(new double[0][]);
    }

    /** The take: mono, 12 s, the same every time. */
    public static Sound play() {
        float[] x = new float[(int) (LENGTH_S * RATE_HZ)];
        for (double[] n : NOTES) pluck(x, n[0], 440 * Math.pow(2, (n[1] - 69) / 12), n[2], n[3]);
        new Biquad.Section(Biquad.lowPass(COIL_HZ, 1.6, RATE_HZ)).process(x, 0, x.length);
        float top = 0;
        for (float v : x) top = Math.max(top, Math.abs(v));
        for (int i = 0; i < x.length; i++) x[i] *= (float) (PEAK / top);
        return Sound.mono(x, RATE_HZ);
    }

    /** Adds a note; one plucked harder is brighter, one that is let go stops within some hundredths of a second. */
    private static void pluck(float[] x, double atS, double hz, double loud, double lengthS) {
        int from = (int) (atS * RATE_HZ);
        int to = Math.min(x.length, from + (int) ((lengthS + 0.08) * RATE_HZ));
        for (int n = 1; n * hz < HIGHEST_HZ; n++) {
            double f = n * hz * Math.sqrt(1 + INHARMONICITY * n * n);
            double comb = Math.sin(Math.PI * n * PLUCKED_AT) * Math.sin(Math.PI * n * PICKUP_AT);
            double strength = loud * comb / n * Math.pow(n, -0.55 + 0.5 * loud);
            double fallPerS = 0.55 + 0.0016 * f;
            double step = 2 * Math.PI * f / RATE_HZ;
            double fall = Math.exp(-fallPerS / RATE_HZ);
            // A turning pointer in place of a sine a sample.
            double re = Math.cos(n * 0.7);
            double im = Math.sin(n * 0.7);
            double c = Math.cos(step) * fall;
            double s = Math.sin(step) * fall;
            double let = 1;
            int stops = from + (int) (lengthS * RATE_HZ);
            for (int i = from; i < to; i++) {
                double rise = Math.min(1, (i - from) / (0.0015 * RATE_HZ));
                if (i > stops) let *= 0.9985;
                x[i] += (float) (strength * im * rise * let);
                double next = re * c - im * s;
                im = re * s + im * c;
                re = next;
            }
        }
    }
}
