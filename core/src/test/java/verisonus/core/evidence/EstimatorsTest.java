package verisonus.core.evidence;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.Arrays;
import org.junit.jupiter.api.Nested;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import verisonus.core.evidence.level.DynamicsEstimator;
import verisonus.core.evidence.level.HumEstimator;
import verisonus.core.evidence.level.HumReading;
import verisonus.core.evidence.level.LevelEstimator;
import verisonus.core.evidence.level.LevelReading;
import verisonus.core.evidence.level.NoiseEstimator;
import verisonus.core.evidence.level.SpectrumEstimator;
import verisonus.core.evidence.level.SpectrumReading;
import verisonus.core.evidence.level.StereoEstimator;
import verisonus.core.evidence.notes.TempoEstimator;
import verisonus.core.evidence.notes.TempoReading;
import verisonus.core.evidence.notes.TuningEstimator;
import verisonus.core.evidence.signs.Finding;
import verisonus.core.evidence.signs.Presence;
import verisonus.core.evidence.study.Course;
import verisonus.core.sound.Biquad;
import verisonus.core.sound.Decibels;
import verisonus.core.sound.Signal;
import verisonus.core.sound.Sound;
import verisonus.core.work.Cancelled;
import verisonus.core.work.Progress;
import verisonus.core.work.StopAtOnce;

class EstimatorsTest {
    private static final Sound PLAYING = Signal.plucks(0.25, 9).lasting(8);

    @Nested
    class Level {
        @Test
        void aSineHasItsKnownFigures() {
            LevelReading l = LevelEstimator.estimate(Signal.sine(997).atDb(-12).lasting(4));
            assertThat(l.samplePeakDbfs()).isCloseTo(-12, within(0.01));
            assertThat(l.truePeakDbtp()).isCloseTo(-12, within(0.05));
            assertThat(l.crestFactorDb()).isCloseTo(3.01, within(0.01));
            assertThat(l.clippedSamples()).isZero();
        }

        @Test
        void flatTopsAtFullScaleAreCounted() {
            Sound clipped = Sound.mono(Signal.array(48000, i -> Math.clamp(2 * Math.sin(i * 0.02), -1, 1)), 48000);
            assertThat(LevelEstimator.estimate(clipped).clippedSamples()).isGreaterThan(20000);
        }
    }

    /** The same playing with a rest of half a second in every two. */
    private static Sound withRests() {
        float[] x = PLAYING.channel(0);
        return Sound.mono(Signal.array(x.length, i -> i / 24000 % 4 == 3 ? 0 : x[i]), 48000);
    }

    @Nested
    class Noise {
        @ParameterizedTest
        @ValueSource(doubles = {-70, -60, -50})
        void isReadUnderPlayingWithRests(double rmsDb) {
            Sound noisy = Signal.sum(withRests(),
                    Signal.noise(3).atDb(rmsDb + 20 * Math.log10(Math.sqrt(3))).lasting(8));
            assertThat(NoiseEstimator.estimate(noisy).levelDbfs()).isCloseTo(rmsDb, within(2.0));
        }

        @Test
        void moreNoiseNeverReadsLess() {
            double last = -200;
            for (double db = -80; db <= -30; db += 10) {
                double now = NoiseEstimator.estimate(Signal.sum(PLAYING, Signal.noise(3).atDb(db).lasting(8)))
                        .levelDbfs();
                assertThat(now).isGreaterThanOrEqualTo(last - 0.1);
                last = now;
            }
        }
    }

    @Nested
    class Hum {
        /** Two seconds of playing, two of rest: longer than the window that tells 50 from 60 Hz. */
        private static Sound half() {
            float[] x = PLAYING.channel(0);
            return Sound.mono(Signal.array(x.length, i -> i / 96000 % 2 == 1 ? 0 : x[i]), 48000);
        }

        private Sound hum(double hz) {
            return Signal.of(t -> 0.004 * (Math.sin(2 * Math.PI * hz * t) + 0.5 * Math.sin(4 * Math.PI * hz * t)
                    + 0.4 * Math.sin(6 * Math.PI * hz * t) + 0.2 * Math.sin(8 * Math.PI * hz * t))).lasting(8);
        }

        @ParameterizedTest
        @ValueSource(doubles = {50, 60})
        void isFoundWithItsFrequencyAndLevel(double hz) {
            HumReading h = HumEstimator.estimate(Signal.sum(half(), hum(hz))).value().orElseThrow();
            assertThat(h.frequencyHz()).isEqualTo(hz);
            double rms = 0.004 * Math.sqrt((1 + 0.25 + 0.16 + 0.04) / 2);
            assertThat(h.levelDbfs()).isCloseTo(Decibels.fromAmplitude(rms), within(1.5));
        }

