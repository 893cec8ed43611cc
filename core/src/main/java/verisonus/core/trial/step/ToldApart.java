package verisonus.core.trial.step;

import verisonus.core.compare.GapAttribute;

/**
 * What one finished trial says about a listener's ears: how large the difference was that it turned on, and how often the answer was right.
 *
 * @param attribute the most audible difference between the two
 * @param jnd how large it was, in standard steps
 */
public record ToldApart(GapAttribute attribute, double jnd, int right, int of) {}
