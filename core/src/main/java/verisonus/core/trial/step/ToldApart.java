package verisonus.core.trial.step;

import verisonus.core.compare.GapAttribute;

/**
 * What one finished trial says about a listener's ears: how large the difference was that it turned on, and how often the answer was right.
 *
 * @param attribute the most audible difference between the two
 * @param jnd how large it was, in standard steps
 * @param whichIsX whether a third was to be matched to one of the two, which is harder than saying which of two has more
 */
public record ToldApart(GapAttribute attribute, double jnd, int right, int of, boolean whichIsX) {
    /** Where one of two was to be named. */
    public ToldApart(GapAttribute attribute, double jnd, int right, int of) {
        this(attribute, jnd, right, of, false);
    }
}
