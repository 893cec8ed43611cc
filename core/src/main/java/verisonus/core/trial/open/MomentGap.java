package verisonus.core.trial.open;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import verisonus.core.sound.Bands;
import verisonus.core.sound.Sound;
import verisonus.core.sound.Stft;
import verisonus.core.travel.NamedBand;
import verisonus.core.work.Figures;

/**
 * Where in a passage two sounds of the same phrase differ, and in which part of the sound: levels of the named bands over half a second,
 * a difference counting only where the louder one is within {@value #DEPTH_DB} dB of the moment's strongest band.
 *
 * @param atS the middle of the moment, from the passage's start
 * @param differenceDb of the second against the first
 */
public record MomentGap(double atS, NamedBand band, double differenceDb) {
    private static final double MOMENT_S = 0.5;
    private static final double HOP_S = 0.25;
    private static final double DEPTH_DB = 30;
    private static final int SIZE = 2048;

    /** In just-noticeable steps: 1 dB, 2 dB at both ends of the spectrum. */
    public double jnd() {
        return Math.abs(differenceDb) / (band == NamedBand.SUB || band == NamedBand.HIGHS ? 2 : 1);
    }

    /** "3 dB more bite" is for others; here "upper mids 3.0 dB louder in the second". */
    public String words(String first, String second) {
        return Figures.of("%s %.1f dB louder in %s", band.words(), Math.abs(differenceDb),
                differenceDb > 0 ? second : first);
    }

    /** Every moment and band in time order. */
    public static List<MomentGap> all(Sound first, Sound second) {
        double[][] a = levels(first);
        double[][] b = levels(second);
        List<MomentGap> out = new ArrayList<>();
        for (int t = 0; t < Math.min(a.length, b.length); t++) {
            double top = 1e-12;
            for (int k = 0; k < a[t].length; k++) top = Math.max(top, Math.max(a[t][k], b[t][k]));
            double floor = top * Math.pow(10, -DEPTH_DB / 10);
            for (NamedBand n : NamedBand.values()) {
                int k = n.ordinal();
                if (Math.max(a[t][k], b[t][k]) < floor) continue;
                out.add(new MomentGap(t * HOP_S + MOMENT_S / 2, n, 10 * Math.log10((b[t][k] + floor / 10) / (a[t][k]
                        + floor / 10))));
            }
        }
        return out;
    }

    /** The largest, at most one for each half second, the most audible first. */
    public static List<MomentGap> largest(Sound first, Sound second, int most) {
        List<MomentGap> out = new ArrayList<>();
        for (MomentGap g : all(first, second).stream().sorted(Comparator.comparingDouble((MomentGap g) -> -g.jnd()))
                .toList()) {
            if (out.size() == most) break;
            if (out.stream().noneMatch(o -> Math.abs(o.atS - g.atS) < MOMENT_S)) out.add(g);
        }
        return out;
    }

    /** What differs most at a moment that a listener marked; two bands, the more audible first. */
    public static List<MomentGap> at(Sound first, Sound second, double atS) {
        return all(first, second).stream().filter(g -> Math.abs(g.atS - atS) <= MOMENT_S / 2)
                .sorted(Comparator.comparingDouble((MomentGap g) -> -g.jnd()))
                .collect(java.util.stream.Collectors.toMap(MomentGap::band, g -> g, (x, _) -> x,
                        java.util.LinkedHashMap::new))
                .values().stream().limit(2).toList();
    }

    /** Power by moment and named band. */
    private static double[][] levels(Sound s) {
        Stft stft = new Stft(SIZE, SIZE / 2);
        float[] x = s.mid();
        int frames = x.length < SIZE ? 0 : stft.frames(x.length);
        double perMoment = MOMENT_S * s.rateHz() / (SIZE / 2.0);
        double hop = HOP_S * s.rateHz() / (SIZE / 2.0);
        Bands bands = Bands.thirds(25, 12500);
        Bands.Grouping grouping = bands.grouping(SIZE, s.rateHz());
        double[] hz = bands.centresHz();
        double[][] frame = new double[frames][NamedBand.values().length];
        float[] buffer = new float[SIZE];
        float[] power = new float[SIZE / 2 + 1];
        for (int t = 0; t < frames; t++) {
            stft.frame(x, t, buffer, power);
            double[] sum = grouping.sum(power);
            for (NamedBand n : NamedBand.values())
                for (int b = 0; b < hz.length; b++) if (n.holds(hz[b])) frame[t][n.ordinal()] += sum[b];
        }
        int moments = (int) Math.max(0, Math.floor((frames - perMoment) / hop) + 1);
        double[][] out = new double[moments][NamedBand.values().length];
        for (int m = 0; m < moments; m++) {
            int from = (int) (m * hop);
            int to = Math.min(frames, (int) (m * hop + perMoment));
            for (int t = from; t < to; t++)
                for (int k = 0; k < out[m].length; k++) out[m][k] += frame[t][k] / Math.max(1, to - from);
        }
        return out;
    }
}
