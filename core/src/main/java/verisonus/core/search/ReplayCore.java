package verisonus.core.search;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.Callable;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.atomic.AtomicInteger;
import verisonus.core.rig.Block;
import verisonus.core.rig.GearKind;
import verisonus.core.rig.Model;
import verisonus.core.rig.Tone;
import verisonus.core.rig.Voice;
import verisonus.core.search.aligned.AlignedSpectra;
import verisonus.core.search.colour.Features;
import verisonus.core.search.colour.FineColour;
import verisonus.core.search.colour.Valleys;
import verisonus.core.simulate.Renderer;
import verisonus.core.simulate.stages.Quality;
import verisonus.core.sound.Sound;
import verisonus.core.work.Parallel;
import verisonus.core.work.Progress;

/**
 * Amp, drive and gain from a phrase played again on another guitar: about sixty settings with everything else in the middle, ranked by
 * spectra that are aligned in time ({@link AlignedSpectra}). No descent follows, for the evidence cannot bear it. A space is
 * judged by the same spectra; the place of an effect, and a space under others, by three findings of equal weight that survive other hands
 * and strings: fine colour, envelope and the dirt between partials; roots, not squares, so that the one finding that another guitar spoils does not rule.
 */
final class ReplayCore {
    private static final double[] GAINS = {2, 3.3, 4.6, 5.9, 7.2, 8.5};
    private static final double[] GAINS_BEHIND_A_DRIVE = {2, 4.6, 7.2};
    private static final double MASTER = 4.5;
    private static final List<Voice.Drive> DRIVES = List.of(Voice.Drive.MID_HUMP, Voice.Drive.HARD_CLIP);
    /** A drive must bring the spectra nearer by this much: what does with less is easier to set up. */
    private static final double DRIVE_EARNS = 1.02;
    /** Spread of each finding over candidates: what makes them count alike. */
    private static final double COLOUR_UNIT_DB = 0.26;
    private static final double ENVELOPE_UNIT_DB = 0.17;
    private static final double VALLEYS_UNIT_DB = 3;
    private static final double ENVELOPE_STEP_DB = 1.5;
    private static final double MOST_STEPS = 4;

    private final Features wanted;
    private final Valleys wantedValleys;
    private final List<float[]> takes;
    private final List<AlignedSpectra> aligned;
    private final int warmUp;
    private final SearchOptions options;
    private final ExecutorService workers;
    private final AtomicInteger renders;
    private final FineColour fine = new FineColour();

    /**
     * @param wanted the part of the reference in which the guitar stands alone
     * @param takes in time with it, beginning {@code warmUp} samples earlier; of several the mean score counts
     */
    ReplayCore(float[] wanted, List<float[]> takes, int warmUp, SearchOptions options, ExecutorService workers,
            AtomicInteger renders) {
        this.wanted = Features.of(wanted, 0, Sound.WORKING_RATE_HZ);
        wantedValleys = Valleys.of(wanted, Sound.WORKING_RATE_HZ);
        this.takes = List.copyOf(takes);
        aligned = takes.stream()
                .map(t -> AlignedSpectra.of(wanted, Arrays.copyOfRange(t, warmUp, Math.max(warmUp, t.length))))
                .toList();
        this.warmUp = warmUp;
        this.options = options;
        this.workers = workers;
        this.renders = renders;
    }

    /**
     * One setting.
     *
     * @param spectraDb how far the aligned spectra of take and reference are apart, with what speaks against a setting
     */
    record Ranked(Knobs knobs, double spectraDb) {}

    /**
     * All settings, nearest first.
     *
     * @param behind what stands behind every candidate
     */
    List<Ranked> ranked(List<Block> behind, Progress progress) {
        List<Callable<Ranked>> work = new ArrayList<>();
        for (Knobs k : candidates()) work.add(() -> ranked(k, behind));
        progress.step(0.12, "trying " + work.size() + " starting points");
        return Parallel.all(work, workers).stream().sorted(Comparator.comparingDouble(Ranked::spectraDb)).toList();
    }

    /** How far one setting is from the reference with these blocks behind it. */
    double score(Knobs k, List<Block> behind) {
        return scored(toned(k, behind)).score() * handicap(k);
    }

    /** How far the aligned spectra are apart with these blocks behind a setting, dB. */
    double spectraDb(Knobs k, List<Block> behind) {
        return ranked(k, behind).spectraDb();
    }

    /** How far the envelopes of the first take and the reference are apart, dB, which tells the same performance from another. */
    double envelopeDb(Knobs k) {
        return scored(toned(k, List.of())).envelopeDb();
    }

