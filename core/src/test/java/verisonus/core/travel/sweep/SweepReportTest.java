package verisonus.core.travel.sweep;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.SplittableRandom;
import java.util.function.UnaryOperator;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.Arguments;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.MethodSource;
import org.junit.jupiter.params.provider.ValueSource;
import verisonus.core.sound.Signal;
import verisonus.core.sound.Sound;
import verisonus.core.travel.system.PlaybackSystem;
import verisonus.core.travel.system.ResponseCurve;
import verisonus.core.travel.system.SystemSound;
import verisonus.core.work.InputFault;
import verisonus.core.work.Progress;

class SweepReportTest {
    private static final ExponentialSweep SWEEP = ExponentialSweep.STANDARD;
    private static final Sound SIGNAL = SWEEP.signal();
    private static final Sound BOTH_EARS = heardOn("car");
    private static final Sound IN_THE_CAR = Sound.mono(BOTH_EARS.channel(0), 48000);

    /** The stand-in for loudspeaker, room and microphone. */
    private static Sound heardOn(String id) {
        PlaybackSystem s = PlaybackSystem.find(id).orElseThrow();
        PlaybackSystem unhindered = new PlaybackSystem(s.id(), s.name(), s.curve(), Optional.empty(), s.room(), 1,
                false, 75, "");
        return new SystemSound(unhindered, 75).of(SIGNAL, Progress.NONE);
    }

    private static Sound noisy(Sound s, double amplitude, long seed) {
        SplittableRandom random = new SplittableRandom(seed);
        float[] x = s.channel(0).clone();
        for (int i = 0; i < x.length; i++) x[i] += (float) (amplitude * (2 * random.nextDouble() - 1));
        return Sound.mono(x, 48000);
    }

    private static SweepReport report(Sound... heard) {
        return SweepReport.of(SWEEP, Arrays.stream(heard).map(s -> new SweepReport.Run("run.wav", s)).toList(),
                Optional.empty());
    }

    private static void agrees(ResponseCurve measured, ResponseCurve truth, double withinDb) {
        double[] hz = measured.hz();
        double offset = 0;
        int n = 0;
        for (double f : hz) {
            if (f < 290 || f > 3200) continue;
            offset += truth.levelDbAt(f);
            n++;
        }
        for (int b = 0; b < hz.length; b++) {
            if (hz[b] < 49) continue;
            assertThat(measured.levelDb()[b]).as("%.0f Hz", hz[b]).isCloseTo(truth.levelDbAt(hz[b]) - offset / n,
                    within(withinDb));
        }
    }

    @ParameterizedTest
    @ValueSource(booleans = {false, true})
    void aCableBesideTheMicrophoneIsToldFromItOnEitherSide(boolean swapped) {
        float[] cable = Arrays.copyOf(SIGNAL.channel(0), IN_THE_CAR.frames());
        float[] heard = IN_THE_CAR.channel(0);
        SweepReport both = report(swapped ? Sound.stereo(heard, cable, 48000) : Sound.stereo(cable, heard, 48000));
        assertThat(both.curve().levelDb()).containsExactly(report(IN_THE_CAR).curve().levelDb(), within(1e-9));
        assertThat(both.remarks()).anyMatch(r -> r.contains((swapped ? "right" : "left") + " side is the cable"));
    }

    @Test
    void theSignalItselfMeasuresFlat() {
        agrees(report(SIGNAL).curve(), ResponseCurve.of(10, 0, 24000, 0), 0.1);
    }

    @Test
    void aLoudspeakerInARoomIsMeasuredAsItIs() {
        agrees(report(noisy(IN_THE_CAR, 0.002, 1), noisy(IN_THE_CAR, 0.002, 2), noisy(IN_THE_CAR, 0.002, 3)).curve(),
                report(IN_THE_CAR).curve(), 0.5);
    }

    @Test
    void theMeanOfBothEarsIsTheResponseThatTheFiguresUse() {
        ResponseCurve left = report(IN_THE_CAR).curve();
        ResponseCurve right = report(Sound.mono(BOTH_EARS.channel(1), 48000)).curve();
        double[] hz = left.hz();
        double[] mean = new double[hz.length];
        for (int b = 0; b < hz.length; b++)
            mean[b] = 10 * Math.log10((Math.pow(10, left.levelDb()[b] / 10)
                    + Math.pow(10, right.levelDb()[b] / 10)) / 2);
        agrees(new ResponseCurve(hz, mean), PlaybackSystem.find("car").orElseThrow().curve(), 1.5);
    }

