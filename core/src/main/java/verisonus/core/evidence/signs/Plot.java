package verisonus.core.evidence.signs;

import java.util.Arrays;

/**
 * Data of a small plot that shows why a finding was made.
 *
 * @param title what is drawn, as a short phrase
 * @param xUnit unit of the horizontal axis
 * @param x positions, ascending
 * @param y values, as many as positions
 * @param marksX positions that the finding rests on
 */
public record Plot(String title, String xUnit, double[] x, double[] y, double[] marksX) {
    public Plot {
        if (x.length != y.length) throw new IllegalArgumentException("plot of " + x.length + " by " + y.length);
        x = x.clone();
        y = y.clone();
        marksX = marksX.clone();
    }

    /** The same curve with at most this many points, each the largest of those it stands for. */
    public Plot thinnedTo(int points) {
        if (x.length <= points) return this;
        double[] px = new double[points];
        double[] py = new double[points];
        for (int i = 0; i < points; i++) {
            int from = (int) ((long) i * x.length / points);
            int to = Math.max(from + 1, (int) ((long) (i + 1) * x.length / points));
            px[i] = x[(from + to) / 2];
            py[i] = Arrays.stream(y, from, to).max().orElse(0);
        }
        return new Plot(title, xUnit, px, py, marksX);
    }
}
