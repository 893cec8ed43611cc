package verisonus.core.travel.system;

import java.util.Arrays;
import verisonus.core.sound.Bands;
import verisonus.core.sound.RealFft;
import verisonus.core.sound.Sound;

/** The response of a playback system from its impulse response: third octaves, 0 dB being the mean from 300 Hz to 3 kHz. */
public final class ImpulseResponseCurve {
    private static final double DEEPEST_DB = -90;

    private ImpulseResponseCurve() {}

    /** @param impulse one channel, or two whose powers are averaged */
    public static ResponseCurve of(Sound impulse) {
        int rateHz = impulse.rateHz();
        Bands bands = Bands.thirds(31.5, Math.min(16000, 0.4 * rateHz));
        int n = RealFft.sizeFor(Math.max(impulse.frames(), rateHz / 2));
        RealFft fft = new RealFft(n);
        Bands.Grouping grouping = bands.grouping(n, rateHz);
        float[] power = new float[n / 2 + 1];
        double[] sum = new double[bands.count()];
        for (float[] c : impulse.channels()) {
            float[] x = Arrays.copyOf(c, n);
            fft.forward(x);
            fft.power(x, power);
            grouping.addTo(power, sum);
        }
        double[] hz = bands.centresHz();
        double[] db = new double[hz.length];
        double middle = 0;
        int counted = 0;
        for (int b = 0; b < hz.length; b++) {
            double bins = (bands.highHz(b) - bands.lowHz(b)) / rateHz * n;
            db[b] = 10 * Math.log10(sum[b] / bins + 1e-20);
            if (hz[b] < 290 || hz[b] > 3200) continue;
            middle += db[b];
            counted++;
        }
        for (int b = 0; b < hz.length; b++) db[b] = Math.max(DEEPEST_DB, db[b] - middle / Math.max(1, counted));
        return new ResponseCurve(hz, db);
    }
}
