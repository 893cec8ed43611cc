package verisonus.core.travel;

import java.util.OptionalDouble;
import verisonus.core.sound.LoudnessMeter;
import verisonus.core.sound.Sound;
import verisonus.core.travel.system.ResponseCurve;

/**
 * What bass and drums put round the guitar: power by third octave, so that it counts 1 for loudness.
 *
 * @param overGuitarLu how much louder than the guitar
 */
record BandBed(double[] power, double overGuitarLu) {
    /** A plain bass and drums, by ear from mixes of our own making: strongest at 60 to 100 Hz, even above 1 kHz. */
    private static final ResponseCurve PLAIN = ResponseCurve.of(25, -18, 40, -6, 63, 0, 100, -1, 160, -5, 250, -10, 400,
            -13, 630, -15, 1000, -16, 2500, -18, 6300, -18, 10000, -20, 13000, -24);
    private static final double PLAIN_OVER_LU = 3;

    static BandBed plain() {
        double[] hz = PassageSpectra.BANDS.centresHz();
        double[] power = new double[hz.length];
        for (int b = 0; b < hz.length; b++) power[b] = Math.pow(10, PLAIN.levelDbAt(hz[b]) / 10);
        return new BandBed(power, PLAIN_OVER_LU).counted();
    }

    /** A band's own recording beside the guitar; the plain one where either is silent. */
    static BandBed of(Sound backing, Sound guitar) {
        OptionalDouble bed = LoudnessMeter.integratedLufs(backing);
        OptionalDouble own = LoudnessMeter.integratedLufs(guitar);
        if (bed.isEmpty() || own.isEmpty()) return plain();
        return new BandBed(PassageSpectra.of(backing).power(2), bed.getAsDouble() - own.getAsDouble()).counted();
    }

    private BandBed counted() {
        double whole = PassageSpectra.weighted(power);
        double[] out = power.clone();
        for (int b = 0; b < out.length; b++) out[b] /= whole;
        return new BandBed(out, overGuitarLu);
    }
}
