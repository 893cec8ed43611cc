package verisonus.core.perform.foot;

/**
 * How far a pedal may take a tone.
 *
 * @param leastClarity share of the phrase's own ups and downs that must be left, 0 to 1; at a half, speech theory calls a room fair
 *        (T. Houtgast and H. Steeneken, "The modulation transfer function in room acoustics", 1973)
 * @param mostDryLossDb how far the dry sound may fall
 * @param longestRepeatsS how long repeats may go on until they are 40 dB down
 * @param loudnessLu how far the loudness may move to either side
 */
public record FootLimits(double leastClarity, double mostDryLossDb, double longestRepeatsS, double loudnessLu) {
    public static final FootLimits USUAL = new FootLimits(0.5, 1, 8, 3);

    public FootLimits {
        if (!(leastClarity >= 0 && leastClarity < 1 && mostDryLossDb >= 0 && longestRepeatsS > 0 && loudnessLu > 0))
            throw new IllegalArgumentException("limits of a pedal are shares and sizes above 0");
    }
}
