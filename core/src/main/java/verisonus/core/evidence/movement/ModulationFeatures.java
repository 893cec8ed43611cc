package verisonus.core.evidence.movement;

import java.util.Arrays;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.function.Supplier;
import verisonus.core.evidence.signs.BandLevels;
import verisonus.core.evidence.signs.Cepstrum;
import verisonus.core.evidence.signs.Signs;
import verisonus.core.sound.Sound;
import verisonus.core.take.TakeAlignment;

/**
 * What speaks for or against each kind of movement: how strongly and how steadily level, balance of lows and highs, pitch,
 * sides and single bands sway. Read from a recording, or from the way from its dry take to the recording, where the playing
 * drops out.
 *
 * @param signs for {@link verisonus.core.evidence.signs.Network}
 * @param common sway of the level of all bands
 * @param opposed sway of the lows against the highs
 * @param pitch sway of the pitch, cents a hop
 * @param sweep tells how often a comb would sweep; takes its time, so it is asked only where there is a comb
 * @param rise slope that the level exceeds a sixth of the time away from notes' beginnings, dB a second
 */
public record ModulationFeatures(Signs<ModulationSign> signs, Swing common, Swing opposed, Swing pitch,
        Supplier<OptionalDouble> sweep, double rise) {
    private static final double SLOWEST_HZ = 1.5;
    private static final double FASTEST_HZ = 10;
    private static final int SPLIT = 7;
    /** Of a longer recording the middle is read: rates to try grow with the length. */
    private static final double LONGEST_S = 24;

    /** From a recording of 3 s or more; of more than {@value #LONGEST_S} s from its middle. */
    public static ModulationFeatures of(Sound sound) {
        double over = Math.max(0, sound.durationS() - LONGEST_S) / 2;
        Sound s = sound.slice(over, sound.durationS() - over).atRate(BandLevels.RATE_HZ);
        float[] x = s.mid();
        BandLevels levels = BandLevels.of(x);
        PitchSway pitch = PitchSway.of(x);
        return of(levels.slopes(), levels.gaps(4), pitch.cents(), pitch.binSlope(), s, x);
    }

    /** From the way from a take to a recording; empty where they are of two performances. */
    public static Optional<ModulationFeatures> between(Sound recording, Sound take) {
        return TakeAlignment.of(recording, take).map(a -> between(recording, take, a.lagS()));
    }

    /**
     * From the way from a take to a recording of the same performance.
     *
     * @param lagS how much later the recording's sound comes than the take's
     */
    static ModulationFeatures between(Sound recording, Sound take, double lagS) {
        Sound s = recording.atRate(BandLevels.RATE_HZ);
        float[] x = s.mid();
        float[] d = shifted(take.atRate(BandLevels.RATE_HZ).mid(), (int) Math.round(lagS * BandLevels.RATE_HZ),
                x.length);
        BandLevels heard = BandLevels.of(x);
        BandLevels played = BandLevels.of(d);
        double[][] slopes = heard.slopes();
        double[][] before = played.slopes();
        boolean[] gap = played.gaps(2);
        boolean[] soft = heard.gaps(2);
        for (int t = 0; t < gap.length; t++) gap[t] |= soft[t];
        for (int b = 0; b < BandLevels.BANDS; b++) lessPlayed(slopes, before, gap, b);
        PitchSway moved = PitchSway.of(x);
        double[] cents = moved.cents();
        double[] played2 = PitchSway.of(d).cents();
        for (int t = 0; t < cents.length; t++) cents[t] -= played2[t];
        return of(slopes, gap, cents, moved.binSlope(), s, x);
    }

    private static float[] shifted(float[] d, int by, int length) {
        float[] out = new float[length];
        for (int i = 0; i < length; i++) {
            int from = i - by;
            if (from >= 0 && from < d.length) out[i] = d[from];
        }
        return out;
    }

    /** Takes off what the playing explains: a compressor or clipper passes on a part of each change. */
    private static void lessPlayed(double[][] slopes, double[][] before, boolean[] gap, int b) {
        double xy = 0;
        double xx = 1e-9;
        for (int t = 0; t < slopes.length; t++) {
            if (gap[t]) continue;
            xy += slopes[t][b] * before[t][b];
            xx += before[t][b] * before[t][b];
        }
        double share = Math.clamp(xy / xx, 0, 1.2);
        for (int t = 0; t < slopes.length; t++) slopes[t][b] -= share * before[t][b];
    }

    private static ModulationFeatures of(double[][] slopes, boolean[] gap, double[] cents, double binSlope, Sound s,
            float[] x) {
        int n = slopes.length;
        double[] common = new double[n];
        double[] opposed = new double[n];
        double[] inner = new double[n];
        double[][] single = new double[n][BandLevels.BANDS];
        for (int t = 0; t < n; t++) {
            double low = mean(slopes[t], 0, SPLIT);
            double high = mean(slopes[t], SPLIT, BandLevels.BANDS);
            common[t] = gap[t] ? Double.NaN : (low + high) / 2;
            opposed[t] = gap[t] ? Double.NaN : low - high;
            inner[t] = gap[t] ? Double.NaN : mean(slopes[t], 4, 10) - (low + high) / 2;
            for (int b = 0; b < BandLevels.BANDS; b++) single[t][b] = slopes[t][b] - (low + high) / 2;
        }
        double hop = BandLevels.HOP_S;
        Swing am = Swing.of(common, hop, SLOWEST_HZ, FASTEST_HZ);
        Swing op = Swing.of(opposed, hop, SLOWEST_HZ, FASTEST_HZ);
        Swing fm = Swing.of(cents, hop, 2, 9);
        Swing in = Swing.of(inner, hop, 0.2, 5);
        Swing sides = s.isStereo() ? sides(s, gap) : Swing.NONE;
        BandSway slow = BandSway.of(single, gap, 0.2, 4);
        double[] comb = combHeights(x);
        double kept = java.util.stream.IntStream.range(0, n).filter(t -> !gap[t]).count() / (double) Math.max(1, n);
        double rise = Swing.quantile(common, 5 / 6.0);
        Signs<ModulationSign> signs = Signs.of(ModulationSign.class, sign -> switch (sign) {
            case LEVEL_STANDS_OUT -> log(am.prominence());
            case LEVEL_SHARE -> am.share();
            case LEVEL_SIZE -> log(am.amplitude());
            case BALANCE_STANDS_OUT -> log(op.prominence());
            case BALANCE_SHARE -> op.share();
            case BALANCE_SIZE -> log(op.amplitude());
            case PITCH_STANDS_OUT -> log(fm.prominence());
            case PITCH_SHARE -> fm.share();
            case PITCH_SIZE -> log(cents(fm));
            case MIDDLE_STANDS_OUT -> log(in.prominence());
            case MIDDLE_SHARE -> in.share();
            case SIDES_STAND_OUT -> log(sides.prominence());
            case SIDES_SHARE -> sides.share();
            case BANDS_STAND_OUT -> log(slow.prominence());
            case BANDS_SHARE -> slow.share();
            case BANDS_RATE -> log(slow.rateHz());
            case LEVEL_WITH_BALANCE -> near(am, op);
            case LEVEL_WITH_PITCH -> near(am, fm);
            case BALANCE_WITH_PITCH -> near(op, fm);
            case LEVEL_IS_SLOW -> am.rateHz() < 2.2 ? 1 : 0;
            case PITCH_UNREST -> log(Swing.medianSize(cents));
            case LEVEL_UNREST -> log(Swing.medianSize(common));
            case BALANCE_UNREST -> log(Swing.medianSize(opposed));
            case BIN_SLOPE -> log(binSlope);
            case RISE -> log(1 + Math.max(0, rise));
            case KINSHIP_NEXT -> kinship(single, gap, 1);
            case KINSHIP_2 -> kinship(single, gap, 2);
            case KINSHIP_4 -> kinship(single, gap, 4);
            case KINSHIP_8 -> kinship(single, gap, 8);
            case COMB_SHORT -> comb[0];
            case COMB_MIDDLE -> comb[1];
            case COMB_LONG -> comb[2];
            case READABLE -> kept;
            case SKEW -> skew(common);
        });
        return new ModulationFeatures(signs, am, op, fm, () -> SweepRate.hz(single, gap), rise);
    }

    /** Swing of the pitch to either side, cents. */
    static double cents(Swing fm) {
        return fm.rateHz() <= 0 ? 0 : fm.amplitude() / BandLevels.HOP_S / (2 * Math.PI * fm.rateHz());
    }

    private static double log(double v) {
        return Math.log(Math.max(v, 1e-3));
    }

    private static double near(Swing a, Swing b) {
        return Math.exp(-Math.abs(a.rateHz() - b.rateHz()) / 0.1);
    }

    private static double mean(double[] v, int from, int to) {
        double sum = 0;
        for (int i = from; i < to; i++) sum += v[i];
        return sum / (to - from);
    }

    /** Whether the level rises and falls alike (0), or falls for long and jumps back. */
    private static double skew(double[] common) {
        double[] v = Arrays.stream(common).filter(a -> !Double.isNaN(a)).toArray();
        double mean = Arrays.stream(v).average().orElse(0);
        double square = Arrays.stream(v).map(a -> (a - mean) * (a - mean)).average().orElse(0) + 1e-9;
        double cube = Arrays.stream(v).map(a -> Math.pow(a - mean, 3)).average().orElse(0);
        return cube / Math.pow(square, 1.5);
    }

    /** Mean correlation of bands this far apart. */
    private static double kinship(double[][] single, boolean[] gap, int apart) {
        double sum = 0;
        int pairs = 0;
        for (int b = 0; b + apart < BandLevels.BANDS; b++, pairs++) {
            double xy = 0;
            double xx = 1e-9;
            double yy = 1e-9;
            for (int t = 0; t < single.length; t++) {
                if (gap[t]) continue;
                xy += single[t][b] * single[t][b + apart];
                xx += single[t][b] * single[t][b];
                yy += single[t][b + apart] * single[t][b + apart];
            }
            sum += xy / Math.sqrt(xx * yy);
        }
        return sum / pairs;
    }

    private static Swing sides(Sound s, boolean[] gap) {
        double[] l = BandLevels.of(s.channel(0)).whole();
        double[] r = BandLevels.of(s.channel(1)).whole();
        double[] curve = new double[l.length];
        for (int t = 1; t + 1 < l.length; t++) {
            double d = (l[t + 1] - r[t + 1] - l[t - 1] + r[t - 1]) / (2 * BandLevels.HOP_S);
            curve[t] = gap[t] ? Double.NaN : Math.clamp(d, -150, 150);
        }
        return Swing.of(curve, BandLevels.HOP_S, SLOWEST_HZ, FASTEST_HZ);
    }

    /** Height of the self-likeness over its surroundings at short lags: under 1.5 ms, to 6 ms, to 30 ms. */
    private static double[] combHeights(float[] x) {
        Optional<Cepstrum> c = x.length < 4096
                ? Optional.empty()
                : Optional.of(new Cepstrum.Source(x, BandLevels.RATE_HZ).band(400, 5000));
        double[] out = new double[3];
        if (c.isEmpty()) return out;
        double[] edgesMs = {0.4, 1.5, 6, 30};
        for (int i = 0; i < 3; i++) {
            for (int l = lag(edgesMs[i]); l < lag(edgesMs[i + 1]); l++) out[i] = Math.max(out[i], c.get().value()[l]);
        }
        return out;
    }

    private static int lag(double ms) {
        return (int) (ms * BandLevels.RATE_HZ / 1000);
    }
}
