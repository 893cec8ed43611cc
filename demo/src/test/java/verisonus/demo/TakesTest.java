package verisonus.demo;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;
import verisonus.core.evidence.echo.EchoEstimator;
import verisonus.core.evidence.movement.ModulationEstimator;
import verisonus.core.evidence.notes.TuningEstimator;
import verisonus.core.sound.Sound;

class TakesTest {
    @ParameterizedTest
    @EnumSource(Takes.Style.class)
    void everyStyleIsHeardAndDoesNotClip(Takes.Style style) {
        Sound s = Takes.take(style, 5, 6);
        assertThat(s.durationS()).isEqualTo(6);
        assertThat(s.peak()).isBetween(0.2, 0.9);
        assertThat(s.rms()).isGreaterThan(0.005);
    }

    @ParameterizedTest
    @EnumSource(Takes.Style.class)
    void dryPlayingHasNeitherEchoNorSteadySway(Takes.Style style) {
        Sound s = Takes.take(style, 7, 9);
        assertThat(EchoEstimator.estimate(s).isPresent()).isFalse();
        assertThat(ModulationEstimator.estimate(s).value().filter(m -> m.rateHz().isPresent())).isEmpty();
    }

    @Test
    void theSeedIsTheTake() {
        assertThat(Takes.take(Takes.Style.LEAD, 3, 3).mid()).isEqualTo(Takes.take(Takes.Style.LEAD, 3, 3).mid());
        assertThat(Takes.take(Takes.Style.LEAD, 3, 3).mid()).isNotEqualTo(Takes.take(Takes.Style.LEAD, 4, 3).mid());
    }

    @ParameterizedTest
    @EnumSource(Takes.Style.class)
    void theSecondInstrumentPlaysTheSameWayAndSaysHowItIsTuned(Takes.Style style) {
        Takes.Take t = Takes.known(style, 41, 8);
        assertThat(t.sound().peak()).isBetween(0.2, 0.9);
        assertThat(t.bpm()).isBetween(75.0, 160.0);
        assertThat(Math.abs(t.centsOff())).isLessThanOrEqualTo(8);
        TuningEstimator.estimate(t.sound()).value().ifPresent(
                v -> assertThat(v.offsetCents()).isCloseTo(t.centsOff(), within(6.0)));
        assertThat(Takes.known(style, 41, 8).sound().mid()).isEqualTo(t.sound().mid());
    }

    @Test
    void aMixHoldsTheGuitarAndTheRestAtLikeLevels() {
        Mixes.Mix m = Mixes.mix(12);
        double apart = 20 * Math.log10(m.rest().rms() / m.guitar().rms());
        assertThat(apart).isBetween(-6.0, 9.0);
    }
}
