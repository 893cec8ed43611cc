package verisonus.core.perform;

import java.util.EnumSet;
import java.util.Set;
import verisonus.core.sound.Sound;
import verisonus.core.travel.NamedBand;
import verisonus.core.travel.PassageSpectra;

/**
 * How the power of a sound is spread, in two figures that a listener has words for; both are independent of loudness.
 *
 * @param brightnessDb presence and highs against all that lies below them
 * @param bodyDb lows and low mids against all that lies above them
 */
public record ToneBalance(double brightnessDb, double bodyDb) {
    private static final Set<NamedBand> BRIGHT = EnumSet.of(NamedBand.PRESENCE, NamedBand.HIGHS);
    private static final Set<NamedBand> FULL = EnumSet.of(NamedBand.LOWS, NamedBand.LOW_MIDS);
    private static final double NOTHING = 1e-20;

    public static ToneBalance of(Sound sound) {
        double[] power = PassageSpectra.of(sound).power(2);
        return new ToneBalance(ratioDb(power, BRIGHT), ratioDb(power, FULL));
    }

    private static double ratioDb(double[] power, Set<NamedBand> wanted) {
        double in = NOTHING;
        double out = NOTHING;
        for (NamedBand b : NamedBand.values()) {
            double p = PassageSpectra.bandPower(b, power);
            if (wanted.contains(b)) in += p;
            else out += p;
        }
        return 10 * Math.log10(in / out);
    }

    /** Brightness or body. */
    double of(Noticed what) {
        return switch (what) {
            case BRIGHTNESS -> brightnessDb;
            case BODY -> bodyDb;
            default -> throw new IllegalArgumentException(what.words() + " is no balance of bands");
        };
    }
}
