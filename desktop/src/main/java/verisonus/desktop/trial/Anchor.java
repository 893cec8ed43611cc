package verisonus.desktop.trial;

import verisonus.core.sound.Biquad;
import verisonus.core.sound.Sound;
import verisonus.core.trial.rate.RatingTrial;

/** The low anchor of a rating: the record without what lies over 3.5 kHz. */
final class Anchor {
    private static final double[] BUTTERWORTH_Q = {0.5412, 1.3066};

    private Anchor() {}

    static Sound of(Sound record) {
        float[][] out = new float[record.channels().length][];
        for (int c = 0; c < out.length; c++) {
            out[c] = record.channel(c).clone();
            for (double q : BUTTERWORTH_Q)
                new Biquad.Section(Biquad.lowPass(RatingTrial.ANCHOR_HZ, q, record.rateHz())).process(out[c], 0,
                        out[c].length);
        }
        return new Sound(out, record.rateHz());
    }
}
