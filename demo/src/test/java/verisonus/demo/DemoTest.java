package verisonus.demo;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.nio.file.Path;
import java.util.List;
import java.util.SplittableRandom;
import org.junit.jupiter.api.Nested;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import verisonus.casebook.store.CaseEntry;
import verisonus.casebook.store.Casebook;
import verisonus.casebook.store.DerivedTone;
import verisonus.casebook.store.Medium;
import verisonus.core.evidence.echo.EchoEstimator;
import verisonus.core.evidence.echo.EchoReading;
import verisonus.core.evidence.movement.ModulationEstimator;
import verisonus.core.evidence.movement.ModulationKind;
import verisonus.core.evidence.movement.ModulationReading;
import verisonus.core.evidence.notes.TempoEstimator;
import verisonus.core.evidence.study.Isolation;
import verisonus.core.rig.Block;
import verisonus.core.rig.DeviceScale;
import verisonus.core.rig.Rig;
import verisonus.core.rig.Tone;
import verisonus.core.sound.RealFft;
import verisonus.core.sound.Sound;
import verisonus.core.sound.codec.SoundReader;

class DemoTest {
    @Nested
    class AString {
        private float[] plucked(double hz, double strength, boolean muted) {
            PluckedString s = new PluckedString(48000, 0.12);
            s.pluck(hz, strength, muted, new SplittableRandom(1));
            float[] out = new float[48000 * 2];
            for (int i = 0; i < out.length; i++) out[i] = s.next();
            return out;
        }

        private static double energy(float[] x, double fromS, double toS) {
            double sum = 1e-15;
            for (int i = (int) (fromS * 48000); i < toS * 48000; i++) sum += x[i] * x[i];
            return sum;
        }

        @ParameterizedTest
        @ValueSource(doubles = {82.41, 110, 196, 329.63, 659.26})
        void soundsAtItsPitch(double hz) {
            float[] x = java.util.Arrays.copyOf(plucked(hz, 0.7, false), 65536);
            RealFft fft = new RealFft(65536);
            fft.forward(x);
            float[] power = new float[32769];
            fft.power(x, power);
            int best = 0;
            for (int k = (int) (hz * 0.8 / 0.7324); k < hz * 1.25 / 0.7324; k++) if (power[k] > power[best]) best = k;
            assertThat(1200 * Math.log(best * 48000 / 65536.0 / hz) / Math.log(2)).isCloseTo(0, within(20.0));
        }

        @Test
        void diesAwayAndAMutedOneDoesSoSooner() {
            float[] open = plucked(110, 0.7, false);
            float[] muted = plucked(110, 0.7, true);
            assertThat(energy(open, 1.5, 2)).isLessThan(energy(open, 0, 0.5));
            assertThat(energy(muted, 0.4, 0.6) / energy(muted, 0, 0.2))
                    .isLessThan(0.01 * energy(open, 0.4, 0.6) / energy(open, 0, 0.2));
        }

        @Test
        void isLouderWhenStruckHarder() {
            assertThat(energy(plucked(110, 0.9, false), 0, 0.5))
                    .isGreaterThan(2 * energy(plucked(110, 0.4, false), 0, 0.5));
        }

        @Test
        void stopsUnderAFinger() {
            PluckedString s = new PluckedString(48000, 0.12);
            s.pluck(110, 0.7, false, new SplittableRandom(1));
            for (int i = 0; i < 9600; i++) s.next();
            s.stop();
            float[] out = new float[24000];
            for (int i = 0; i < out.length; i++) out[i] = s.next();
            assertThat(energy(out, 0.3, 0.5)).isLessThan(1e-4 * energy(out, 0, 0.05));
        }
    }

    @Nested
    class Playing {
        @Test
        void neverComesOutTwiceAlikeButKeepsItsTempo() {
            List<Note> phrase = Phrases.crunchRiff(104, 3);
            Sound one = new Player(7, 0.06, 1).play(phrase, Instrument.HUMBUCKER, 7);
            Sound other = new Player(7, 0.06, 2).play(phrase, Instrument.HUMBUCKER, 7);
            assertThat(one.mid()).isNotEqualTo(other.mid());
            assertThat(TempoEstimator.estimate(one).value().orElseThrow().bpm()).isCloseTo(104, within(1.5));
        }

        @Test
        void theSameTakeIsTheSameEachTime() {
            List<Note> phrase = Phrases.arpeggio(140, 1);
            assertThat(new Player(5, 0.05, 3).play(phrase, Instrument.SINGLE_COIL, 3).mid())
                    .isEqualTo(new Player(5, 0.05, 3).play(phrase, Instrument.SINGLE_COIL, 3).mid());
        }
    }

    @Nested
    class TheCasebook {
        @TempDir
        private Path dir;

        private Casebook written() {
            Path file = dir.resolve(DemoCasebook.FILE_NAME);
            DemoCasebook.writeTo(file);
            return Casebook.open(file);
        }

