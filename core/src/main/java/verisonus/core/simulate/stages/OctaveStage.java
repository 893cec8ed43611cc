package verisonus.core.simulate.stages;

import java.util.Arrays;
import java.util.List;
import verisonus.core.rig.Block;
import verisonus.core.rig.ControlNames;
import verisonus.core.sound.Biquad;

/**
 * The octave above by rectifying, the octave below by a flip-flop that turns the sign of every second cycle of the fundamental.
 * For single notes; runs at the raised rate.
 */
public final class OctaveStage implements NonlinearStage {
    private final float above;
    private final float below;
    private final float dry;
    private final StageFilter fundamental;
    private final StageFilter smooth;
    private final double block;
    private float[] low = new float[0];
    private float[] down = new float[0];
    private double mean;
    private double last;
    private int flip = 1;

    public OctaveStage(Block settings, RaisedRate at) {
        above = (float) (settings.get(ControlNames.ABOVE) / 100);
        below = (float) (settings.get(ControlNames.BELOW) / 100);
        dry = (float) (settings.get(ControlNames.DRY) / 100);
        fundamental = new StageFilter(
                List.of(Biquad.lowPass(250, 0.6, at.rateHz()), Biquad.lowPass(300, 0.6, at.rateHz())));
        smooth = new StageFilter(List.of(Biquad.lowPass(700, 0.7, at.rateHz())));
        block = at.pole(60);
    }

    @Override
    public void process(float[] x, int n) {
        if (low.length < n) {
            low = new float[n];
            down = new float[n];
        }
        System.arraycopy(x, 0, low, 0, n);
        fundamental.process(low, n);
        for (int i = 0; i < n; i++) {
            // A new cycle begins where the fundamental crosses zero upwards.
            if (last < 0 && low[i] >= 0) flip = -flip;
            last = low[i];
            down[i] = flip * x[i];
        }
        smooth.process(down, n);
        for (int i = 0; i < n; i++) {
            double up = Math.abs(x[i]);
            double v = (up - mean) * block;
            double slow = v + mean;
            mean = slow + v;
            x[i] = (float) (dry * x[i] + 1.4f * above * (up - slow) + 1.4f * below * down[i]);
        }
        if (Math.abs(mean) < 1e-20) mean = 0;
    }

    @Override
    public void reset() {
        fundamental.reset();
        smooth.reset();
        Arrays.fill(low, 0);
        Arrays.fill(down, 0);
        mean = 0;
        last = 0;
        flip = 1;
    }
}
