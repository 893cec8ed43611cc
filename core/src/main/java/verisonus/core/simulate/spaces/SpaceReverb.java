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

    private static final int PIECE = 256;
    private static final float NOTHING = 1e-18f;
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
    private final double[][] out = new double[8][PIECE];
    private final double[] shared = new double[PIECE];
    private final double[] delayed = new double[PIECE];
    private final double[] leftEarly = new double[PIECE];
    private final double[] rightEarly = new double[PIECE];

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
        for (int from = 0; from < frames;) {
            // No line returns what it hears in this piece before the piece is over: the lines can be gone through one by one.
            int n = Math.min(PIECE, frames - from);
            for (int k = 0; k < 8; k++) n = Math.min(n, lines[k].length - at[k]);
            hear(channels, from, n);
            turnRound(n);
            for (int i = 0; i < n; i++) {
                double left = 0.5f * tail * (out[0][i] - out[2][i] + out[4][i] - out[6][i]) + early * leftEarly[i];
                channels[0][from + i] = (float) (dry * channels[0][from + i] + wet * left);
            }
            if (channels.length == 2) {
                for (int i = 0; i < n; i++) {
                    double right = 0.5f * tail * (out[1][i] - out[3][i] + out[5][i] - out[7][i])
                            + early * rightEarly[i];
                    channels[1][from + i] = (float) (dry * channels[1][from + i] + wet * right);
                }
            }
            from += n;
        }
    }

    /** What comes in, cut to its band, later and smeared; and the early reflections of it. */
    private void hear(float[][] channels, int from, int n) {
        for (int i = 0; i < n; i++) {
            float in = channels.length == 2
                    ? 0.5f * (channels[0][from + i] + channels[1][from + i])
                    : channels[0][from + i];
            float later = preDelay.read(late);
            if (early > 0) {
                float l = 0;
                float r = 0;
                for (int k = 0; k < 8; k += 2) {
                    l += preDelay.read(earlyAgo[k]) / (1 + 0.25f * k);
                    r += preDelay.read(earlyAgo[k + 1]) / (1 + 0.25f * k);
                }
                leftEarly[i] = l;
                rightEarly[i] = r;
            }
            preDelay.write(high2.next(high.next(low.next(in))));
            for (AllPass a : smear) later = a.next(later);
            delayed[i] = later;
        }
    }

    /** One piece through all lines and the matrix. Work is in double, which the compiler knows apart from the lines. */
    private void turnRound(int n) {
        Arrays.fill(shared, 0, n, 0);
        for (int k = 0; k < 8; k++) {
            float[] line = lines[k];
            double[] o = out[k];
            double gain = gains[k];
            int first = at[k];
            for (int i = 0; i < n; i++) o[i] = gain * line[first + i];
        }
        for (double[] o : out) for (int i = 0; i < n; i++) shared[i] += 0.25 * o[i];
        for (int k = 0; k < 8; k++) {
            float[] line = lines[k];
            double[] o = out[k];
            int first = at[k];
            double sign = k % 2 == 0 ? 1 : -1;
            for (int i = 0; i < n; i++) {
                // What is lost in so small a number is nothing: a line that has died away does not go on in subnormal numbers.
                line[first + i] = (float) (sign * delayed[i] + o[i] - shared[i]) + NOTHING - NOTHING;
            }
            at[k] += n;
            if (at[k] == line.length) at[k] = 0;
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
