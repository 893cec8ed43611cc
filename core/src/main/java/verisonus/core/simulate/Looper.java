package verisonus.core.simulate;

import java.util.Arrays;
import verisonus.core.rig.Block;
import verisonus.core.rig.ControlNames;
import verisonus.core.simulate.parts.Processor;

/** Records the first stretch of what comes before it, then plays it on and on beneath. */
final class Looper implements Processor {
    private final float[][] loop;
    private final float level;
    private long at;

    Looper(Block block, double rateHz) {
        level = (float) (block.get(ControlNames.LEVEL) / 100);
        loop = new float[2][level > 0 ? (int) (block.get(ControlNames.LENGTH) * rateHz) : 0];
    }

    @Override
    public void process(float[][] channels, int frames) {
        if (level == 0) return;
        int length = loop[0].length;
        for (int i = 0; i < frames; i++, at++) {
            int k = (int) (at % length);
            for (int c = 0; c < channels.length; c++) {
                if (at < length) {
                    loop[c][k] = channels[c][i];
                } else {
                    channels[c][i] += level * loop[c][k];
                }
            }
        }
    }

    @Override
    public void reset() {
        for (float[] l : loop) Arrays.fill(l, 0);
        at = 0;
    }
}
