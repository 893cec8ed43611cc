package verisonus.core.simulate;

import verisonus.core.rig.Block;
import verisonus.core.sound.Biquad;

/**
 * Mid-hump overdrive: the clipper's gain rises above 720 Hz only, so lows pass clean beside it; one-pole treble after
 * it. Runs at the oversampled rate.
 */
final class OverdriveStage implements NonlinearStage {
    private final Biquad.Section inputCut;
    private final Biquad.Section hump;
    private final Biquad.Section smooth;
    private final Biquad.Section tone;
    private final double gain;
    private final double level;

    OverdriveStage(Block block, double rateHz) {
        inputCut = new Biquad.Section(Biquad.onePoleHighPass(30, rateHz));
        hump = new Biquad.Section(Biquad.onePoleHighPass(720, rateHz));
        smooth = new Biquad.Section(Biquad.onePoleLowPass(5500, rateHz));
        tone = new Biquad.Section(Biquad.onePoleLowPass(700 * Math.pow(10, block.get("tone") / 10), rateHz));
        gain = 8 * Math.pow(10, 1.6 * block.get("drive") / 10);
        level = 1.2 * Math.pow(10, (block.get("level") - 5) / 10);
    }

    @Override
    public void process(float[] x, int n) {
        for (int i = 0; i < n; i++) {
            double in = inputCut.next(x[i]);
            double boosted = gain * smooth.next(hump.next(in));
            // Diodes in the feedback path: what they take away is the excess of the boosted part only.
            double clipped = in + 0.5 * SoftClip.of(2 * boosted);
            x[i] = (float) (level * tone.next(clipped));
        }
    }

    @Override
    public void reset() {
        inputCut.reset();
        hump.reset();
        smooth.reset();
        tone.reset();
    }
}
