package verisonus.core.simulate;

import java.util.Arrays;
import verisonus.core.rig.Block;
import verisonus.core.sound.Biquad;

/**
 * Feedback delay network of eight lines with a Householder matrix (J.-M. Jot, A. Chaigne, "Digital delay networks for
 * designing artificial reverberators", AES 90, 1991); each line's gain gives the same decay time; its input is cut to
 * a band so that the decay within the band is even.
 */
final class HallReverb implements Processor {
    private static final double[] LINES_MS = {29.3, 34.7, 40.1, 44.9, 51.7, 58.3, 66.1, 74.3};

    private final float[][] lines = new float[8][];
    private final int[] at = new int[8];
    private final float[] gains = new float[8];
    private final float[] preDelay;
    private int preAt;
    private final Biquad.Section low;
    private final Biquad.Section high;
    private final Biquad.Section high2;
    private final float dry;
    private final float wet;
    private final float[] out = new float[8];

    HallReverb(Block block, double rateHz) {
        double decayS = block.get("decay");
        double energy = 0;
        for (int i = 0; i < 8; i++) {
            int n = (int) Math.round(LINES_MS[i] / 1000 * rateHz) | 1;
            lines[i] = new float[n];
            gains[i] = (float) Math.pow(10, -3 * n / (rateHz * decayS));
            energy += 1 / (1 - gains[i] * gains[i]) / 8;
        }
        preDelay = new float[(int) Math.max(1, Math.round(block.get("pre-delay") / 1000 * rateHz))];
        low = new Biquad.Section(Biquad.onePoleHighPass(block.get("low cut"), rateHz));
        high = new Biquad.Section(Biquad.onePoleLowPass(block.get("high cut"), rateHz));
        high2 = new Biquad.Section(Biquad.onePoleLowPass(block.get("high cut"), rateHz));
        dry = (float) MixLaw.dry(block.get("mix"));
        // At full wet the tail carries about the energy of the dry sound, whatever the decay.
        wet = (float) (MixLaw.wet(block.get("mix")) / Math.sqrt(energy) / 1.2);
    }

    @Override
    public void process(float[][] channels, int frames) {
        for (int i = 0; i < frames; i++) {
            float in = channels.length == 2 ? 0.5f * (channels[0][i] + channels[1][i]) : channels[0][i];
            float delayed = preDelay[preAt];
            preDelay[preAt] = (float) high2.next(high.next(low.next(in)));
            if (++preAt == preDelay.length) preAt = 0;
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
            float left = 0.5f * (out[0] - out[2] + out[4] - out[6]);
            float right = 0.5f * (out[1] - out[3] + out[5] - out[7]);
            channels[0][i] = dry * channels[0][i] + wet * left;
            if (channels.length == 2) channels[1][i] = dry * channels[1][i] + wet * right;
        }
    }

    @Override
    public void reset() {
        for (float[] l : lines) Arrays.fill(l, 0);
        Arrays.fill(preDelay, 0);
        low.reset();
        high.reset();
        high2.reset();
    }
}
