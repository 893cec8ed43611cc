package verisonus.core.compare;

import java.util.List;

/**
 * One difference between reference and candidate.
 *
 * @param attribute what differs
 * @param unit of the three figures
 * @param reference value in the reference
 * @param candidate value in the candidate, loudness matched
 * @param jnd smallest difference that is heard
 * @param stage where in the chain it is made
 * @param advice what to turn, and which way
 * @param ofTone false where the playing makes it rather than the gear
 */
public record GapRow(GapAttribute attribute, String unit, double reference, double candidate, double jnd, String stage,
        String advice, boolean ofTone) {
    /** Rows of one list with no advice against another's: where one asks for more gain, none asks for less. */
    public static List<GapRow> settled(List<GapRow> rows) {
        return GainAdvice.settled(rows);
    }

    /** The same, made by the playing. */
    GapRow ofTheHand() {
        return new GapRow(attribute, unit, reference, candidate, jnd, "playing",
                "another hand differs as much: play it as in the reference", false);
    }

    /** The same with another thing to do about it. */
    GapRow advising(String what) {
        return new GapRow(attribute, unit, reference, candidate, jnd, stage, what, ofTone);
    }

    /** The same, heard only from a larger difference on. */
    GapRow widened(double by) {
        return new GapRow(attribute, unit, reference, candidate, by * jnd, stage, advice, ofTone);
    }

    public double difference() {
        return candidate - reference;
    }

    /** Difference in just-noticeable differences, 0 or more. */
    public double audibility() {
        return Math.abs(difference()) / jnd;
    }
}
