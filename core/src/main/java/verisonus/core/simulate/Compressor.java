package verisonus.core.simulate;

import verisonus.core.rig.Block;
import verisonus.core.rig.ControlNames;
import verisonus.core.rig.Voice;
import verisonus.core.simulate.parts.Processor;

/**
 * Feed-forward compressor with a soft knee of 8 dB, gain computed in decibels and smoothed (D. Giannoulis, M. Massberg,
 * J. D. Reiss, "Digital dynamic range compressor design", JAES 60, 2012). The optical one's release slows down while it has
 * held back for long.
 */
final class Compressor implements Processor {
    private static final double KNEE_DB = 8;
    private static final double TO_DB = 20 / Math.log(10);
    private static final double FLOOR = 1e-6;
    /** Samples from one gain to the next, straight between them: 0.17 ms. */
    private static final int HOP = 8;

    private final double threshold;
    private final double slope;
    private final double attack;
    private final double release;
    private final double memoryStep;
    private final boolean optical;
    private final double make;
    private final double wet;
    private final double size;
    private double level;
    private double reduction;
    private double memory;
    private double gain;
    private double gainStep;
    private int countdown;

    Compressor(Block block, double rateHz) {
        threshold = block.get(ControlNames.THRESHOLD);
        slope = 1 - 1 / block.get(ControlNames.RATIO);
        attack = HOP / (block.get(ControlNames.ATTACK) / 1000 * rateHz);
        release = HOP / (block.get(ControlNames.RELEASE) / 1000 * rateHz);
        memoryStep = HOP / (2 * rateHz);
        optical = block.model().voice() == Voice.Compressor.SLOW_OPTICAL;
        make = Math.pow(10, block.get(ControlNames.LEVEL) / 20);
        wet = block.get(ControlNames.MIX) / 100;
        size = 1 / (0.003 * rateHz);
        gain = make;
    }

    @Override
    public void process(float[][] channels, int frames) {
        for (int i = 0; i < frames; i++) {
            double peak = Math.abs(channels[0][i]);
            if (channels.length == 2) peak = Math.max(peak, Math.abs(channels[1][i]));
            level += (peak > level ? 1 : size) * (peak - level);
            if (countdown-- == 0) {
                countdown = HOP - 1;
                gainStep = (nextGain() - gain) / HOP;
            }
            gain += gainStep;
            for (float[] c : channels) c[i] *= (float) gain;
        }
        if (level < 1e-20) level = 0;
        if (reduction < 1e-20) reduction = 0;
        if (memory < 1e-20) memory = 0;
    }

    private double nextGain() {
        double over = TO_DB * Math.log(level + FLOOR) - threshold;
        double wanted = over <= -KNEE_DB / 2
                ? 0
                : over >= KNEE_DB / 2
                        ? slope * over
                        : slope * (over + KNEE_DB / 2) * (over + KNEE_DB / 2) / (2 * KNEE_DB);
        double back = optical ? release / (1 + memory / 4) : release;
        reduction += Math.min(1, wanted > reduction ? attack : back) * (wanted - reduction);
        memory += memoryStep * (reduction - memory);
        return make * (1 - wet + wet * Math.exp(-reduction / TO_DB));
    }

    @Override
    public void reset() {
        gain = make;
        gainStep = 0;
        countdown = 0;
        level = 0;
        reduction = 0;
        memory = 0;
    }
}
