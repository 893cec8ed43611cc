package verisonus.core.travel;

/**
 * One thing that becomes of a tone on a playback system.
 *
 * @param figureDb by how much, in the direction that the sentence says
 * @param jnd how many just-noticeable differences that is
 * @param sentence as a player reads it, its figure in it
 */
public record TravelFinding(Kind kind, double figureDb, double jnd, String sentence) {
    /** What changes. */
    public enum Kind {
        /** A band against the others. */
        BAND,
        /** How far loud and soft lie apart. */
        DYNAMICS,
        /** What the sum of both channels takes. */
        MONO,
        /** What the band's bass and drums hide here. */
        COVERED_BY_BAND,
        /** What the tone's own bands hide of each other here. */
        COVERED_BY_ITSELF,
        /** What differs from the record. */
        GAP
    }
}
