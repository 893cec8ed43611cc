package verisonus.core.evidence.signs;

/**
 * The straight line nearest to part of a curve, by least squares.
 *
 * @param slope per index
 * @param atZero value at index 0
 * @param meanSquareError of the values it was fitted to
 */
public record StraightLine(double slope, double atZero, double meanSquareError) {
    /** @param to last index, included; after {@code from} */
    public static StraightLine through(double[] y, int from, int to) {
        double n = to - from + 1.0;
        double sx = 0;
        double sy = 0;
        double sxx = 0;
        double sxy = 0;
        for (int i = from; i <= to; i++) {
            sx += i;
            sy += y[i];
            sxx += (double) i * i;
            sxy += i * y[i];
        }
        double slope = (n * sxy - sx * sy) / (n * sxx - sx * sx);
        double atZero = (sy - slope * sx) / n;
        double error = 0;
        for (int i = from; i <= to; i++) error += Math.pow(y[i] - atZero - slope * i, 2) / n;
        return new StraightLine(slope, atZero, error);
    }
}
