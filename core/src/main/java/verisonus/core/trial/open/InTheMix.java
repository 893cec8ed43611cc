package verisonus.core.trial.open;

import verisonus.core.sound.Sound;

/** A guitar with a band round it: added as they are, two channels, as long as the guitar. */
public final class InTheMix {
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
}
