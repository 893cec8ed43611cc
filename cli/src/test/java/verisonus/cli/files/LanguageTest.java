package verisonus.cli.files;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.parallel.ResourceLock;
import verisonus.cli.Said;

/** A language is asked for in words; documents do not know it. */
@ResourceLock("java.lang.System.out")
class LanguageTest {
    @Test
    void documentsAreTheSameInEveryLanguage() {
        String english = Said.by("times", "--bpm", "90", "--lang", "en", "--json").out();
        Said german = Said.by("times", "--bpm", "90", "--lang", "de", "--json");
        assertThat(german.status()).isZero();
        assertThat(german.out()).isEqualTo(english).isEqualTo(Said.by("times", "--bpm", "90", "--json").out());
    }

    @Test
    void aLanguageThatIsNotSpokenIsSaidSo() {
        Said said = Said.by("times", "--bpm", "90", "--lang", "de");
        assertThat(said.err()).contains("said in English");
        assertThat(said.out()).isNotEmpty();
        assertThat(Said.by("times", "--bpm", "90", "--lang", "en").err()).isEmpty();
        assertThat(Said.by("times", "--bpm", "90", "--lang", "xx").status()).isEqualTo(2);
    }
}
