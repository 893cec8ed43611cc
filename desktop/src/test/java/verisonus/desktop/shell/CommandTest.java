package verisonus.desktop.shell;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.api.Test;

class CommandTest {
    private final Command hear = Command.of("Hear Reference", "R", () -> {});

    @Test
    void isFoundByTheBeginningsOfItsWords() {
        assertThat(hear.matches("ref")).isTrue();
        assertThat(hear.matches("he re")).isTrue();
        assertThat(hear.matches("")).isTrue();
        assertThat(hear.matches("erence")).isFalse();
        assertThat(hear.matches("hear mine")).isFalse();
    }

    @Test
    void isFoundByWhatElseAPlayerMightCallIt() {
        Command add = Command.of("Add recordings", "Ctrl+O", () -> {}).also("open file, import");
        assertThat(add.matches("import")).isTrue();
        assertThat(add.matches("add file")).isTrue();
        assertThat(add.isNamed("import")).isFalse();
        assertThat(add.isNamed("rec")).isTrue();
    }

    @Test
    void showsItsKeys() {
        assertThat(hear.keyWords()).isEqualTo("R");
        assertThat(Command.of("New case", "", () -> {}).keyWords()).isEmpty();
    }

    @Test
    void aCasebooksFileNameReadsAsItsTitle() {
        assertThat(MarginView.title("nine-lanterns.casebook")).isEqualTo("Nine lanterns");
        assertThat(MarginView.title(".casebook")).isEqualTo("Casebook");
    }
}
