package verisonus.desktop.desk;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import org.junit.jupiter.api.Test;

class TapTempoTest {
    private static final long HALF_S = 500_000_000L;

    @Test
    void theMeanOfAllTapsStandsFromTheFourthOn() {
        TapTempo t = new TapTempo();
        long[] off = {0, 12_000_000, -9_000_000, 4_000_000, -3_000_000};
        for (int i = 0; i < 3; i++) assertThat(t.tap(i * HALF_S + off[i])).startsWith("Tap on");
        assertThat(t.bpm()).isEmpty();
        for (int i = 3; i < 5; i++) assertThat(t.tap(i * HALF_S + off[i])).contains("stands when you stop");
        assertThat(t.settle().orElseThrow()).isCloseTo(120, within(0.3));
        assertThat(t.bpm()).isEmpty();
    }

    @Test
    void aPauseBeginsAnew() {
        TapTempo t = new TapTempo();
        for (int i = 0; i < 6; i++) t.tap(i * HALF_S);
        assertThat(t.tap(20 * HALF_S)).isEqualTo("Tap on: 3 more.");
    }
}
