package verisonus.core.simulate.stages;

import java.util.Arrays;
import verisonus.core.rig.Block;
import verisonus.core.rig.ControlNames;

/**
 * Mid-hump overdrive: the clipper's gain rises above 720 Hz only, so lows pass clean beside it; one-pole treble after
 * it. Runs at the raised rate.
 */
final class OverdriveStage implements NonlinearStage {
    private final double inputCut;
    private final double hump;
    private final double smooth;
    private final double tone;
    private final double gain;
    private final double level;
    private final SoftClip clip;
    private final double[] state = new double[4];
    private double[] boosted = new double[0];
    private double[] clipped = new double[0];

    OverdriveStage(Block block, RaisedRate at) {
        inputCut = at.pole(30);
        hump = at.pole(720);
        smooth = at.pole(5500);
        tone = at.pole(700 * Math.pow(10, block.get(ControlNames.TONE) / 10));
        gain = 8 * Math.pow(10, 1.6 * block.get(ControlNames.DRIVE) / 10);
        level = 1.2 * Math.pow(10, (block.get(ControlNames.LEVEL) - 5) / 10);
        clip = at.soft();
    }

    @Override
    public void process(float[] x, int n) {
        double s0 = state[0];
        double s1 = state[1];
        double s2 = state[2];
        double s3 = state[3];
        if (boosted.length < n) {
            boosted = new double[n];
            clipped = new double[n];
        }
        for (int i = 0; i < n; i++) {
            double now = x[i];
            double in = now - (s0 + inputCut * (now - s0));
            s0 = (1 - 2 * inputCut) * s0 + 2 * inputCut * now;
            double high = in - (s1 + hump * (in - s1));
            s1 = (1 - 2 * hump) * s1 + 2 * hump * in;
            boosted[i] = 2 * gain * (s2 + smooth * (high - s2));
            s2 = (1 - 2 * smooth) * s2 + 2 * smooth * high;
            x[i] = (float) in;
        }
        // Diodes in the feedback path: what they take away is the excess of the boosted part only.
        clip.process(boosted, clipped, n);
        for (int i = 0; i < n; i++) {
            double sum = x[i] + 0.5 * clipped[i];
            x[i] = (float) (level * (s3 + tone * (sum - s3)));
            s3 = (1 - 2 * tone) * s3 + 2 * tone * sum;
        }
        state[0] = s0;
        state[1] = s1;
        state[2] = s2;
        state[3] = s3;
        for (int k = 0; k < 4; k++) if (Math.abs(state[k]) < 1e-20) state[k] = 0;
    }

    @Override
    public void reset() {
        Arrays.fill(state, 0);
        clip.reset();
    }
}
