package verisonus.core.simulate.spaces;

import verisonus.core.rig.Block;
import verisonus.core.rig.ControlNames;
import verisonus.core.rig.MixLaw;
import verisonus.core.simulate.parts.DelayLine;
import verisonus.core.simulate.parts.Lfo;
import verisonus.core.simulate.parts.Processor;
import verisonus.core.simulate.stages.SoftClip;
import verisonus.core.sound.Biquad;

/**
 * Delay line with feedback; the repeats pass cuts and saturation once each round; ping-pong crosses two lines; a second tap lies
 * at a share of the time. Times are exact to a sample where nothing sways.
 */
public final class EchoLine implements Processor {
    private static final double WOW_HZ = 0.6;
    private static final double FULL_WOW_MS = 4;

    private final DelayLine[] line = new DelayLine[2];
    private final int delay;
    private final int second;
    private final double wow;
    private final Lfo lfo;
    private final double feedback;
    private final double drive;
    private final float dry;
    private final float wet;
    private final boolean pingPong;
    private final double spread;
    private final Biquad.Section[] low = new Biquad.Section[2];
    private final Biquad.Section[] high = new Biquad.Section[2];
    private final boolean[] cut = new boolean[2];

    public EchoLine(Block block, double rateHz) {
        delay = (int) Math.max(1, Math.round(block.get(ControlNames.TIME) * rateHz / 1000));
        second = (int) Math.round(delay * block.get(ControlNames.SECOND_TAP) / 100);
        // It must not sway past the writing point.
        wow = Math.min(block.get(ControlNames.WOW) / 100 * FULL_WOW_MS * rateHz / 1000, 0.4 * delay);
        lfo = new Lfo(WOW_HZ, rateHz);
        int longest = Math.max(delay, second) + (int) wow + 4;
        feedback = block.get(ControlNames.FEEDBACK) / 100;
        drive = block.get(ControlNames.DRIVE) <= 0 ? 0 : 0.5 * Math.pow(10, block.get(ControlNames.DRIVE) / 10);
        dry = block.get(ControlNames.DRY) > 0.5 ? 0 : (float) MixLaw.of(block).dry(block.get(ControlNames.MIX));
        wet = (float) MixLaw.of(block).wet(block.get(ControlNames.MIX));
        pingPong = block.get(ControlNames.SIDES) > 0.5;
        spread = block.get(ControlNames.SPREAD) / 100;
        double lowCut = block.get(ControlNames.LOW_CUT);
        double highCut = block.get(ControlNames.HIGH_CUT);
        cut[0] = lowCut > 20.01;
        cut[1] = highCut < 19999;
        for (int c = 0; c < 2; c++) {
            line[c] = new DelayLine(longest);
            low[c] = new Biquad.Section(cut[0] ? Biquad.onePoleHighPass(lowCut, rateHz) : Biquad.IDENTITY);
            high[c] = new Biquad.Section(cut[1] ? Biquad.onePoleLowPass(highCut, rateHz) : Biquad.IDENTITY);
        }
    }

    @Override
    public boolean widens() {
        return wet > 0 && (pingPong || second > 0 && spread > 0);
    }

    @Override
    public void process(float[][] channels, int frames) {
        int n = channels.length;
        for (int i = 0; i < frames; i++) {
            if (pingPong && n == 2) {
                float l = back(0);
                float r = back(1);
                float in = 0.5f * (channels[0][i] + channels[1][i]);
                line[0].write(in + feedback * r);
                // The second line hears the first only: its first repeat comes at twice the time.
                line[1].write(feedback * l);
                channels[0][i] = dry * channels[0][i] + wet * l;
                channels[1][i] = dry * channels[1][i] + wet * r;
            } else {
                for (int c = 0; c < n; c++) {
                    float y = back(c);
                    float tap = second > 0 ? line[c].read(second) : 0;
                    line[c].write(channels[c][i] + feedback * y);
                    channels[c][i] = (float) (dry * channels[c][i] + wet * (side(c, n, false) * y + side(c, n, true)
                            * tap));
                }
            }
            if (wow > 0) lfo.step();
        }
    }

    /** The first tap leans to the left, the second to the right. */
    private double side(int channel, int channels, boolean secondTap) {
        if (second == 0 || channels == 1) return 1;
        return channel == 0 == secondTap ? 1 - spread : 1;
    }

    private float back(int c) {
        double y = wow > 0 ? line[c].read(delay + wow * lfo.sin()) : line[c].read(delay);
        if (cut[0]) y = low[c].next(y);
        if (cut[1]) y = high[c].next(y);
        if (drive > 0) y = SoftClip.of(drive * y) / drive;
        return Math.abs(y) < 1e-20 ? 0 : (float) y;
    }

    @Override
    public void reset() {
        for (int c = 0; c < 2; c++) {
            line[c].reset();
            low[c].reset();
            high[c].reset();
        }
        lfo.reset();
    }
}
