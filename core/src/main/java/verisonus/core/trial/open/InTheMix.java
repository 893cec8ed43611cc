package verisonus.core.trial.open;

import verisonus.core.sound.LoudnessMeter;
import verisonus.core.sound.Sound;

/** A guitar with a band round it: added as they are, two channels, as long as the guitar. */
public final class InTheMix {
    /** A guitar that is studied has this share of the record's power at least. */
    private static final double LEAST_SHARE = 0.05;

    private InTheMix() {}

    /** @param bandStartS when the guitar begins on the band's time axis */
    public static Sound of(Sound guitar, Sound band, double bandStartS) {
        Sound own = guitar.atRate(Sound.WORKING_RATE_HZ);
        Sound rest = band.atRate(Sound.WORKING_RATE_HZ);
        int shift = (int) Math.round(bandStartS * Sound.WORKING_RATE_HZ);
        float[][] out = new float[2][];
        for (int c = 0; c < 2; c++) {
            float[] x = own.channel(Math.min(c, own.channels().length - 1)).clone();
            float[] b = rest.channel(Math.min(c, rest.channels().length - 1));
            for (int i = Math.max(0, -shift); i < x.length && i + shift < b.length; i++) x[i] += b[i + shift];
            out[c] = x;
        }
        return new Sound(out, Sound.WORKING_RATE_HZ);
    }

    /** A guitar as loud as the record's must be, for it and the band to be as loud as the record. */
    public static Sound asInTheRecord(Sound guitar, Sound band, Sound record) {
        double whole = LoudnessMeter.integratedLufs(record).orElse(-23);
        double rest = LoudnessMeter.integratedLufs(band).orElse(whole - 20);
        double left = Math.pow(10, whole / 10) - Math.pow(10, rest / 10);
        double wanted = 10 * Math.log10(Math.max(left, LEAST_SHARE * Math.pow(10, whole / 10)));
        return guitar.gained(wanted - LoudnessMeter.integratedLufs(guitar).orElse(wanted));
    }
}
