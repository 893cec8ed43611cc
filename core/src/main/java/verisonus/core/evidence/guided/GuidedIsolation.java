package verisonus.core.evidence.guided;

import verisonus.core.sound.Sound;

/**
 * The guitar of a recording, as far as a take of the same phrase tells what is the guitar's by time, band and place: its share in the
 * guided split, what rings rather than strikes, and where it stands between the sides make a soft mask. Input: both in time with each
 * other, any rate; output at {@value #RATE_HZ} Hz. Silence gives silence. What is masked is never taken out wholly: it would gurgle.
 */
public final class GuidedIsolation {
    static final int RATE_HZ = LaidSpectra.RATE_HZ;
    private static final double LEAST = 0.1;
    private static final double LOWEST_HZ = 70;
    private static final int PIECE = 60 * RATE_HZ;
    private static final int FADE = RATE_HZ / 4;

    private GuidedIsolation() {}

    /** What is left of a recording when the guitar's share is taken away; the same length, {@value #RATE_HZ} Hz. */
    public static Sound rest(Sound recording, Sound take) {
        Sound r = recording.atRate(RATE_HZ);
        Sound guitar = of(recording, take);
        float[][] out = new float[r.channels().length][];
        for (int c = 0; c < out.length; c++) {
            out[c] = r.channel(c).clone();
            float[] g = guitar.channel(c);
            for (int i = 0; i < Math.min(out[c].length, g.length); i++) out[c][i] -= g[i];
        }
        return new Sound(out, r.rateHz());
    }

    /** What is the guitar's; as many channels as the recording. Where the take does not play, next to nothing is. */
    public static Sound of(Sound recording, Sound take) {
        Sound whole = recording.atRate(RATE_HZ);
        Sound guide = take.atRate(RATE_HZ);
        TakeSpan span = TakeSpan.of(guide, whole.durationS());
        int from = (int) (span.fromS() * RATE_HZ);
        int to = Math.min(whole.frames(), (int) Math.ceil(span.toS() * RATE_HZ));
        Sound out = whole.gained(20 * Math.log10(LEAST));
        // Piece by piece, so that a song needs no more memory than a phrase.
        for (int at = from; at < to; at += PIECE) {
            int begin = Math.max(from, at - FADE);
            int end = Math.min(to, at + PIECE);
            Sound piece = of(LaidSpectra.of(whole.sliceFrames(begin, end),
                    guide.sliceFrames(Math.min(begin, guide.frames()), Math.min(end, guide.frames()))));
            for (int c = 0; c < out.channels().length; c++) lay(piece.channel(c), out.channel(c), begin, at > from);
        }
        return out;
    }

    private static void lay(float[] piece, float[] over, int at, boolean faded) {
        for (int i = 0; i < piece.length; i++) {
            float in = faded && i < FADE ? i / (float) FADE : 1;
            over[at + i] = (1 - in) * over[at + i] + in * piece[i];
        }
    }

    static Sound of(LaidSpectra laid) {
        return laid.isSilent() ? laid.sound() : of(laid, GuidedSplit.of(laid, GuidedSplit.Setting.SPARING), LEAST);
    }

    /**
     * @param share the guitar's of each cell, by a split
     * @param least what is left of anything
     */
    static Sound of(LaidSpectra laid, float[][] share, double least) {
        float[][] mask = new float[share.length][share[0].length];
        for (int t = 0; t < mask.length; t++) {
            for (int k = 0; k < mask[t].length; k++) {
                double guitar = Math.sqrt(share[t][k] * laid.ring()[t][k]) * laid.place()[t][k];
                mask[t][k] = (float) (below(k) * Math.max(least, guitar));
            }
        }
        return LaidSpectra.frames().through(laid.sound(), mask);
    }

    /** Nothing of a guitar lies under its lowest string. */
    private static double below(int bin) {
        double hz = Math.max(1, bin) * (double) RATE_HZ / LaidSpectra.frames().size();
        return 1 / (1 + Math.pow(LOWEST_HZ / hz, 8));
    }
}
