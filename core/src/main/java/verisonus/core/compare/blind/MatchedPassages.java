package verisonus.core.compare.blind;

import java.util.OptionalDouble;
import verisonus.core.sound.LoudnessMeter;
import verisonus.core.sound.Sound;
import verisonus.core.work.InputFault;

/**
 * Two passages that a trial compares: as long as each other, as loud as each other to a tenth of a loudness unit over just what is
 * heard, faded alike at both ends, of one rate and as many channels, so that nothing but the sound tells them apart.
 *
 * @param first the record
 * @param second mine
 * @param leftLu what is left between their loudnesses, LU
 */
public record MatchedPassages(Sound first, Sound second, double leftLu) {
    private static final double FADE_S = 0.02;
    private static final double HEADROOM = 0.95;
    private static final double SAME = 1e-4;
    public static final double SHORTEST_S = 1;

    /** @throws InputFault where one is silent or too short, or both are the same */
    public static MatchedPassages of(Sound record, Sound mine) {
        Sound a = record.atRate(Sound.WORKING_RATE_HZ);
        Sound b = mine.atRate(Sound.WORKING_RATE_HZ);
        int frames = Math.min(a.frames(), b.frames());
        if (frames < SHORTEST_S * Sound.WORKING_RATE_HZ)
            throw new InputFault("the passage", "it is shorter than a second", "mark a longer one");
        boolean stereo = a.isStereo() || b.isStereo();
        a = shaped(a, frames, stereo);
        b = shaped(b, frames, stereo);
        OptionalDouble la = LoudnessMeter.integratedLufs(a);
        OptionalDouble lb = LoudnessMeter.integratedLufs(b);
        if (la.isEmpty() || lb.isEmpty())
            throw new InputFault(la.isEmpty() ? "the record" : "mine", "the passage is silent there",
                    "mark a passage in which both play");
        b = b.gained(la.getAsDouble() - lb.getAsDouble());
        double peak = Math.max(a.peak(), b.peak());
        if (peak > HEADROOM) {
            double down = 20 * Math.log10(HEADROOM / peak);
            a = a.gained(down);
            b = b.gained(down);
        }
        if (differ(a, b) < SAME)
            throw new InputFault("the two passages", "they are the same: there is nothing to tell apart",
                    "choose another candidate");
        double left = LoudnessMeter.integratedLufs(b).orElse(0) - LoudnessMeter.integratedLufs(a).orElse(0);
        return new MatchedPassages(a, b, left);
    }

    private static Sound shaped(Sound s, int frames, boolean stereo) {
        int fade = (int) (FADE_S * s.rateHz());
        float[][] out = new float[stereo ? 2 : 1][];
        for (int c = 0; c < out.length; c++) {
            float[] x = java.util.Arrays.copyOf(s.channel(Math.min(c, s.channels().length - 1)), frames);
            for (int i = 0; i < fade; i++) {
                float w = (float) (0.5 - 0.5 * Math.cos(Math.PI * i / fade));
                x[i] *= w;
                x[frames - 1 - i] *= w;
            }
            out[c] = x;
        }
        return new Sound(out, s.rateHz());
    }

    /** Largest difference of samples; a turned phase counts as a difference. */
    private static double differ(Sound a, Sound b) {
        double most = 0;
        for (int c = 0; c < a.channels().length; c++) {
            float[] x = a.channel(c);
            float[] y = b.channel(c);
            for (int i = 0; i < x.length; i++) most = Math.max(most, Math.abs(x[i] - y[i]));
        }
        return most;
    }
}
