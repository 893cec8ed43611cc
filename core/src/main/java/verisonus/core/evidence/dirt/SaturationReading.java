package verisonus.core.evidence.dirt;

/**
 * How driven a sound is.
 *
 * @param index 0 clean to 1 fully clipped; rises with every decibel into a clipper
 * @param driveDb the same as decibels into a soft clipper, 0 where peaks stand 6 dB under its knee
 */
public record SaturationReading(double index, double driveDb) {
    private static final double MIDDLE_DB = 13;
    private static final double WIDTH_DB = 6;

    public SaturationReading {
        if (!(index >= 0 && index <= 1)) throw new IllegalArgumentException("saturation index " + index);
    }

    /** The reading of an index between 0 and 1. */
    public static SaturationReading ofIndex(double index) {
        double held = Math.clamp(index, 0.01, 0.99);
        return new SaturationReading(index, MIDDLE_DB + WIDTH_DB * Math.log(held / (1 - held)));
    }

    /** The index of a drive: half way at {@value #MIDDLE_DB} dB. */
    public static SaturationReading ofDrive(double driveDb) {
        return new SaturationReading(1 / (1 + Math.exp(-(driveDb - MIDDLE_DB) / WIDTH_DB)), driveDb);
    }
}