    @Test
    void theMicrophonesOwnColourIsTakenOut() {
        ResponseCurve calibration = ResponseCurve.of(20, -3, 1000, 0, 20000, 6);
        SweepReport with = SweepReport.of(SWEEP, List.of(new SweepReport.Run("a", SIGNAL)), Optional.of(calibration));
        assertThat(with.curve().levelDbAt(10000) - with.curve().levelDbAt(1000)).isCloseTo(
                -(calibration.levelDbAt(10000) - calibration.levelDbAt(1000)), within(0.2));
    }

    @Test
    void aRunThatDisagreesIsLeftOutAndSaid() {
        SweepReport r = report(IN_THE_CAR, noisy(IN_THE_CAR, 0.001, 4), heardOn("monitors"));
        assertThat(r.used()).isEqualTo(2);
        assertThat(r.remarks()).anySatisfy(s -> assertThat(s).contains("disagrees"));
    }

    @Test
    void whatDoesNotStandOutOfTheNoiseIsSaid() {
        SweepReport r = report(noisy(IN_THE_CAR, 0.02, 5), noisy(IN_THE_CAR, 0.02, 6));
        assertThat(Arrays.stream(r.signalOverNoiseDb()).min().orElseThrow()).isLessThan(
                Arrays.stream(report(IN_THE_CAR, IN_THE_CAR).signalOverNoiseDb()).min().orElseThrow());
    }

    private static Sound each(Sound s, UnaryOperator<Float> change) {
        float[] x = s.channel(0).clone();
        for (int i = 0; i < x.length; i++) x[i] = change.apply(x[i]);
        return Sound.mono(x, s.rateHz());
    }

    /** Played at another speed: as if the recording clock ran slower. */
    private static Sound drifted(Sound s, double ratio) {
        float[] x = s.channel(0);
        float[] y = new float[(int) (x.length * ratio) - 2];
        for (int i = 0; i < y.length; i++) {
            double at = i / ratio;
            int k = Math.min(x.length - 2, (int) at);
            y[i] = (float) (x[k] + (at - k) * (x[k + 1] - x[k]));
        }
        return Sound.mono(y, s.rateHz());
    }

    static Stream<Arguments> spoiled() {
        return Stream.of(Arguments.of("silent", each(SIGNAL, _ -> 0f), SweepFault.SILENT),
                Arguments.of("too short", IN_THE_CAR.slice(0, 4), SweepFault.TOO_SHORT),
                Arguments.of("its end missing", IN_THE_CAR.slice(0, 7.8), SweepFault.TOO_SHORT),
                Arguments.of("clipped", each(IN_THE_CAR, v -> Math.clamp(v * 8, -1f, 1f)), SweepFault.CLIPPED),
                Arguments.of("clipped below full scale", each(IN_THE_CAR, v -> Math.clamp(v, -0.12f, 0.12f)),
                        SweepFault.CLIPPED),
                Arguments.of("another sweep", new ExponentialSweep(40, 18000, 5).signal().withFrames(400_000),
                        SweepFault.OTHER_SWEEP),
                Arguments.of("music", Signal.plucks(0.25, 3).lasting(9), SweepFault.NOISY),
                Arguments.of("buried in noise", noisy(each(IN_THE_CAR, v -> v * 0.001f), 0.3, 7), SweepFault.NOISY),
                Arguments.of("clocks apart", drifted(IN_THE_CAR, 1.002), SweepFault.CLOCK_DRIFT),
                Arguments.of("turned round", reversed(IN_THE_CAR), SweepFault.OTHER_SWEEP));
    }

    private static Sound reversed(Sound s) {
        float[] x = s.channel(0).clone();
        for (int i = 0; i < x.length; i++) x[i] = s.channel(0)[x.length - 1 - i];
        return Sound.mono(x, s.rateHz());
    }

    @ParameterizedTest(name = "{0}")
    @MethodSource("spoiled")
    void aSpoiledMeasurementIsRefusedByItsReason(String name, Sound heard, SweepFault fault) {
        assertThatThrownBy(() -> report(heard)).as(name).isInstanceOf(InputFault.class)
                .hasMessageContaining(fault.words());
    }

    @Test
    void runsOfUnlikeSystemsAreRefused() {
        assertThatThrownBy(() -> report(IN_THE_CAR, heardOn("phone"))).isInstanceOf(InputFault.class)
                .hasMessageContaining(SweepFault.DISAGREE.words());
    }

    /** What turns the level by itself: a follower with its own times, that holds what is louder than a threshold back. */
    private static Sound levelled(Sound s, double attackS, double releaseS, double ratio) {
        float[] x = s.channel(0).clone();
        double follower = 1e-4;
        for (int i = 0; i < x.length; i++) {
            double level = Math.abs(x[i]);
            double time = level > follower ? attackS : releaseS;
            follower += (level - follower) * (1 - Math.exp(-1 / (time * 48000)));
            double over = Math.max(1, follower / 0.02);
            x[i] *= (float) Math.pow(over, 1 / ratio - 1);
        }
        return Sound.mono(x, 48000);
    }

