package verisonus.desktop.listen;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import org.junit.jupiter.api.Test;

class TimeAxisTest {
    private final TimeAxis axis = new TimeAxis(96, 900, 0, 13.2);

    @Test
    void placeAndTimeAreInverse() {
        for (double t = 0; t <= 13.2; t += 0.7) assertThat(axis.timeS(axis.x(t))).isCloseTo(t, within(1e-9));
    }

    @Test
    void aPartOfTheRecordingCanFillTheWholeWidth() {
        TimeAxis close = new TimeAxis(96, 900, 300, 10);
        assertThat(close.x(305)).isEqualTo(96 + 450);
        assertThat(close.timeS(96 + 900)).isEqualTo(close.toS());
    }

    @Test
    void placesOutsideAreHeldAtTheEnds() {
        assertThat(axis.timeS(0)).isZero();
        assertThat(axis.timeS(5000)).isEqualTo(13.2);
    }
}
