package verisonus.core.search;

import verisonus.core.rig.ControlPlace;
import verisonus.core.work.Figures;

/**
 * Two controls that can be traded for each other.
 *
 * @param one of them
 * @param other the same
 * @param opposite whether one goes up as the other goes down
 * @param ratio how far the other must go for one step of the first, in steps of their tracks
 * @param leftJnd what is still heard where each alone would change the sound by one just-noticeable difference
 */
public record ControlTrade(ControlPlace one, ControlPlace other, boolean opposite, double ratio, double leftJnd) {
    /** "more amp gain and less amp master: the same to within 0.3 JND". */
    public String words() {
        return Figures.of("more %s and %s %s: the same to within %.1f JND", spoken(one),
                opposite ? "less" : "more", spoken(other), Math.max(0.1, leftJnd));
    }

    private static String spoken(ControlPlace place) {
        return place.block() + " " + place.control();
    }
}
