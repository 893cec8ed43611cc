package verisonus.core.simulate.stages;

import verisonus.core.rig.Block;
import verisonus.core.rig.ControlNames;
import verisonus.core.sound.Sound;

/**
 * Output valves on a supply that droops under load (10 ms down, 100 ms back) and carries some of the mains, and the output
 * transformer: band limits, and lows that saturate a small core.
 */
public final class PowerStage implements NonlinearStage {
    /** Loss of the tone network in the middle position, made good before the power stage. */
    private static final double RECOVERY = 4;
    private static final double MAINS_HZ = 100;
    /** Under this the two halves of a cold pair hand over badly. */
    private static final double HANDOVER = 0.08;

    private final double drive;
    private final double make;
    private final double bias;
    private final double sag;
    private final double cold;
    private final double ripple;
    private final double mainsStep;
    private final double droop;
    private final double recover;
    private final double low;
    private final double high;
    private final double coreCut;
    private final double core;
    /** Samples for which the supply is taken to stand still: one of the base rate, so that the loop can run ahead of itself. */
    private final int stands;
    private final SoftClip clip;
    private final SoftClip coreClip;
    private double load;
    private double mains;
    private double lowState;
    private double highState;
    private double coreState;

    /** @param bias of the pair: 0 in balance, 0.25 a single valve */
    public PowerStage(Block amp, double bias, RaisedRate at) {
        double warm = (amp.get(ControlNames.IDLE_CURRENT) - 5) / 5;
        int valves = (int) Math.round(amp.get(ControlNames.OUTPUT_VALVES));
        double[] drives = {1, 1.6, 0.65, 1.25};
        double[] gains = {1, 0.7, 1.35, 0.92};
        double[] droops = {1, 1.4, 0.6, 0.5};
        drive = RECOVERY * 0.05 * Math.pow(10, 1.6 * amp.get(ControlNames.MASTER) / 10) * drives[valves]
                * (1 + 0.15 * Math.max(0, warm));
        make = gains[valves];
        sag = 0.06 * amp.get(ControlNames.SAG) * droops[valves] + 0.2 * Math.max(0, warm);
        cold = 0.45 * Math.max(0, -warm);
        ripple = 0.03 * amp.get(ControlNames.RIPPLE);
        this.bias = bias;
        mainsStep = 2 * Math.PI * MAINS_HZ / at.rateHz();
        stands = Math.max(1, (int) Math.round(at.rateHz() / Sound.WORKING_RATE_HZ));
        droop = 1 / (0.010 * at.rateHz());
        recover = 1 / (0.100 * at.rateHz());
        int transformer = (int) Math.round(amp.get(ControlNames.TRANSFORMER));
        low = at.pole(new double[]{35, 60, 18}[transformer]);
        high = at.pole(new double[]{16000, 9000, 22000}[transformer]);
        core = new double[]{0, 2.2, 0}[transformer];
        coreCut = at.pole(130);
        clip = at.soft(bias);
        coreClip = at.soft();
    }

    @Override
    public void process(float[] x, int n) {
        double l = load;
        double s1 = lowState;
        double s2 = highState;
        double s3 = coreState;
        double phase = mains;
        double idle = SoftClip.of(bias);
        double fall = 1;
        double rise = 1;
        for (int i = 0; i < n; i++) {
            if (i % stands == 0) {
                fall = 1 + sag * l;
                if (ripple > 0) {
                    fall += ripple * l * Math.sin(phase);
                    phase += mainsStep * stands;
                }
                rise = 1 / fall;
            }
            double in = drive * x[i] * fall;
            if (cold > 0) in -= cold * HANDOVER * SoftClip.of(in / HANDOVER);
            double out = (clip.next(in + bias) - idle) * rise;
            double drawn = Math.abs(out);
            l += (drawn > l ? droop : recover) * (drawn - l);
            double v = (out - s1) * low;
            double y = v + s1;
            s1 = y + v;
            double through = out - y;
            if (core > 0) {
                v = (through - s3) * coreCut;
                y = v + s3;
                s3 = y + v;
                through += coreClip.next(core * y) / core - y;
            }
            v = (through - s2) * high;
            y = v + s2;
            s2 = y + v;
            x[i] = (float) (make * y);
        }
        load = l < 1e-20 ? 0 : l;
        mains = phase % (2 * Math.PI);
        lowState = Math.abs(s1) < 1e-20 ? 0 : s1;
        highState = Math.abs(s2) < 1e-20 ? 0 : s2;
        coreState = Math.abs(s3) < 1e-20 ? 0 : s3;
    }

    @Override
    public void reset() {
        load = 0;
        mains = 0;
        lowState = 0;
        highState = 0;
        coreState = 0;
        clip.reset();
        coreClip.reset();
    }
}
