package verisonus.core.evidence.replay;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Set;
import java.util.function.DoublePredicate;
import verisonus.core.evidence.guided.GuidedIsolation;
import verisonus.core.sound.Sound;

/**
 * Does the guitar come back, where a band plays with it? A band repeats itself with the bar, and its held chords with their own period: both
 * bring waves and energy back as an echo does. What tells them apart is that an echo also stands in what the replay isolates of the guitar,
 * at one time and its multiples alone. The signs of each time are weighed to log-odds; the weights were fitted in {@code bench} on made songs.
 */
public final class EchoOdds {
    private static final int EARLIEST_MS = 60;
    private static final int LATEST_MS = 1210;
    private static final int SLAPBACK_MS = 110;
    /** Fewer made songs without an echo than one in twenty lie over this. */
    private static final double LEAST = 0.7;
    /** Of made songs that lie under this, six in 55 had an echo. */
    private static final double NONE = -2.5;
    static final double NONE_CONFIDENCE = 0.88;
    /** Peaks of the guitar's wave, of all waves and of energy that are looked at. */
    private static final int WAVES = 4;
    private static final int OTHERS = 3;
    /** What lies so near to a peak is part of it, ms. */
    private static final int APART_MS = 12;
    private static final int FRAMES_APART = 2;
    private static final int MULTIPLES = 4;
    private static final int NEAR_MS = 15;
    /** Beyond this a contrast says no more. */
    private static final double CLEAR = 12;
    private static final double MOST_OTHER = 8;
    private static final double MOST_EXCESS = 4;
    /** Of the signs, in their order. */
    private static final double[] WEIGHTS = {0.120, 0.167, -0.175, 6.922, 0.701, 0.853, -3.645, 0.641};
    private static final double BIAS = -6.524;

    private final RepeatCoherence all;
    private final RepeatCoherence guitar;
    private final RepeatEnergy energy;

    private EchoOdds(RepeatCoherence all, RepeatCoherence guitar, RepeatEnergy energy) {
        this.all = all;
        this.guitar = guitar;
        this.energy = energy;
    }

    /** @param all of the whole recording */
    static EchoOdds of(Sound recording, Sound replay, RepeatCoherence all, RepeatEnergy energy, DoublePredicate asked) {
        return new EchoOdds(all, RepeatCoherence.of(GuidedIsolation.of(recording, replay), replay, asked), energy);
    }

    /**
     * A time at which the guitar may come back.
     *
     * @param logOdds that it does, natural logarithm
     */
    record Time(int ms, double logOdds) {
        boolean isBelieved() { return logOdds >= LEAST; }

        /** Whether even the likeliest time speaks against an echo. */
        boolean isRuledOut() { return logOdds < NONE; }

        double confidence() {
            return 1 / (1 + Math.exp(-logOdds));
        }
    }

    /** The likeliest time. */
    Time best() {
        return times().stream().map(ms -> new Time(ms, logOdds(ms)))
                .max(Comparator.comparingDouble(Time::logOdds)).orElseThrow();
    }

    /** What is weighed at each time that stands out of a recording of a guitar among others, for those who fit the weights. */
    public static List<Sign> signs(Sound recording, Sound replay) {
        DirectFit fit = new DirectFit(recording, replay, DirectFit.Tails.FITTED, _ -> true);
        EchoOdds odds = of(recording, replay, RepeatCoherence.of(recording, replay, _ -> true), RepeatEnergy.of(fit),
                _ -> true);
        return odds.times().stream().map(ms -> new Sign(ms, odds.signs(ms))).toList();
    }

    /** What speaks for a time, in milliseconds. */
    public record Sign(int ms, double[] values) {}

    private double logOdds(int ms) {
        double[] signs = signs(ms);
        double sum = BIAS;
        for (int i = 0; i < signs.length; i++) sum += WEIGHTS[i] * signs[i];
        return sum;
    }

    private double[] signs(int ms) {
        double own = most(guitar.contrast(), ms, 5);
        double elsewhere = elsewhere(ms);
        int frame = Math.round(ms / 10f);
        return new double[]{Math.clamp(own, -1, CLEAR), Math.clamp(most(all.contrast(), ms, 5), -1, CLEAR),
                Math.clamp(elsewhere, 0, MOST_OTHER), most(guitar.share(), ms, 3), most(energy.ratio(), frame, 1),
                Math.min(MOST_EXCESS, Math.log10(1 + Math.max(0, most(energy.excess(), frame, 1)))),
                ms < SLAPBACK_MS ? 1 : 0,
                Math.log(Math.max(0.3, Math.min(own, CLEAR) + 0.5) / (Math.max(0, elsewhere) + 0.5))};
    }

    /** How clearly the guitar's wave comes back at any time that is no multiple of this one. */
    private double elsewhere(int ms) {
        double out = -1;
        for (int l = EARLIEST_MS; l < LATEST_MS; l++) {
            boolean itsOwn = false;
            for (int n = 1; n <= MULTIPLES; n++) itsOwn |= Math.abs(l - n * ms) <= NEAR_MS;
            if (!itsOwn) out = Math.max(out, guitar.contrast()[l]);
        }
        return out;
    }

    private Set<Integer> times() {
        Set<Integer> out = new LinkedHashSet<>();
        out.addAll(peaks(guitar.contrast(), EARLIEST_MS, LATEST_MS, WAVES, APART_MS));
        out.addAll(peaks(all.contrast(), EARLIEST_MS, LATEST_MS, OTHERS, APART_MS));
        int last = Math.min(LATEST_MS / 10, energy.excess().length - 2);
        for (int f : peaks(energy.excess(), EARLIEST_MS / 10, last, OTHERS, FRAMES_APART)) out.add(10 * f);
        return out;
    }

    private static List<Integer> peaks(double[] v, int from, int to, int most, int apart) {
        boolean[] taken = new boolean[v.length];
        List<Integer> out = new ArrayList<>();
        for (int n = 0; n < most; n++) {
            int best = -1;
            for (int i = from; i <= to; i++) if (!taken[i] && (best < 0 || v[i] > v[best])) best = i;
            if (best < 0) return out;
            out.add(best);
            for (int i = Math.max(0, best - apart); i <= Math.min(v.length - 1, best + apart); i++) taken[i] = true;
        }
        return out;
    }

    private static double most(double[] v, int at, int around) {
        double out = -1;
        for (int i = Math.max(0, at - around); i <= Math.min(v.length - 1, at + around); i++)
            out = Math.max(out, v[i]);
        return out;
    }
}
