package verisonus.core.evidence;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Nested;
import org.junit.jupiter.api.Test;
import verisonus.core.evidence.dirt.ClippingReading;
import verisonus.core.evidence.dirt.SaturationReading;
import verisonus.core.evidence.echo.EchoReading;
import verisonus.core.evidence.gear.CabinetEstimator;
import verisonus.core.evidence.gear.CabinetReading;
import verisonus.core.evidence.gear.TakenAt;
import verisonus.core.evidence.level.DynamicsEstimator;
import verisonus.core.evidence.level.LevelControl;
import verisonus.core.evidence.level.NoiseEstimator;
import verisonus.core.evidence.level.SpectrumEstimator;
import verisonus.core.evidence.level.StereoEstimator;
import verisonus.core.evidence.level.WidthReading;
import verisonus.core.evidence.notes.PlayedNote;
import verisonus.core.evidence.notes.TempoCourse;
import verisonus.core.evidence.signs.Finding;
import verisonus.core.evidence.signs.Presence;
import verisonus.core.evidence.space.ReverbReading;
import verisonus.core.sound.Biquad;
import verisonus.core.sound.Signal;
import verisonus.core.sound.Sound;

class CircumstancesTest {
    private static final Sound NOTES = Signal.plucks(0.33, 9).lasting(6);

    @Nested
    class Cabinet {
        private static Finding<CabinetReading> read(Sound x) {
            return CabinetEstimator.estimate(SpectrumEstimator.estimate(x, NoiseEstimator.estimate(x)), 0);
        }

        @Test
        void aSteepFallIsASpeakers() {
            float[] y = Signal.noise(2).atDb(-20).lasting(4).channel(0).clone();
            for (int i = 0; i < 3; i++) new Biquad.Section(Biquad.lowPass(4200, 0.9, 48000)).process(y, 0, y.length);
            Finding<CabinetReading> f = read(Sound.mono(y, 48000));
            assertThat(f.isPresent()).isTrue();
            assertThat(f.value().orElseThrow().cornerHz()).isBetween(3000.0, 7000.0);
        }

        @Test
        void anEvenSpectrumHasNone() {
            assertThat(read(Signal.noise(2).atDb(-20).lasting(4)).presence()).isEqualTo(Presence.ABSENT);
        }

        @Test
        void theWayIsReadFromSpeakerDirtAndRoom() {
            Finding<SaturationReading> clean = Finding.present(SaturationReading.ofIndex(0.1), 0.8, "");
            Finding<SaturationReading> driven = Finding.present(SaturationReading.ofIndex(0.8), 0.8, "");
            Finding<ReverbReading> dry = Finding.absent(0.9, "");
            Finding<CabinetReading> none = Finding.absent(0.9, "");
            Finding<CabinetReading> speaker = Finding.present(new CabinetReading(30, 4500), 0.9, "");
            assertThat(TakenAt.estimate(none, clean, dry).value()).contains(TakenAt.PICKUPS);
            assertThat(TakenAt.estimate(none, driven, dry).value()).contains(TakenAt.AMP_OUTPUT);
            assertThat(TakenAt.estimate(speaker, driven, dry).value()).contains(TakenAt.CABINET);
            assertThat(TakenAt.estimate(Finding.unknown("?"), driven, dry).presence()).isEqualTo(Presence.UNKNOWN);
        }
    }

    @Nested
    class Width {
        private static WidthReading.Origin kind(Sound l, Sound r) {
            Sound x = Sound.stereo(l.channel(0), r.channel(0), 48000);
            return WidthReading.estimate(x, StereoEstimator.estimate(x)).value().orElseThrow().kind();
        }

        @Test
        void oneSoundOnBothSidesIsNarrow() {
            assertThat(kind(NOTES, NOTES)).isEqualTo(WidthReading.Origin.NARROW);
        }

        @Test
        void aLouderSideIsAside() {
            assertThat(kind(NOTES, NOTES.gained(-9))).isEqualTo(WidthReading.Origin.ASIDE);
        }

        @Test
        void aDelayedCopyIsWidened() {
            float[] x = NOTES.channel(0);
            Sound late = Sound.mono(Signal.array(x.length, i -> i < 600 ? 0 : x[i - 600]), 48000);
            assertThat(kind(NOTES, late)).isEqualTo(WidthReading.Origin.WIDENED);
        }

