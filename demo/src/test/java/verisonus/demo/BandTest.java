package verisonus.demo;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import org.junit.jupiter.api.Nested;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;
import verisonus.core.rig.Block;
import verisonus.core.rig.GearKind;
import verisonus.core.rig.Tone;
import verisonus.core.sound.Bands;

class BandTest {
    private static double centreHz(float[] x) {
        Bands bands = Bands.thirds(40, 16000);
        double[] power = bands.longTermPower(x, 48000);
        double[] hz = bands.centresHz();
        double sum = 0;
        double weight = 1e-20;
        for (int b = 0; b < hz.length; b++) {
            sum += power[b] * Math.log(hz[b]);
            weight += power[b];
        }
        return Math.exp(sum / weight);
    }

    @Nested
    class TheDrums {
        @Test
        void standInTheirOwnPartsOfTheSpectrum() {
            float[] kick = new float[48000];
            new Drums(kick, 1).kick(0.1, 0.5);
            float[] snare = new float[48000];
            new Drums(snare, 1).snare(0.1, 0.5);
            float[] hat = new float[48000];
            new Drums(hat, 1).hat(0.1, 0.5);
            assertThat(centreHz(kick)).isLessThan(150);
            assertThat(centreHz(snare)).isBetween(200.0, 5000.0);
            assertThat(centreHz(hat)).isGreaterThan(5000);
        }

        @Test
        void beginWhenTheyAreStruckAndNotBefore() {
            float[] x = new float[48000];
            new Drums(x, 1).snare(0.5, 0.5);
            for (int i = 0; i < 23990; i++) assertThat(x[i]).isZero();
            assertThat(Math.abs(x[24010]) + Math.abs(x[24030])).isPositive();
        }
    }

    @Nested
    class ThePhrases {
        private static void staysOnTheNeck(List<Note> phrase, Instrument instrument) {
            for (Note n : phrase) {
                assertThat(n.string()).isBetween(0, instrument.openMidi().length - 1);
                assertThat(n.fret()).isBetween(0, 22);
                assertThat(n.strength()).isBetween(0.0, 1.0);
                assertThat(n.lengthS()).isPositive();
                assertThat(instrument.hz(n)).isBetween(30.0, 1500.0);
            }
        }

        @Test
        void canBePlayed() {
            staysOnTheNeck(Phrases.arpeggio(140, 6), Instrument.SINGLE_COIL);
            staysOnTheNeck(Phrases.crunchRiff(104, 7), Instrument.HUMBUCKER);
            staysOnTheNeck(Phrases.bassLine(104, 2, 7), Instrument.BASS);
        }

        @Test
        void keepTheirTempo() {
            List<Note> phrase = Phrases.bassLine(120, 0, 2);
            for (int i = 1; i < phrase.size(); i++) {
                assertThat(phrase.get(i).startS() - phrase.get(i - 1).startS()).isCloseTo(0.25, within(1e-9));
            }
        }

        @Test
        void theOpenStringsAreInTune() {
            assertThat(Instrument.SINGLE_COIL.hz(new Note(0, 1, 1, 0, 0.5, false))).isCloseTo(110, within(1e-6));
            assertThat(Instrument.SINGLE_COIL.hz(new Note(0, 1, 5, 5, 0.5, false))).isCloseTo(440, within(1e-6));
        }
    }

    @ParameterizedTest
    @EnumSource(Recipe.class)
    void recipesSetEveryEssentialBlockAwayFromItsDefaults(Recipe recipe) {
        Tone truth = recipe.truth();
        for (GearKind kind : List.of(GearKind.AMP, GearKind.CABINET, GearKind.MICROPHONE))
            assertThat(truth.first(kind)).isPresent();
        Block amp = truth.first(GearKind.AMP).orElseThrow();
        assertThat(amp.settings()).isNotEmpty();
        for (String control : List.of("gain", "bass", "mid", "treble", "master")) {
            assertThat(amp.get(control)).as(control).isNotEqualTo(amp.model().control(control).defaultValue());
        }
        assertThat(recipe.title()).isNotBlank();
        assertThat(recipe.artist()).contains(recipe.title());
    }
}
