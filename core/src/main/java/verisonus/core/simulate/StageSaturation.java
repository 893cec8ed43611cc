package verisonus.core.simulate;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.function.Supplier;
import verisonus.core.rig.Block;
import verisonus.core.rig.GearKind;
import verisonus.core.rig.Tone;
import verisonus.core.rig.Voice;
import verisonus.core.simulate.stages.DriveStage;
import verisonus.core.simulate.stages.NonlinearGroup;
import verisonus.core.simulate.stages.NonlinearStage;
import verisonus.core.simulate.stages.Oversampler;
import verisonus.core.simulate.stages.PowerStage;
import verisonus.core.simulate.stages.Preamp;
import verisonus.core.simulate.stages.Quality;
import verisonus.core.simulate.stages.RaisedRate;
import verisonus.core.sound.Sound;
import verisonus.core.work.Progress;

/**
 * Where in a chain the dirt is made. Each stage that clips is played alone on what reaches it, once as loud as it comes and once so
 * soft that it stays linear; what the second, scaled, does not explain of the first is the dirt that this stage adds.
 *
 * @param stages in signal order
 * @param told whether enough came through every stage to tell; not where a gate holds it shut or it is played too softly
 */
public record StageSaturation(List<Stage> stages, boolean told) {
    /**
     * One stage.
     *
     * @param block id of the block
     * @param name "drive", "first stages" or "power stage"
     * @param added share of the energy at its output that it makes itself, 0 to 1
     * @param share its part of all that is made along the way, 0 to 1
     */
    public record Stage(String block, String name, double added, double share) {}

    private static final double SOFT = 1e-3;
    /** Mean power of an answer under which single precision says nothing of its shape: 120 dB under full scale. */
    private static final double UNTOLD = 1e-12;
    private static final double NOTHING = 1e-4;

    public StageSaturation {
        stages = List.copyOf(stages);
    }

    /** @param levelDb how much softer or louder than the take it is played */
    public static StageSaturation of(Tone tone, Sound di, double levelDb) {
        RaisedRate raised = RaisedRate.of(Quality.SEARCH);
        List<Block> linear = new ArrayList<>();
        float[] x = di.atRate(Sound.WORKING_RATE_HZ).gained(levelDb).mid();
        List<String> blocks = new ArrayList<>();
        List<String> names = new ArrayList<>();
        List<Double> added = new ArrayList<>();
        for (Block b : tone.main()) {
            if (!b.on()) continue;
            if (b.model().kind() != GearKind.DRIVE && b.model().kind() != GearKind.AMP) {
                linear.add(b);
                continue;
            }
            x = through(linear, x);
            linear.clear();
            boolean amp = b.model().kind() == GearKind.AMP;
            List<Supplier<NonlinearStage>> made = clippers(b, raised);
            for (int i = 0; i < made.size(); i++) {
                float[] loud = played(made.get(i).get(), x);
                // What a stage makes by itself, as hum and its own settling, is no answer to the playing.
                float[] alone = played(made.get(i).get(), new float[x.length]);
                float[] soft = played(made.get(i).get(), scaled(x, SOFT));
                added.add(unexplained(answer(loud, alone, 1), answer(soft, alone, SOFT)));
                blocks.add(b.id());
                names.add(amp ? i == 0 ? "first stages" : "power stage" : "drive");
                x = loud;
            }
        }
        boolean told = added.stream().noneMatch(a -> a.isNaN());
        double all = added.stream().filter(a -> !a.isNaN()).mapToDouble(Double::doubleValue).sum();
        List<Stage> out = new ArrayList<>();
        for (int i = 0; i < added.size(); i++) {
            double a = added.get(i).isNaN() ? 0 : added.get(i);
            out.add(new Stage(blocks.get(i), names.get(i), a, all < NOTHING ? 0 : a / all));
        }
        return new StageSaturation(out, told);
    }

    /** Makers of the stages of a drive or an amp, in order. */
    private static List<Supplier<NonlinearStage>> clippers(Block b, RaisedRate raised) {
        if (b.model().voice().plain() instanceof Voice.Drive drive)
            return List.of(() -> DriveStage.of(b, drive, raised));
        Preamp.Voicing voicing = Preamp.Voicing.of(Voice.Amp.of(b.model().voice()));
        return List.of(() -> new Preamp(b, voicing, raised), () -> new PowerStage(b, voicing.powerBias, raised));
    }

    private static float[] through(List<Block> blocks, float[] x) {
        if (blocks.isEmpty()) return x;
        return Renderer.render(new Tone("before", blocks), Sound.mono(x, Sound.WORKING_RATE_HZ), Quality.SEARCH,
                Progress.NONE).mid();
    }

    private static float[] scaled(float[] x, double by) {
        float[] out = new float[x.length];
        for (int i = 0; i < out.length; i++) out[i] = (float) (by * x[i]);
        return out;
    }

    private static double[] answer(float[] played, float[] alone, double scale) {
        double[] out = new double[played.length];
        for (int i = 0; i < out.length; i++) out[i] = (played[i] - (double) alone[i]) / scale;
        return out;
    }

    /** Plays a fresh stage. */
    private static float[] played(NonlinearStage stage, float[] x) {
        NonlinearGroup group = new NonlinearGroup(List.of(stage), new Oversampler(Quality.SEARCH.factor()),
                Chain.BLOCK);
        float[] out = new float[x.length];
        float[] block = new float[Chain.BLOCK];
        for (int at = 0; at < x.length; at += Chain.BLOCK) {
            int n = Math.min(Chain.BLOCK, x.length - at);
            for (int i = 0; i < n; i++) block[i] = x[at + i];
            group.process(new float[][]{block}, n);
            for (int i = 0; i < n; i++) out[at + i] = block[i];
        }
        return out;
    }

    /** Energy of the first that no scaling of the second explains, as a share; NaN where nothing that can be told comes out. */
    private static double unexplained(double[] loud, double[] soft) {
        double xy = 0;
        double xx = 0;
        double yy = 0;
        for (int i = 0; i < loud.length; i++) {
            xy += loud[i] * soft[i];
            xx += soft[i] * soft[i];
            yy += loud[i] * loud[i];
        }
        if (yy < UNTOLD * loud.length || xx == 0) return Double.NaN;
        return Math.clamp(1 - xy * xy / (xx * yy), 0, 1);
    }

    /** All stages together: the most that any adds, and what the others add to it. */
    public double total() {
        return 1 - Arrays.stream(stages.stream().mapToDouble(s -> 1 - s.added).toArray()).reduce(1, (a, b) -> a * b);
    }
}
