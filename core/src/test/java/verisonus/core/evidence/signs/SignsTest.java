package verisonus.core.evidence.signs;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.List;
import org.junit.jupiter.api.Test;
import verisonus.core.evidence.dirt.SaturationEstimator;
import verisonus.core.evidence.echo.EchoEstimator;
import verisonus.core.evidence.echo.EchoSign;

class SignsTest {
    private enum Weather {
        WARM,
        WET,
        WINDY
    }

    private static final Signs<Weather> SUMMER = Signs.of(Weather.class, w -> switch (w) {
        case WARM -> 25;
        case WET -> 0.1;
        case WINDY -> 3;
    });

    @Test
    void aFigureIsReadByItsName() {
        assertThat(SUMMER.get(Weather.WET)).isEqualTo(0.1);
    }

    @Test
    void figuresLieInTheOrderOfTheirNames() {
        assertThat(SUMMER.values()).containsExactly(25, 0.1, 3);
        assertThat(Signs.names(Weather.class)).containsExactly("WARM", "WET", "WINDY");
    }

    @Test
    void whatIsHandedOutChangesNothing() {
        SUMMER.values()[0] = -40;
        assertThat(SUMMER.get(Weather.WARM)).isEqualTo(25);
    }

    @Test
    void aDifferenceIsTakenSignBySign() {
        Signs<Weather> winter = Signs.of(Weather.class, w -> w == Weather.WARM ? -5 : 1);
        assertThat(SUMMER.less(winter).values()).containsExactly(30, -0.9, 2);
    }

    @Test
    void weightsOfOtherSignsAreRefusedByName() {
        assertThatThrownBy(() -> Network.beside(EchoEstimator.class, "echo.csv", List.of("HEIGHT", "WEIGHT")))
                .isInstanceOf(IllegalStateException.class).hasMessageContaining("echo.csv").hasMessageContaining("LAG");
    }

    @Test
    void missingWeightsAreNamed() {
        assertThatThrownBy(() -> Network.beside(SaturationEstimator.class, "none.csv", List.of()))
                .hasMessageContaining("none.csv");
    }

    @Test
    void probabilitiesAddToOneWhateverTheSigns() {
        Network network = Network.beside(EchoEstimator.class, "echo.csv", Signs.names(EchoSign.class));
        for (double v : new double[]{-1e9, 0, 0.3, 1e9, Double.NaN}) {
            double[] p = network.probabilities(Signs.of(EchoSign.class, _ -> v).values());
            assertThat(p).hasSize(2);
            assertThat(p[0] + p[1]).isCloseTo(1, org.assertj.core.api.Assertions.within(1e-12));
            assertThat(p[0]).isBetween(0.0, 1.0);
        }
    }
}
