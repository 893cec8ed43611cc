package verisonus.core.search.colour;

import org.hipparchus.linear.Array2DRowRealMatrix;
import org.hipparchus.linear.ArrayRealVector;
import org.hipparchus.linear.CholeskyDecomposition;
import org.hipparchus.linear.RealMatrix;
import org.hipparchus.linear.RealVector;

/**
 * What of a level difference no smooth curve mends: its residual after a constant and nine broad bumps, evenly spread in pitch, have done
 * what they can. Blind to loudness and to anything smooth behind the last clipper.
 */
public final class FineColour {
    private static final int BUMPS = 9;
    private static final double OCTAVES = 0.55;
    private static final double RIDGE_PER_BAND = 0.02;

    private final RealMatrix basis;
    private final CholeskyDecomposition normal;

    public FineColour() {
        double[] hz = Features.LEVEL_BANDS.centresHz();
        basis = new Array2DRowRealMatrix(hz.length, BUMPS + 1);
        for (int b = 0; b < hz.length; b++) {
            basis.setEntry(b, 0, 1);
            for (int j = 0; j < BUMPS; j++) {
                double centre = hz[0] * Math.pow(hz[hz.length - 1] / hz[0], (j + 0.5) / BUMPS);
                double u = Math.log(hz[b] / centre) / Math.log(2) / OCTAVES;
                basis.setEntry(b, j + 1, Math.exp(-0.5 * u * u));
            }
        }
        RealMatrix n = basis.transpose().multiply(basis);
        for (int j = 0; j <= BUMPS; j++) n.addToEntry(j, j, RIDGE_PER_BAND * hz.length * (j == 0 ? 1e-6 : 1));
        normal = new CholeskyDecomposition(n, 1e-9, 1e-14);
    }

    /** RMS of what is left of a difference by compared band, dB. */
    public double rms(double[] difference) {
        RealVector d = new ArrayRealVector(difference, true);
        RealVector smooth = basis.operate(normal.getSolver().solve(basis.preMultiply(d)));
        double sum = 0;
        for (double v : d.subtract(smooth).toArray()) sum += v * v;
        return Math.sqrt(sum / difference.length);
    }
}
