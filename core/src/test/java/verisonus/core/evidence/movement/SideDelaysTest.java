package verisonus.core.evidence.movement;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.OptionalDouble;
import java.util.SplittableRandom;
import java.util.function.DoublePredicate;
import java.util.function.DoubleUnaryOperator;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import verisonus.core.evidence.signs.Finding;
import verisonus.core.sound.Signal;
import verisonus.core.sound.Sound;

/** Late copies between the sides: those that part and meet, and those that stand still. */
class SideDelaysTest {
    private static final int RATE_HZ = Signal.RATE_HZ;
    private static final float[] PLAYED = Signal.sum(Signal.plucks(0.37, 33, 1).atDb(-12).lasting(12),
            Signal.plucks(0.37, 33, 9).atDb(-14).lasting(12)).mid();
    private static final DoublePredicate ALWAYS = _ -> true;

    /** The playing and a copy of it, as late as a course of time says. */
    private static float[] with(double gain, DoubleUnaryOperator lateMsAt) {
        return Signal.array(PLAYED.length, i -> {
            double at = i - lateMsAt.applyAsDouble(i / (double) RATE_HZ) * RATE_HZ / 1000;
            int k = (int) Math.floor(at);
            return PLAYED[i] + (k < 0 ? 0 : gain * (PLAYED[k] + (at - k) * (PLAYED[k + 1] - PLAYED[k])));
        });
    }

    private static Sound swaying(double hz, double swayMs, double middleMs, double gain) {
        return Sound.stereo(with(gain, t -> middleMs + swayMs * Math.sin(2 * Math.PI * hz * t)),
                with(gain, t -> middleMs - swayMs * Math.sin(2 * Math.PI * hz * t)), RATE_HZ);
    }

    @ParameterizedTest
    @CsvSource({"0.5, 2.2, 12, 0.3", "0.9, 1.6, 9, 0.2", "1.3, 1.3, 15, 0.12"})
    void copiesThatPartAndMeetAreFoundWithRateSwayAndDelay(double hz, double swayMs, double middleMs, double gain) {
        SideDelays.Strongest s = SideDelays.of(swaying(hz, swayMs, middleMs, gain), ALWAYS).strongest();
        assertThat(s.hz()).isCloseTo(hz, within(0.02 * hz));
        assertThat(s.swayMs()).isCloseTo(swayMs, within(0.35 * swayMs));
        assertThat(s.delayMs()).isCloseTo(middleMs, within(0.5));
        var found = SideDelays.find(swaying(hz, swayMs, middleMs, gain), ALWAYS);
        assertThat(found.isPresent()).isTrue();
        assertThat(found.value().orElseThrow().rateHz().orElseThrow()).isEqualTo(s.hz());
    }

    @Test
    void aSideThatIsOnlyLateDoesNotSway() {
        Sound late = Sound.stereo(PLAYED, with(0.5, _ -> 12), RATE_HZ);
        assertThat(SideDelays.find(late, ALWAYS).isPresent()).isFalse();
    }

    @Test
    void twoRoomsDoNotSway() {
        float[][] sides = new float[2][];
        for (int c = 0; c < 2; c++) {
            float[] tail = tail(c + 1);
            sides[c] = Signal.array(PLAYED.length, i -> {
                double sum = PLAYED[i];
                for (int k = 0; k < tail.length; k += 40) if (i > k) sum += tail[k] * PLAYED[i - k];
                return sum;
            });
        }
        assertThat(SideDelays.find(Sound.stereo(sides[0], sides[1], RATE_HZ), ALWAYS).isPresent()).isFalse();
    }

    /** Noise that dies away within 100 ms. */
    private static float[] tail(long seed) {
        SplittableRandom r = new SplittableRandom(seed);
        return Signal.array(4800, i -> 0.3 * (2 * r.nextDouble() - 1) * Math.exp(-i / 1600.0));
    }

    @Test
    void oneChannelCannotTell() {
        var found = SideDelays.find(Sound.mono(PLAYED, RATE_HZ), ALWAYS);
        assertThat(found.isPresent()).isFalse();
        assertThat(found.reason()).contains("one channel");
    }

    @Test
    void twoSecondsAreTooShort() {
        Sound s = swaying(0.9, 1.6, 9, 0.3).slice(0, 1.5);
        assertThat(SideDelays.find(s, ALWAYS).reason()).contains("too short");
    }

    @Test
    void theyStandBesideWhatTheMiddleShowsOrInItsPlace() {
        Sound wide = swaying(0.9, 1.6, 9, 0.3);
        var tremolo = Finding.present(new ModulationReading(ModulationKind.TREMOLO, OptionalDouble.of(5),
                OptionalDouble.of(40)), 0.9, "the level sways");
        var both = SideDelays.beside(tremolo, wide);
        assertThat(both.value()).isEqualTo(tremolo.value());
        assertThat(both.reason()).startsWith("the level sways").contains("between the sides 0.90 times a second");
        Finding<ModulationReading> none = Finding.absent(0.88, "nothing sways");
        assertThat(SideDelays.beside(none, wide).value().orElseThrow().kind()).isEqualTo(ModulationKind.CHORUS);
        assertThat(SideDelays.beside(none, Sound.mono(PLAYED, RATE_HZ))).isEqualTo(none);
        var unsure = SideDelays.beside(none, Sound.stereo(PLAYED, with(0.5, _ -> 12), RATE_HZ));
        assertThat(unsure.presence()).isEqualTo(none.presence());
        assertThat(unsure.confidence()).as("where sides differ a faint sway could hide").isLessThan(none.confidence());
    }

    @Test
    void onlyWhatIsAskedIsListenedTo() {
        assertThat(SideDelays.find(swaying(0.9, 1.6, 9, 0.3), t -> t < 1.5).reason()).contains("too short");
    }

    @Test
    void theWidthOfASingleChannelIsTheNarrowest() {
        assertThat(SideDelays.sideDb(Sound.mono(PLAYED, RATE_HZ))).isEqualTo(-32);
        assertThat(SideDelays.sideDb(Sound.stereo(PLAYED, PLAYED, RATE_HZ))).isEqualTo(-32);
        assertThat(SideDelays.sideDb(swaying(0.8, 2.2, 12, 0.25))).isBetween(-31.0, -6.0);
    }
}
