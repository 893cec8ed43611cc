package verisonus.core.search;

import java.util.Locale;

/**
 * Two controls that can be traded for each other.
 *
 * @param one block id and control, "amp/gain"
 * @param other the same
 * @param opposite whether one goes up as the other goes down
 * @param ratio how far the other must go for one step of the first, in steps of their tracks
 * @param leftJnd what is still heard where each alone would change the sound by one just-noticeable difference
 */
public record Tie(String one, String other, boolean opposite, double ratio, double leftJnd) {
    /** "more amp gain and less amp master: the same to within 0.3 JND". */
    public String words() {
        return String.format(Locale.ROOT, "more %s and %s %s: the same to within %.1f JND", one.replace('/', ' '),
                opposite ? "less" : "more", other.replace('/', ' '), Math.max(0.1, leftJnd));
    }
}
