package verisonus.core.simulate;

import verisonus.core.sound.Biquad;

/**
 * One valve stage: coupling high-pass, gain, asymmetric soft clipping whose bias is pushed down by grid current on
 * loud notes (blocking), Miller low-pass. Small-signal gain is the gain set.
 */
final class TriodeStage {
    private final Biquad.Section coupling;
    private final Biquad.Section miller;
    private final double gain;
    private final double bias;
    private final double charge;
    private double shift;

    /**
     * @param gain amplitude gain into the curve
     * @param bias idle point on the curve, 0 symmetric, 0.3 strongly asymmetric
     */
    TriodeStage(double gain, double bias, double lowCutHz, double highCutHz, double rateHz) {
        coupling = new Biquad.Section(Biquad.onePoleHighPass(lowCutHz, rateHz));
        miller = new Biquad.Section(Biquad.onePoleLowPass(highCutHz, rateHz));
        this.gain = gain;
        this.bias = bias;
        this.charge = 1 / (0.030 * rateHz);
    }

    double next(double x) {
        double in = gain * coupling.next(x);
        // Grid current flows on positive peaks only and drags the idle point down for about 30 ms.
        double over = in > 1 ? in - 1 : 0;
        shift += charge * (Math.min(over, 4) * 0.25 - shift);
        double idle = bias - 0.3 * shift;
        return miller.next(SoftClip.of(in + idle) - SoftClip.of(idle));
    }

    void reset() {
        coupling.reset();
        miller.reset();
        shift = 0;
    }
}
