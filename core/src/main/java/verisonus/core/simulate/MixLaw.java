package verisonus.core.simulate;

/** Dry held at full up to half way, wet at full from there on: at 50 % both are at full. */
public final class MixLaw {
    private MixLaw() {}

    static double dry(double percent) {
        return Math.min(1, 2 * (1 - percent / 100));
    }

    static double wet(double percent) {
        return Math.min(1, 2 * percent / 100);
    }

    /** The mix that puts the wet sound this many decibels against the dry, up to 0 dB. */
    public static double percentFor(double wetDb) {
        return 50 * Math.pow(10, Math.min(0, wetDb) / 20);
    }
}
