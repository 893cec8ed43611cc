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
    /** At the base rate. */
    private static final int STANDS = 16;
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
    private final PoleFilter low;
    private final PoleFilter high;
    private final PoleFilter coreCut;
    private final double core;
    /** Samples over which the supply moves in a straight line, a thirtieth of what it takes to droop: so many can be worked on together. */
    private final int stands;
    private final SoftClip clip;
    private final SoftClip coreClip;
    private double[] driven = new double[0];
    private double[] clipped = new double[0];
    private double[] through = new double[0];
    private double load;
    private double drawn;
    private int standing;
    private double fallFrom = 1;
    private double fallTo = 1;
    private double mains;

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
        stands = STANDS * (int) Math.max(1, Math.round(at.rateHz() / Sound.WORKING_RATE_HZ));
        droop = stands / (0.010 * at.rateHz());
        recover = stands / (0.100 * at.rateHz());
        int transformer = (int) Math.round(amp.get(ControlNames.TRANSFORMER));
        low = new PoleFilter(at.pole(new double[]{35, 60, 18}[transformer]));
        high = new PoleFilter(at.pole(new double[]{16000, 9000, 22000}[transformer]));
        core = new double[]{0, 2.2, 0}[transformer];
        coreCut = new PoleFilter(at.pole(130));
        clip = at.soft(bias);
        coreClip = at.soft();
    }

    @Override
    public void process(float[] x, int n) {
        if (driven.length < n) {
            driven = new double[n];
            clipped = new double[n];
            through = new double[n];
        }
        for (int at = 0; at < n;) {
            int m = Math.min(stands - standing, n - at);
            valves(x, at, m);
            at += m;
            standing += m;
            if (standing == stands) stand();
        }
        transform(n);
        for (int i = 0; i < n; i++) x[i] = (float) (make * through[i]);
    }

    /** A few samples through the valves while the supply moves straight from where it was to where the load draws it. */
    private void valves(float[] x, int from, int m) {
        double idle = SoftClip.of(bias);
        double step = (fallTo - fallFrom) / stands;
        for (int i = 0; i < m; i++) {
            double in = drive * x[from + i] * (fallFrom + step * (standing + i + 1));
            if (cold > 0) in -= cold * HANDOVER * SoftClip.of(in / HANDOVER);
            driven[i] = in + bias;
        }
        clip.process(driven, clipped, m);
        double rise = 1 / fallFrom;
        double riseStep = (1 / fallTo - rise) / stands;
        double sum = 0;
        for (int i = 0; i < m; i++) {
            double out = (clipped[i] - idle) * (rise + riseStep * (standing + i + 1));
            sum += Math.abs(out);
            through[from + i] = out;
        }
        drawn += sum;
    }

    /** Where the supply goes next, by what was drawn. */
    private void stand() {
        double mean = drawn / stands;
        load += (mean > load ? droop : recover) * (mean - load);
        if (load < 1e-20) load = 0;
        fallFrom = fallTo;
        fallTo = 1 + sag * load;
        if (ripple > 0) {
            fallTo += ripple * load * Math.sin(mains);
            mains = (mains + mainsStep * stands) % (2 * Math.PI);
        }
        drawn = 0;
        standing = 0;
    }

    /** Lows that the transformer does not carry, or that saturate its core; highs that it loses. */
    private void transform(int n) {
        low.high(through, n);
        if (core > 0) {
            System.arraycopy(through, 0, driven, 0, n);
            coreCut.low(driven, n);
            for (int i = 0; i < n; i++) {
                through[i] -= driven[i];
                driven[i] *= core;
            }
            coreClip.process(driven, clipped, n);
            for (int i = 0; i < n; i++) through[i] += clipped[i] / core;
        }
        high.low(through, n);
    }

    @Override
    public void reset() {
        load = 0;
        drawn = 0;
        standing = 0;
        fallFrom = 1;
        fallTo = 1;
        mains = 0;
        low.reset();
        high.reset();
        coreCut.reset();
        clip.reset();
        coreClip.reset();
    }
}
