package verisonus.core.rig;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Map;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;

/** A control's track: where a value stands on it, and back. */
class ControlTest {
    static Stream<Control> all() {
        return Gear.MODELS.stream().flatMap(m -> m.controls().stream());
    }

    private static Control feedbackTime() {
        return Gear.model("clean echo").control(ControlNames.TIME);
    }

    @ParameterizedTest
    @MethodSource("all")
    void whereAValueStandsLeadsBackToIt(Control c) {
        for (double p = 0; p <= 1; p += 0.125) {
            assertThat(c.position(c.valueAt(p))).as(c.name()).isCloseTo(p, within(1e-9));
        }
    }

    @ParameterizedTest
    @MethodSource("all")
    void wideSpansOfFrequencyAndTimeMultiplyAlikeAndOthersDoNot(Control c) {
        boolean wide = c.minimum() > 0 && c.maximum() / c.minimum() >= 20;
        double half = wide ? Math.sqrt(c.minimum() * c.maximum()) : (c.minimum() + c.maximum()) / 2;
        assertThat(c.valueAt(0.5)).as(c.name()).isCloseTo(half, within(1e-9 * Math.abs(c.maximum())));
    }

    @Test
    void aDeviceThatGoesLessFarKeepsItsAudioTaper() {
        Control whole = feedbackTime();
        Control shorter = whole.within(100, 900);
        assertThat(whole.taper()).isEqualTo(Control.Taper.AUDIO);
        assertThat(shorter.taper()).isEqualTo(Control.Taper.AUDIO);
        assertThat(shorter.valueAt(0.5)).isCloseTo(300, within(1e-9));
        assertThat(shorter.position(300)).isCloseTo(0.5, within(1e-9));
    }

    @Test
    void aKnobThatGoesLessFarIsStillItsOwnTrack() {
        Unit amp = Unit.of("my amp", Gear.model("mid-forward crunch"), Map.of("gain", new Unit.Reach(2, 8)), List.of());
        Control gain = amp.model().control("gain");
        assertThat(gain.valueAt(0.5)).isCloseTo(5, within(1e-9));
    }
}
