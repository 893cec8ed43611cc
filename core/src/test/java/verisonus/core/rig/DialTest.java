package verisonus.core.rig;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Map;
import java.util.function.DoubleUnaryOperator;
import org.junit.jupiter.api.Nested;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

class DialTest {
    private static final Control TIME = Gear.model("clean echo").control(ControlNames.TIME);
    private static final Control MIX = Gear.model("clean echo").control(ControlNames.MIX);

    private static Dial learnt(Face face, Control c, DoubleUnaryOperator law, double... shares) {
        return new Dial(face, java.util.Arrays.stream(shares).mapToObj(s -> {
            double mark = face.mark(s);
            return new Dial.Pair(mark, law.applyAsDouble(face.share(mark)));
        }).toList());
    }

    /** The worst miss of a mark that was never seen, in marks. */
    private static double worst(Dial dial, Control c, DoubleUnaryOperator law, double step) {
        double most = 0;
        for (double s = 0.05; s <= 0.951; s += 0.05) {
            double is = dial.face().from() + s * (dial.face().to() - dial.face().from());
            most = Math.max(most, Math.abs(dial.mark(c, law.applyAsDouble(s)) - is) / step);
        }
        return most;
    }

    @Nested
    class ThreePairs {
        @ParameterizedTest
        @ValueSource(doubles = {-5, -2.5, -1, 0, 1, 2.5, 5})
        void tellATimeOfAnyTaperToHalfAMark(double bend) {
            DoubleUnaryOperator law = s -> 40 * Math.pow(15,
                    bend == 0 ? s : Math.expm1(bend * s) / Math.expm1(bend));
            Dial dial = learnt(Face.ruled(0, 10, 0, ""), TIME, law, 0.15, 0.5, 0.9);
            assertThat(worst(dial, TIME, law, 1)).isLessThan(0.5);
            assertThat(dial.errorShare(TIME)).isLessThan(0.001);
        }

        @Test
        void tellAControlThatRunsBackwards() {
            DoubleUnaryOperator law = s -> 90 - 80 * s;
            Dial dial = learnt(Face.clock(7, 17), MIX, law, 0.1, 0.5, 0.9);
            assertThat(worst(dial, MIX, law, 1)).isLessThan(0.5);
            assertThat(dial.value(MIX, 12)).isCloseTo(50, within(0.5));
        }

        @Test
        void tellALinearTimeOnALogarithmicTrack() {
            DoubleUnaryOperator law = s -> 100 + 500 * s;
            Dial dial = learnt(Face.ruled(0, 127, 1, ""), TIME, law, 0.1, 0.5, 0.9);
            assertThat(worst(dial, TIME, law, 12.7)).isLessThan(0.5);
        }
    }

    @ParameterizedTest
    @CsvSource({"20..1000/1 ms, 417, 417", "0.02..1/0.001 s, 0.417, 417"})
    void aDisplayInTheControlsOwnUnitSaysWhatItIs(String typed, double mark, double value) {
        Dial dial = Dial.typed(typed, TIME);
        assertThat(dial.value(TIME, mark)).isCloseTo(value, within(0.01));
        assertThat(dial.mark(TIME, value)).isCloseTo(mark, within(1e-6));
        assertThat(dial.reach(TIME)[1]).isCloseTo(1000, within(0.01));
    }

    @Test
    void morePairsAreMetAndLeaveLessError() {
        DoubleUnaryOperator law = s -> 50 * Math.pow(12, s < 0.5 ? 0.4 * s : 0.2 + 1.6 * (s - 0.5));
        Face face = Face.ruled(0, 10, 0, "");
        Dial three = learnt(face, TIME, law, 0.1, 0.5, 0.9);
        Dial seven = learnt(face, TIME, law, 0.05, 0.2, 0.35, 0.5, 0.65, 0.8, 0.95);
        assertThat(worst(seven, TIME, law, 1)).isLessThan(worst(three, TIME, law, 1)).isLessThan(0.3);
        assertThat(seven.errorShare(TIME)).isGreaterThan(0.01);
    }

