package verisonus.core.evidence.study;

import java.util.Arrays;
import verisonus.core.sound.Stft;

/**
 * What long windows show under the guitar's lowest string, frame by frame.
 *
 * @param stepS from frame to frame
 * @param strongest level of the strongest line from {@value #LOWEST_LINE_HZ} to {@value #HIGHEST_LINE_HZ} Hz, dB
 * @param outDb how far it stands out of what lies around it
 * @param lowestOctave octaves over {@value #LOWEST_LINE_HZ} Hz of the lowest partial near the strongest
 * @param sub power under the lowest string
 */
record LowLines(double stepS, double[] strongest, double[] outDb, double[] lowestOctave, double[] sub) {
    private static final double FLOOR = 1e-13;
    private static final double[] SUB_HZ = {28, 66};
    private static final double LOWEST_LINE_HZ = 30;
    private static final double HIGHEST_LINE_HZ = 76;

    /** @param scale by which power is brought to a usual level */
    static LowLines of(float[] x, int rateHz, int size, double scale) {
        Stft stft = new Stft(size, size / 4);
        int n = stft.frames(x.length);
        LowLines out = new LowLines((double) stft.hop() / rateHz, new double[n], new double[n], new double[n],
                new double[n]);
        float[] buffer = new float[size];
        float[] power = new float[size / 2 + 1];
        double width = (double) rateHz / size;
        int from = (int) Math.ceil(LOWEST_LINE_HZ / width);
        int to = (int) (HIGHEST_LINE_HZ / width);
        float[] around = new float[(int) (110 / width) - (int) (28 / width)];
        for (int t = 0; t < n; t++) {
            stft.frame(x, t, buffer, power);
            for (int k = 0; k < power.length; k++) power[k] *= (float) scale;
            double top = FLOOR;
            for (int k = from; k <= to; k++) top = Math.max(top, power[k]);
            System.arraycopy(power, (int) (28 / width), around, 0, around.length);
            Arrays.sort(around);
            out.strongest[t] = db(top);
            // Short windows would take the lowest string for something under it.
            for (int k = (int) Math.ceil(SUB_HZ[0] / width); k * width < SUB_HZ[1]; k++)
                out.sub[t] += power[k];
            out.outDb[t] = db(top) - db(around[around.length / 2] + FLOOR);
            out.lowestOctave[t] = lowest(power, width);
        }
        return out;
    }

    /** Octaves over 30 Hz of the lowest partial within 25 dB of the strongest under 2.5 kHz. */
    private static double lowest(float[] power, double width) {
        int to = (int) (2500 / width);
        double top = FLOOR;
        for (int k = (int) (LOWEST_LINE_HZ / width); k < to; k++) top = Math.max(top, power[k]);
        for (int k = (int) Math.ceil(LOWEST_LINE_HZ / width); k < to; k++) {
            if (power[k] > top * 0.0032 && power[k] >= power[k - 1] && power[k] >= power[k + 1])
                return Math.log(k * width / LOWEST_LINE_HZ) / Math.log(2);
        }
        return 0;
    }

    private int at(int i, double offsetS) {
        return Math.clamp(Math.round(((i + 0.5) * AloneFeatures.STEP_S + offsetS) / stepS - 2), 0,
                strongest.length - 1);
    }

    double subDb(int i, double halfS) {
        double sum = 0;
        int from = at(i, -halfS);
        int to = at(i, halfS);
        for (int t = from; t <= to; t++) sum += sub[t] / (to - from + 1);
        return db(sum);
    }

    double strongestDb(int i, double halfS) {
        double out = -200;
        for (int t = at(i, -halfS); t <= at(i, halfS); t++) out = Math.max(out, strongest[t]);
        return out;
    }

    double standsOutDb(int i) {
        double out = 0;
        for (int t = at(i, -0.5); t <= at(i, 0.5); t++) out = Math.max(out, outDb[t]);
        return out;
    }

    double lowest(int i) {
        double[] v = Arrays.copyOfRange(lowestOctave, at(i, -0.75), at(i, 0.75) + 1);
        Arrays.sort(v);
        return v[(int) (0.15 * (v.length - 1))];
    }

    private static double db(double power) {
        return 10 * Math.log10(power + FLOOR);
    }
}
