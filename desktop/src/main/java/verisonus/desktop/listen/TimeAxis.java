package verisonus.desktop.listen;

/**
 * Times against places on a drawing.
 *
 * @param left where the axis begins, points
 * @param width how long it is, points
 * @param fromS time at its beginning
 * @param spanS what it spans
 */
record TimeAxis(double left, double width, double fromS, double spanS) {
    double x(double timeS) {
        return left + width * (timeS - fromS) / spanS;
    }

    /** The time at a place, held within the axis. */
    double timeS(double x) {
        return fromS + Math.clamp((x - left) / width, 0, 1) * spanS;
    }

    double toS() {
        return fromS + spanS;
    }
}
