package verisonus.core.work;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import org.junit.jupiter.api.Test;

class SentenceTest {
    @Test
    void itsFirstLetterIsACapitalAndTheRestStays() {
        assertThat(Sentence.begun("the dI at −6 dB")).isEqualTo("The dI at −6 dB");
        assertThat(Sentence.begun("")).isEmpty();
    }

    @Test
    void thingsInARowAreJoinedAsTheyAreSaid() {
        assertThat(Sentence.listed(List.of())).isEmpty();
        assertThat(Sentence.listed(List.of("bass"))).isEqualTo("bass");
        assertThat(Sentence.listed(List.of("bass", "mid"))).isEqualTo("bass and mid");
        assertThat(Sentence.listed(List.of("bass", "mid", "sag"))).isEqualTo("bass, mid and sag");
    }
}
