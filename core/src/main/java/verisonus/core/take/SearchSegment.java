package verisonus.core.take;

/**
 * The part of a phrase that is searched on: the busiest few seconds that hold loud and soft playing, with half a second
 * before it to warm up.
 *
 * @param from first sample that is scored
 * @param to after the last
 * @param warmUp samples before {@code from} that are rendered and not scored
 */
public record SearchSegment(int from, int to, int warmUp) {
    private static final double WARM_UP_S = 0.5;

    public static SearchSegment of(float[] x, int rateHz, double lengthS) {
        int length = (int) Math.min(x.length, lengthS * rateHz);
        int best = 0;
        double bestScore = -1;
        for (int at = 0; at + length <= x.length; at += rateHz / 4) {
            double score = liveliness(x, at, at + length, rateHz);
            if (score > bestScore) {
                bestScore = score;
                best = at;
            }
        }
        return new SearchSegment(best, best + length, (int) Math.min(best, WARM_UP_S * rateHz));
    }

    /** Sum of level changes between frames of 20 ms, within 40 dB of the top. */
    private static double liveliness(float[] x, int from, int to, int rateHz) {
        int n = rateHz / 50;
        double last = -40;
        double sum = 0;
        for (int at = from; at + n <= to; at += n) {
            double e = 1e-4;
            for (int i = at; i < at + n; i++) e += (double) x[i] * x[i] / n;
            double db = 10 * Math.log10(e);
            sum += Math.abs(db - last);
            last = db;
        }
        return sum;
    }

    public float[] cut(float[] x) {
        return java.util.Arrays.copyOfRange(x, from - warmUp, to);
    }

    public float[] cutScored(float[] x) {
        return java.util.Arrays.copyOfRange(x, from, to);
    }
}
