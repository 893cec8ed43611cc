package verisonus.bench.check;

import verisonus.core.sound.Sound;

/**
 * Integrated loudness by ITU-R BS.1770-5 annex 1, written from the standard's tables alone: the two filters as recursions at 48 kHz,
 * blocks of 400 ms with three quarters overlap, gates at −70 LUFS and 10 LU under the mean.
 */
final class OwnLoudness {
    private static final double[][] STAGES = {
            {1.53512485958697, -2.69169618940638, 1.19839281085285, -1.69065929318241, 0.73248077421585},
            {1.0, -2.0, 1.0, -1.99004745483398, 0.99007225036621}};

    private OwnLoudness() {}

    /** LUFS; NaN where nothing passes the gates. */
    static double of(Sound sound) {
        Sound s = sound.atRate(48_000);
        int block = 19_200;
        int hop = 4800;
        int blocks = Math.max(0, (s.frames() - block) / hop + 1);
        double[] power = new double[blocks];
        for (float[] c : s.channels()) {
            double[] x = weighted(c);
            for (int b = 0; b < blocks; b++) {
                double sum = 0;
                for (int i = b * hop; i < b * hop + block; i++) sum += x[i] * x[i];
                power[b] += sum / block;
            }
        }
        double first = mean(power, Math.pow(10, (-70 + 0.691) / 10));
        return -0.691 + 10 * Math.log10(mean(power, Math.max(Math.pow(10, (-70 + 0.691) / 10), first / 10)));
    }

    private static double mean(double[] power, double gate) {
        double sum = 0;
        int n = 0;
        for (double p : power) {
            if (p <= gate) continue;
            sum += p;
            n++;
        }
        return n == 0 ? Double.NaN : sum / n;
    }

    private static double[] weighted(float[] c) {
        double[] x = new double[c.length];
        for (int i = 0; i < x.length; i++) x[i] = c[i];
        for (double[] f : STAGES) {
            double x1 = 0;
            double x2 = 0;
            double y1 = 0;
            double y2 = 0;
            for (int i = 0; i < x.length; i++) {
                double y = f[0] * x[i] + f[1] * x1 + f[2] * x2 - f[3] * y1 - f[4] * y2;
                x2 = x1;
                x1 = x[i];
                y2 = y1;
                y1 = y;
                x[i] = y;
            }
        }
        return x;
    }
}
