package verisonus.core.sound;

/** Ratios and decibels: 20·log10 for amplitudes, 10·log10 for powers, named so that they cannot be mixed up. */
public final class Decibels {
    /** What silence is called in decibels, so that a level is always a number. */
    public static final double SILENCE_DB = -200;

    private Decibels() {}

    /** 20·log10(amplitude); silence and less give {@value #SILENCE_DB}. */
    public static double fromAmplitude(double amplitude) {
        return amplitude <= 1e-10 ? SILENCE_DB : 20 * Math.log10(amplitude);
    }

    /** 10·log10(power); silence and less give {@value #SILENCE_DB}. */
    public static double fromPower(double power) {
        return power <= 1e-20 ? SILENCE_DB : 10 * Math.log10(power);
    }

    /** 10^(dB/20). */
    public static double toAmplitude(double db) {
        return Math.pow(10, db / 20);
    }

    /** 10^(dB/10). */
    public static double toPower(double db) {
        return Math.pow(10, db / 10);
    }
}