        @Test
        void hasFourCasesDerivedWithTrimsAndNotesAndOneLeftToDerive() {
            try (Casebook book = written()) {
                List<CaseEntry> cases = book.cases();
                assertThat(cases).extracting(CaseEntry::name).containsExactly("Glass Harbour", "Lantern Street",
                        "Salt and Static", "Winter Kiosk", "Slow Comet");
                for (CaseEntry c : cases) {
                    boolean left = c.name().equals("Salt and Static");
                    assertThat(book.tones().tone(c.id()).isEmpty()).as(c.name()).isEqualTo(left);
                    if (left) continue;
                    assertThat(book.travels().trims(c.id())).hasSizeGreaterThan(1);
                    assertThat(book.travels().notes(c.id())).hasSizeGreaterThan(1);
                    assertThat(book.travels().trims(c.id()).values())
                            .allSatisfy(
                                    t -> assertThat(t.isFor(book.tones().tone(c.id()).orElseThrow().tone())).isTrue());
                }
                assertThat(book.recordings().media(cases.get(2).id())).extracting(Medium::role).containsExactly(
                        Medium.Role.REFERENCE, Medium.Role.DI, Medium.Role.BACKING);
            }
        }

        @Test
        void anEarlierRecordOfTheSameArtistStandsBeside() {
            try (Casebook book = written()) {
                List<Medium> media = book.recordings().media(book.cases().get(3).id());
                assertThat(media).filteredOn(m -> m.role() == Medium.Role.REFERENCE).hasSize(2)
                        .allSatisfy(m -> assertThat(book.recordings().regions(m.id())).hasSize(1));
            }
        }

        @Test
        void theComboSwaysInLevelAtTheRateOfItsRecipe() {
            Sound s = SoundReader.decode("reference",
                    DemoParts.bytes(DemoParts.fileName(Recipe.LANTERN_STREET, "reference"))).sound();
            ModulationReading m = ModulationEstimator.estimate(s).value().orElseThrow();
            assertThat(m.kind()).isEqualTo(ModulationKind.TREMOLO);
            assertThat(m.rateHz().orElseThrow()).isCloseTo(4.1, within(0.05));
        }

        @Test
        void theQuietChorusShowsOnlyAtTheSides() {
            Sound s = SoundReader.decode("reference",
                    DemoParts.bytes(DemoParts.fileName(Recipe.LANTERN_STREET, "reference"))).sound();
            double sides = 20 * Math.log10(Isolation.SIDE.of(s).rms() / Isolation.CENTRE.of(s).rms());
            assertThat(sides).isBetween(-22.0, -6.0);
        }

        @Test
        void theDerivedToneHoldsTheEffectsOfTheRecord() {
            Tone truth = Recipe.GLASS_HARBOUR.truth();
            try (Casebook book = written()) {
                DerivedTone derived = book.tones().tone(book.cases().get(0).id()).orElseThrow();
                // Which amp it was cannot be told on another guitar: the true one stands among the few that are as near.
                String amp = truth.find("amp").orElseThrow().model().name();
                assertThat(derived.tone().find("amp").orElseThrow().model().name() + derived.alternatives())
                        .contains(amp);
                assertThat(derived.tone().find("cabinet").orElseThrow().model())
                        .isEqualTo(truth.find("cabinet").orElseThrow().model());
                assertThat(derived.tone().find("echo").orElseThrow().get("time")).isCloseTo(40000 / 140.0, within(1.0));
                double rate = truth.find("modulation").orElseThrow().get("rate");
                assertThat(derived.tone().find("modulation").orElseThrow().get("rate")).isCloseTo(rate,
                        within(0.05 * rate));
                assertThat(derived.missing()).isEmpty();
                assertThat(derived.gap().scoreJnd()).isLessThan(3);
            }
        }

        @Test
        void usesOnlyGearThatThePlayerOwns() {
            try (Casebook book = written()) {
                Rig rig = book.rig();
                for (Block b : book.tones().tone(book.cases().get(0).id()).orElseThrow().tone().blocks()) {
                    assertThat(rig.has(b.model())).as(b.model().name()).isTrue();
                }
                assertThat(rig.scales()).containsValues(DeviceScale.CLOCK, DeviceScale.HUNDREDS);
            }
        }

        @Test
        void theShippedReferenceHasTheEchoOfItsRecipe() {
            Sound s = SoundReader.decode("reference",
                    DemoParts.bytes(DemoParts.fileName(Recipe.GLASS_HARBOUR, "reference"))).sound();
            EchoReading e = EchoEstimator.estimate(s).value().orElseThrow();
            assertThat(e.timeMs()).isCloseTo(40000 / 140.0, within(0.5));
            assertThat(e.levelDb()).isCloseTo(-7, within(1.5));
        }

        @Test
        void theGuitarIsAloneForAFewSecondsOnly() {
            Sound band = SoundReader.decode("backing",
                    DemoParts.bytes(DemoParts.fileName(Recipe.SALT_AND_STATIC, "backing"))).sound();
            assertThat(band.slice(0, 4.7).rms()).isLessThan(1e-3);
            assertThat(band.slice(5, 12).rms()).isGreaterThan(0.02);
        }
    }
}
