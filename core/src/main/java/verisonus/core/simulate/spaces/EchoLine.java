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
    private static final int PIECE = 256;

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
    private final double[][] back = new double[2][PIECE];
    private final double[] ago = new double[PIECE];

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
        // What is heard in a piece was written before it: shorter than the nearest tap.
        int most = Math.clamp((int) (Math.min(delay, second > 0 ? second : delay) - wow) - 3, 1, PIECE);
        for (int from = 0; from < frames; from += most) {
            int n = Math.min(most, frames - from);
            sway(n);
            for (int c = 0; c < channels.length; c++) back(c, n);
            if (pingPong && channels.length == 2) {
                cross(channels, from, n);
            } else {
                for (int c = 0; c < channels.length; c++) straight(channels[c], c, channels.length, from, n);
            }
        }
    }

    private void sway(int n) {
        if (wow == 0) return;
        for (int i = 0; i < n; i++) {
            ago[i] = delay + wow * lfo.sin();
            lfo.step();
        }
    }

    private void cross(float[][] channels, int from, int n) {
        float[] x = channels[0];
        float[] z = channels[1];
        for (int i = 0; i < n; i++) {
            float in = 0.5f * (x[from + i] + z[from + i]);
            line[0].write(in + feedback * back[1][i]);
            // The second line hears the first only: its first repeat comes at twice the time.
            line[1].write(feedback * back[0][i]);
            x[from + i] = (float) (dry * x[from + i] + wet * back[0][i]);
            z[from + i] = (float) (dry * z[from + i] + wet * back[1][i]);
        }
    }

    private void straight(float[] x, int channel, int channels, int from, int n) {
        DelayLine l = line[channel];
        double[] y = back[channel];
        double first = side(channel, channels, false);
        double other = side(channel, channels, true);
        for (int i = 0; i < n; i++) {
            float tap = second > 0 ? l.read(second) : 0;
            l.write(x[from + i] + feedback * y[i]);
            x[from + i] = (float) (dry * x[from + i] + wet * (first * y[i] + other * tap));
        }
    }

    /** The first tap leans to the left, the second to the right. */
    private double side(int channel, int channels, boolean secondTap) {
        if (second == 0 || channels == 1) return 1;
        return channel == 0 == secondTap ? 1 - spread : 1;
    }

    /** What comes back on one side in the next piece, cut and driven. */
    private void back(int c, int n) {
        double[] y = back[c];
        for (int i = 0; i < n; i++) y[i] = wow > 0 ? line[c].read(ago[i], i) : line[c].read(delay, i);
        if (cut[0]) low[c].process(y, n);
        if (cut[1]) high[c].process(y, n);
        if (drive > 0) for (int i = 0; i < n; i++) y[i] = SoftClip.of(drive * y[i]) / drive;
        for (int i = 0; i < n; i++) if (Math.abs(y[i]) < 1e-20) y[i] = 0;
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