        @Test
        void twoPerformancesAreDoubled() {
            assertThat(kind(NOTES, Signal.plucks(0.33, 77).lasting(6))).isEqualTo(WidthReading.Origin.DOUBLED);
        }
    }

    @Nested
    class Notes {
        @Test
        void whatTheEchoAddsIsToldFromWhatIsPlayed() {
            Sound slow = Signal.of(t -> 0.4 * Math.exp(-9 * (t % 1.0)) * Math.sin(2 * Math.PI * 330 * (t % 1.0)))
                    .lasting(6);
            float[] x = slow.channel(0);
            Sound echoed = Sound.mono(Signal.array(x.length, i -> x[i] + (i < 19200 ? 0 : 0.4 * x[i - 19200])), 48000);
            List<PlayedNote> notes = PlayedNote.of(echoed, Optional.of(new EchoReading(400, 0, -8, false)));
            for (PlayedNote n : notes) {
                // The very first note begins with the sound and so has no beginning in it.
                if (n.atS() < 0.9) continue;
                double in = n.atS() % 1.0;
                assertThat(n.byEcho()).as("at %.2f", n.atS()).isEqualTo(in > 0.3 && in < 0.5);
            }
            assertThat(notes.stream().filter(PlayedNote::byEcho)).hasSizeGreaterThan(3);
        }

        @Test
        void withoutAnEchoAllArePlayed() {
            assertThat(PlayedNote.of(NOTES, Optional.empty())).isNotEmpty().noneMatch(PlayedNote::byEcho);
        }
    }

    @Nested
    class Pulse {
        private static Sound clicks(double bpm, double growth) {
            return Signal.of(t -> {
                double beats = bpm / 60 * (t + growth * t * t / 2);
                double u = beats % 1.0;
                return 0.4 * Math.exp(-14 * u) * Math.sin(2 * Math.PI * 400 * u);
            }).lasting(30);
        }

        @Test
        void aSteadyTempoHolds() {
            TempoCourse c = TempoCourse.of(clicks(104, 0), 104);
            assertThat(c.isConstant()).isTrue();
            assertThat(c.bpm()).hasSizeGreaterThan(4);
            for (double b : c.bpm()) assertThat(b).isCloseTo(104, within(0.5));
        }

        @Test
        void aTempoThatRisesDrifts() {
            TempoCourse c = TempoCourse.of(clicks(104, 0.002), 107);
            assertThat(c.isConstant()).isFalse();
            assertThat(c.bpm()[c.bpm().length - 1]).isGreaterThan(c.bpm()[0] + 2);
        }
    }

    @Nested
    class Control {
        @Test
        void aGateShutsFasterThanAString() {
            Sound floor = Signal.noise(1).atDb(-85).lasting(6);
            Sound gated = Sound.mono(Signal.array(floor.frames(), i -> {
                double t = i / 48000.0 % 1.0;
                return floor.channel(0)[i] + (t < 0.5 ? 0.3 * Math.sin(2 * Math.PI * 220 * t) : 0);
            }), 48000);
            assertThat(
                    LevelControl.of(gated, DynamicsEstimator.estimate(gated), Finding.unknown("")).gate().isPresent())
                    .isTrue();
            Sound ringing = Sound.mono(Signal.array(floor.frames(), i -> {
                double t = i / 48000.0 % 2.0;
                return floor.channel(0)[i] + 0.3 * Math.exp(-6 * t) * Math.sin(2 * Math.PI * 220 * t);
            }), 48000);
            assertThat(LevelControl.of(ringing, DynamicsEstimator.estimate(ringing), Finding.unknown("")).gate()
                    .isPresent()).isFalse();
        }

        @Test
        void aLopsidedClipperLeavesALopsidedWave() {
            float[] x = NOTES.channel(0);
            Sound even = Sound.mono(Signal.array(x.length, i -> Math.tanh(8 * x[i])), 48000);
            Sound odd = Sound.mono(
                    Signal.array(x.length, i -> x[i] > 0 ? Math.tanh(8 * x[i]) : 0.5 * Math.tanh(8 * x[i])),
                    48000);
            assertThat(ClippingReading.of(odd).lopsidedDb()).isGreaterThan(ClippingReading.of(even).lopsidedDb() + 3);
        }
    }
}
