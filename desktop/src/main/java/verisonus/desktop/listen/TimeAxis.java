package verisonus.desktop.listen;

/**
 * Times against places on a drawing.
 *
 * @param left where the axis begins, points
 * @param width how long it is, points
 * @param lengthS what it spans, from 0
 */
record TimeAxis(double left, double width, double lengthS) {
    double x(double timeS) {
        return left + width * timeS / lengthS;
    }

    /** The time at a place, held within the axis. */
    double timeS(double x) {
        return Math.clamp((x - left) / width, 0, 1) * lengthS;
    }
}
