package verisonus.bench.gear;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import verisonus.core.capture.AmpCapture;
import verisonus.core.capture.AmpLearning;
import verisonus.core.compare.GapLedger;
import verisonus.core.evidence.Evidence;
import verisonus.core.evidence.Examination;
import verisonus.core.rig.Block;
import verisonus.core.rig.ControlNames;
import verisonus.core.rig.Tone;
import verisonus.core.simulate.CaptureSignal;
import verisonus.core.simulate.Renderer;
import verisonus.core.simulate.stages.Quality;
import verisonus.core.sound.Sound;
import verisonus.core.work.Progress;

/**
 * What is left between a learnt amp and the real one: at the positions it was learnt from, and at others. Beside it the nearest shipped
 * amp with its offsets, which is all there was before learning. Arguments: first seed, last seed.
 */
final class CaptureReport {
    /** Gain, treble and bass at which it is recorded, and at which it is asked later. */
    private static final double[][] LEARNT = {{5, 5, 5}, {2, 5, 5}, {8, 5, 5}, {5, 2, 5}, {5, 8, 5}, {5, 5, 2},
            {5, 5, 8}};
    private static final double[][] OTHERS = {{3.5, 7, 4}, {6.5, 3.5, 6}, {7, 6, 3}};

    private CaptureReport() {}

    public static void main(String[] args) {
        long from = args.length > 0 ? Long.parseLong(args[0]) : 1;
        long to = args.length > 1 ? Long.parseLong(args[1]) : 5;
        ExecutorService workers = Executors.newFixedThreadPool(2);
        try {
            for (long seed = from; seed <= to; seed++) one(seed, workers);
        } finally {
            workers.shutdownNow();
        }
    }

    private static void one(long seed, ExecutorService workers) {
        MadeAmp amp = new MadeAmp(seed);
        Sound dry = CaptureSignal.make();
        List<AmpCapture.Recording> recordings = new ArrayList<>();
        for (double[] p : LEARNT)
            recordings.add(new AmpCapture.Recording(positions(p), amp.play(dry, p[0], p[1], p[2])));
        long begin = System.nanoTime();
        AmpLearning.Learnt learnt = AmpLearning.of("my amp " + seed, recordings, workers, Progress.NONE);
        double seconds = (System.nanoTime() - begin) / 1e9;
        System.out.printf(Locale.ROOT, "amp %d is nearest to %s, %.0f s%n", seed, learnt.unit().base(), seconds);
        learnt.unit().turnings().forEach((c, t) -> System.out.printf("   %s: %s%n", c, t.places()));
        System.out.printf(Locale.ROOT, "   after: %s%n", learnt.unit().model().voice());
        gaps("learnt from", amp, dry, LEARNT, learnt);
        gaps("elsewhere", amp, dry, OTHERS, learnt);
    }

    private static Map<String, Double> positions(double[] p) {
        return Map.of(ControlNames.GAIN, p[0], ControlNames.TREBLE, p[1], ControlNames.BASS, p[2]);
    }

    private static void gaps(String where, MadeAmp amp, Sound dry, double[][] places, AmpLearning.Learnt learnt) {
        double jnd = 0;
        double db = 0;
        double plainJnd = 0;
        double plainDb = 0;
        for (double[] p : places) {
            Evidence real = heard(amp.play(dry, p[0], p[1], p[2]));
            GapLedger g = GapLedger.between(real, heard(learnt.at(positions(p)), dry));
            GapLedger plain = GapLedger.between(real, heard(plain(learnt, p), dry));
            jnd += g.scoreJnd() / places.length;
            db += g.spectrumRmsDb().orElseThrow() / places.length;
            plainJnd += plain.scoreJnd() / places.length;
            plainDb += plain.spectrumRmsDb().orElseThrow() / places.length;
        }
        System.out.printf(Locale.ROOT,
                "   %-12s learnt %.2f JND, %.1f dB of spectrum; nearest amp set alike %.2f JND, %.1f dB%n",
                where, jnd, db, plainJnd, plainDb);
    }

    /** The shipped amp with its controls where the real one's stand. */
    private static Tone plain(AmpLearning.Learnt learnt, double[] p) {
        Block amp = Block.of(learnt.unit().base()).with(ControlNames.GAIN, p[0]).with(ControlNames.TREBLE, p[1])
                .with(ControlNames.BASS, p[2]);
        List<Block> blocks = new ArrayList<>(List.of(amp));
        blocks.addAll(learnt.loudspeaker());
        return new Tone("plain", blocks);
    }

    private static Evidence heard(Tone tone, Sound dry) {
        return heard(Renderer.render(tone, dry, Quality.FINAL, Progress.NONE));
    }

    private static Evidence heard(Sound sound) {
        return Examination.of(sound, Examination.Depth.TONE, Progress.NONE);
    }
}
