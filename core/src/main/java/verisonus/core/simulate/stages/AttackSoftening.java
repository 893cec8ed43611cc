package verisonus.core.simulate.stages;

/** Rounds the pick's edge: while a quick envelope (2 ms) runs ahead of a slow one (40 ms), the level is held back. */
final class AttackSoftening implements NonlinearStage {
    private static final double FLOOR = 1e-4;

    private final double amount;
    private final double quickStep;
    private final double slowStep;
    private double quick;
    private double slow;

    /** @param control 0 nothing to 10 */
    AttackSoftening(double control, RaisedRate at) {
        amount = 0.08 * control;
        quickStep = 1 / (0.002 * at.rateHz());
        slowStep = 1 / (0.040 * at.rateHz());
    }

    @Override
    public void process(float[] x, int n) {
        for (int i = 0; i < n; i++) {
            double size = Math.abs(x[i]);
            quick += quickStep * (size - quick);
            slow += slowStep * (size - slow);
            if (quick > slow) x[i] *= (float) (1 - amount * (1 - (slow + FLOOR) / (quick + FLOOR)));
        }
        if (quick < 1e-20) quick = 0;
        if (slow < 1e-20) slow = 0;
    }

    @Override
    public void reset() {
        quick = 0;
        slow = 0;
    }
}
