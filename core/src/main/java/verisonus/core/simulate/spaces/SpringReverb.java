package verisonus.core.simulate.spaces;

import java.util.Arrays;
import verisonus.core.rig.Block;
import verisonus.core.rig.ControlNames;
import verisonus.core.rig.MixLaw;
import verisonus.core.simulate.parts.DelayLine;
import verisonus.core.simulate.parts.Processor;
import verisonus.core.sound.Biquad;

/**
 * Two springs: a pulse runs down and up a loop, and low frequencies run quicker than high ones, which a chain of stretched
 * first-order all-passes does (J. S. Abel, D. P. Berners, S. Costello, J. O. Smith, "Spring reverb emulation using dispersive
 * allpass filters in a waveguide structure", AES 121, 2006). The loop's gain gives the decay.
 */
public final class SpringReverb implements Processor {
    private static final double[] ROUND_MS = {41, 56};
    private static final int CHAIN = 60;
    private static final int STRETCH = 4;
    private static final double BEND = 0.62;
    private static final double TOP_HZ = 4300;
    private static final int PIECE = 256;

    private final double[] delayed = new double[PIECE];
    private final Spring[] springs = new Spring[2];
    private final DelayLine preDelay;
    private final int late;
    private final Biquad.Section low;
    private final Biquad.Section high;
    private final float dry;
    private final float wet;

    public SpringReverb(Block block, double rateHz) {
        for (int k = 0; k < 2; k++) springs[k] = new Spring(ROUND_MS[k] / 1000, block.get(ControlNames.DECAY), rateHz);
        late = (int) Math.max(1, Math.round(block.get(ControlNames.PRE_DELAY) / 1000 * rateHz));
        preDelay = new DelayLine(late);
        low = new Biquad.Section(Biquad.onePoleHighPass(block.get(ControlNames.LOW_CUT), rateHz));
        high = new Biquad.Section(Biquad.lowPass(Math.min(TOP_HZ, block.get(ControlNames.HIGH_CUT)), 0.7, rateHz));
        dry = block.get(ControlNames.DRY) > 0.5 ? 0 : (float) MixLaw.of(block).dry(block.get(ControlNames.MIX));
        wet = (float) MixLaw.of(block).wet(block.get(ControlNames.MIX));
    }

    @Override
    public boolean widens() {
        return true;
    }

    @Override
    public void process(float[][] channels, int frames) {
        for (int from = 0; from < frames; from += PIECE) {
            int n = Math.min(PIECE, frames - from);
            for (int i = 0; i < n; i++) {
                float in = channels.length == 2
                        ? 0.5f * (channels[0][from + i] + channels[1][from + i])
                        : channels[0][from + i];
                delayed[i] = preDelay.read(late);
                preDelay.write(high.next(low.next(in)));
            }
            double[] a = springs[0].process(delayed, n);
            double[] b = springs[1].process(delayed, n);
            for (int c = 0; c < channels.length; c++) {
                double near = c == 0 ? 0.8 : 0.4;
                for (int i = 0; i < n; i++)
                    channels[c][from + i] = (float) (dry * channels[c][from + i] + wet
                            * (near * a[i] + (1.2 - near) * b[i]));
            }
        }
    }

    @Override
    public void reset() {
        for (Spring s : springs) s.reset();
        preDelay.reset();
        low.reset();
        high.reset();
    }

    private static final class Spring {
        private final double[][] past = new double[CHAIN][STRETCH];
        private final double[] x = new double[PIECE];
        private final DelayLine line;
        private final int round;
        private final double gain;
        private final double make;
        private int at;

        Spring(double roundS, double decayS, double rateHz) {
            // At the bottom each all-pass delays by STRETCH·(1 − a)/(1 + a) samples.
            double dispersed = CHAIN * STRETCH * (1 - BEND) / (1 + BEND);
            round = (int) Math.round(roundS * rateHz - dispersed);
            line = new DelayLine(round);
            gain = -Math.pow(10, -3 * (round + meanDispersion(rateHz)) / rateHz / decayS);
            make = Math.sqrt(1 - gain * gain) * 2;
        }

        /** Samples by which the all-passes delay, mean from 200 Hz to 4 kHz: what a round takes. */
        private static double meanDispersion(double rateHz) {
            double sum = 0;
            int points = 17;
            for (int i = 0; i < points; i++) {
                double w = 2 * Math.PI * (200 + 3800.0 * i / (points - 1)) / rateHz;
                sum += CHAIN * STRETCH * (1 - BEND * BEND) / (1 + 2 * BEND * Math.cos(STRETCH * w) + BEND * BEND);
            }
            return sum / points;
        }

        /** A piece shorter than a round, through the all-passes one by one; good until asked again. */
        double[] process(double[] in, int n) {
            for (int i = 0; i < n; i++) x[i] = in[i] + gain * line.read(round, i);
            for (int k = 0; k < CHAIN; k++) disperse(past[k], n);
            at = (at + n) % STRETCH;
            for (int i = 0; i < n; i++) line.write(x[i]);
            for (int i = 0; i < n; i++) x[i] *= make;
            return x;
        }

        /** One all-pass over four samples: four neighbours have nothing to do with each other. */
        private void disperse(double[] state, int n) {
            double p = state[at];
            double q = state[(at + 1) % STRETCH];
            double r = state[(at + 2) % STRETCH];
            double s = state[(at + 3) % STRETCH];
            int i = 0;
            for (; i + 3 < n; i += STRETCH) {
                double a = x[i] - BEND * p;
                double b = x[i + 1] - BEND * q;
                double c = x[i + 2] - BEND * r;
                double d = x[i + 3] - BEND * s;
                x[i] = BEND * a + p;
                x[i + 1] = BEND * b + q;
                x[i + 2] = BEND * c + r;
                x[i + 3] = BEND * d + s;
                p = a;
                q = b;
                r = c;
                s = d;
            }
            state[at] = settled(p);
            state[(at + 1) % STRETCH] = settled(q);
            state[(at + 2) % STRETCH] = settled(r);
            state[(at + 3) % STRETCH] = settled(s);
            for (int k = at; i < n; i++, k = (k + 1) % STRETCH) {
                double a = x[i] - BEND * state[k];
                x[i] = BEND * a + state[k];
                state[k] = a;
            }
        }

        private static double settled(double v) {
            return Math.abs(v) < 1e-25 ? 0 : v;
        }

        void reset() {
            for (double[] p : past) Arrays.fill(p, 0);
            line.reset();
            at = 0;
        }
    }
}
