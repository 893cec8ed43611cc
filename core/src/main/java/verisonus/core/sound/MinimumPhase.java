package verisonus.core.sound;

/**
 * Impulse response of least delay for a given magnitude: fold the cepstrum (A. V. Oppenheim, R. W. Schafer,
 * "Discrete-Time Signal Processing", homomorphic filtering).
 */
public final class MinimumPhase {
    private MinimumPhase() {}

    /**
     * @param magnitudeDb gain of bins 0 to n/2, n a power of two
     * @param taps length of the response kept, at most n
     */
    public static float[] impulse(double[] magnitudeDb, int taps) {
        int n = 2 * (magnitudeDb.length - 1);
        RealFft fft = new RealFft(n);
        double[] c = new double[n];
        double ln = Math.log(10) / 20;
        c[0] = magnitudeDb[0] * ln;
        c[1] = magnitudeDb[n / 2] * ln;
        for (int k = 1; k < n / 2; k++) c[2 * k] = magnitudeDb[k] * ln;
        fft.inverse(c);
        for (int i = 1; i < n / 2; i++) {
            c[i] *= 2;
            c[n - i] = 0;
        }
        fft.forward(c);
        c[0] = Math.exp(c[0]);
        c[1] = Math.exp(c[1]);
        for (int k = 1; k < n / 2; k++) {
            double m = Math.exp(c[2 * k]);
            double p = c[2 * k + 1];
            c[2 * k] = m * Math.cos(p);
            c[2 * k + 1] = m * Math.sin(p);
        }
        fft.inverse(c);
        float[] h = new float[taps];
        int fade = taps / 4;
        for (int i = 0; i < taps; i++) {
            double w = i < taps - fade ? 1 : 0.5 + 0.5 * Math.cos(Math.PI * (i - taps + fade) / fade);
            h[i] = (float) (c[i] * w);
        }
        return h;
    }
}
