package verisonus.core.simulate.movements;

import verisonus.core.rig.Block;
import verisonus.core.rig.ControlNames;
import verisonus.core.rig.Voice;
import verisonus.core.simulate.parts.Processor;

/** Resonant band-pass as a state-variable filter with trapezoidal rule, parked by the foot or opened by the picking. */
public final class SweptFilter implements Processor {
    private static final double HEEL_HZ = 350;
    private static final double TOE_HZ = 2200;

    private final double rateHz;
    private final boolean follows;
    private final double position;
    private final double sensitivity;
    private final double damping;
    private final double wet;
    private final double rise;
    private final double fall;
    private final double[] s1 = new double[2];
    private final double[] s2 = new double[2];
    private double envelope;
    private double g;
    private int countdown;

    public SweptFilter(Block block, double rateHz) {
        this.rateHz = rateHz;
        follows = block.model().voice() == Voice.Filter.ENVELOPE;
        position = follows ? 0 : block.get(ControlNames.POSITION) / 100;
        sensitivity = follows ? 20 * Math.pow(10, (block.get(ControlNames.SENSITIVITY) - 50) / 50) : 0;
        damping = 1 / block.get(ControlNames.RESONANCE);
        wet = block.get(ControlNames.MIX) / 100;
        rise = 1 / (0.005 * rateHz);
        fall = 1 / (0.120 * rateHz);
    }

    @Override
    public void process(float[][] channels, int frames) {
        for (int i = 0; i < frames; i++) {
            if (follows) {
                double size = Math.abs(channels[0][i]);
                envelope += (size > envelope ? rise : fall) * (size - envelope);
            }
            if (countdown-- == 0) {
                countdown = 15;
                double share = follows ? Math.min(1, sensitivity * envelope) : position;
                g = Math.tan(Math.PI * HEEL_HZ * Math.pow(TOE_HZ / HEEL_HZ, share) / rateHz);
            }
            for (int c = 0; c < channels.length; c++) {
                double x = channels[c][i];
                double hp = (x - (damping + g) * s1[c] - s2[c]) / (1 + g * (damping + g));
                double bp = g * hp + s1[c];
                s1[c] = g * hp + bp;
                double lp = g * bp + s2[c];
                s2[c] = g * bp + lp;
                channels[c][i] = (float) ((1 - wet) * x + wet * 1.4 * Math.sqrt(damping) * bp);
            }
        }
        for (int c = 0; c < 2; c++) {
            if (Math.abs(s1[c]) < 1e-20) s1[c] = 0;
            if (Math.abs(s2[c]) < 1e-20) s2[c] = 0;
        }
        if (envelope < 1e-20) envelope = 0;
    }

    @Override
    public void reset() {
        for (int c = 0; c < 2; c++) {
            s1[c] = 0;
            s2[c] = 0;
        }
        envelope = 0;
        countdown = 0;
    }
}
