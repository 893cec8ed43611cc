package verisonus.core.compare;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import org.junit.jupiter.api.Test;
import verisonus.core.sound.Biquad;
import verisonus.core.sound.Signal;
import verisonus.core.sound.Sound;

class HeardChangeTest {
    private static final Sound PLAYED = Signal.plucks(0.3, 4).lasting(4);

    private static HeardChange to(Sound other) {
        return HeardChange.between(HeardChange.Moments.of(PLAYED), HeardChange.Moments.of(other));
    }

    @Test
    void nothingChangesBetweenASoundAndItself() {
        assertThat(to(PLAYED).withLoudnessJnd()).isLessThan(1e-6);
    }

    @Test
    void aGainIsLoudnessOnly() {
        HeardChange c = to(PLAYED.gained(4));
        assertThat(c.loudnessDb()).isCloseTo(4, within(0.01));
        assertThat(c.jnd()).isLessThan(0.01);
        assertThat(c.withLoudnessJnd()).isCloseTo(4, within(0.01));
    }

    @Test
    void aFilterIsColourAndTheStrongerTheMore() {
        HeardChange little = to(filtered(2));
        HeardChange much = to(filtered(6));
        assertThat(little.colourDb()).isGreaterThan(0.2).isLessThan(much.colourDb());
    }

    @Test
    void aRepeatInTheGapsIsCourseMoreThanColour() {
        float[] x = PLAYED.mid().clone();
        for (int i = x.length - 1; i >= 7000; i--) x[i] += 0.2f * x[i - 7000];
        HeardChange c = to(Sound.mono(x, PLAYED.rateHz()));
        assertThat(c.courseDb()).isGreaterThan(c.colourDb());
    }

    private static Sound filtered(double db) {
        float[] x = PLAYED.mid().clone();
        new Biquad.Section(Biquad.peak(900, db, 1, PLAYED.rateHz())).process(x, 0, x.length);
        return Sound.mono(x, PLAYED.rateHz());
    }
}
