package verisonus.core.evidence.study;

import java.util.Arrays;
import java.util.List;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import verisonus.core.evidence.signs.Signs;
import verisonus.core.sound.Sound;
import verisonus.core.sound.Stft;

/**
 * What speaks for or against a guitar that plays alone, every {@value #STEP_S} s: levels of bands against the guitar's middle, lines
 * under its lowest string, rises of the highs and lows in which the middle has no part, whether bands move together, how wide they
 * stand, and the same against what is usual in the recording. Any length and rate; a band that the rate cannot hold reads as empty.
 *
 * @param now what each quarter second says by itself; of one channel the sides are not a number
 * @param rows the same with what is usual in the recording taken off, for a {@link verisonus.core.evidence.signs.Network}
 * @param levelDb level by frame, dB, of a recording brought to a usual level
 */
public record AloneFeatures(List<Signs<AloneSign>> now, double[][] rows, double[] levelDb) {
    public static final double STEP_S = 0.25;
    private static final double FLOOR = 1e-13;
    /** Every recording is read as if its mean power were this. */
    private static final double USUAL_POWER = 0.01;
    /** Bands, Hz: sub, kick, low mids, two middles, high mids, three of highs. */
    private static final double[][] BANDS = {{28, 66}, {43, 110}, {110, 300}, {300, 1000}, {1000, 2500}, {2500, 5000},
            {5000, 8000}, {8000, 12000}, {12000, 16500}};
    private static final int KICK = 1;
    private static final int LOW_MIDS = 2;
    private static final int FIRST_MIDDLE = 3;
    private static final int SECOND_MIDDLE = 4;
    private static final int HIGH_MIDS = 5;
    private static final int FIRST_HIGHS = 6;
    private static final int AIR = 7;
    private static final int TOP = 8;
    private static final int MIDDLE = 9;
    private static final int HIGHS = 10;
    private static final int CURVES = 11;
    /** To either side of a quarter second's middle. */
    private static final double NOW_S = 0.125;
    private static final double ABOUT_S = 0.75;
    /** Of a row: the signs, then those against the recording's tenth and ninetieth part, each pair together. */
    public static final List<String> SIGN_NAMES = Stream.concat(Signs.names(AloneSign.class).stream(),
            AloneSign.AGAINST_USUAL.stream().flatMap(s -> Stream.of(s + " OVER_LOW", s + " OVER_HIGH"))).toList();
    private static final double REST_DB = 35;
    private static final double NO_BASS_DB = -26;
    private static final double NO_CYMBALS_DB = -34;

    /** Whether there is next to nothing under a guitar's lowest string nor over its highs, now and about now. */
    boolean isBare(int i) {
        Signs<AloneSign> s = now.get(i);
        return s.get(AloneSign.SUB_ABOUT) < NO_BASS_DB && s.get(AloneSign.SUB_IN_FILE) < NO_BASS_DB
                && Math.max(s.get(AloneSign.AIR_ABOUT), s.get(AloneSign.TOP_ABOUT)) < NO_CYMBALS_DB
                && s.get(AloneSign.STRIKE_IN_FILE) < NO_BASS_DB;
    }

    /** Features of every quarter second; none where the sound is shorter than one. */
    public static AloneFeatures of(Sound sound) {
        int frames = (int) (sound.durationS() / STEP_S);
        int size = sound.rateHz() > 60000 ? 4096 : 2048;
        if (sound.frames() < 4 * size || frames < 1)
            return new AloneFeatures(List.of(), new double[0][], new double[0]);
        return new Reader(sound, size, frames).read();
    }

    /** Curves of bands over time, and what is asked of them. */
    private static final class Reader {
        private final int frames;
        private final double fine;
        private final float[][] mid;
        private final double[] fileDb = new double[CURVES];
        private final float[][] sides;
        private final boolean stereo;
        private final LowLines lines;
        private final double[] highAlone;
        private final double[] kickAlone;
        private final double[] middleRises;
        private final double[] floorDb = new double[3];

