package verisonus.core.search.colour;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Arrays;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import verisonus.core.sound.Biquad;

class EmptyBandsTest {
    private static final double[] HZ = Features.LEVEL_BANDS.centresHz();
    /** A take that falls off: nothing from 5 kHz on. */
    private static final EmptyBands DARK = EmptyBands.of(Arrays.stream(HZ).map(hz -> hz < 5000 ? -20 : -90).toArray());

    private static boolean liftedByPeak(double hz, double db, double q) {
        Biquad peak = Biquad.peak(hz, db, q, 48000);
        return DARK.isLiftedBy(f -> peak.gainDbAt(f, 48000));
    }

    @Test
    void aLiftWhereThereIsNothingIsSeenAndOneElsewhereIsNot() {
        assertThat(liftedByPeak(7000, 6, 1)).isTrue();
        assertThat(liftedByPeak(800, 6, 1)).isFalse();
    }

    @Test
    void aWideLiftThatReachesInIsSeenToo() {
        Biquad shelf = Biquad.highShelf(3000, 6, 48000);
        assertThat(DARK.isLiftedBy(f -> shelf.gainDbAt(f, 48000))).isTrue();
        assertThat(liftedByPeak(4000, 6, 0.4)).isTrue();
        assertThat(liftedByPeak(4000, 6, 4)).isFalse();
    }

    @ParameterizedTest
    @ValueSource(doubles = {-1, -6, -12})
    void aCutIsNoLift(double db) {
        assertThat(liftedByPeak(7000, db, 1)).isFalse();
    }

    @Test
    void whatHardlyLiftsAnythingIsNone() {
        assertThat(DARK.isLiftedBy(_ -> 0)).isFalse();
        assertThat(liftedByPeak(7000, 0.3, 1)).isFalse();
    }

    @Test
    void ofATakeThatIsThereEverywhereNothingIsEmpty() {
        EmptyBands full = EmptyBands.of(Arrays.stream(HZ).map(hz -> -20 - hz / 1000).toArray());
        assertThat(full.isLiftedBy(_ -> 9)).isFalse();
    }
}
