package verisonus.core.simulate.parts;

import java.util.function.DoubleUnaryOperator;
import verisonus.core.sound.Convolution;
import verisonus.core.sound.MinimumPhase;

/** A magnitude response as a minimum-phase convolution on each channel. */
public final class ImpulseFilter implements Processor {
    private static final int BINS = 4096;
    private static final int TAPS = 2048;
    private static final int PARTITION = 256;

    private final Convolution[] convolutions = new Convolution[2];

    /** @param gainDb gain by frequency in Hz; taken at 10 Hz below that */
    public ImpulseFilter(DoubleUnaryOperator gainDb, double rateHz) {
        double[] db = new double[BINS / 2 + 1];
        for (int k = 0; k < db.length; k++)
            db[k] = Math.max(-90, gainDb.applyAsDouble(Math.max(10, k * rateHz / BINS)));
        float[] h = MinimumPhase.impulse(db, TAPS);
        for (int c = 0; c < 2; c++) convolutions[c] = new Convolution(h, PARTITION);
    }

    @Override
    public void process(float[][] channels, int frames) {
        for (int c = 0; c < channels.length; c++) convolutions[c].process(channels[c], 0, frames);
    }

    @Override
    public int latency() {
        return PARTITION;
    }

    @Override
    public void reset() {
        for (Convolution c : convolutions) c.reset();
    }
}