    @Test
    void pairsThatContradictEachOtherAreNamed() {
        assertThatThrownBy(() -> new Dial(Face.ruled(0, 10, 0.5, ""),
                List.of(new Dial.Pair(3, 360), new Dial.Pair(5, 300), new Dial.Pair(8, 700))))
                .hasMessageContaining("3.0 = 360").hasMessageContaining("5.0 = 300");
        assertThatThrownBy(() -> new Dial(Face.ruled(0, 10, 1, ""), List.of(new Dial.Pair(3, 360))))
                .hasMessageContaining("one place is too few");
    }

    @ParameterizedTest
    @CsvSource({"0.5,7:00,7:00 to 17:00", "0.5,9:35,7:00 to 17:00"})
    void aPointersHoursAreReadBack(double ignored, String typed, String ends) {
        Face clock = Face.clock(7, 17);
        assertThat(clock.shown(clock.read(typed).orElseThrow())).isEqualTo(typed);
        assertThat(clock.ends()).isEqualTo(ends);
        assertThat(clock.read("6:00")).isEmpty();
    }

    @Test
    void everyMarkThatIsShownIsReadBack() {
        for (Face f : List.of(Face.ruled(-50, 50, 1, ""), Face.ruled(0, 127, 1, ""), Face.ruled(20, 20000, 0, "Hz"),
                Face.ruled(-12, 12, 0.5, "dB"), Face.clock(7, 17), Face.words(List.of("vintage", "modern")),
                Face.ruled(11, 1, 1, "")))
            for (double s = 0; s <= 1; s += 0.01) {
                double mark = f.mark(s);
                assertThat(f.read(f.shown(mark)).orElseThrow()).as(f.shown(mark)).isCloseTo(mark, within(
                        Math.abs(f.to() - f.from()) / 150));
            }
    }

    @ParameterizedTest
    @ValueSource(strings = {"0..10/0.5; 3.0 = 360; 5.0 = 410", "-50..50/1", "20..20000 Hz",
            "7:00..17:00; 12:00 = 300; 15:00 = 600",
            "slow|quick; slow = 200; quick = 700"})
    void whatIsTypedIsSaidAgain(String typed) {
        assertThat(Dial.typed(typed, TIME).words()).isEqualTo(typed);
    }

    @ParameterizedTest
    @CsvSource(delimiter = ';', quoteCharacter = '~', value = {"~loud~;no scale",
            "~0..10; 12 = 300~;begins with no mark",
            "~0..10; 3 = soon~;is no number", "~0..10; 3 = 99999~;out of reach", "~0..10; 3 = 300~;too few"})
    void whatIsNoneIsSaidWhy(String typed, String fault) {
        assertThatThrownBy(() -> Dial.typed(typed, TIME)).hasMessageContaining(fault);
    }

    @Test
    void scalesThatAreNoneAreRefused() {
        assertThatThrownBy(() -> Face.ruled(3, 3, 0, "")).hasMessageContaining("two ends");
        assertThatThrownBy(() -> Face.ruled(0, 1, 2, "")).hasMessageContaining("wider than the scale");
        assertThatThrownBy(() -> Face.words(List.of("a", "a"))).hasMessageContaining("the same");
    }

    @Test
    void theRigShowsWhatTheDeviceShowsAndAsksForNothingElse() {
        Unit own = Unit.of("my repeats", Gear.model("clean echo"), Map.of(), List.of())
                .dialled(Map.of(ControlNames.TIME, new Dial(Face.ruled(0, 10, 0.5, ""),
                        List.of(new Dial.Pair(2, 150), new Dial.Pair(8, 600)))));
        Rig rig = Rig.everything().with(own);
        Control time = own.model().control(ControlNames.TIME);
        assertThat(rig.display(own.model(), time, 300)).isEqualTo("5.0");
        assertThat(rig.valueAt(own.model(), time, 5)).isCloseTo(300, within(1.0));
        assertThat(time.maximum()).isLessThan(1000);
        assertThat(time.clamp(1900)).isEqualTo(time.maximum());
    }
}
