package verisonus.core.compare;

import java.util.Arrays;
import verisonus.core.sound.Sound;

/**
 * How far a tone holds playing back: 1 less the slope of its level against the dry take's, frame by frame, where the take is
 * within 30 dB of its loudest. 0: every dB played comes out; towards 1: it is all as loud. What is linear and steady does not
 * change it, so amps and drives of any colour can be brought to the same.
 */
public final class Driven {
    private static final int FRAME = 2400;
    private static final double RANGE_DB = 30;

    private Driven() {}

    public static double of(Sound dry, Sound played) {
        double[] x = levels(dry);
        double[] y = levels(played);
        int n = Math.min(x.length, y.length);
        double top = Arrays.stream(x).max().orElse(0);
        double count = 0;
        double mx = 0;
        double my = 0;
        for (int i = 0; i < n; i++) {
            if (x[i] < top - RANGE_DB) continue;
            count++;
            mx += x[i];
            my += y[i];
        }
        if (count < 3) return 0;
        double xy = 0;
        double xx = 1e-9;
        for (int i = 0; i < n; i++) {
            if (x[i] < top - RANGE_DB) continue;
            xy += (x[i] - mx / count) * (y[i] - my / count);
            xx += (x[i] - mx / count) * (x[i] - mx / count);
        }
        return 1 - xy / xx;
    }

    private static double[] levels(Sound s) {
        float[] x = s.mid();
        double[] out = new double[x.length / FRAME];
        for (int f = 0; f < out.length; f++) {
            double sum = 1e-12;
            for (int i = f * FRAME; i < (f + 1) * FRAME; i++) sum += (double) x[i] * x[i];
            out[f] = 10 * Math.log10(sum / FRAME);
        }
        return out;
    }
}
