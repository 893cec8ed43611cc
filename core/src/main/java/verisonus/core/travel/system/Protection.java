package verisonus.core.travel.system;

/**
 * What a loudspeaker's electronics or cone do to loud passages: above a level at the ear the excess is divided by a ratio.
 *
 * @param thresholdDbSpl short-time level at the ear from which it holds back
 * @param ratio what an excess is divided by, above 1
 * @param attackS how fast it takes hold
 * @param releaseS how fast it lets go
 */
public record Protection(double thresholdDbSpl, double ratio, double attackS, double releaseS) {
    public Protection {
        if (!(ratio >= 1 && attackS > 0 && releaseS > 0 && Double.isFinite(thresholdDbSpl)))
            throw new IllegalArgumentException("ratio " + ratio + ", attack " + attackS + ", release " + releaseS);
    }

    /** Change of level at a level, dB, 0 or less. */
    public double gainDbAt(double levelDbSpl) {
        return Math.min(0, (thresholdDbSpl - levelDbSpl) * (1 - 1 / ratio));
    }
}
