package verisonus.app;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

class MainTest {
    @Test
    void aCasebookAloneIsOpened() {
        assertThat(Main.opening(new String[]{"/home/me/My tones.casebook"})).containsExactly("open",
                "/home/me/My tones.casebook");
    }

    @ParameterizedTest
    @ValueSource(strings = {"open", "measure", "--help", "--casebook=x.casebook", "record.flac"})
    void anythingElseIsLeftAsItWasGiven(String argument) {
        assertThat(Main.opening(new String[]{argument})).containsExactly(argument);
        assertThat(Main.opening(new String[]{"measure", argument})).containsExactly("measure", argument);
    }
}
