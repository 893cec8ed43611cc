package verisonus.desktop.travel;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Optional;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import verisonus.core.travel.Journey;
import verisonus.core.travel.Travelled;
import verisonus.core.travel.system.PlaybackSystem;
import verisonus.desktop.desk.DeskFixture;

class HeardWordsTest {
    private static final List<Travelled> ALL = new Journey(DeskFixture.notes(3, 0.3), Optional.empty(), 75)
            .to(PlaybackSystem.ALL);

    private static Travelled on(String id) {
        return ALL.stream().filter(t -> t.system().id().equals(id)).findFirst().orElseThrow();
    }

    @ParameterizedTest
    @CsvSource({"car, boomy but nice", "phone, Thin", "guitar-cabinet, dull up there", "car, I like it",
            "car, darkest"})
    void whatTheFiguresBearOutIsNotDoubted(String system, String words) {
        assertThat(HeardWords.doubt(words, on(system))).isEmpty();
    }

    @ParameterizedTest
    @CsvSource({"phone, boomy", "car, rather thin", "guitar-cabinet, bright and fizzy"})
    void whatTheySayOtherwiseIsMarkedWithItsFigure(String system, String words) {
        assertThat(HeardWords.doubt(words, on(system))).hasValueSatisfying(d -> assertThat(d).startsWith("Kept")
                .contains("dB"));
    }
}
