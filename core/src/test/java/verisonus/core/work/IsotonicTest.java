package verisonus.core.work;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.api.Test;

class IsotonicTest {
    @Test
    void whatRisesStaysAndWhatFallsIsJoinedAtItsMean() {
        assertThat(Isotonic.rising(new double[]{1, 2, 2, 5})).containsExactly(1, 2, 2, 5);
        assertThat(Isotonic.rising(new double[]{1, 4, 2, 5})).containsExactly(1, 3, 3, 5);
        assertThat(Isotonic.rising(new double[]{3, 2, 1})).containsExactly(2, 2, 2);
        assertThat(Isotonic.rising(new double[0])).isEmpty();
    }
}
