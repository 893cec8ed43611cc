package verisonus.core.evidence.signs;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import org.junit.jupiter.api.Test;
import verisonus.core.sound.LevelCurve;
import verisonus.core.sound.Signal;

class StraightLineTest {
    @Test
    void aLineIsFoundExactlyWhereverThePartBegins() {
        double[] y = new double[60];
        for (int i = 0; i < y.length; i++) y[i] = 7 - 0.5 * i;
        StraightLine line = StraightLine.through(y, 13, 41);
        assertThat(line.slope()).isCloseTo(-0.5, within(1e-9));
        assertThat(line.atZero()).isCloseTo(7, within(1e-9));
        assertThat(line.meanSquareError()).isCloseTo(0, within(1e-12));
    }

    @Test
    void theErrorIsWhatStandsBesideIt() {
        double[] y = {1, -1, -1, 1};
        assertThat(StraightLine.through(y, 0, 3).slope()).isCloseTo(0, within(1e-12));
        assertThat(StraightLine.through(y, 0, 3).meanSquareError()).isCloseTo(1, within(1e-12));
    }

    @Test
    void theLevelOfASineIsThreeUnderItsPeak() {
        double[] level = LevelCurve.of(Signal.sine(1000).atDb(-20).samples(48000), 4800, 2400);
        assertThat(level).hasSize(19);
        for (double l : level) assertThat(l).isCloseTo(-23.01, within(0.01));
        assertThat(LevelCurve.of(new float[10], 20, 5)).isEmpty();
    }
}
