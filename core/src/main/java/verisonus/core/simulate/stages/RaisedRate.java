package verisonus.core.simulate.stages;

import verisonus.core.simulate.parts.OnePole;
import verisonus.core.sound.Sound;

/**
 * What a nonlinear stage runs at.
 *
 * @param rateHz of its samples
 * @param smooth whether its clippers are kept from aliasing beyond that
 */
public record RaisedRate(double rateHz, boolean smooth) {
    public static RaisedRate of(Quality quality) {
        return new RaisedRate(Sound.WORKING_RATE_HZ * (double) quality.factor(), quality == Quality.FINAL);
    }

    SoftClip soft() {
        return new SoftClip(smooth);
    }

    /** One that rests at this place of its curve. */
    SoftClip soft(double idle) {
        return new SoftClip(smooth, idle);
    }

    HardClip hard() {
        return new HardClip(smooth);
    }

    double pole(double hz) {
        return OnePole.coefficient(hz, rateHz);
    }
}
