package verisonus.desktop.derive.gap;

import verisonus.core.sound.Bands;
import verisonus.core.sound.Sound;

/**
 * Long-term spectra of reference and mine by sixth octave, levels matched.
 *
 * @param hz band centres
 * @param referenceDb against the loudest band of either
 * @param mineDb the same
 */
record Spectra(double[] hz, double[] referenceDb, double[] mineDb) {
    private static final Bands BANDS = Bands.sixths(80, 10000);
    private static final double RANGE_DB = 60;

    static Spectra of(Sound reference, Sound mine) {
        double[] a = Bands.levelsDb(BANDS.longTermPower(reference.mid(), reference.rateHz()), RANGE_DB);
        double[] b = Bands.levelsDb(BANDS.longTermPower(mine.mid(), mine.rateHz()), RANGE_DB);
        double offset = 0;
        double weight = 0;
        for (int i = 0; i < a.length; i++) {
            double w = Math.pow(10, (a[i] - a[BANDS.nearest(800)]) / 20);
            offset += w * (a[i] - b[i]);
            weight += w;
        }
        double top = java.util.Arrays.stream(a).max().orElse(0);
        for (int i = 0; i < a.length; i++) {
            b[i] += offset / weight - top;
            a[i] -= top;
        }
        return new Spectra(BANDS.centresHz(), a, b);
    }
}
