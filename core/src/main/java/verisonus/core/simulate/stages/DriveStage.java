package verisonus.core.simulate.stages;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import verisonus.core.rig.Block;
import verisonus.core.rig.ControlNames;
import verisonus.core.rig.Model;
import verisonus.core.rig.Voice;
import verisonus.core.sound.Biquad;

/** Drives other than the mid-hump overdrive: high-pass, clippers, one-pole treble, shelves, level. Runs at the raised rate. */
public final class DriveStage implements NonlinearStage {
    private final NonlinearStage core;
    private final PoleFilter inputCut;
    private final PoleFilter tone;
    private final double level;
    private final Optional<StageFilter> shelves;
    private double[] work = new double[0];

    private DriveStage(NonlinearStage core, double inputCutHz, double toneHz, Block block, RaisedRate at) {
        this.core = core;
        inputCut = new PoleFilter(at.pole(inputCutHz));
        tone = new PoleFilter(at.pole(toneHz * Math.pow(10, block.get(ControlNames.TONE) / 10)));
        level = Math.pow(10, (block.get(ControlNames.LEVEL) - 5) / 10);
        shelves = shelves(block, at.rateHz());
    }

    public static NonlinearStage of(Block block, Voice.Drive voice, RaisedRate at) {
        double drive = block.get(ControlNames.DRIVE);
        return switch (voice) {
            case MID_HUMP -> new OverdriveStage(block, at);
            case CLEAN_BOOST -> new DriveStage(boost(Math.pow(10, drive / 10), at), 15, 2400, block, at);
            case TRANSPARENT ->
                new DriveStage(transparent(2.5 * Math.pow(10, 1.5 * drive / 10), at), 40, 1800, block, at);
            case HARD_CLIP -> new DriveStage(distortion(6 * Math.pow(10, 1.9 * drive / 10), at), 90, 600, block, at);
            case FUZZ -> new DriveStage(fuzz(5 * Math.pow(10, 2 * drive / 10), at), 45, 900, block, at);
        };
    }

    private static Optional<StageFilter> shelves(Block block, double rateHz) {
        List<Biquad> out = new ArrayList<>();
        Model m = block.model();
        if (m.find(ControlNames.BASS).isPresent() && block.get(ControlNames.BASS) != 5)
            out.add(Biquad.lowShelf(160, 2.4 * (block.get(ControlNames.BASS) - 5), rateHz));
        if (m.find(ControlNames.TREBLE).isPresent() && block.get(ControlNames.TREBLE) != 5)
            out.add(Biquad.highShelf(2500, 2.4 * (block.get(ControlNames.TREBLE) - 5), rateHz));
        return out.isEmpty() ? Optional.empty() : Optional.of(new StageFilter(out));
    }

    /** Room for what goes into a clipper and comes out of it. */
    private static final class Clipped {
        private double[] in = new double[0];
        private double[] out = new double[0];

        /** The signal, made louder and moved along the curve, through a clipper; good until asked again. */
        double[] of(SoftClip clip, float[] x, int n, double gain, double bias) {
            if (in.length < n) {
                in = new double[n];
                out = new double[n];
            }
            for (int i = 0; i < n; i++) in[i] = gain * x[i] + bias;
            clip.process(in, out, n);
            return out;
        }
    }

    /** Clean up to four times full scale. */
    private static NonlinearStage boost(double gain, RaisedRate at) {
        SoftClip clip = at.soft();
        Clipped clipped = new Clipped();
        return new NonlinearStage() {
            @Override
            public void process(float[] x, int n) {
                double[] y = clipped.of(clip, x, n, 0.25 * gain, 0);
                for (int i = 0; i < n; i++) x[i] = (float) (4 * y[i]);
            }

            @Override
            public void reset() {
                clip.reset();
            }
        };
    }

    private static NonlinearStage transparent(double gain, RaisedRate at) {
        SoftClip clip = at.soft(0.15);
        double idle = SoftClip.of(0.15);
        Clipped clipped = new Clipped();
        return new NonlinearStage() {
            @Override
            public void process(float[] x, int n) {
                double[] y = clipped.of(clip, x, n, gain, 0.15);
                for (int i = 0; i < n; i++) x[i] = (float) (0.6 * x[i] + 0.45 * (y[i] - idle));
            }

            @Override
            public void reset() {
                clip.reset();
            }
        };
    }

    /** An operational amplifier that rounds what it cannot follow, then diodes to earth. */
    private static NonlinearStage distortion(double gain, RaisedRate at) {
        HardClip clip = at.hard();
        double slow = at.pole(4800);
        return new NonlinearStage() {
            private double state;

            @Override
            public void process(float[] x, int n) {
                for (int i = 0; i < n; i++) {
                    double v = (gain * x[i] - state) * slow;
                    double low = v + state;
                    state = low + v;
                    x[i] = (float) (0.45 * clip.next(low));
                }
                if (Math.abs(state) < 1e-20) state = 0;
            }

            @Override
            public void reset() {
                clip.reset();
                state = 0;
            }
        };
    }

    /** Two lopsided stages, idling on either side of the middle: even a soft note gets harmonics of even number. */
    private static NonlinearStage fuzz(double gain, RaisedRate at) {
        SoftClip first = at.soft(-0.5);
        SoftClip second = at.soft(0.35);
        PoleFilter cut = new PoleFilter(at.pole(60));
        Clipped clipped = new Clipped();
        double idle1 = SoftClip.of(-0.5);
        double idle2 = SoftClip.of(0.35);
        return new NonlinearStage() {
            @Override
            public void process(float[] x, int n) {
                double[] y = clipped.of(first, x, n, gain, -0.5);
                for (int i = 0; i < n; i++) y[i] -= idle1;
                cut.high(y, n);
                for (int i = 0; i < n; i++) x[i] = (float) y[i];
                y = clipped.of(second, x, n, 6, 0.35);
                for (int i = 0; i < n; i++) x[i] = (float) (0.45 * (y[i] - idle2));
            }

            @Override
            public void reset() {
                first.reset();
                second.reset();
                cut.reset();
            }
        };
    }

    @Override
    public void process(float[] x, int n) {
        if (work.length < n) work = new double[n];
        for (int i = 0; i < n; i++) work[i] = x[i];
        inputCut.high(work, n);
        for (int i = 0; i < n; i++) x[i] = (float) work[i];
        core.process(x, n);
        for (int i = 0; i < n; i++) work[i] = level * x[i];
        tone.low(work, n);
        for (int i = 0; i < n; i++) x[i] = (float) work[i];
        shelves.ifPresent(f -> f.process(x, n));
    }

    @Override
    public void reset() {
        inputCut.reset();
        tone.reset();
        core.reset();
        shelves.ifPresent(StageFilter::reset);
    }
}