        /** A chord whose notes lie near multiples of 50 Hz, each a little off in its own way, struck every two seconds. */
        @Test
        void isNotTakenFromNotesThatAreHeldNearItsMultiples() {
            double[] notes = {49.8, 100.4, 149.2, 200.9, 248.9, 301.4, 348.2};
            Sound chord = Signal.of(t -> {
                double sum = 0;
                for (double hz : notes) sum += 0.05 * Math.exp(-(t % 2)) * Math.sin(2 * Math.PI * hz * t);
                return sum;
            }).lasting(8);
            assertThat(HumEstimator.estimate(Signal.sum(chord, Signal.noise(4).atDb(-80).lasting(8))).presence())
                    .isEqualTo(Presence.ABSENT);
        }

        @Test
        void isNotHeardInPlayingAlone() {
            assertThat(HumEstimator.estimate(PLAYING).presence()).isEqualTo(Presence.ABSENT);
        }
    }

    @Nested
    class Spectrum {
        @Test
        void anEqualizersChangeIsReadBack() {
            Biquad eq = Biquad.peak(1000, 8, 1.2, 48000);
            float[] x = PLAYING.channel(0).clone();
            new Biquad.Section(eq).process(x, 0, x.length);
            SpectrumReading before = SpectrumEstimator.estimate(PLAYING, NoiseEstimator.estimate(PLAYING));
            Sound y = Sound.mono(x, 48000);
            SpectrumReading after = SpectrumEstimator.estimate(y, NoiseEstimator.estimate(y));
            double offset = after.levelDb()[5] - before.levelDb()[5] - eq.gainDbAt(before.bandCentresHz()[5], 48000);
            for (int b = 5; b < 19; b++) {
                double change = after.levelDb()[b] - before.levelDb()[b] - offset;
                assertThat(change).as("band %.0f Hz", before.bandCentresHz()[b])
                        .isCloseTo(eq.gainDbAt(before.bandCentresHz()[b], 48000), within(1.5));
            }
        }

        @Test
        void aGainChangesNoBand() {
            SpectrumReading a = SpectrumEstimator.estimate(PLAYING, NoiseEstimator.estimate(PLAYING));
            SpectrumReading b = SpectrumEstimator.estimate(PLAYING.gained(-12), NoiseEstimator.estimate(
                    PLAYING.gained(-12)));
            for (int i = 3; i < 20; i++) assertThat(b.levelDb()[i]).isCloseTo(a.levelDb()[i], within(0.05));
        }

        @Test
        void bandsUnderTheNoiseAreNotTrusted() {
            Sound noisy = Signal.sum(Signal.sine(400).atDb(-6).lasting(4), Signal.noise(1).atDb(-30).lasting(4));
            SpectrumReading s = SpectrumEstimator.estimate(noisy, NoiseEstimator.estimate(noisy));
            int noise = nearest(s, 5000);
            assertThat(s.trust()[noise]).isLessThan(0.4);
        }

        private static int nearest(SpectrumReading s, double hz) {
            int best = 0;
            for (int i = 0; i < s.bandCentresHz().length; i++) {
                if (Math.abs(s.bandCentresHz()[i] - hz) < Math.abs(s.bandCentresHz()[best] - hz)) best = i;
            }
            return best;
        }
    }

    @Nested
    class Tuning {
        @ParameterizedTest
        @ValueSource(doubles = {-30, -8, 0, 12, 40})
        void aDetunedGuitarIsReadInCents(double cents) {
            double factor = Math.pow(2, cents / 1200);
            Sound slower = Sound.mono(Signal.plucks(0.4, 2).samples((int) (6 * 48000)), 48000);
            Sound tuned = Sound.mono(slower.channel(0), (int) Math.round(48000 * factor)).atRate(48000);
            assertThat(TuningEstimator.estimate(tuned).value().orElseThrow().offsetCents()).isCloseTo(cents,
                    within(5.0));
        }

        @Test
        void silenceHasNoPitch() {
            assertThat(TuningEstimator.estimate(Signal.silence().lasting(3)).isPresent()).isFalse();
        }
    }

    @Nested
    class Tempo {
        @ParameterizedTest
        @ValueSource(doubles = {88, 104, 132, 150})
        void steadyEighthsGiveTheBeatOrItsDouble(double bpm) {
            TempoReading t = TempoEstimator.estimate(Signal.plucks(30 / bpm, 6).lasting(10)).value().orElseThrow();
            double nearest = Math.min(Math.abs(t.bpm() - bpm), Math.min(Math.abs(t.bpm() - 2 * bpm),
                    Math.abs(t.bpm() - bpm / 2)));
            assertThat(nearest).as("read %.1f or %.1f for %.0f", t.bpm(), t.alternativeBpm(), bpm).isLessThan(1.5);
        }