        Reader(Sound sound, int size, int frames) {
            this.frames = frames;
            stereo = sound.isStereo();
            float[] m = sound.mid();
            float[] s = sound.side();
            int hop = size / 2;
            double rms = sound.rms() + 1e-9;
            double scale = USUAL_POWER / (rms * rms);
            fine = (double) hop / sound.rateHz();
            mid = curves(m, sound.rateHz(), size, scale);
            sides = stereo ? curves(s, sound.rateHz(), size, scale) : new float[0][];
            for (int c = 0; c < CURVES; c++) fileDb[c] = db(mean(mid[c], 0, mid[c].length));
            lines = LowLines.of(m, sound.rateHz(), 4 * size, scale);
            highAlone = loneRises(HIGHS, 25);
            kickAlone = loneRises(KICK, 20);
            middleRises = rises(MIDDLE);
        }

        private static float[][] curves(float[] x, int rateHz, int size, double scale) {
            Stft stft = new Stft(size, size / 2);
            int n = stft.frames(x.length);
            float[][] out = new float[CURVES][n];
            float[] buffer = new float[size];
            float[] power = new float[size / 2 + 1];
            double width = (double) rateHz / size;
            int[][] bins = new int[BANDS.length][];
            for (int b = 0; b < bins.length; b++)
                bins[b] = new int[]{(int) Math.ceil(BANDS[b][0] / width),
                        Math.min(power.length, (int) Math.ceil(BANDS[b][1] / width))};
            for (int t = 0; t < n; t++) {
                stft.frame(x, t, buffer, power);
                for (int b = 0; b < bins.length; b++) {
                    double sum = 0;
                    for (int k = bins[b][0]; k < bins[b][1]; k++) sum += power[k];
                    out[b][t] = (float) (FLOOR + scale * sum);
                }
                out[MIDDLE][t] = out[FIRST_MIDDLE][t] + out[SECOND_MIDDLE][t];
                out[HIGHS][t] = out[AIR][t] + out[TOP][t];
            }
            return out;
        }

        AloneFeatures read() {
            double[] level = new double[frames];
            for (int i = 0; i < frames; i++) {
                double all = 0;
                for (int b = LOW_MIDS; b < BANDS.length; b++) all += mean(mid[b], from(i, 0.125), to(i, 0.125));
                level[i] = db(all);
            }
            double loudest = Arrays.stream(level).max().orElse(0);
            int[] of = {KICK, MIDDLE, HIGHS};
            for (int k = 0; k < 3; k++) floorDb[k] = quietTenthDb(mid[of[k]], level, loudest - REST_DB);
            List<Signs<AloneSign>> now = IntStream.range(0, frames).mapToObj(this::frame).toList();
            double[][] out = new double[frames][];
            for (int i = 0; i < frames; i++) out[i] = Arrays.copyOf(now.get(i).values(), SIGN_NAMES.size());
            int column = AloneSign.values().length;
            for (AloneSign sign : AloneSign.AGAINST_USUAL) {
                // Rests say nothing of who plays.
                double[] v = IntStream.range(0, frames).filter(i -> level[i] > loudest - REST_DB)
                        .mapToDouble(i -> now.get(i).get(sign)).filter(Double::isFinite).sorted().toArray();
                for (int i = 0; i < frames; i++) {
                    double own = now.get(i).get(sign);
                    out[i][column] = v.length == 0 ? Double.NaN : own - at(v, 0.1);
                    out[i][column + 1] = v.length == 0 ? Double.NaN : own - at(v, 0.9);
                }
                column += 2;
            }
            return new AloneFeatures(now, out, level);
        }

        /** Level that a band falls under a tenth of the time, rests left out. */
        private double quietTenthDb(float[] band, double[] level, double restDb) {
            float[] v = new float[band.length];
            int n = 0;
            for (int t = 0; t < band.length; t++)
                if (level[Math.min(frames - 1, (int) (t * fine / STEP_S))] > restDb) v[n++] = band[t];
            return n == 0 ? -130 : quantileDb(Arrays.copyOf(v, n), 0.1);
        }

        private static double at(double[] sorted, double share) {
            return sorted[(int) (share * (sorted.length - 1))];
        }