    @ParameterizedTest
    @CsvSource({"0.005, 0.2, 4", "0.05, 0.5, 3", "0.05, 2, 2", "0.4, 1.5, 4", "1, 3, 4", "0.6, 0.3, 3", "1, 0.4, 2.5"})
    void automaticLevelControlIsRefused(double attackS, double releaseS, double ratio) {
        Sound heard = levelled(noisy(IN_THE_CAR, 0.0005, 11), attackS, releaseS, ratio);
        assertThatThrownBy(() -> report(heard)).isInstanceOf(InputFault.class)
                .hasMessageContaining(SweepFault.LEVEL_CONTROL.words());
    }

    /** Gone for 60 ms, as where a buffer ran empty: before the loudspeaker the room rings on, behind the microphone nothing is left. */
    private static Sound dropped(Sound s, double atS) {
        float[] x = s.channel(0).clone();
        for (int i = (int) (atS * 48000); i < (int) ((atS + 0.06) * 48000); i++) x[i] = 0;
        return Sound.mono(x, 48000);
    }

    @ParameterizedTest
    @ValueSource(doubles = {4.2, 5.1, 6.5, 7.6})
    void aDropOutInTheOnlyRunIsRefused(double atS) {
        assertThatThrownBy(() -> report(dropped(noisy(IN_THE_CAR, 0.0005, 12), atS))).isInstanceOf(InputFault.class)
                .hasMessageContaining(SweepFault.DROPPED_OUT.words());
    }

    @ParameterizedTest
    @ValueSource(doubles = {3.2, 4.2, 5.1, 6.5, 7.6})
    void aRunWhoseSoundHadGoneBeforeTheLoudspeakerIsLeftOutBesideGoodOnes(double atS) {
        PlaybackSystem car = PlaybackSystem.find("car").orElseThrow();
        PlaybackSystem plain = new PlaybackSystem(car.id(), car.name(), car.curve(), Optional.empty(), car.room(), 1,
                false, 75, "");
        Sound gone = Sound.mono(new SystemSound(plain, 75).of(dropped(SIGNAL, atS), Progress.NONE).channel(0), 48000);
        SweepReport r = report(noisy(IN_THE_CAR, 0.0005, 13), noisy(gone, 0.0005, 14), noisy(IN_THE_CAR, 0.0005, 15));
        agrees(r.curve(), report(IN_THE_CAR).curve(), 0.3);
        assertThat(r.used()).isEqualTo(2);
    }

    @Test
    void aRecordingThatBeginsWithinTheSweepIsRefused() {
        assertThatThrownBy(() -> report(IN_THE_CAR.slice(2.9, 10).withFrames(430_000))).isInstanceOf(InputFault.class)
                .hasMessageContaining(SweepFault.BEGINS_LATE.words());
    }

    @Test
    void whatWasMutedAtTheBeginningIsNotKnownAndSaid() {
        float[] x = IN_THE_CAR.channel(0).clone();
        for (int i = 0; i < (int) (3.05 * 48000); i++) x[i] = 0;
        SweepReport r = report(noisy(Sound.mono(x, 48000), 0.0005, 16), noisy(Sound.mono(x, 48000), 0.0005, 17));
        assertThat(r.curve().hz()[0]).isGreaterThan(60);
        assertThat(r.remarks()).anyMatch(s -> s.contains("beginning is missing"));
        ResponseCurve truth = report(IN_THE_CAR).curve();
        for (int b = 0; b < r.curve().hz().length; b++) {
            if (r.curve().hz()[b] < 100) continue;
            assertThat(r.curve().levelDb()[b]).isCloseTo(truth.levelDbAt(r.curve().hz()[b]), within(0.5));
        }
    }

    @Test
    void whereTheTonesAreMissingItIsSaidThatLevelControlWasNotJudged() {
        float[] x = IN_THE_CAR.channel(0).clone();
        int sweepBegins = (int) (ExponentialSweep.LEAD_S * 48000);
        Arrays.fill(x, 0, sweepBegins, 0f);
        Sound toneless = noisy(Sound.mono(x, 48000), 0.0005, 18);
        assertThat(report(toneless).remarks()).anyMatch(s -> s.contains("turned its level"));
        assertThat(report(noisy(IN_THE_CAR, 0.0005, 19)).remarks()).noneMatch(s -> s.contains("turned its level"));
    }

    @Test
    void aRecordingOfALowRateSaysNothingOfWhatItCannotHold() {
        SweepReport r = report(IN_THE_CAR.atRate(16000), IN_THE_CAR.atRate(16000));
        double[] hz = r.curve().hz();
        assertThat(hz[hz.length - 1]).isBetween(5000.0, 7300.0);
        assertThat(r.remarks()).anyMatch(s -> s.contains("low rate"));
    }
}
