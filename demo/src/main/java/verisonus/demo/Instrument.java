package verisonus.demo;

/**
 * A stringed instrument with one pickup switched on.
 *
 * @param openMidi note of each open string, lowest first
 * @param pickupAt place of the pickup as a share of the string, from the bridge
 * @param resonanceHz where pickup and cable resonate; above, the highs fall
 * @param resonanceQ height of that resonance
 * @param peak level of the loudest moment, full scale 1
 */
record Instrument(int[] openMidi, double pickupAt, double resonanceHz, double resonanceQ, double peak) {
    private static final int[] GUITAR = {40, 45, 50, 55, 59, 64};
    static final Instrument SINGLE_COIL = new Instrument(GUITAR, 0.11, 4300, 2.2, 0.42);
    static final Instrument HUMBUCKER = new Instrument(GUITAR, 0.17, 2900, 1.5, 0.5);
    static final Instrument BASS = new Instrument(new int[]{28, 33, 38, 43}, 0.14, 2400, 1.0, 0.5);

    double hz(Note n) {
        return 440 * Math.pow(2, (openMidi[n.string()] + n.fret() - 69) / 12.0);
    }
}
