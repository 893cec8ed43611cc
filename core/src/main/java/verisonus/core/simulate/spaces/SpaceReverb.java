package verisonus.core.simulate.spaces;

import java.util.Arrays;
import verisonus.core.rig.Block;
import verisonus.core.rig.ControlNames;
import verisonus.core.rig.MixLaw;
import verisonus.core.rig.Voice;
import verisonus.core.simulate.parts.DelayLine;
import verisonus.core.simulate.parts.Processor;
import verisonus.core.sound.Biquad;

/**
 * Feedback delay network of eight lines with a Householder matrix (J.-M. Jot, A. Chaigne, "Digital delay networks for
 * designing artificial reverberators", AES 90, 1991); each line's gain gives the same decay time; its input is cut to a band so
 * that the decay within the band is even, and smeared by all-passes (M. R. Schroeder, 1962) where it is to be dense. A room and
 * an ambience hear early reflections before it. What differs between spaces is a table.
 */
public final class SpaceReverb implements Processor {
    /** Line lengths against the hall's, smear, level of early reflections, level of the late tail. */
    private enum Shape {
        HALL(1, 0, 0, 1),
        ROOM(0.42, 0.5, 0.7, 0.9),
        PLATE(0.6, 0.7, 0, 1),
        AMBIENCE(0.3, 0.4, 1, 0.5);

        private final double size;
        private final double smear;
        private final double early;
        private final double late;

        Shape(double size, double smear, double early, double late) {
            this.size = size;
            this.smear = smear;
            this.early = early;
            this.late = late;
        }
    }

    private static final double[] LINES_MS = {29.3, 34.7, 40.1, 44.9, 51.7, 58.3, 66.1, 74.3};
    private static final double[] EARLY_MS = {3.1, 5.3, 7.9, 11.3, 14.9, 19.7, 25.1, 31.3};
    private static final double[] SMEAR_MS = {2.3, 4.1, 6.7, 9.1};

    private final float[][] lines = new float[8][];
    private final int[] at = new int[8];
    private final float[] gains = new float[8];
    private final DelayLine preDelay;
    private final int late;
    private final int[] earlyAgo = new int[8];
    private final float early;
    private final AllPass[] smear;
    private final Biquad.Section low;
    private final Biquad.Section high;
    private final Biquad.Section high2;
    private final float dry;
    private final float wet;
    private final float tail;
    private final float[] out = new float[8];

    public SpaceReverb(Block block, Voice.Space voice, double rateHz) {
        Shape shape = switch (voice) {
            case HALL -> Shape.HALL;
            case ROOM -> Shape.ROOM;
            case PLATE -> Shape.PLATE;
            case AMBIENCE -> Shape.AMBIENCE;
        };
        double decayS = block.get(ControlNames.DECAY);
        double energy = 0;
        for (int i = 0; i < 8; i++) {
            int n = (int) Math.round(shape.size * LINES_MS[i] / 1000 * rateHz) | 1;
            lines[i] = new float[n];
            gains[i] = (float) Math.pow(10, -3 * n / (rateHz * decayS));
            energy += 1 / (1 - gains[i] * gains[i]) / 8;
        }
        late = (int) Math.max(1, Math.round(block.get(ControlNames.PRE_DELAY) / 1000 * rateHz));
        preDelay = new DelayLine(late + (int) (0.04 * rateHz));
        for (int i = 0; i < 8; i++) earlyAgo[i] = late + (int) Math.round(EARLY_MS[i] / 1000 * rateHz);
        double amount = Math.max(shape.smear, block.get(ControlNames.DENSITY) / 100 * 0.75);
        smear = new AllPass[amount > 0 ? SMEAR_MS.length : 0];
        for (int i = 0; i < smear.length; i++)
            smear[i] = new AllPass((int) Math.round(SMEAR_MS[i] / 1000 * rateHz) | 1, amount);
        low = new Biquad.Section(Biquad.onePoleHighPass(block.get(ControlNames.LOW_CUT), rateHz));
        high = new Biquad.Section(Biquad.onePoleLowPass(block.get(ControlNames.HIGH_CUT), rateHz));
        high2 = new Biquad.Section(Biquad.onePoleLowPass(block.get(ControlNames.HIGH_CUT), rateHz));
        dry = block.get(ControlNames.DRY) > 0.5 ? 0 : (float) MixLaw.of(block).dry(block.get(ControlNames.MIX));
        wet = (float) MixLaw.of(block).wet(block.get(ControlNames.MIX));
        // At full wet the tail carries about the energy of the dry sound, whatever the decay.
        tail = (float) (shape.late / Math.sqrt(energy) / 1.2);
        early = (float) (0.35 * shape.early);
    }

    @Override
    public boolean widens() {
        return true;
    }

    @Override
    public void process(float[][] channels, int frames) {
        for (int i = 0; i < frames; i++) {
            float in = channels.length == 2 ? 0.5f * (channels[0][i] + channels[1][i]) : channels[0][i];
            float delayed = preDelay.read(late);
            float leftEarly = 0;
            float rightEarly = 0;
            if (early > 0) {
                for (int k = 0; k < 8; k += 2) {
                    leftEarly += preDelay.read(earlyAgo[k]) / (1 + 0.25f * k);
                    rightEarly += preDelay.read(earlyAgo[k + 1]) / (1 + 0.25f * k);
                }
            }
            preDelay.write(high2.next(high.next(low.next(in))));
            for (AllPass a : smear) delayed = a.next(delayed);
            float sum = 0;
            for (int k = 0; k < 8; k++) {
                out[k] = gains[k] * lines[k][at[k]];
                sum += out[k];
            }
            float shared = 0.25f * sum;
            for (int k = 0; k < 8; k++) {
                float v = (k % 2 == 0 ? delayed : -delayed) + out[k] - shared;
                lines[k][at[k]] = Math.abs(v) < 1e-20f ? 0 : v;
                if (++at[k] == lines[k].length) at[k] = 0;
            }
            float left = 0.5f * tail * (out[0] - out[2] + out[4] - out[6]) + early * leftEarly;
            float right = 0.5f * tail * (out[1] - out[3] + out[5] - out[7]) + early * rightEarly;
            channels[0][i] = dry * channels[0][i] + wet * left;
            if (channels.length == 2) channels[1][i] = dry * channels[1][i] + wet * right;
        }
    }

    @Override
    public void reset() {
        for (float[] l : lines) Arrays.fill(l, 0);
        preDelay.reset();
        for (AllPass a : smear) a.reset();
        low.reset();
        high.reset();
        high2.reset();
    }

    /** Schroeder's: all frequencies alike, smeared in time. */
    private static final class AllPass {
        private final float[] line;
        private final float amount;
        private int at;

        AllPass(int samples, double amount) {
            line = new float[samples];
            this.amount = (float) amount;
        }

        float next(float x) {
            float back = line[at];
            float v = x + amount * back;
            line[at] = Math.abs(v) < 1e-20f ? 0 : v;
            if (++at == line.length) at = 0;
            return back - amount * v;
        }

        void reset() {
            Arrays.fill(line, 0);
        }
    }
}
