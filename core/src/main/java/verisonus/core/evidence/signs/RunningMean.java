package verisonus.core.evidence.signs;

/** Mean of a curve around each of its points; at the ends of what there is. */
public final class RunningMean {
    private RunningMean() {}

    /** @param half how many points to either side count */
    public static double[] of(double[] v, int half) {
        double[] sum = new double[v.length + 1];
        for (int i = 0; i < v.length; i++) sum[i + 1] = sum[i] + v[i];
        double[] out = new double[v.length];
        for (int i = 0; i < v.length; i++) {
            int from = Math.max(0, i - half);
            int to = Math.min(v.length, i + half + 1);
            out[i] = (sum[to] - sum[from]) / (to - from);
        }
        return out;
    }
}
