package verisonus.core.simulate;

import verisonus.core.rig.Block;
import verisonus.core.rig.ControlNames;
import verisonus.core.simulate.parts.Processor;

/** Downward expander: opens in 0.5 ms at 4 dB above where it closes, holds, then closes in its release time. */
final class Gate implements Processor {
    private static final double HYSTERESIS_DB = 4;

    private final double closes;
    private final double opens;
    private final double shut;
    private final int holdSamples;
    private final double openStep;
    private final double closeStep;
    private final double fall;
    private double envelope;
    private double gain;
    private int held;
    private boolean open;

    Gate(Block block, double rateHz) {
        closes = Math.pow(10, block.get(ControlNames.THRESHOLD) / 20);
        opens = closes * Math.pow(10, HYSTERESIS_DB / 20);
        shut = Math.pow(10, -block.get(ControlNames.DEPTH) / 20);
        holdSamples = (int) (block.get(ControlNames.HOLD) / 1000 * rateHz);
        openStep = 1 / (0.0005 * rateHz);
        closeStep = 1 / (block.get(ControlNames.RELEASE) / 1000 * rateHz / 3);
        fall = Math.exp(-1 / (0.010 * rateHz));
        gain = shut;
    }

    @Override
    public void process(float[][] channels, int frames) {
        for (int i = 0; i < frames; i++) {
            double size = Math.abs(channels[0][i]);
            if (channels.length == 2) size = Math.max(size, Math.abs(channels[1][i]));
            envelope = Math.max(size, envelope * fall);
            if (envelope > opens) {
                open = true;
                held = holdSamples;
            } else if (envelope < closes && held-- <= 0) {
                open = false;
            }
            double target = open ? 1 : shut;
            gain += (target > gain ? openStep : closeStep) * (target - gain);
            for (float[] c : channels) c[i] *= (float) gain;
        }
        if (envelope < 1e-20) envelope = 0;
    }

    @Override
    public void reset() {
        envelope = 0;
        gain = shut;
        held = 0;
        open = false;
    }
}
