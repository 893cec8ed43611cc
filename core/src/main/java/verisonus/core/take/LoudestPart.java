package verisonus.core.take;

import verisonus.core.sound.Sound;

/** Where a take is loudest: of a long one a part is enough to judge a chain by. Seconds. */
public record LoudestPart(double fromS, double toS) {
    private static final double STEP_S = 1;

    /** The loudest stretch of this length; all of a take that is no longer. */
    public static LoudestPart of(Sound take, double lengthS) {
        LoudestPart loudest = new LoudestPart(0, Math.min(lengthS, take.durationS()));
        double most = -1;
        for (double s = 0; s + lengthS <= take.durationS(); s += STEP_S) {
            double rms = take.slice(s, s + lengthS).rms();
            if (rms > most) {
                most = rms;
                loudest = new LoudestPart(s, s + lengthS);
            }
        }
        return loudest;
    }

    /** This stretch of a take, or of another that runs beside it. */
    public Sound cut(Sound take) {
        return take.slice(fromS, toS);
    }
}
