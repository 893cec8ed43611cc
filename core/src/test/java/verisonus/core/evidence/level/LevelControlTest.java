package verisonus.core.evidence.level;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.OptionalDouble;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import verisonus.core.evidence.dirt.SaturationReading;
import verisonus.core.evidence.signs.Finding;
import verisonus.core.evidence.signs.Presence;
import verisonus.core.sound.Signal;
import verisonus.core.sound.Sound;

/** Gate and compressor by the recording alone. */
class LevelControlTest {
    private static final DynamicsReading WIDE = new DynamicsReading(12, OptionalDouble.of(18), OptionalDouble.empty());

    private static LevelControl of(Sound s) {
        return LevelControl.of(s, WIDE, Finding.unknown("not asked"));
    }

    /** Notes of 400 ms that are shut within some milliseconds, then silence over hiss. */
    private static Sound shutWithin(double ms, double restS) {
        double round = 0.4 + restS;
        return Signal.of(t -> {
            double u = t % round;
            double gain = u < 0.4 ? 1 : Math.pow(10, -60 * (u - 0.4) / (ms / 1000) / 20);
            return 0.4 * Math.max(1e-5, gain) * Math.sin(2 * Math.PI * 220 * t);
        }).lasting(6);
    }

    @ParameterizedTest
    @ValueSource(doubles = {10, 25, 40})
    void whatIsShutFasterThanAStringFallsIsAGate(double ms) {
        LevelControl c = of(shutWithin(ms, 0.4));
        assertThat(c.gate().isPresent()).isTrue();
        assertThat(c.gate().value().orElseThrow()).isGreaterThanOrEqualTo(2);
    }

    @ParameterizedTest
    @ValueSource(doubles = {250, 400})
    void whatAHandDampsIsNone(double ms) {
        assertThat(of(shutWithin(ms, 0.8)).gate().presence()).isEqualTo(Presence.ABSENT);
    }

    @Test
    void withoutAPauseItCannotBeTold() {
        Finding<Double> gate = of(Signal.sine(220).lasting(4)).gate();
        assertThat(gate.presence()).isEqualTo(Presence.UNKNOWN);
        assertThat(gate.reason()).contains("no pause");
    }

    @Test
    void ofSilenceNothingIsSaid() {
        assertThat(of(Sound.mono(new float[96_000], 48_000)).gate().reason()).isEqualTo("silent");
    }

    @Test
    void levelDoesNotMatter() {
        Finding<Double> loud = of(shutWithin(20, 0.4)).gate();
        Finding<Double> soft = of(shutWithin(20, 0.4).gained(-15)).gate();
        assertThat(soft.presence()).isEqualTo(loud.presence());
        assertThat(soft.value().orElseThrow()).isCloseTo(loud.value().orElseThrow(), within(1e-9));
    }

    @Test
    void whatHoldsTheLevelCannotBeToldFromDirtThatIsNotKnown() {
        Finding<SaturationReading> unknown = Finding.unknown("not read");
        assertThat(LevelControl.of(shutWithin(20, 0.4), WIDE, unknown).compressor().reason())
                .contains("dirt is not known");
    }
}