        private Signs<AloneSign> frame(int i) {
            double middleNow = middleDb(i, NOW_S);
            double middleAbout = middleDb(i, ABOUT_S);
            return Signs.of(AloneSign.class, sign -> switch (sign) {
                case SUB_NOW -> lines.subDb(i, NOW_S) - middleNow;
                case KICK_NOW -> bandDb(KICK, i, NOW_S) - middleNow;
                case LOW_MIDS_NOW -> bandDb(LOW_MIDS, i, NOW_S) - middleNow;
                case HIGH_MIDS_NOW -> bandDb(HIGH_MIDS, i, NOW_S) - middleNow;
                case HIGHS_NOW -> bandDb(FIRST_HIGHS, i, NOW_S) - middleNow;
                case AIR_NOW -> bandDb(AIR, i, NOW_S) - middleNow;
                case TOP_NOW -> bandDb(TOP, i, NOW_S) - middleNow;
                case SUB_ABOUT -> lines.subDb(i, ABOUT_S) - middleAbout;
                case KICK_ABOUT -> bandDb(KICK, i, ABOUT_S) - middleAbout;
                case LOW_MIDS_ABOUT -> bandDb(LOW_MIDS, i, ABOUT_S) - middleAbout;
                case HIGH_MIDS_ABOUT -> bandDb(HIGH_MIDS, i, ABOUT_S) - middleAbout;
                case HIGHS_ABOUT -> bandDb(FIRST_HIGHS, i, ABOUT_S) - middleAbout;
                case AIR_ABOUT -> bandDb(AIR, i, ABOUT_S) - middleAbout;
                case TOP_ABOUT -> bandDb(TOP, i, ABOUT_S) - middleAbout;
                case SUB_IN_FILE -> lines.subDb(i, 0.5) - fileDb[MIDDLE];
                case KICK_IN_FILE -> bandDb(KICK, i, 0.5) - fileDb[MIDDLE];
                case STRIKE_IN_FILE -> db(most(mid[HIGHS], from(i, 0.25), to(i, 0.25))) - fileDb[MIDDLE];
                case LINE_NOW -> lines.strongestDb(i, 0.25) - middleAbout;
                case LINE_ABOUT -> lines.strongestDb(i, 1) - middleAbout;
                case LINE_STANDS_OUT -> lines.standsOutDb(i);
                case LOWEST_PARTIAL -> lines.lowest(i);
                case LONE_HIGHS_NOW -> most(highAlone, i, 0.25);
                case LONE_HIGHS_ABOUT -> average(highAlone, i, 1);
                case LONE_KICK_NOW -> most(kickAlone, i, 0.25);
                case LONE_KICK_ABOUT -> average(kickAlone, i, 1);
                case MIDDLE_WITH_HIGHS -> together(i, MIDDLE, HIGHS);
                case KICK_WITH_MIDDLE -> together(i, KICK, MIDDLE);
                case MIDDLE_WITH_HIGH_MIDS -> together(i, FIRST_MIDDLE, HIGH_MIDS);
                case LOW_MIDS_WITH_MIDDLE -> together(i, LOW_MIDS, SECOND_MIDDLE);
                case HIGHS_SWING -> range(i, HIGHS);
                case KICK_SWING -> range(i, KICK);
                case KICK_FLOOR -> floorDb[0] - mostDb(KICK, i);
                case MIDDLE_FLOOR -> floorDb[1] - mostDb(MIDDLE, i);
                case HIGHS_FLOOR -> floorDb[2] - mostDb(HIGHS, i);
                case MIDDLE_UNREST -> average(middleRises, i, 1);
                case KICK_WIDTH -> widthDb(KICK, i);
                case MIDDLE_WIDTH -> widthDb(MIDDLE, i);
                case HIGHS_WIDTH -> widthDb(HIGHS, i);
                case HIGH_MIDS_WIDTH -> widthDb(HIGH_MIDS, i);
            });
        }

        private double bandDb(int band, int i, double halfS) {
            return db(mean(mid[band], from(i, halfS), to(i, halfS)));
        }

