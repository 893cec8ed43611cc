package verisonus.desktop.perform;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import verisonus.core.rig.Block;
import verisonus.core.rig.Tone;
import verisonus.core.search.SearchOptions;

class TypedChangeTest {
    private static final Tone TONE = new Tone("tone", List.of(Block.of("mid-hump overdrive"),
            Block.of("mid-forward crunch"), Block.of("clean echo")));

    private static TypedChange typed(String words) {
        return TypedChange.of(TONE, words, SearchOptions.defaults().rig());
    }

    @Test
    void aControlTakesTheValueOnItsScale() {
        Tone changed = typed("echo/mix 30").tone().orElseThrow();
        assertThat(changed.find("echo").orElseThrow().get("mix")).isEqualTo(30);
        assertThat(changed.find("amp")).isEqualTo(TONE.find("amp"));
    }

    @Test
    void ofTwoNamesThatBeginAlikeTheLongerIsMeant() {
        Tone changed = typed("amp/treble cut 2").tone().orElseThrow();
        assertThat(changed.find("amp").orElseThrow().get("treble cut")).isEqualTo(2);
        assertThat(changed.find("amp").orElseThrow().get("treble")).isEqualTo(5);
    }

    @Test
    void aBlockIsSwitched() {
        Tone off = typed("drive off").tone().orElseThrow();
        assertThat(off.find("drive").orElseThrow().on()).isFalse();
        assertThat(TypedChange.of(off, "drive ON", SearchOptions.defaults().rig()).tone()).contains(TONE);
    }

    @Test
    void aChoiceIsTakenByItsWord() {
        Tone changed = typed("amp/bright on").tone().orElseThrow();
        assertThat(changed.find("amp").orElseThrow().get("bright")).isEqualTo(1);
    }

    @ParameterizedTest
    @CsvSource({"phaser on, no block called phaser", "echo/colour 3, Write a control", "'', Write a control",
            "echo, Write a control", "amp/bright perhaps, 'one of off, on'", "amp/gain loud, amp/gain:",
            "amp/gain 400, amp/gain:"})
    void whatIsWrongIsSaidAndNothingChanges(String typed, String said) {
        TypedChange t = typed(typed);
        assertThat(t.tone()).isEmpty();
        assertThat(t.fault()).contains(said).endsWith(".");
    }
}
