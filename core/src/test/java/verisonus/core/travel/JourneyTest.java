package verisonus.core.travel;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Nested;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import verisonus.core.sound.Biquad;
import verisonus.core.sound.Signal;
import verisonus.core.sound.Sound;

class JourneyTest {
    private static final Sound TONE = Signal.plucks(0.25, 8).lasting(4);

    private static List<Travelled> at(double level) {
        return new Journey(TONE, Optional.empty(), level).to(PlaybackSystem.ALL);
    }

    private static Travelled on(String id, double level) {
        return at(level).stream().filter(t -> t.system().id().equals(id)).findFirst().orElseThrow();
    }

    @Nested
    class Ears {
        /** Published values of the 40 and 80 phon contours, ISO 226:2003, table B. */
        @ParameterizedTest
        @CsvSource({"100, 40, 64.4", "1000, 40, 40.0", "1000, 80, 80.0", "63, 40, 73.1", "4000, 40, 36.6"})
        void contoursHaveThePublishedLevels(double hz, double phon, double dbSpl) {
            assertThat(EqualLoudness.levelDbSpl(hz, phon)).isCloseTo(dbSpl, within(0.5));
        }

        @Test
        void turningDownTakesMostFromTheLows() {
            assertThat(EqualLoudness.changeDb(80, 80, 60)).isLessThan(EqualLoudness.changeDb(200, 80, 60));
            assertThat(EqualLoudness.changeDb(80, 80, 60)).isLessThan(-3);
            assertThat(EqualLoudness.changeDb(1000, 80, 60)).isCloseTo(0, within(0.01));
            assertThat(EqualLoudness.changeDb(80, 60, 80)).isGreaterThan(3);
        }
    }

    @ParameterizedTest
    @CsvSource({"85, 480", "88, 240", "91, 120", "82, 960", "100, 15", "60, 1440"})
    void safeTimeHalvesWithEveryThreeDecibels(double dba, double minutes) {
        assertThat(ListeningDose.safeMinutesPerDay(dba)).isCloseTo(minutes, within(0.5));
    }

    @Test
    void systemCurvesAreReadBetweenTheirPoints() {
        PlaybackSystem s = new PlaybackSystem("x", "x", new double[]{100, 1000}, new double[]{-10, 0});
        assertThat(s.levelDbAt(100)).isEqualTo(-10);
        assertThat(s.levelDbAt(316.228)).isCloseTo(-5, within(0.01));
        assertThat(s.levelDbAt(50)).isCloseTo(-28, within(0.01));
        assertThat(s.levelDbAt(2000)).isCloseTo(-18, within(0.01));
        assertThatThrownBy(() -> new PlaybackSystem("x", "x", new double[]{100, 90}, new double[]{0, 0}))
                .hasMessageContaining("ascend");
    }

    @Test
    void aFlatSystemAtTheWorkingLevelChangesNothing() {
        PlaybackSystem flat = new PlaybackSystem("flat", "flat", new double[]{20, 20000}, new double[]{0, 0});
        Travelled t = new Journey(TONE, Optional.empty(), Journey.WORKING_LEVEL_DB_SPL).to(List.of(flat)).get(0);
        for (BandChange b : t.bands()) assertThat(b.changeDb()).as(b.name()).isCloseTo(0, within(0.05));
        assertThat(t.loudnessChangeDb()).isCloseTo(0, within(0.05));
        assertThat(t.advice()).isEmpty();
    }

    @Test
    void aPhoneHasNoLows() {
        Travelled phone = on("phone", 75);
        assertThat(phone.bands().get(0).changeDb()).isLessThan(-12);
        assertThat(phone.findings().get(0)).startsWith("lows");
        assertThat(Journey.worst(at(75)).orElseThrow().system().id()).isEqualTo("phone");
    }

    @Test
    void aGuitarCabinetEndsTheHighsAndACarSwellsTheLows() {
        assertThat(on("guitar-cabinet", 75).bands().get(5).changeDb()).isLessThan(-4);
        assertThat(on("car", 75).bands().get(0).changeDb()).isGreaterThan(3);
    }

    @Test
    void quietListeningThinsTheLowsOnEverySystem() {
        for (PlaybackSystem s : PlaybackSystem.ALL) {
            assertThat(on(s.id(), 55).bands().get(0).changeDb()).as(s.name())
                    .isLessThan(on(s.id(), 85).bands().get(0).changeDb());
        }
    }

    @Test
    void aGainBeforehandChangesNoBand() {
        List<Travelled> loud = new Journey(TONE.gained(-15), Optional.empty(), 75).to(PlaybackSystem.ALL);
        for (int i = 0; i < loud.size(); i++) {
            assertThat(loud.get(i).changeDb()).isCloseTo(at(75).get(i).changeDb(), within(0.01));
        }
    }

    @Test
    void theDifferenceToTheReferenceTravelsAlong() {
        float[] brighter = TONE.channel(0).clone();
        new Biquad.Section(Biquad.peak(600, 8, 1, 48000)).process(brighter, 0, brighter.length);
        Journey j = new Journey(Sound.mono(brighter, 48000), Optional.of(TONE), 75);
        assertThat(String.join(";", j.to(PlaybackSystem.ALL).get(0).findings()))
                .contains("against the reference, mids");
    }
}
