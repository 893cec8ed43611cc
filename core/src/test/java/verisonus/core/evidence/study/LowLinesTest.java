package verisonus.core.evidence.study;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import org.junit.jupiter.api.Test;
import verisonus.core.sound.Signal;
import verisonus.core.sound.Sound;

class LowLinesTest {
    private static final Sound BASS = Signal.sine(46).atDb(-10).lasting(6);
    private static final Sound STRING = Signal.sine(82.4).atDb(-10).lasting(6);

    private static LowLines of(Sound s, double scale) {
        return LowLines.of(s.mid(), s.rateHz(), 8192, scale);
    }

    @Test
    void aLineUnderTheLowestStringIsTheStrongestThereAndStandsOut() {
        assertThat(of(BASS, 1).strongestDb(8, 0.5)).isGreaterThan(of(STRING, 1).strongestDb(8, 0.5) + 20);
        assertThat(of(BASS, 1).standsOutDb(8)).isGreaterThan(20);
        assertThat(of(BASS, 1).subDb(8, 0.5)).isGreaterThan(of(STRING, 1).subDb(8, 0.5) + 20);
    }

    @Test
    void theLowestPartialIsToldInOctaves() {
        assertThat(of(BASS, 1).lowest(8)).isCloseTo(Math.log(46 / 30.0) / Math.log(2), within(0.12));
        assertThat(of(STRING, 1).lowest(8)).isCloseTo(Math.log(82.4 / 30) / Math.log(2), within(0.08));
        Sound both = Signal.sum(STRING, Signal.sine(46).atDb(-20).lasting(6));
        assertThat(of(both, 1).lowest(8)).isCloseTo(of(BASS, 1).lowest(8), within(1e-9));
    }

    @Test
    void levelsFollowTheScaleAndNothingElseDoes() {
        LowLines one = of(BASS, 1);
        LowLines ten = of(BASS, 10);
        assertThat(ten.strongestDb(8, 0.5)).isCloseTo(one.strongestDb(8, 0.5) + 10, within(1e-3));
        assertThat(ten.subDb(8, 0.5)).isCloseTo(one.subDb(8, 0.5) + 10, within(1e-3));
        assertThat(ten.standsOutDb(8)).isCloseTo(one.standsOutDb(8), within(0.1));
        assertThat(ten.lowest(8)).isEqualTo(one.lowest(8));
    }
}
