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
import verisonus.core.travel.system.PlaybackSystem;
import verisonus.core.travel.system.ResponseCurve;

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
    void aDoseIsFullAfterTheSafeTimeOfADayOrAWeek() {
        assertThat(ListeningDose.ofDay(85, 480)).isCloseTo(1, within(1e-9));
        assertThat(ListeningDose.ofDay(88, 120)).isCloseTo(0.5, within(1e-9));
        assertThat(ListeningDose.ofWeek(80, 40 * 60)).isCloseTo(1, within(1e-9));
        assertThat(ListeningDose.ofWeek(83, 40 * 60)).isCloseTo(2, within(1e-9));
    }

    @Test
    void systemCurvesAreReadBetweenTheirPoints() {
        ResponseCurve s = ResponseCurve.of(100, -10, 1000, 0);
        assertThat(s.levelDbAt(100)).isEqualTo(-10);
        assertThat(s.levelDbAt(316.228)).isCloseTo(-5, within(0.01));
        assertThat(s.levelDbAt(50)).isCloseTo(-28, within(0.01));
        assertThat(s.levelDbAt(2000)).isCloseTo(-18, within(0.01));
        assertThatThrownBy(() -> ResponseCurve.of(100, 0, 90, 0))
                .hasMessageContaining("ascend");
    }

    @Test
    void aFlatSystemAtTheWorkingLevelChangesNothing() {
        PlaybackSystem flat = PlaybackSystem.measured("flat", "flat", ResponseCurve.of(20, 0, 20000, 0));
        Travelled t = new Journey(TONE, Optional.empty(), Journey.WORKING_LEVEL_DB_SPL).to(List.of(flat)).get(0);
        for (BandChange b : t.bands()) assertThat(b.changeDb()).as(b.name()).isCloseTo(0, within(0.05));
        assertThat(t.loudnessChangeDb()).isCloseTo(0, within(0.05));
        assertThat(t.advice()).isEmpty();
    }

    @Test
    void aPhoneHasNoLows() {
        Travelled phone = on("phone", 75);
        assertThat(phone.band(NamedBand.LOWS).changeDb()).isLessThan(-12);
        assertThat(phone.findings().get(0)).startsWith("lows");
        assertThat(Journey.worst(at(75)).orElseThrow().system().id()).isEqualTo("phone");
    }

    @Test
    void aGuitarCabinetEndsTheHighsAndACarSwellsTheLows() {
        assertThat(on("guitar-cabinet", 75).band(NamedBand.HIGHS).changeDb()).isLessThan(-4);
        assertThat(on("car", 75).band(NamedBand.LOWS).changeDb()).isGreaterThan(3);
    }

    @Test
    void quietListeningThinsTheLowsOnEverySystem() {
        for (PlaybackSystem s : PlaybackSystem.ALL) {
            assertThat(on(s.id(), 55).band(NamedBand.LOWS).changeDb()).as(s.name())
                    .isLessThan(on(s.id(), 85).band(NamedBand.LOWS).changeDb());
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

    @Test
    void anEqualizerDeclaredAsASystemIsFoundInEveryThirdOctave() {
        Biquad peak = Biquad.peak(700, 6, 1.2, 48000);
        double[] hz = Journey.thirdsHz();
        double[] db = java.util.Arrays.stream(hz).map(f -> peak.gainDbAt(f, 48000)).toArray();
        Travelled t = new Journey(Signal.noise(3).atDb(-12).lasting(6), Optional.empty(), 75)
                .to(List.of(PlaybackSystem.measured("eq", "eq", new ResponseCurve(hz, db)))).get(0);
        for (int b = 0; b < hz.length; b++) {
            assertThat(t.thirdsDb().get(b) + t.loudnessChangeDb()).as("%.0f Hz", hz[b]).isCloseTo(db[b], within(0.05));
        }
    }

    @Nested
    class OneLoudspeaker {
        private static final Sound LEFT = Signal.plucks(0.25, 8).lasting(4);

        private static Travelled phoneWith(float[] right) {
            return new Journey(Sound.stereo(LEFT.channel(0), right, 48000), Optional.empty(), 75)
                    .to(List.of(PlaybackSystem.find("phone").orElseThrow())).get(0);
        }

        @Test
        void turnedPhaseTakesTheToneAway() {
            float[] turned = LEFT.channel(0).clone();
            for (int i = 0; i < turned.length; i++) turned[i] *= -0.9f;
            assertThat(phoneWith(turned).mono()).isNotEmpty().allSatisfy(m -> {
                assertThat(m.cause()).isEqualTo(MonoLoss.Cause.TURNED_PHASE);
                assertThat(m.changeDb()).isLessThan(-15);
            });
        }

        @Test
        void twoTakesLoseThreeDecibels() {
            float[] other = Signal.plucks(0.25, 9).lasting(4).channel(0);
            assertThat(phoneWith(other).mono()).isNotEmpty().allSatisfy(m -> {
                assertThat(m.cause()).isEqualTo(MonoLoss.Cause.DOUBLED_TAKES);
                assertThat(m.changeDb()).isBetween(-6.0, -1.5);
            });
        }

        @Test
        void aLateCopyIsNamedAsOne() {
            float[] late = new float[LEFT.frames()];
            System.arraycopy(LEFT.channel(0), 0, late, 500, late.length - 500);
            assertThat(phoneWith(late).mono()).isNotEmpty()
                    .allSatisfy(m -> assertThat(m.cause()).isEqualTo(MonoLoss.Cause.MOVED_COPY));
        }

        @Test
        void alikeSidesLoseNothing() {
            assertThat(phoneWith(LEFT.channel(0)).mono()).isEmpty();
        }
    }

    @Test
    void aSmallLoudspeakerBringsLoudAndSoftTogether() {
        assertThat(on("phone", 80).spreadChangeDb()).isLessThan(-1);
        assertThat(on("phone", 45).spreadChangeDb()).isGreaterThan(on("phone", 80).spreadChangeDb());
        assertThat(on("headphones", 90).spreadChangeDb()).isCloseTo(0, within(1.0));
    }

    @Test
    void aDifferenceWhereASystemPlaysNothingIsHidden() {
        float[] boomy = Signal.noise(4).atDb(-12).lasting(4).channel(0);
        Sound reference = Sound.mono(boomy.clone(), 48000);
        new Biquad.Section(Biquad.lowShelf(120, 9, 48000)).process(boomy, 0, boomy.length);
        List<Travelled> all = new Journey(Sound.mono(boomy, 48000), Optional.of(reference), 75).to(PlaybackSystem.ALL);
        for (Travelled t : all) {
            GapHeard lows = t.gaps().stream().filter(g -> g.band() == NamedBand.LOWS).findFirst().orElseThrow();
            assertThat(lows.gapDb()).isGreaterThan(4);
            assertThat(lows.heard()).as(t.system().name()).isEqualTo(!t.system().id().equals("phone"));
        }
    }

    @Test
    void findingsStandInTheOrderInWhichTheyAreHeard() {
        for (Travelled t : at(75)) {
            List<Double> jnds = t.details().stream().map(TravelFinding::jnd).toList();
            assertThat(jnds).as(t.system().name()).isSortedAccordingTo(java.util.Comparator.reverseOrder());
        }
    }
}
