package verisonus.core.evidence.study;

import verisonus.core.evidence.signs.HarmonicPart;
import verisonus.core.sound.Bands;
import verisonus.core.sound.Sound;

/**
 * Does the guitar stand alone, and which bands are its own where it does not? Company is the share of the sounding quarter seconds in
 * which {@link AloneBars} hear something else. Where others play, a band's trust is its share of what rings, and,
 * for a guitar off the middle, of what stands where the guitar stands (pan by the ratio of the sides in each bin; after A.
 * Jourjine, S. Rickard, O. Yilmaz, "Blind separation of disjoint orthogonal signals", ICASSP 2000).
 */
public final class CompanyEstimator {
    private static final int RATE_HZ = 22050;
    private static final double PAN_WIDTH = 0.12;

    private CompanyEstimator() {}

    /**
     * Company of the guitar.
     *
     * @param probability share of the time in which something else plays
     * @param share by third octave from 50 Hz to 16 kHz, how far the band is the guitar's own
     * @param panDegrees where the guitar stands, −45 left to 45 right, 0 the middle
     */
    public record Company(double probability, double[] share, double panDegrees) {}

    /** Nobody else plays. */
    public static Company alone() {
        double[] own = new double[Bands.thirds(50, 16000).count()];
        java.util.Arrays.fill(own, 1);
        return new Company(0, own, 0);
    }

    /** Input: any; under one second: alone. */
    public static Company of(Sound sound) {
        if (sound.durationS() < 1) return alone();
        Bands bands = Bands.thirds(50, 16000);
        double[] own = alone().share();
        Sound s = sound.atRate(RATE_HZ);
        HarmonicPart part = new HarmonicPart(RATE_HZ);
        float[][] mask = part.mask(s.mid());
        Spectra left = new Spectra(s.channel(0), part);
        Spectra right = s.isStereo() ? new Spectra(s.channel(1), part) : left;
        double pan = s.isStereo() ? pan(left, right, mask) : Math.PI / 4;
        boolean aside = Math.abs(pan - Math.PI / 4) > 0.1;
        double[] all = new double[own.length];
        double[] kept = new double[own.length];
        double width = (double) RATE_HZ / part.size();
        int[] bandOf = new int[part.size() / 2 + 1];
        for (int k = 1; k < bandOf.length; k++) bandOf[k] = band(bands, k * width);
        for (int t = 0; t < mask.length; t++) {
            for (int k = 1; k < mask[t].length; k++) {
                double l = left.power[t][k];
                double r = right.power[t][k];
                double e = l + r;
                int b = bandOf[k];
                if (b < 0) continue;
                double place = aside
                        ? Math.exp(-0.5 * Math.pow((Math.atan2(Math.sqrt(r), Math.sqrt(l)) - pan) / PAN_WIDTH, 2))
                        : 1;
                double ring = aside ? 0.3 + 0.7 * mask[t][k] : mask[t][k];
                all[b] += e;
                kept[b] += e * place * ring;
            }
        }
        double probability = AloneBars.of(sound).company();
        if (aside) probability = Math.max(probability, othersElsewhere(left, right, mask, pan));
        for (int b = 0; b < own.length; b++) {
            double share = all[b] <= 0 ? 0 : kept[b] / all[b];
            own[b] = aside ? share : Math.clamp((share - 0.5) / 0.4, 0, 1);
            // Under its lowest string there is no guitar, whatever rings there.
            if (bands.centresHz()[b] < 75) own[b] *= 0.2;
        }
        return new Company(probability, own, Math.toDegrees(pan - Math.PI / 4));
    }

    private static final class Spectra {
        private final float[][] power;

        Spectra(float[] x, HarmonicPart part) {
            power = part.powers(x);
        }
    }

    private static int band(Bands bands, double hz) {
        double[] c = bands.centresHz();
        int b = (int) Math.round(10 * Math.log10(hz / c[0]));
        return b < 0 || b >= c.length ? -1 : b;
    }

    /** The fullest angle apart from the middle from 500 Hz to 4 kHz, where it holds a seventh or more of the middle's energy. */
    private static double pan(Spectra left, Spectra right, float[][] mask) {
        double[] histogram = histogram(left, right, mask);
        int middle = histogram.length / 2;
        int best = -1;
        for (int i = 1; i + 1 < histogram.length; i++) {
            if (Math.abs(i - middle) <= 2) continue;
            boolean peak = histogram[i] >= histogram[i - 1] && histogram[i] >= histogram[i + 1];
            if (peak && (best < 0 || histogram[i] > histogram[best])) best = i;
        }
        if (best < 0 || histogram[best] < 0.15 * histogram[middle]) return Math.PI / 4;
        // Both sides alike full: two guitars, or a wide one; neither is followed.
        int other = histogram.length - 1 - best;
        if (histogram[other] > 0.5 * histogram[best]) return Math.PI / 4;
        return (best + 0.5) / histogram.length * Math.PI / 2;
    }

    private static double[] histogram(Spectra left, Spectra right, float[][] mask) {
        double[] out = new double[31];
        for (int t = 0; t < mask.length; t++) {
            int n = mask[t].length;
            for (int k = (int) (500.0 * 2 * n / RATE_HZ); k < 4000.0 * 2 * n / RATE_HZ && k < n; k++) {
                double l = left.power[t][k];
                double r = right.power[t][k];
                double angle = Math.atan2(Math.sqrt(r), Math.sqrt(l)) / (Math.PI / 2);
                out[Math.clamp((int) (angle * 31), 0, 30)] += (l + r) * mask[t][k];
            }
        }
        double[] smooth = new double[31];
        for (int i = 0; i < 31; i++) {
            smooth[i] = (out[Math.max(0, i - 1)] + 2 * out[i] + out[Math.min(30, i + 1)]) / 4;
        }
        return smooth;
    }

    private static double othersElsewhere(Spectra left, Spectra right, float[][] mask, double pan) {
        double[] h = histogram(left, right, mask);
        double all = 0;
        double there = 0;
        for (int i = 0; i < h.length; i++) {
            all += h[i];
            if (Math.abs((i + 0.5) / 31 * Math.PI / 2 - pan) < 0.2) there += h[i];
        }
        return all <= 0 ? 0 : Math.clamp(1.25 * (1 - there / all), 0, 1);
    }
}
