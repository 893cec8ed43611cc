package verisonus.core.simulate;

/**
 * Push-pull output valves on a supply that droops under load (10 ms down, 100 ms back), and the output transformer's
 * band limits.
 */
final class PowerStage implements NonlinearStage {
    private final double drive;
    private final double sag;
    private final double droop;
    private final double recover;
    private final double low;
    private final double high;
    private double load;
    private double lowState;
    private double highState;

    /**
     * @param drive gain into the valves
     * @param sag share by which full load lowers the supply
     */
    PowerStage(double drive, double sag, double rateHz) {
        this.drive = drive;
        this.sag = sag;
        droop = 1 / (0.010 * rateHz);
        recover = 1 / (0.100 * rateHz);
        low = OnePole.coefficient(35, rateHz);
        high = OnePole.coefficient(16000, rateHz);
    }

    @Override
    public void process(float[] x, int n) {
        double l = load;
        double s1 = lowState;
        double s2 = highState;
        for (int i = 0; i < n; i++) {
            double fall = 1 + sag * l;
            double out = SoftClip.of(drive * x[i] * fall) / fall;
            double drawn = Math.abs(out);
            l += (drawn > l ? droop : recover) * (drawn - l);
            double v = (out - s1) * low;
            double y = v + s1;
            s1 = y + v;
            double through = out - y;
            v = (through - s2) * high;
            y = v + s2;
            s2 = y + v;
            x[i] = (float) y;
        }
        load = l < 1e-20 ? 0 : l;
        lowState = Math.abs(s1) < 1e-20 ? 0 : s1;
        highState = Math.abs(s2) < 1e-20 ? 0 : s2;
    }

    @Override
    public void reset() {
        load = 0;
        lowState = 0;
        highState = 0;
    }
}
