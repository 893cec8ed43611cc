package verisonus.desktop.derive.gap;

import verisonus.core.compare.GapRow;

/**
 * Where reference and mine stand on a ledger line: either side of its middle, further apart the more audible, to the right
 * whoever has more.
 *
 * @param referenceShare place of the reference, 0 to 1
 * @param mineShare place of mine
 */
record GapScale(double referenceShare, double mineShare) {
    /** A gap of this many JND fills the line; larger ones stay on it. */
    static final double FULL_JND = 6;

    static GapScale of(GapRow row) {
        double half = 0.45 * Math.min(1, row.audibility() / FULL_JND);
        double way = Math.signum(row.difference());
        return new GapScale(0.5 - way * half, 0.5 + way * half);
    }
}
