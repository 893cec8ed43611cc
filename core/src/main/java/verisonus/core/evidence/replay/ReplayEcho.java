package verisonus.core.evidence.replay;

import java.util.Arrays;
import java.util.LinkedHashSet;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.Set;
import verisonus.core.evidence.echo.EchoReading;
import verisonus.core.evidence.signs.Finding;
import verisonus.core.evidence.signs.Plot;
import verisonus.core.work.Figures;

/**
 * Is there an echo, by two witnesses that fail in different ways: energy that comes later than the replay explains ({@link RepeatEnergy}),
 * and the very wave coming back ({@link RepeatCoherence}). Input: a fit of 4 s or more. Output: time in ms, first repeat against the
 * note in dB, feedback in percent; silence gives nothing. Known error on unseen made-up replays: see the replay report in {@code bench}.
 */
final class ReplayEcho {
    private static final int EARLIEST_MS = 55;
    private static final int LATEST_MS = 1210;
    private static final int SLAPBACK_MS = 110;
    private static final double SOFTEST_DB = -24;
    private static final double SHORT_S = 6;
    private static final double ENERGY_ALONE = 0.95;
    private static final double ENERGY_CLEAR = 25;

    private final DirectFit fit;
    private final RepeatEnergy energy;
    private final RepeatCoherence coherence;
    private final Optional<EchoOdds> others;

    /** @param others what tells a repeat from a band, where one plays */
    ReplayEcho(DirectFit fit, RepeatEnergy energy, RepeatCoherence coherence, Optional<EchoOdds> others) {
        this.fit = fit;
        this.energy = energy;
        this.coherence = coherence;
        this.others = others;
    }

    /** A time with what speaks for it. */
    private record Candidate(int ms, double z, double share, double ratio, double excess) {
        double score() {
            return 0.35 * Math.min(z, 12) + 4 * share + 1.5 * ratio;
        }
    }

    /** Leaves the fit with the repeats in it where there are some. */
    Finding<EchoReading> find() {
        if (others.isPresent()) {
            EchoOdds.Time best = others.get().best();
            if (best.isRuledOut())
                return Finding.absent(EchoOdds.NONE_CONFIDENCE,
                        "nothing of the guitar comes back at any time; soft repeats under the others would not show");
            return best.isBelieved() ? read(best.ms(), best.confidence()) : none();
        }
        return candidates().stream().map(this::candidate).filter(this::isAccepted)
                .max(java.util.Comparator.comparingDouble(Candidate::score))
                .map(c -> read(c.ms, confidence(c.score()))).orElseGet(this::none);
    }

    private Finding<EchoReading> read(int ms, double confidence) {
        int frames = Math.max(1, Math.round(ms * Channels.FRAMES_A_SECOND / 1000f));
        fit.fit(OptionalInt.of(frames));
        double level = medianLevel(DirectFit.FIRST_COPY, DirectFit.DIRECT);
        if (level < SOFTEST_DB) {
            fit.fit(OptionalInt.empty());
            return none();
        }
        double second = medianLevel(DirectFit.FIRST_COPY + 1, DirectFit.FIRST_COPY);
        double feedback = Math.clamp(100 * Math.pow(10, second / 20), 0, 90);
        double darker = level(1, DirectFit.FIRST_COPY, DirectFit.DIRECT)
                + level(2, DirectFit.FIRST_COPY, DirectFit.DIRECT)
                - level(3, DirectFit.FIRST_COPY, DirectFit.DIRECT) - level(4, DirectFit.FIRST_COPY, DirectFit.DIRECT);
        EchoReading reading = new EchoReading(ms, feedback, Math.min(0, level), false,
                new EchoReading.Character(Math.clamp(darker / 2, 0, 18), true), Optional.empty());
        return Finding.present(reading, confidence, Figures.of(
                "what was played comes back %d ms later, %.0f dB under the note, which the take does not explain", ms,
                -level)).shownBy(plot(ms));
    }

    private Finding<EchoReading> none() {
        return others.isPresent()
                ? Finding.unknown("with others playing, soft repeats would not show")
                : Finding.absent(0.75,
                        "nothing comes back that the take does not explain; repeats softer than -14 dB under"
                                + " ringing chords would not show");
    }

