package verisonus.core.simulate.stages;

/**
 * One valve stage: coupling high-pass, gain, asymmetric soft clipping whose bias is pushed down by grid current on
 * loud notes (blocking), Miller low-pass. Small-signal gain is near the gain set.
 */
final class TriodeStage implements NonlinearStage {
    private final PoleFilter coupling;
    private final PoleFilter miller;
    private final double gain;
    private final double bias;
    private final double charge;
    private final SoftClip clip;
    private double[] driven = new double[0];
    private double[] resting = new double[0];
    private double[] clipped = new double[0];
    private double shift;

    /**
     * @param gain amplitude gain into the curve
     * @param bias idle point on the curve, 0 symmetric, 0.3 strongly asymmetric
     */
    TriodeStage(double gain, double bias, double lowCutHz, double highCutHz, RaisedRate at) {
        coupling = new PoleFilter(at.pole(lowCutHz));
        miller = new PoleFilter(at.pole(highCutHz));
        clip = at.soft(bias);
        this.gain = gain;
        this.bias = bias;
        this.charge = 1 / (0.030 * at.rateHz());
    }

    @Override
    public void process(float[] x, int n) {
        if (driven.length < n) {
            driven = new double[n];
            resting = new double[n];
            clipped = new double[n];
        }
        for (int i = 0; i < n; i++) driven[i] = gain * x[i];
        coupling.high(driven, n);
        double q = shift;
        double hold = 1 - charge;
        for (int i = 0; i < n; i++) {
            double in = driven[i];
            // Grid current flows on positive peaks only and drags the idle point down for about 30 ms.
            double over = in > 1 ? Math.min(in - 1, 4) * 0.25 : 0;
            q = hold * q + charge * over;
            resting[i] = bias - 0.3 * q;
            driven[i] = in + resting[i];
        }
        shift = Math.abs(q) < 1e-20 ? 0 : q;
        clip.process(driven, clipped, n);
        for (int i = 0; i < n; i++) clipped[i] -= SoftClip.nearZero(resting[i]);
        miller.low(clipped, n);
        for (int i = 0; i < n; i++) x[i] = (float) clipped[i];
    }

    @Override
    public void reset() {
        shift = 0;
        coupling.reset();
        miller.reset();
        clip.reset();
    }
}
