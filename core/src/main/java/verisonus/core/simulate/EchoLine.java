package verisonus.core.simulate;

import java.util.Arrays;
import verisonus.core.rig.Block;
import verisonus.core.sound.Biquad;

/** Delay line with feedback; the repeats pass its cuts once each; ping-pong crosses two lines. Times exact to a sample. */
final class EchoLine implements Processor {
    private final float[][] line;
    private final int delay;
    private final float feedback;
    private final float dry;
    private final float wet;
    private final boolean pingPong;
    private final Biquad.Section[] low = new Biquad.Section[2];
    private final Biquad.Section[] high = new Biquad.Section[2];
    private int at;

    EchoLine(Block block, double rateHz) {
        delay = (int) Math.max(1, Math.round(block.get("time") * rateHz / 1000));
        line = new float[2][delay];
        feedback = (float) (block.get("feedback") / 100);
        dry = (float) MixLaw.dry(block.get("mix"));
        wet = (float) MixLaw.wet(block.get("mix"));
        pingPong = block.get("sides") > 0.5;
        double lowCut = block.get("low cut");
        double highCut = block.get("high cut");
        for (int c = 0; c < 2; c++) {
            low[c] = new Biquad.Section(lowCut > 20.01 ? Biquad.onePoleHighPass(lowCut, rateHz) : Biquad.IDENTITY);
            high[c] = new Biquad.Section(highCut < 19999 ? Biquad.onePoleLowPass(highCut, rateHz) : Biquad.IDENTITY);
        }
    }

    boolean pingPong() {
        return pingPong && wet > 0;
    }

    @Override
    public void process(float[][] channels, int frames) {
        int n = channels.length;
        for (int i = 0; i < frames; i++) {
            if (pingPong && n == 2) {
                float l = tap(0);
                float r = tap(1);
                float in = 0.5f * (channels[0][i] + channels[1][i]);
                line[0][at] = in + feedback * r;
                // The second line hears the first only: its first repeat comes at twice the time.
                line[1][at] = feedback * l;
                channels[0][i] = dry * channels[0][i] + wet * l;
                channels[1][i] = dry * channels[1][i] + wet * r;
            } else {
                for (int c = 0; c < n; c++) {
                    float y = tap(c);
                    line[c][at] = channels[c][i] + feedback * y;
                    channels[c][i] = dry * channels[c][i] + wet * y;
                }
            }
            if (++at == delay) at = 0;
        }
    }

    private float tap(int c) {
        double y = high[c].next(low[c].next(line[c][at]));
        return Math.abs(y) < 1e-20 ? 0 : (float) y;
    }

    @Override
    public void reset() {
        for (int c = 0; c < 2; c++) {
            Arrays.fill(line[c], 0);
            low[c].reset();
            high[c].reset();
        }
        at = 0;
    }
}
