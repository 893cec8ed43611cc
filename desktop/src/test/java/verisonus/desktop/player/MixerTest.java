package verisonus.desktop.player;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.Optional;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Nested;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import verisonus.core.sound.Biquad;
import verisonus.core.sound.Sound;

class MixerTest {
    private static final int RATE = 48000;
    /** Loudest step between neighbouring samples of the test tones at full level, with room for the fade. */
    private static final double SMOOTH = 0.02;

    private final Mixer mixer = new Mixer(RATE);

    private static Track tone(double hz, double seconds, double peak) {
        float[] x = new float[(int) (seconds * RATE)];
        for (int i = 0; i < x.length; i++) x[i] = (float) (peak * Math.sin(2 * Math.PI * hz * i / RATE));
        return new Track(Sound.mono(x, RATE), 0, 1);
    }

    @BeforeEach
    void load() {
        mixer.load(Source.REFERENCE, Optional.of(tone(110, 10, 0.5)));
        mixer.load(Source.MINE, Optional.of(tone(165, 10, 0.5)));
        mixer.choose(Source.REFERENCE);
        mixer.setLevelDb(0);
    }

    private float[] fill(double seconds) {
        int n = (int) (seconds * RATE);
        float[] out = new float[2 * n];
        mixer.fill(out, n);
        return out;
    }

    private static double largestStep(float[] interleaved) {
        double step = 0;
        for (int i = 2; i < interleaved.length; i++)
            step = Math.max(step, Math.abs(interleaved[i] - interleaved[i - 2]));
        return step;
    }

    private static double rmsDb(float[] x, int fromFrame, int frames) {
        double sum = 1e-12;
        for (int i = 2 * fromFrame; i < 2 * (fromFrame + frames); i++) sum += x[i] * x[i];
        return 10 * Math.log10(sum / (2.0 * frames));
    }

    private void warm() {
        fill(4.5);
        mixer.seek(0);
        fill(0.2);
    }

    @Nested
    class Level {
        @Test
        void startsLowWhateverWasSet() {
            mixer.startLow();
            assertThat(rmsDb(fill(0.1), 0, 4800)).isLessThan(-40);
        }

        @Test
        void neverJumpsBySixDecibels() {
            mixer.startLow();
            float[] out = fill(4);
            double last = -200;
            for (int at = 4800; at + 4800 < 4 * RATE; at += 4800) {
                double now = rmsDb(out, at, 4800);
                if (last > -100) assertThat(now - last).as("at %d", at).isLessThan(6);
                last = now;
            }
            mixer.setLevelDb(-40);
            fill(4);
            mixer.setLevelDb(0);
            out = fill(1);
            for (int at = 4800; at + 4800 <= RATE; at += 4800) {
                assertThat(rmsDb(out, at, 4800) - rmsDb(out, at - 4800, 4800)).isLessThan(2);
            }
        }

        @Test
        void reachesWhatWasAskedFor() {
            mixer.setLevelDb(-12);
            fill(5);
            assertThat(mixer.levelDb()).isCloseTo(-12, within(0.01));
        }
    }

    @Nested
    class Switching {
        @ParameterizedTest
        @ValueSource(doubles = {0.013, 0.1, 0.31})
        void neverClicks(double after) {
            warm();
            fill(after);
            mixer.choose(Source.MINE);
            assertThat(largestStep(fill(0.1))).isLessThan(SMOOTH);
        }

        @Test
        void keepsThePlaceInTheMusic() {
            warm();
            long before = mixer.position();
            mixer.choose(Source.MINE);
            fill(0.5);
            assertThat(mixer.position()).isEqualTo(before + RATE / 2);
        }

        @Test
        void matchedSourcesStayEquallyLoud() {
            warm();
            double reference = rmsDb(fill(0.5), 0, RATE / 2);
            mixer.choose(Source.MINE);
            fill(0.1);
            assertThat(rmsDb(fill(0.5), 0, RATE / 2)).isCloseTo(reference, within(0.2));
        }

        @Test
        void toNothingIsSilence() {
            warm();
            mixer.choose(Source.DI);
            fill(0.1);
            assertThat(rmsDb(fill(0.1), 0, 4800)).isLessThan(-100);
            assertThat(mixer.has(Source.DI)).isFalse();
        }
    }

    @Nested
    class Looping {
        @Test
        void goesRoundWithoutAClick() {
            mixer.loop(RATE, RATE + 7000, true);
            warm();
            mixer.seek(RATE);
            float[] out = fill(1);
            assertThat(largestStep(out)).isLessThan(SMOOTH);
            assertThat(mixer.position()).isBetween((long) RATE, RATE + 7000L);
        }

        @Test
        void withoutItTheEndIsReached() {
            mixer.loop(RATE, 2 * RATE, false);
            mixer.seek(9 * RATE);
            assertThat(mixer.ended()).isFalse();
            fill(1.1);
            assertThat(mixer.ended()).isTrue();
        }
    }

    @Test
    void aControlThatIsMovedWhileItPlaysDoesNotClick() {
        mixer.choose(Source.MINE);
        warm();
        mixer.load(Source.MINE, Optional.of(tone(165, 10, 0.2)));
        float[] changed = fill(0.3);
        assertThat(largestStep(changed)).isLessThan(SMOOTH);
        assertThat(rmsDb(changed, 12000, 2000)).isCloseTo(20 * Math.log10(0.2) - 3, within(0.5));
    }

    @Test
    void theMixIsAddedOnlyWhenAskedForAndNeverToTheReference() {
        mixer.loadBacking(Optional.of(tone(55, 10, 0.5)));
        warm();
        mixer.hearMix(true);
        double reference = rmsDb(fill(1), RATE / 2, RATE / 2);
        mixer.choose(Source.MINE);
        fill(0.5);
        assertThat(rmsDb(fill(1), RATE / 2, RATE / 2)).isGreaterThan(reference + 2);
    }

    @Test
    void aTrackStandsWhereItBegins() {
        Track t = new Track(Sound.mono(new float[]{1, 2}, RATE), 10, 0.5f);
        assertThat(t.left(9)).isZero();
        assertThat(t.left(11)).isEqualTo(1);
        assertThat(t.left(12)).isZero();
    }

    /** What a switch adds beyond the two sounds themselves, in the bands where neither of them has anything. */
    @Test
    void aSwitchLeavesNoClickNoGapAndKeepsThePlace() {
        warm();
        long before = mixer.position();
        float[] first = fill(0.5);
        mixer.choose(Source.MINE);
        float[] second = fill(0.5);
        assertThat(mixer.position() - before).isEqualTo(RATE);
        float[] left = new float[RATE];
        for (int i = 0; i < RATE / 2; i++) {
            left[i] = first[2 * i];
            left[RATE / 2 + i] = second[2 * i];
        }
        for (int k = 0; k < 3; k++)
            new Biquad.Section(Biquad.highPass(3000, 0.707, RATE)).process(left, 0, left.length);
        double most = 0;
        for (int i = RATE / 4; i < 3 * RATE / 4; i++) most = Math.max(most, Math.abs(left[i]));
        assertThat(20 * Math.log10(most + 1e-12)).isLessThan(-60);
        for (int at = 0; at < RATE / 8; at += 480) assertThat(rmsDb(second, at, 480)).isGreaterThan(-22);
    }
}
