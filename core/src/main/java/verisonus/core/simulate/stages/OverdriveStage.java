package verisonus.core.simulate.stages;

import java.util.List;
import verisonus.core.rig.Block;
import verisonus.core.rig.ControlNames;

/**
 * Mid-hump overdrive: the clipper's gain rises above 720 Hz only, so lows pass clean beside it; one-pole treble after
 * it. Runs at the raised rate.
 */
final class OverdriveStage implements NonlinearStage {
    private final PoleFilter inputCut;
    private final PoleFilter hump;
    private final PoleFilter smooth;
    private final PoleFilter tone;
    private final double gain;
    private final double level;
    private final SoftClip clip;
    private double[] in = new double[0];
    private double[] boosted = new double[0];
    private double[] clipped = new double[0];

    OverdriveStage(Block block, RaisedRate at) {
        inputCut = new PoleFilter(at.pole(30));
        hump = new PoleFilter(at.pole(720));
        smooth = new PoleFilter(at.pole(5500));
        tone = new PoleFilter(at.pole(700 * Math.pow(10, block.get(ControlNames.TONE) / 10)));
        gain = 8 * Math.pow(10, 1.6 * block.get(ControlNames.DRIVE) / 10);
        level = 1.2 * Math.pow(10, (block.get(ControlNames.LEVEL) - 5) / 10);
        clip = at.soft();
    }

    @Override
    public void process(float[] x, int n) {
        if (in.length < n) {
            in = new double[n];
            boosted = new double[n];
            clipped = new double[n];
        }
        for (int i = 0; i < n; i++) in[i] = x[i];
        inputCut.high(in, n);
        for (int i = 0; i < n; i++) boosted[i] = 2 * gain * in[i];
        hump.high(boosted, n);
        smooth.low(boosted, n);
        // Diodes in the feedback path: what they take away is the excess of the boosted part only.
        clip.process(boosted, clipped, n);
        for (int i = 0; i < n; i++) in[i] = level * (in[i] + 0.5 * clipped[i]);
        tone.low(in, n);
        for (int i = 0; i < n; i++) x[i] = (float) in[i];
    }

    @Override
    public void reset() {
        for (PoleFilter f : List.of(inputCut, hump, smooth, tone)) f.reset();
        clip.reset();
    }
}
