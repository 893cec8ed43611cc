package verisonus.core.evidence.level;

import verisonus.core.sound.Bands;
import verisonus.core.sound.Sound;

/**
 * How is the energy spread over pitch? Welch's method into third octaves (IEC 61260-1). A band's trust is how far it
 * stands above the noise found by {@link NoiseEstimator}: none at the noise, full 12 dB above. Input: any rate; bands
 * above half the rate are left at the floor with no trust.
 *
 * <p>P. Welch, "The use of fast Fourier transform for the estimation of power spectra", IEEE Transactions on Audio and Electroacoustics
 * 15, 1967. Units: Hz, dB against the loudest band, trust 0 to 1. Silence: every band at the floor. Known error: a declared equalizer is
 * found within 0.05 dB a band.
 */
public final class SpectrumEstimator {
    /** Levels are held to this range, so that an empty band reads a number. */
    public static final double RANGE_DB = 90;
    private static final double FULL_TRUST_DB = 12;

    private SpectrumEstimator() {}

    public static SpectrumReading estimate(Sound sound, NoiseReading noise) {
        Bands bands = Bands.thirds(50, 16000);
        double[] power = bands.longTermPower(sound.mid(), sound.rateHz());
        double[] noisePower = bands.grouping(noise.fftSize(), sound.rateHz()).sum(noise.binPower());
        double[] centres = bands.centresHz();
        double[] level = levels(centres, power);
        double[] trust = new double[power.length];
        for (int b = 0; b < level.length; b++) {
            double over = 10 * Math.log10((power[b] + 1e-30) / (noisePower[b] + 1e-30));
            boolean readable = bands.highHz(b) < 0.5 * sound.rateHz() && level[b] > -70;
            trust[b] = readable ? Math.clamp(over / FULL_TRUST_DB, 0, 1) : 0;
        }
        return new SpectrumReading(centres, level, trust, centroid(centres, power), tilt(centres, level));
    }

    /** A reading of powers that were found otherwise, by band. */
    public static SpectrumReading reading(double[] centresHz, double[] power, double[] trust) {
        double[] level = levels(centresHz, power);
        return new SpectrumReading(centresHz, level, trust, centroid(centresHz, power), tilt(centresHz, level));
    }

    private static double[] levels(double[] centresHz, double[] power) {
        double reference = mean(centresHz, power, 80, 8000);
        double[] level = new double[power.length];
        for (int b = 0; b < level.length; b++)
            level[b] = Math.max(-RANGE_DB, 10 * Math.log10(power[b] / (reference + 1e-30) + 1e-20));
        return level;
    }

    private static double mean(double[] c, double[] power, double fromHz, double toHz) {
        double sum = 0;
        int n = 0;
        for (int b = 0; b < c.length; b++) {
            if (c[b] > fromHz * 0.95 && c[b] < toHz * 1.05) {
                sum += power[b];
                n++;
            }
        }
        return sum / n;
    }

    private static double centroid(double[] hz, double[] power) {
        double sum = 0;
        double weight = 0;
        for (int b = 0; b < hz.length; b++) {
            sum += power[b] * Math.log(hz[b]);
            weight += power[b];
        }
        return weight <= 0 ? 0 : Math.exp(sum / weight);
    }

    private static double tilt(double[] hz, double[] level) {
        double n = 0;
        double sx = 0;
        double sy = 0;
        double sxx = 0;
        double sxy = 0;
        for (int b = 0; b < hz.length; b++) {
            if (hz[b] < 95 || hz[b] > 8500) continue;
            double x = Math.log(hz[b]) / Math.log(2);
            n++;
            sx += x;
            sy += level[b];
            sxx += x * x;
            sxy += x * level[b];
        }
        return (n * sxy - sx * sy) / (n * sxx - sx * sx);
    }
}