    private Plot plot(int ms) {
        double[] x = new double[LATEST_MS - EARLIEST_MS];
        for (int i = 0; i < x.length; i++) x[i] = EARLIEST_MS + i;
        return new Plot("how much of the sound comes back later", "ms", x,
                Arrays.copyOfRange(coherence.contrast(), EARLIEST_MS, LATEST_MS), new double[]{ms}).thinnedTo(300);
    }

    /** The four times at which the wave comes back most clearly, and the two at which most energy does. */
    private Set<Integer> candidates() {
        Set<Integer> out = new LinkedHashSet<>();
        peaks(coherence.contrast(), EARLIEST_MS, LATEST_MS, 4, 12, out);
        Set<Integer> frames = new LinkedHashSet<>();
        int last = Math.min(LATEST_MS / 10, energy.excess().length - 2);
        peaks(energy.excess(), EARLIEST_MS / 10 + 1, last, 2, 2, frames);
        for (int f : frames) out.add(clearest(10 * f));
        return out;
    }

    /** Where within a frame to either side the wave comes back most clearly. */
    private int clearest(int ms) {
        int best = ms;
        for (int l = Math.max(EARLIEST_MS, ms - 12); l <= Math.min(LATEST_MS, ms + 12); l++)
            if (coherence.contrast()[l] > coherence.contrast()[best]) best = l;
        return coherence.contrast()[best] > 1 ? best : ms;
    }

    private static void peaks(double[] v, int from, int to, int most, int apart, Set<Integer> into) {
        boolean[] taken = new boolean[v.length];
        for (int n = 0; n < most; n++) {
            int best = -1;
            for (int i = from; i <= to; i++) if (!taken[i] && (best < 0 || v[i] > v[best])) best = i;
            if (best < 0) return;
            into.add(best);
            for (int i = Math.max(0, best - apart); i <= Math.min(v.length - 1, best + apart); i++) taken[i] = true;
        }
    }

    private Candidate candidate(int ms) {
        double z = 0;
        double share = 0;
        for (int l = Math.max(0, ms - 3); l <= Math.min(coherence.contrast().length - 1, ms + 3); l++) {
            z = Math.max(z, coherence.contrast()[l]);
            share = Math.max(share, coherence.share()[l]);
        }
        double ratio = -1;
        double excess = 0;
        int f = Math.round(ms / 10f);
        for (int d = -1; d <= 1; d++)
            if (f + d >= 0 && f + d < energy.ratio().length) {
                ratio = Math.max(ratio, energy.ratio()[f + d]);
                excess = Math.max(excess, energy.excess()[f + d]);
            }
        return new Candidate(ms, z, share, ratio, excess);
    }

    private boolean isAccepted(Candidate c) {
        double lengthS = (double) fit.frames / Channels.FRAMES_A_SECOND;
        // A late hall answers at short times.
        if (c.ms < SLAPBACK_MS && c.z < 4) return false;
        if (lengthS < SHORT_S && c.z < 3) return false;
        boolean both = c.ratio >= 0.3 && (c.z >= 4 || (c.z >= 1 && c.share >= 0.2));
        if (both) return true;
        boolean wave = c.ratio > -0.2 && (c.z >= 6 && c.share >= 0.3 || c.z >= 5 && c.share >= 0.5);
        // A hall smears the energy of repeats, a sway their wave: either alone must then be beyond doubt.
        boolean waveAlone = c.z >= 10 && c.share >= 0.6;
        boolean energyAlone = c.ms >= SLAPBACK_MS && c.ratio >= ENERGY_ALONE && c.excess >= ENERGY_CLEAR;
        return wave || waveAlone || energyAlone;
    }

    /** Shares right among accepted echoes of made-up replays, by score. */
    private double confidence(double score) {
        return score > 6 ? 0.97 : score > 4.5 ? 0.9 : score > 3 ? 0.8 : 0.6;
    }

    private double level(int band, int part, int against) {
        return 10 * Math.log10((fit.share[band][part] + 1e-9) / (fit.share[band][against] + 1e-9));
    }

    private double medianLevel(int part, int against) {
        double[] v = new double[4];
        for (int b = 0; b < 4; b++) v[b] = level(b + 1, part, against);
        Arrays.sort(v);
        return 0.5 * (v[1] + v[2]);
    }
}
