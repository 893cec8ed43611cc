package verisonus.bench;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.api.Test;
import verisonus.core.take.Alignment;
import verisonus.core.take.Pairing;

/** Takes of made phrases lie where they were played. */
class LaidTakeTest {
    /** Stabs on few notes in a hall: by what rings they lie 0.3 s from where they are struck. */
    private static final long STABS_IN_A_HALL = 952;
    private static final double HAND_S = 0.03;

    @Test
    void aTakeOfFewChordsInAHallIsLaidByWhenTheyAreStruck() {
        ReplayCase c = ReplayCase.of(STABS_IN_A_HALL);
        Alignment a = Alignment.find(c.reference().mid(), c.take().mid(), c.take().rateHz());
        assertThat(a.pairing()).isEqualTo(Pairing.PLAYED_AGAIN);
        assertThat(Math.abs(a.offsetSamples())).isLessThan((int) (HAND_S * c.take().rateHz()));
    }
}