        private double middleDb(int i, double halfS) {
            return bandDb(MIDDLE, i, halfS);
        }

        private double mostDb(int band, int i) {
            return db(most(mid[band], from(i, 1), to(i, 1)));
        }

        private double widthDb(int band, int i) {
            if (!stereo) return Double.NaN;
            return db(mean(sides[band], from(i, ABOUT_S), to(i, ABOUT_S))) - bandDb(band, i, ABOUT_S);
        }

        private int from(int i, double halfS) {
            return Math.clamp(Math.round(((i + 0.5) * STEP_S - halfS) / fine), 0, mid[0].length - 1);
        }

        private int to(int i, double halfS) {
            return Math.clamp(Math.round(((i + 0.5) * STEP_S + halfS) / fine) + 1, 1, mid[0].length);
        }

        /**
         * Rises of a band beyond those of the middle about the same moment, dB, where the band is near its loudest.
         *
         * @param withinDb of the band's 95 % level
         */
        private double[] loneRises(int band, double withinDb) {
            double[] own = rises(band);
            double[] middle = rises(MIDDLE);
            double loud = quantileDb(mid[band], 0.95) - withinDb;
            double[] out = new double[own.length];
            for (int t = 0; t < own.length; t++) {
                if (db(mid[band][t]) < loud) continue;
                double other = 0;
                for (int s = Math.max(0, t - 2); s <= Math.min(own.length - 1, t + 2); s++)
                    other = Math.max(other, middle[s]);
                out[t] = Math.max(0, own[t] - other - 3);
            }
            return out;
        }

        private double[] rises(int band) {
            double[] out = new double[mid[band].length];
            for (int t = 2; t < out.length; t++)
                out[t] = Math.max(0, Math.min(40, db(mid[band][t]) - db(mid[band][t - 2])));
            return out;
        }

        private double most(double[] v, int i, double halfS) {
            double out = 0;
            for (int t = from(i, halfS); t < to(i, halfS); t++) out = Math.max(out, v[t]);
            return out;
        }

        private double average(double[] v, int i, double halfS) {
            double out = 0;
            for (int t = from(i, halfS); t < to(i, halfS); t++) out += v[t];
            return out / Math.max(1, to(i, halfS) - from(i, halfS));
        }

        /** Correlation of two bands' levels in dB over 0.9 s to either side. */
        private double together(int i, int one, int other) {
            int from = from(i, 0.9);
            int to = to(i, 0.9);
            double a = 0;
            double b = 0;
            for (int t = from; t < to; t++) {
                a += db(mid[one][t]) / (to - from);
                b += db(mid[other][t]) / (to - from);
            }
            double ab = 0;
            double aa = 1e-6;
            double bb = 1e-6;
            for (int t = from; t < to; t++) {
                double x = db(mid[one][t]) - a;
                double y = db(mid[other][t]) - b;
                ab += x * y;
                aa += x * x;
                bb += y * y;
            }
            return ab / Math.sqrt(aa * bb);
        }

        /** From the 5 % to the 95 % point of a band's level against the middle. */
        private double range(int i, int band) {
            int from = from(i, 0.9);
            int to = to(i, 0.9);
            double[] v = new double[to - from];
            for (int t = from; t < to; t++) v[t - from] = db(mid[band][t]) - db(mid[MIDDLE][t]);
            Arrays.sort(v);
            return at(v, 0.95) - at(v, 0.05);
        }

        private static double mean(float[] v, int from, int to) {
            double sum = 0;
            for (int t = from; t < to; t++) sum += v[t];
            return sum / Math.max(1, to - from);
        }

        private static double most(float[] v, int from, int to) {
            double out = 0;
            for (int t = from; t < to; t++) out = Math.max(out, v[t]);
            return out;
        }

        private static double quantileDb(float[] v, double share) {
            float[] s = v.clone();
            Arrays.sort(s);
            return db(s[(int) (share * (s.length - 1))]);
        }
    }

    private static double db(double power) {
        return 10 * Math.log10(power + FLOOR);
    }
}
