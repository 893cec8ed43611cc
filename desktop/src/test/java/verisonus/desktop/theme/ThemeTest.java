package verisonus.desktop.theme;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import javafx.scene.paint.Color;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class ThemeTest {
    /** WCAG 2.1, AA for text. */
    private static final double READABLE = 4.5;

    @Test
    void everyTextInkIsReadableByDayAndNight() {
        for (Inks i : List.of(Inks.DAY, Inks.NIGHT)) {
            for (Color ground : List.of(i.paper(), i.sheet())) {
                for (Color text : List.of(i.ink(), i.quiet(), i.reference(), i.mine(), i.warning())) {
                    assertThat(Inks.contrast(text, ground)).as("%s on %s", text, ground)
                            .isGreaterThanOrEqualTo(READABLE);
                }
            }
        }
    }

    @Test
    void contrastOfBlackOnWhiteIsTwentyOne() {
        assertThat(Inks.contrast(Color.BLACK, Color.WHITE)).isCloseTo(21, within(0.01));
        assertThat(Inks.contrast(Color.RED, Color.RED)).isCloseTo(1, within(1e-9));
    }

    @Test
    void ticksAreRoundAndInside() {
        assertThat(AxisTicks.linear(0, 13.2, 12)).startsWith(0.0).contains(2.0, 4.0);
        for (double t : AxisTicks.linear(3.1, 9.7, 5)) assertThat(t).isBetween(3.1, 9.7);
        assertThat(AxisTicks.linear(5, 5, 4)).isEmpty();
        assertThat(AxisTicks.logarithmic(50, 16000)).containsExactly(50.0, 100.0, 200.0, 500.0, 1000.0, 2000.0, 5000.0,
                10000.0);
    }

    @ParameterizedTest
    @CsvSource({"0, false, 0:00", "74.26, false, 1:14", "14.26, true, 0:14.2", "59.99, true, 0:59.9",
            "119.6, false, 2:00"})
    void timesReadAsMinutesAndSeconds(double s, boolean tenths, String words) {
        assertThat(AxisTicks.time(s, tenths)).isEqualTo(words);
    }

    @ParameterizedTest
    @CsvSource({"100, 100", "1000, 1 k", "2500, 2.5 k", "10000, 10 k"})
    void frequenciesReadInKilo(double hz, String words) {
        assertThat(AxisTicks.frequency(hz)).isEqualTo(words);
    }
}
