package verisonus.core.work;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Locale;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class FiguresTest {
    @ParameterizedTest
    @CsvSource({"-3.0 dB,−3.0 dB", "from -3.0 to -1.5,from −3.0 to −1.5", "(-2),(−2)", "1-2 kHz,1-2 kHz",
            "half-way,half-way",
            "2-bar,2-bar", "- and -,- and -", "+1.0 / -1.0,+1.0 / −1.0"})
    void onlyANegativeFigureGetsAMinusSign(String plain, String read) {
        assertThat(Figures.withMinus(plain)).isEqualTo(read);
    }

    @Test
    void theMachinesLanguageChangesNoFigure() {
        Locale was = Locale.getDefault();
        try {
            Locale.setDefault(Locale.GERMANY);
            assertThat(Figures.of("%.2f of %d", 0.5, 1234)).isEqualTo("0.50 of 1234");
            assertThat(Figures.read("%+.1f dB", -6.0)).isEqualTo("−6.0 dB");
        } finally {
            Locale.setDefault(was);
        }
    }
}
