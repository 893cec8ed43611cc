package verisonus.core.search;

import org.hipparchus.linear.Array2DRowRealMatrix;
import org.hipparchus.linear.CholeskyDecomposition;
import org.hipparchus.linear.MatrixUtils;
import org.hipparchus.linear.RealMatrix;
import verisonus.core.search.colour.Features;
import verisonus.core.sound.Biquad;

/**
 * What follows the last clipper, in closed form. For a level difference D the error of curve k is
 * min over loudness c and EQ gains e of mean w·(D − C_k − c − B·e)² + ridge·Σe². With S the ridge regression onto
 * X = [1, B] that is |A·(D − C_k)|², A = [√(w/Σw)·(I − X·S); √ridge·S_e], so that a render is scored against thousands
 * of curves by one product (variable projection; G. H. Golub, V. Pereyra, SIAM J. Numer. Anal. 1973).
 */
public final class LinearPart {
    private static final double[] EQ_HZ = {110, 300, 900, 2600, 6000};

    private final RealMatrix a;
    private final CurveDictionary dictionary;
    private final double[][] projected;
    private final double[] norms;

    /**
     * @param weight trust by compared band, 0 to 1
     * @param ridge how much mean-square error, dB², a decibel in one EQ band must buy
     */
    LinearPart(CurveDictionary dictionary, double[] weight, double ridge) {
        this.dictionary = dictionary;
        a = projection(weight, ridge);
        projected = new double[dictionary.size()][];
        norms = new double[dictionary.size()];
        for (int k = 0; k < dictionary.size(); k++) {
            projected[k] = a.operate(dictionary.curve(k));
            for (double v : projected[k]) norms[k] += v * v;
        }
    }

    /** What remains of a difference when loudness and a gentle equalizer have done what they can; squares add to dB². */
    public static RealMatrix projection(double[] weight, double ridge) {
        double[] hz = Features.LEVEL_BANDS.centresHz();
        int n = hz.length;
        int m = EQ_HZ.length + 1;
        RealMatrix x = new Array2DRowRealMatrix(n, m);
        double total = 0;
        for (double w : weight) total += w;
        for (int b = 0; b < n; b++) {
            x.setEntry(b, 0, 1);
            for (int j = 0; j < EQ_HZ.length; j++) x.setEntry(b, j + 1, eqShape(j).gainDbAt(hz[b], 48000));
        }
        RealMatrix xw = x.copy();
        for (int b = 0; b < n; b++) xw.setRowVector(b, xw.getRowVector(b).mapMultiply(weight[b] / total));
        RealMatrix normal = x.transpose().multiply(xw);
        for (int j = 1; j < m; j++) normal.addToEntry(j, j, ridge);
        RealMatrix s = new CholeskyDecomposition(normal, 1e-9, 1e-14).getSolver().solve(xw.transpose());
        RealMatrix left = MatrixUtils.createRealIdentityMatrix(n).subtract(x.multiply(s));
        RealMatrix out = new Array2DRowRealMatrix(n + EQ_HZ.length, n);
        for (int b = 0; b < n; b++) out.setRowVector(b, left.getRowVector(b).mapMultiply(Math.sqrt(weight[b] / total)));
        for (int j = 0; j < EQ_HZ.length; j++)
            out.setRowVector(n + j, s.getRowVector(j + 1).mapMultiply(Math.sqrt(ridge)));
        return out;
    }

    private static Biquad eqShape(int band) {
        if (band == 0) return Biquad.lowShelf(EQ_HZ[0], 1, 48000);
        if (band == EQ_HZ.length - 1) return Biquad.highShelf(EQ_HZ[band], 1, 48000);
        return Biquad.peak(EQ_HZ[band], 1, 0.9, 48000);
    }

    /** The best curve for a level difference reference less render, dB by compared band. */
    int bestCurve(double[] difference) {
        double[] d = a.operate(difference);
        int best = 0;
        double bestError = Double.MAX_VALUE;
        for (int k = 0; k < norms.length; k++) {
            double dot = 0;
            double[] c = projected[k];
            for (int i = 0; i < d.length; i++) dot += c[i] * d[i];
            double e = norms[k] - 2 * dot + dictionary.habit(k);
            if (e < bestError) {
                bestError = e;
                best = k;
            }
        }
        return best;
    }

    /** Residuals with one curve; their squares add to the error in dB². */
    double[] residuals(double[] difference, int curve) {
        double[] d = a.operate(difference);
        double[] r = java.util.Arrays.copyOf(d, d.length + 1);
        for (int i = 0; i < d.length; i++) r[i] -= projected[curve][i];
        r[d.length] = Math.sqrt(dictionary.habit(curve));
        return r;
    }

    CurveDictionary dictionary() {
        return dictionary;
    }
}
