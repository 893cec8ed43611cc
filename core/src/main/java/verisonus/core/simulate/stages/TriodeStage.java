package verisonus.core.simulate.stages;

/**
 * One valve stage: coupling high-pass, gain, asymmetric soft clipping whose bias is pushed down by grid current on
 * loud notes (blocking), Miller low-pass. Small-signal gain is near the gain set.
 */
final class TriodeStage implements NonlinearStage {
    private final double coupling;
    private final double miller;
    private final double gain;
    private final double bias;
    private final double charge;
    private final SoftClip clip;
    private double[] driven = new double[0];
    private double[] resting = new double[0];
    private double[] clipped = new double[0];
    private double shift;
    private double couplingState;
    private double millerState;

    /**
     * @param gain amplitude gain into the curve
     * @param bias idle point on the curve, 0 symmetric, 0.3 strongly asymmetric
     */
    TriodeStage(double gain, double bias, double lowCutHz, double highCutHz, RaisedRate at) {
        coupling = at.pole(lowCutHz);
        miller = at.pole(highCutHz);
        clip = at.soft(bias);
        this.gain = gain;
        this.bias = bias;
        this.charge = 1 / (0.030 * at.rateHz());
    }

    @Override
    public void process(float[] x, int n) {
        double q = shift;
        double s1 = couplingState;
        double s2 = millerState;
        if (driven.length < n) {
            driven = new double[n];
            resting = new double[n];
            clipped = new double[n];
        }
        // Poles in the form in which a state waits for one multiplication and one addition only.
        double keep = 1 - 2 * coupling;
        double take = 2 * coupling;
        double hold = 1 - charge;
        for (int i = 0; i < n; i++) {
            double now = x[i];
            double in = gain * (1 - coupling) * (now - s1);
            s1 = keep * s1 + take * now;
            // Grid current flows on positive peaks only and drags the idle point down for about 30 ms.
            double over = in > 1 ? Math.min(in - 1, 4) * 0.25 : 0;
            q = hold * q + charge * over;
            double idle = bias - 0.3 * q;
            resting[i] = idle;
            driven[i] = in + idle;
        }
        clip.process(driven, clipped, n);
        for (int i = 0; i < n; i++) clipped[i] -= SoftClip.nearZero(resting[i]);
        keep = 1 - 2 * miller;
        take = 2 * miller;
        for (int i = 0; i < n; i++) {
            double y = clipped[i];
            x[i] = (float) (s2 + miller * (y - s2));
            s2 = keep * s2 + take * y;
        }
        shift = Math.abs(q) < 1e-20 ? 0 : q;
        couplingState = Math.abs(s1) < 1e-20 ? 0 : s1;
        millerState = Math.abs(s2) < 1e-20 ? 0 : s2;
    }

    @Override
    public void reset() {
        shift = 0;
        couplingState = 0;
        millerState = 0;
        clip.reset();
    }
}
