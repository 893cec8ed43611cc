package verisonus.core.simulate.movements;

import verisonus.core.rig.Block;
import verisonus.core.rig.ControlNames;
import verisonus.core.simulate.parts.Processor;

/** Four first-order all-passes swept together by a sine, with feedback, added to the dry sound (notches move). */
public final class Phaser implements Processor {
    private final double step;
    private final double depth;
    private final double feedback;
    private final double dry;
    private final double wet;
    private final double rateHz;
    private final double[][] state = new double[2][4];
    private final double[] last = new double[2];
    private final double[] coefficient = new double[2];
    private final double spread;
    private double phase;
    private int countdown;

    public Phaser(Block block, double rateHz) {
        this.rateHz = rateHz;
        step = 2 * Math.PI * block.get(ControlNames.RATE) / rateHz;
        depth = block.get(ControlNames.DEPTH) / 100;
        feedback = block.get(ControlNames.FEEDBACK) / 100;
        wet = block.get(ControlNames.MIX) / 100;
        dry = 1 - wet;
        spread = Math.PI * block.get(ControlNames.SPREAD) / 100;
    }

    @Override
    public boolean widens() {
        return spread > 0 && wet > 0;
    }

    @Override
    public void process(float[][] channels, int frames) {
        for (int i = 0; i < frames; i++) {
            if (countdown-- == 0) {
                // The notch moves too slowly to need a new coefficient each sample.
                countdown = 15;
                for (int c = 0; c < channels.length; c++) {
                    double hz = 700 * Math.pow(2, 1.8 * depth * Math.sin(phase + c * spread));
                    double t = Math.tan(Math.PI * hz / rateHz);
                    coefficient[c] = (t - 1) / (t + 1);
                }
            }
            for (int c = 0; c < channels.length; c++) channels[c][i] = (float) next(c, channels[c][i]);
            phase += step;
        }
        if (phase > 2 * Math.PI) phase -= 2 * Math.PI;
    }

    private double next(int c, double in) {
        double a = coefficient[c];
        double x = in + feedback * last[c];
        double[] s = state[c];
        for (int k = 0; k < 4; k++) {
            double y = a * x + s[k];
            s[k] = x - a * y;
            x = y;
        }
        last[c] = Math.abs(x) < 1e-25 ? 0 : x;
        return dry * in + wet * x;
    }

    @Override
    public void reset() {
        for (double[] s : state) java.util.Arrays.fill(s, 0);
        java.util.Arrays.fill(last, 0);
        phase = 0;
        countdown = 0;
    }
}
