package verisonus.core.evidence;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.Arrays;
import java.util.Optional;
import org.junit.jupiter.api.Nested;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import verisonus.core.evidence.dirt.SaturationEstimator;
import verisonus.core.evidence.echo.BlockResponse;
import verisonus.core.evidence.movement.ModulationKind;
import verisonus.core.evidence.movement.ModulationReading;
import verisonus.core.evidence.signs.Finding;
import verisonus.core.evidence.signs.Presence;
import verisonus.core.evidence.space.TailFit;
import verisonus.core.sound.Signal;
import verisonus.core.sound.Sound;
import verisonus.core.take.TakeAlignment;
import verisonus.core.work.Progress;

class PairedExaminationTest {
    private static final Sound TAKE = Signal.plucks(0.33, 11).lasting(9);

    private static Sound late(Sound x, double seconds) {
        float[] out = new float[x.frames()];
        int by = (int) Math.round(seconds * 48000);
        for (int i = 0; i < out.length; i++) {
            if (i - by >= 0 && i - by < out.length) out[i] = x.channel(0)[i - by];
        }
        return Sound.mono(out, 48000);
    }

    private static Sound swayingEcho(Sound x, double ms, double swayMs) {
        float[] in = x.channel(0);
        return Sound.mono(Signal.array(in.length, i -> {
            double at = i - 48 * (ms + swayMs * Math.sin(2 * Math.PI * 0.9 * i / 48000.0));
            int k = (int) Math.floor(at);
            double u = at - k;
            return in[i] + (k < 0 ? 0 : 0.5 * ((1 - u) * in[k] + u * in[k + 1]));
        }), 48000);
    }

    @Nested
    class AlignmentInTime {
        @ParameterizedTest
        @ValueSource(doubles = {-0.35, 0, 0.21, 1.3})
        void findsHowMuchLaterTheRecordingIs(double lagS) {
            Optional<TakeAlignment> a = TakeAlignment.of(late(TAKE, lagS), TAKE);
            assertThat(a.orElseThrow().lagS()).isCloseTo(lagS, within(0.004));
        }

        @Test
        void anotherPerformanceIsNotAligned() {
            assertThat(TakeAlignment.of(TAKE, Signal.plucks(0.29, 4).lasting(9))).isEmpty();
        }

        @Test
        void beginningsAgreeThroughAClipper() {
            Sound x = Sound.mono(Signal.array(TAKE.frames(), i -> Math.tanh(12 * TAKE.channel(0)[i])), 48000);
            assertThat(TakeAlignment.nearest(x, TAKE).likeness()).isGreaterThan(0.6);
        }
    }

    @Nested
    class Repeats {
        @ParameterizedTest
        @ValueSource(doubles = {0.8, 1.8})
        void thatSwayAreFoundWithTheTake(double swayMs) {
            Evidence e = PairedExamination.of(swayingEcho(TAKE, 410, swayMs), TAKE, Progress.NONE).evidence();
            assertThat(e.echo().value().orElseThrow().timeMs()).isCloseTo(410, within(swayMs + 1.5));
        }

        @Test
        void whatIsPlayedAgainIsNotTakenForOne() {
            BlockResponse r = BlockResponse.of(TAKE, TAKE, 0);
            assertThat(Arrays.stream(r.energy()).map(Math::abs).max().orElseThrow()).isLessThan(1e-6);
        }

        @Test
        void theirLevelIsReadWithinAFewDecibels() {
            BlockResponse r = BlockResponse.of(swayingEcho(TAKE, 300, 0), TAKE, 0);
            assertThat(r.strongestS()).isCloseTo(0.3, within(0.002));
            assertThat(r.levelDb(0.3).orElseThrow()).isCloseTo(-6, within(3.0));
        }
    }

    @Test
    void aTailIsNotInventedBehindADryTake() {
        TailFit fit = TailFit.of(TAKE, TAKE, 0, Optional.empty());
        assertThat(fit.gainDb()).isLessThan(0.12);
        assertThat(fit.errorDb()).isLessThan(0.2);
    }

    @Test
    void aTremoloUnderBusyPlayingIsReadWithTheTake() {
        Sound x = Sound.mono(Signal.array(TAKE.frames(),
                i -> TAKE.channel(0)[i] * (1 - 0.6 * (0.5 + 0.5 * Math.sin(2 * Math.PI * 4.7 * i / 48000.0)))), 48000);
        PairedExamination p = PairedExamination.of(x, TAKE, Progress.NONE);
        ModulationReading m = p.evidence().modulation().value().orElseThrow();
        assertThat(m.kind()).isEqualTo(ModulationKind.TREMOLO);
        assertThat(m.rateHz().orElseThrow()).isCloseTo(4.7, within(0.05));
        assertThat(p.gained()).contains("modulation", "echo", "reverb", "saturation");
    }

    @Nested
    class TwoReadings {
        private static final Finding<String> FOUND = Finding.present("chorus", 0.95, "the sides drift apart");

        @Test
        void nothingIsKnownLessWithATakeThatCannotTell() {
            assertThat(FOUND.weighedWith(Finding.unknown("too busy"), "the recording alone")).isEqualTo(FOUND);
        }

        @Test
        void thatContradictEachOtherLeaveTheQuestionOpenAndAreBothNamed() {
            Finding<String> both = FOUND.weighedWith(Finding.absent(1, "nothing sways"), "the recording alone");
            assertThat(both.presence()).isEqualTo(Presence.UNKNOWN);
            assertThat(both.reason()).contains("nothing sways", "the recording alone", "drift apart");
        }

        @Test
        void theSurerOneIsBelievedLessThanByItself() {
            Finding<String> both = FOUND.trusted(0.6).weighedWith(Finding.absent(0.97, "nothing sways"), "alone");
            assertThat(both.presence()).isEqualTo(Presence.ABSENT);
            assertThat(both.confidence()).isBetween(0.9, 0.97);
        }

        @Test
        void thatAgreeAreAsSureAsTheSurerOne() {
            Finding<String> both = FOUND.weighedWith(Finding.present("slow chorus", 0.7, "x"), "alone");
            assertThat(both.value()).contains("slow chorus");
            assertThat(both.confidence()).isEqualTo(0.95);
        }
    }

    @Test
    void dirtThatTheTakeDoesNotHaveIsRead() {
        double last = -1;
        for (double drive : new double[]{1, 4, 16}) {
            Sound x = Sound.mono(Signal.array(TAKE.frames(), i -> Math.tanh(drive * TAKE.channel(0)[i])), 48000);
            double now = SaturationEstimator.estimate(x, TAKE).value().orElseThrow().index();
            assertThat(now).isGreaterThan(last);
            last = now;
        }
    }
}
