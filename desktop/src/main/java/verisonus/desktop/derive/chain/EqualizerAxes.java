package verisonus.desktop.derive.chain;

/**
 * Where frequencies and gains stand in the drawing of an equalizer.
 *
 * @param width of the drawing, pixels
 * @param height of it, pixels
 * @param mostDb gain at its upper edge; the lower edge is as far below nothing
 */
record EqualizerAxes(double width, double height, double mostDb) {
    /** The lowest and the highest note's worth of a guitar through a loudspeaker. */
    static final double LOWEST_HZ = 60;
    static final double HIGHEST_HZ = 12000;
    private static final double LEFT = 34;
    private static final double RIGHT = 10;
    private static final double TOP = 6;
    private static final double BOTTOM = 18;

    double x(double hz) {
        double p = Math.log(hz / LOWEST_HZ) / Math.log(HIGHEST_HZ / LOWEST_HZ);
        return LEFT + Math.clamp(p, 0, 1) * (width - LEFT - RIGHT);
    }

    double hz(double x) {
        double p = Math.clamp((x - LEFT) / (width - LEFT - RIGHT), 0, 1);
        return LOWEST_HZ * Math.pow(HIGHEST_HZ / LOWEST_HZ, p);
    }

    double y(double db) {
        return TOP + (height - TOP - BOTTOM) * (0.5 - 0.5 * Math.clamp(db / mostDb, -1, 1));
    }

    double db(double y) {
        return mostDb * (1 - 2 * (y - TOP) / (height - TOP - BOTTOM));
    }

    double left() {
        return LEFT;
    }

    double right() {
        return width - RIGHT;
    }
}
