package verisonus.core.evidence.level;

import verisonus.core.evidence.study.CompanyEstimator;

/**
 * The long-term spectrum in third octaves, 50 Hz to 16 kHz.
 *
 * @param bandCentresHz exact base-ten centres
 * @param levelDb level by band, relative to the mean band power from 80 Hz to 8 kHz
 * @param trust by band, 1 where the band is the guitar's own, 0 where noise masks it
 * @param centroidHz power-weighted mean of the band centres on a logarithmic scale
 * @param tiltDbPerOctave slope of a line through the bands from 100 Hz to 8 kHz
 */
public record SpectrumReading(double[] bandCentresHz, double[] levelDb, double[] trust, double centroidHz,
        double tiltDbPerOctave) {
    /** The same behind a filter; centre and tilt stay as they were read. */
    public SpectrumReading coloured(java.util.function.DoubleUnaryOperator gainDb) {
        double[] next = levelDb.clone();
        for (int b = 0; b < next.length; b++) next[b] += gainDb.applyAsDouble(bandCentresHz[b]);
        return new SpectrumReading(bandCentresHz, next, trust, centroidHz, tiltDbPerOctave);
    }

    /** Moved by a share of the way from one reading to another. */
    public SpectrumReading shifted(SpectrumReading to, SpectrumReading from, double share) {
        double[] next = levelDb.clone();
        for (int b = 0; b < next.length; b++) next[b] += share * (to.levelDb[b] - from.levelDb[b]);
        return new SpectrumReading(bandCentresHz, next, trust, centroidHz, tiltDbPerOctave);
    }

    /** The same with trust taken from bands that are not the guitar's own, as far as something else plays. */
    public SpectrumReading within(CompanyEstimator.Company company) {
        double[] less = trust.clone();
        for (int b = 0; b < less.length; b++) {
            less[b] *= 1 - company.probability() * (1 - company.share()[b]);
        }
        return new SpectrumReading(bandCentresHz, levelDb, less, centroidHz, tiltDbPerOctave);
    }

    /** The same where no band is known to be the guitar's own. */
    public SpectrumReading untrusted() {
        return new SpectrumReading(bandCentresHz, levelDb, new double[trust.length], centroidHz, tiltDbPerOctave);
    }

    /** Whether any band is known to be the guitar's own. */
    public boolean isTrusted() {
        return java.util.Arrays.stream(trust).anyMatch(t -> t > 0);
    }

    /** Level of the band whose centre is nearest. */
    public double levelAt(double hz) {
        int best = 0;
        for (int i = 1; i < bandCentresHz.length; i++) {
            if (Math.abs(Math.log(bandCentresHz[i] / hz)) < Math.abs(Math.log(bandCentresHz[best] / hz))) best = i;
        }
        return levelDb[best];
    }
}
