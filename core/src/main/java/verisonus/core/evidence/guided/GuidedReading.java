package verisonus.core.evidence.guided;

import java.util.Optional;
import verisonus.core.sound.Sound;
import verisonus.core.work.Figures;

/**
 * The guitar's own third octaves inside a band: the two {@link GuidedParts} and the usual curve of a guitar, weighed by region, and how
 * far each band is expected to be off by how far others are over it, in which octave it lies and how unusual the reading is there. How far
 * the parts are apart tells no more than that.
 *
 * @param levelDb by band of {@link GuidedParts#centresHz()}, mean of 400 to 2500 Hz zero
 * @param offDb expected distance from the truth
 */
public record GuidedReading(double[] levelDb, double[] offDb) {
    /** A band expected to lie nearer is worth reading. */
    public static final double READABLE_DB = 1.4;
    /** How many stretches of pitch have weights of their own. */
    public static final int REGIONS = 10;
    /** Expected distances at which a band has all trust, and none. */
    private static final double FULL_DB = 0.8;
    private static final double NOTHING_DB = 3;
    /** What is the usual curve's is no reading: so far off it may be. */
    private static final double USUAL_OFF_DB = 5;
    /** Nine in ten readable bands lie nearer to the truth. */
    private static final double ABOUT_DB = 2;
    /** What of a guitar matters to its colour. */
    private static final double LOWEST_HZ = 85;
    private static final double HIGHEST_HZ = 6000;
    private static final double HIGH_HZ = 3000;
    private static final double LOW_HZ = 200;
    private static final double[] REGION_HZ = {75, 110, 140, 195, 390, 2550, 4500, 5700, 7100};
    private static final double[] USUAL_DB = {-35.9, -35.4, -22.4, -18.3, -16.5, -11.3, -7.6, -2.7, -1.5, 0.6, 1.3, 1.7,
            2.0, 1.7, 0.3, -1.6, -5.3, -7.4, -9.9, -16.4, -25.1, -35.3, -42.7, -45.0};
    private static final double[][] MIDDLE = {{0.05, 0, 0.95}, {0.4, 0.05, 0.55}, {0.5, 0.2, 0.3}, {0.75, 0, 0.25},
            {0.95, 0, 0.05}, {0.6, 0.4, 0}, {0.95, 0.05, 0}, {0.8, 0, 0.2}, {0.3, 0, 0.7}, {0, 0, 1}};
    private static final double[][] ASIDE = {{0.05, 0, 0.95}, {0.35, 0.6, 0.05}, {0.25, 0.75, 0}, {0.05, 0.95, 0},
            {0.05, 0.95, 0}, {0, 0.95, 0.05}, {0.1, 0.8, 0.1}, {0.5, 0.2, 0.3}, {0.35, 0.15, 0.5}, {0.05, 0, 0.95}};
    private static final double[] OFF = {0.11, 2.75, 0.26, 0.70, 1.82, 0.84};

    /** @param take in time with the recording */
    public static GuidedReading of(Sound recording, Sound take) {
        return of(GuidedParts.of(LaidSpectra.Part.of(recording, take).laid()));
    }

    public static GuidedReading of(GuidedParts parts) {
        double[] level = new double[ThirdBands.COUNT];
        double[] off = new double[ThirdBands.COUNT];
        for (int b = 0; b < level.length; b++) {
            level[b] = level(parts, b);
            double[] signs = signs(parts, b);
            for (int i = 0; i < signs.length; i++) off[b] += OFF[i] * signs[i];
            off[b] = Math.max(off[b], USUAL_OFF_DB * weights(parts, b)[2]);
        }
        return new GuidedReading(level, off);
    }

    private static double[] weights(GuidedParts parts, int b) {
        return (parts.aside() ? ASIDE : MIDDLE)[region(ThirdBands.centreHz(b))];
    }

    private static double level(GuidedParts parts, int b) {
        double[] w = weights(parts, b);
        return w[0] * parts.levelDb()[0][b] + w[1] * parts.levelDb()[1][b] + w[2] * USUAL_DB[b];
    }

    /**
     * What tells how far off a band may be: one, octaves under 200 Hz, how far the recording is over the reading, whether the guitar stands
     * in the middle, and how far the reading is from the usual curve over 3 kHz and under 200 Hz.
     */
    public static double[] signs(GuidedParts parts, int b) {
        double hz = ThirdBands.centreHz(b);
        double level = level(parts, b);
        double unusual = Math.abs(level - USUAL_DB[b]) / 5;
        return new double[]{1, Math.max(0, Math.log(LOW_HZ / hz) / Math.log(2)),
                Math.max(0, parts.recordingDb()[b] - level) / 5, parts.aside() ? 0 : 1, hz > HIGH_HZ ? unusual : 0,
                hz < LOW_HZ ? unusual : 0};
    }

    public boolean isReadable(int band) {
        return offDb[band] < READABLE_DB;
    }

    /** The bands that can be read, in words; empty where none can. */
    public Optional<String> read() {
        int[] ends = readable();
        return ends[0] > ends[1]
                ? Optional.empty()
                : Optional.of(Figures.of("%s to %s to about %.0f dB", hz(ThirdBands.lowHz(ends[0])),
                        hz(ThirdBands.lowHz(ends[1] + 1)), ABOUT_DB));
    }

    /** What of a guitar's range cannot be read, in words; empty where all can. */
    public Optional<String> unread() {
        int[] ends = readable();
        if (ends[0] > ends[1]) return Optional.of("anywhere");
        boolean low = ThirdBands.centreHz(ends[0]) > LOWEST_HZ;
        boolean high = ThirdBands.centreHz(ends[1]) < HIGHEST_HZ;
        String under = "under " + hz(ThirdBands.lowHz(ends[0]));
        String over = "over " + hz(ThirdBands.lowHz(ends[1] + 1));
        if (!low && !high) return Optional.empty();
        return Optional.of(low && high ? under + " and " + over : low ? under : over);
    }

    /** The first and the last band of the longest stretch of readable ones. */
    private int[] readable() {
        int[] best = {1, 0};
        int from = 0;
        for (int b = 0; b <= offDb.length; b++) {
            if (b < offDb.length && isReadable(b)) continue;
            if (b - 1 - from > best[1] - best[0]) best = new int[]{from, b - 1};
            from = b + 1;
        }
        return best;
    }

    private static String hz(double hz) {
        double step = hz < 1000 ? 10 : 100;
        double rounded = Math.rint(hz / step) * step;
        return rounded < 1000 ? Figures.of("%.0f Hz", rounded) : Figures.of("%.1f kHz", rounded / 1000);
    }

    /** How far a band can be believed, 0 to 1; nothing beyond the bands that were read. */
    double trust(double hz) {
        int b = (int) Math.round(10 * Math.log10(hz / ThirdBands.LOWEST_HZ));
        return b < 0 || b >= offDb.length ? 0 : Math.clamp((NOTHING_DB - offDb[b]) / (NOTHING_DB - FULL_DB), 0, 1);
    }

    /** Which of the {@value #REGIONS} stretches a pitch lies in. */
    public static int region(double hz) {
        int i = 0;
        while (i < REGION_HZ.length && hz >= REGION_HZ[i]) i++;
        return i;
    }
}