        @Test
        void aHeldNoteHasNone() {
            assertThat(TempoEstimator.estimate(Signal.sine(220).atDb(-10).lasting(6)).isPresent()).isFalse();
        }
    }

    @Nested
    class Stereo {
        @Test
        void monoIsNarrowAndOppositeIsWide() {
            assertThat(StereoEstimator.estimate(PLAYING).correlation()).isEqualTo(1);
            float[] l = PLAYING.channel(0);
            Sound opposite = Sound.stereo(l, Signal.array(l.length, i -> -l[i]), 48000);
            assertThat(StereoEstimator.estimate(opposite).correlation()).isCloseTo(-1, within(1e-6));
            assertThat(StereoEstimator.estimate(opposite).sideToMidDb()).isGreaterThan(40);
        }

        @Test
        void aLateRightChannelIsReadInMilliseconds() {
            float[] l = PLAYING.channel(0);
            Sound late = Sound.stereo(l, Signal.array(l.length, i -> i < 576 ? 0 : l[i - 576]), 48000);
            assertThat(StereoEstimator.estimate(late).offsetMs()).isCloseTo(12, within(0.05));
        }
    }

    @Nested
    class Dynamics {
        @Test
        void fallingNotesHaveTheirSlope() {
            Sound notes = Signal.of(t -> 0.5 * Math.exp(-4 * (t % 0.8)) * Math.sin(2 * Math.PI * 330 * t)).lasting(8);
            double slope = DynamicsEstimator.estimate(notes).sustainDbPerS().orElseThrow();
            assertThat(slope).isCloseTo(-4 * 20 / Math.log(10), within(4.0));
        }

        @Test
        void squeezingNarrowsTheSpread() {
            Sound squeezed = Sound.mono(Signal.array(PLAYING.frames(),
                    i -> Math.tanh(8 * PLAYING.channel(0)[i])), 48000);
            assertThat(DynamicsEstimator.estimate(squeezed).envelopeSpreadDb())
                    .isLessThan(DynamicsEstimator.estimate(PLAYING).envelopeSpreadDb());
        }
    }

    @Nested
    class OverTime {
        @Test
        void theCourseFollowsALevelThatRises() {
            Sound rising = Signal.of(t -> 0.1 * t * Math.sin(2 * Math.PI * 500 * t)).lasting(8);
            float[] level = Course.of(rising, 100).levelDb();
            float[] inOrder = level.clone();
            Arrays.sort(inOrder);
            assertThat(level).isEqualTo(inOrder);
        }

        @Test
        void aHighToneIsBrighterAndHasLessBody() {
            Course low = Course.of(Signal.sine(250).atDb(-6).lasting(2), 50);
            Course high = Course.of(Signal.sine(2500).atDb(-6).lasting(2), 50);
            assertThat(high.brightnessHz()[20]).isGreaterThan(5 * low.brightnessHz()[20]);
            assertThat(low.bodyDb()[20]).isCloseTo(0, within(0.5f));
            assertThat(high.bodyDb()[20]).isLessThan(-20);
        }

        @Test
        void silenceDrawsNothing() {
            Course c = Course.of(Signal.silence().lasting(1), 20);
            assertThat(c.levelDb()).containsOnly(-90);
            assertThat(c.brightnessHz()).containsOnly(0);
        }
    }

    @Nested
    class Together {
        @Test
        void theSameSoundGivesTheSameEvidence() {
            Evidence a = Examination.of(PLAYING, Progress.NONE);
            Evidence b = Examination.of(PLAYING, Progress.NONE);
            assertThat(b.level()).isEqualTo(a.level());
            assertThat(b.tempo().value()).isEqualTo(a.tempo().value());
            assertThat(b.spectrum().levelDb()).isEqualTo(a.spectrum().levelDb());
        }

        @Test
        void canBeCancelled() {
            assertThatThrownBy(() -> Examination.of(PLAYING, new StopAtOnce())).isInstanceOf(Cancelled.class);
        }

        @Test
        void aFindingHoldsAConfidenceBetweenNoneAndOne() {
            assertThatThrownBy(() -> Finding.absent(1.2, "")).isInstanceOf(IllegalArgumentException.class);
            assertThat(Finding.unknown("too short").confidence()).isZero();
        }
    }
}