    /** How far a whole tone is from the reference. */
    double score(Tone tone) {
        return scored(tone).score();
    }

    private List<Knobs> candidates() {
        Optional<Knobs> before = options.earlier().flatMap(Knobs::of);
        boolean ampLocked = before.isPresent() && options.locked().touches("amp");
        boolean driveLocked = before.isPresent() && options.locked().touches("drive");
        List<Knobs> out = new ArrayList<>();
        for (Knobs k : grid()) {
            if (ampLocked && !k.ampName().equals(before.get().ampName())) continue;
            if (driveLocked && !k.driveName().equals(before.get().driveName())) continue;
            out.add(before.isPresent() ? k.taking(before.get(), options.locked()) : k);
        }
        if (out.isEmpty()) before.ifPresent(out::add);
        return out;
    }

    private List<Knobs> grid() {
        List<Optional<Model>> drives = new ArrayList<>(List.of(Optional.empty()));
        if (options.rig().mostBlocks() > 3) {
            List<Model> owned = options.allowed(GearKind.DRIVE);
            List<Model> usual = owned.stream().filter(m -> DRIVES.contains(m.voice())).toList();
            for (Model m : usual.isEmpty() ? owned.stream().limit(2).toList() : usual)
                drives.add(Optional.of(m));
        }
        List<Knobs> out = new ArrayList<>();
        for (Model amp : options.allowed(GearKind.AMP)) {
            for (Optional<Model> drive : drives) {
                for (double gain : drive.isPresent() ? GAINS_BEHIND_A_DRIVE : GAINS)
                    out.add(Knobs.start(amp, drive, gain, MASTER));
            }
        }
        return out;
    }

    private Ranked ranked(Knobs k, List<Block> behind) {
        Tone candidate = toned(k, behind);
        List<float[]> played = takes.stream().map(t -> played(candidate, t)).toList();
        double apart = 0;
        for (int n = 0; n < played.size(); n++) apart += aligned.get(n).distanceDb(played.get(n)) / played.size();
        return new Ranked(k, apart * handicap(k));
    }

    private static Tone toned(Knobs k, List<Block> behind) {
        List<Block> blocks = new ArrayList<>(k.blocks());
        blocks.addAll(behind);
        return new Tone("candidate", blocks);
    }

    private double handicap(Knobs k) {
        double out = 1;
        if (k.drive().isPresent()) out *= DRIVE_EARNS * options.wishes().handicap(k.drive().get().model());
        if (k.amp().isPresent()) out *= options.wishes().handicap(k.amp().get().model());
        return out;
    }

    private float[] played(Tone candidate, float[] take) {
        renders.incrementAndGet();
        float[] x = Renderer.renderMono(candidate, take, Quality.DRAFT);
        return Arrays.copyOfRange(x, warmUp, x.length);
    }

    /** @param envelopeDb of the first take */
    private record Scored(double score, double envelopeDb) {}

    private Scored scored(Tone candidate) {
        return scored(takes.stream().map(t -> played(candidate, t)).toList());
    }

    private Scored scored(List<float[]> played) {
        double score = 0;
        double first = 0;
        for (int n = 0; n < played.size(); n++) {
            float[] scored = played.get(n);
            Features f = Features.of(scored, 0, Sound.WORKING_RATE_HZ);
            double[] d = new double[f.levelDb().length];
            for (int b = 0; b < d.length; b++) d[b] = wanted.levelDb()[b] - f.levelDb()[b];
            double envelope = envelopeDb(f);
            if (n == 0) first = envelope;
            score += (fine.rms(d) / COLOUR_UNIT_DB + envelope / ENVELOPE_UNIT_DB
                    + Math.abs(Valleys.of(scored, Sound.WORKING_RATE_HZ).meanDb() - wantedValleys.meanDb())
                            / VALLEYS_UNIT_DB)
                    / played.size();
        }
        return new Scored(score, first);
    }

    private double envelopeDb(Features f) {
        float[][] a = f.envelopeDb();
        float[][] b = wanted.envelopeDb();
        double sum = 0;
        int n = 0;
        for (int t = 0; t < Math.min(a.length, b.length); t++) {
            for (int k = 0; k < a[t].length; k++, n++) {
                double v = ENVELOPE_STEP_DB * MOST_STEPS
                        * Math.tanh((a[t][k] - b[t][k]) / (ENVELOPE_STEP_DB * MOST_STEPS));
                sum += v * v;
            }
        }
        return Math.sqrt(sum / Math.max(1, n));
    }
}
