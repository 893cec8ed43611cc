package verisonus.core.take;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import org.junit.jupiter.api.Test;
import verisonus.core.sound.Bands;
import verisonus.core.sound.Sound;

/** A guitar that is nobody's. */
class StandInTakeTest {
    private static final Sound TAKE = StandInTake.play();

    private static double levelDb(double fromS, double toS) {
        return 20 * Math.log10(TAKE.slice(fromS, toS).rms() + 1e-9);
    }

    @Test
    void playsTheSameEveryTimeAndLeavesHeadroom() {
        assertThat(StandInTake.play().mid()).isEqualTo(TAKE.mid());
        assertThat((double) TAKE.peak()).isCloseTo(0.4, within(0.01));
    }

    @Test
    void isPlayedSoftAndHardWithRestsBetween() {
        assertThat(levelDb(3.6, 5.5)).isGreaterThan(levelDb(1.9, 3.3) + 3);
        assertThat(levelDb(11.5, 12)).isLessThan(-60);
    }

    @Test
    void itsHighsFallAsThoseOfAPickupDo() {
        Bands thirds = Bands.thirds(100, 8000);
        double[] db = Bands.levelsDb(thirds.longTermPower(TAKE.mid(), TAKE.rateHz()), 90);
        assertThat(db[thirds.nearest(250)]).isGreaterThan(db[thirds.nearest(3150)] + 10);
        assertThat(db[thirds.nearest(3150)]).isGreaterThan(db[thirds.nearest(8000)] + 8);
    }
}
