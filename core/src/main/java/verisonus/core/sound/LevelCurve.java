package verisonus.core.sound;

/** How the level runs: RMS of frames, dBFS. */
public final class LevelCurve {
    private LevelCurve() {}

    /** One value per hop, for frames that lie wholly inside. */
    public static double[] of(float[] x, int size, int hop) {
        int n = x.length < size ? 0 : (x.length - size) / hop + 1;
        double[] out = new double[n];
        for (int t = 0; t < n; t++) {
            double sum = 0;
            for (int i = t * hop; i < t * hop + size; i++) sum += (double) x[i] * x[i];
            out[t] = Decibels.fromPower(sum / size);
        }
        return out;
    }
}
