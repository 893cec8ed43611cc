package verisonus.core.simulate.spaces;

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
        for (int i = 0; i < frames; i++) {
            float in = channels.length == 2 ? 0.5f * (channels[0][i] + channels[1][i]) : channels[0][i];
            double delayed = preDelay.read(late);
            preDelay.write(high.next(low.next(in)));
            double a = springs[0].next(delayed);
            double b = springs[1].next(delayed);
            channels[0][i] = (float) (dry * channels[0][i] + wet * (0.8 * a + 0.4 * b));
            if (channels.length == 2) channels[1][i] = (float) (dry * channels[1][i] + wet * (0.4 * a + 0.8 * b));
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
        private final double[] past = new double[CHAIN * STRETCH];
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

        double next(double in) {
            double v = in + gain * line.read(round);
            for (int k = 0; k < CHAIN; k++) {
                int i = k * STRETCH + at;
                double before = past[i];
                double w = v - BEND * before;
                past[i] = Math.abs(w) < 1e-25 ? 0 : w;
                v = BEND * w + before;
            }
            if (++at == STRETCH) at = 0;
            line.write(v);
            return make * v;
        }

        void reset() {
            java.util.Arrays.fill(past, 0);
            line.reset();
            at = 0;
        }
    }
}
