package verisonus.core.perform.check;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.LinkedHashMap;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import verisonus.core.work.InputFault;

class LoudnessCeilingTest {
    private static Map<String, Double> set(double lead, double clean) {
        Map<String, Double> out = new LinkedHashMap<>();
        out.put("rhythm", 0.0);
        out.put("lead", lead);
        out.put("clean", clean);
        return out;
    }

    @Test
    void aVariantIsAsMuchLouderInTheRoomAsOnThePhrase() {
        LoudnessCeiling room = new LoudnessCeiling(94, 98);
        assertThat(room.of(set(3, -2))).extracting(LoudnessCeiling.Reaches::db).containsExactly(94.0, 97.0, 92.0);
        assertThat(room.downDb(set(3, -2))).isZero();
        assertThat(room.words(set(3, -2))).singleElement().asString().contains("1.0 dB to spare");
    }

    @Test
    void allComeDownByWhatTheLoudestExceeds() {
        LoudnessCeiling room = new LoudnessCeiling(97, 98);
        assertThat(room.downDb(set(5, 3))).isCloseTo(4, within(1e-9));
        assertThat(room.words(set(5, 3))).hasSize(3);
        assertThat(room.words(set(5, 3)).getFirst()).isEqualTo("lead comes to 102 dB(A) where 98 are allowed");
        assertThat(room.words(set(5, 3)).getLast()).contains("down by 4.0 dB");
    }

    @Test
    void comingDownByThatBringsTheLoudestToTheLimit() {
        for (double lead = -3; lead <= 9; lead += 1.5) {
            LoudnessCeiling room = new LoudnessCeiling(96, 99);
            double down = room.downDb(set(lead, 0));
            assertThat(96 + Math.max(0, lead) - down).isLessThanOrEqualTo(99 + 1e-9);
        }
    }

    @ParameterizedTest
    @ValueSource(doubles = {0, 20, 140, Double.NaN, Double.POSITIVE_INFINITY})
    void whatIsNoLevelOfARoomIsRefused(double db) {
        assertThatThrownBy(() -> new LoudnessCeiling(db, 98)).isInstanceOf(InputFault.class);
        assertThatThrownBy(() -> new LoudnessCeiling(98, db)).isInstanceOf(InputFault.class);
    }
}
