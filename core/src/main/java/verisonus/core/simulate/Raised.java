package verisonus.core.simulate;

/**
 * What a nonlinear stage runs at.
 *
 * @param rateHz of its samples
 * @param smooth whether its clippers are kept from aliasing beyond that
 */
record Raised(double rateHz, boolean smooth) {
    static Raised of(Quality quality) {
        return new Raised(Renderer.RATE_HZ * (double) quality.factor(), quality == Quality.FINAL);
    }

    SoftClip soft() {
        return new SoftClip(smooth);
    }

    HardClip hard() {
        return new HardClip(smooth);
    }

    double pole(double hz) {
        return OnePole.coefficient(hz, rateHz);
    }
}
