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
import org.junit.jupiter.params.provider.EnumSource;
import verisonus.core.rig.Block;
import verisonus.core.rig.Tone;
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
        ResponseCurve declared = new ResponseCurve(hz, db).withOutside(ResponseCurve.Outside.HOLDS);
        Travelled t = new Journey(Signal.noise(3).atDb(-12).lasting(6), Optional.empty(), 75)
                .to(List.of(PlaybackSystem.measured("eq", "eq", declared))).get(0);
        for (int b = 0; b < hz.length; b++) {
            double mean = 10
                    * Math.log10(Bands.power(hz[b] * Math.pow(10, -0.05), hz[b] * Math.pow(10, 0.05), declared));
            assertThat(t.thirdsDb().get(b) + t.loudnessChangeDb()).as("%.0f Hz", hz[b]).isCloseTo(mean, within(0.05));
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

    @Nested
    class Bands {
        /** A tone of equal power in every third octave, and what a filter makes of it, summed over the edges that are named. */
        @ParameterizedTest
        @EnumSource(NamedBand.class)
        void theEdgesThatAreNamedAreThoseThatAreComputed(NamedBand band) {
            Sound noise = pink(4);
            ResponseCurve tilt = ResponseCurve.of(20, -12, 20000, 12);
            Travelled t = new Journey(noise, Optional.empty(), Journey.WORKING_LEVEL_DB_SPL)
                    .to(List.of(PlaybackSystem.measured("tilt", "tilt", tilt))).getFirst();
            double expected = 10 * Math.log10(power(band.fromHz(), band.toHz(), tilt)) - t.loudnessChangeDb();
            assertThat(t.band(band).changeDb()).isCloseTo(expected, within(0.3));
        }

        /** Mean power of a response between two edges, octave by octave, by many small steps. */
        private static double power(double fromHz, double toHz, ResponseCurve curve) {
            double sum = 0;
            for (int i = 0; i < 1000; i++)
                sum += Math.pow(10, curve.levelDbAt(fromHz * Math.pow(toHz / fromHz, (i + 0.5) / 1000)) / 10) / 1000;
            return sum;
        }

        @Test
        void aNarrowResonanceBetweenTheCentresIsNotOverlooked() {
            // 12 dB a twentieth of an octave wide, half way between the third octaves of 500 and 630 Hz.
            ResponseCurve curve = ResponseCurve.of(20, 0, 545, 0, 561, 12, 578, 0, 20000, 0);
            Travelled t = new Journey(pink(4), Optional.empty(), Journey.WORKING_LEVEL_DB_SPL)
                    .to(List.of(PlaybackSystem.measured("peak", "peak", curve))).getFirst();
            double expected = 10 * Math.log10(power(NamedBand.MIDS.fromHz(), NamedBand.MIDS.toHz(), curve))
                    - t.loudnessChangeDb();
            assertThat(expected).isGreaterThan(0.5);
            assertThat(t.band(NamedBand.MIDS).changeDb()).isCloseTo(expected, within(0.3));
        }

        /** Equal power an octave, as Paul Kellet's filter of white noise makes it within 0.05 dB. */
        private static Sound pink(double seconds) {
            java.util.SplittableRandom random = new java.util.SplittableRandom(3);
            float[] x = new float[(int) (seconds * 48000)];
            double[] b = new double[7];
            for (int i = 0; i < x.length; i++) {
                double white = 2 * random.nextDouble() - 1;
                b[0] = 0.99886 * b[0] + white * 0.0555179;
                b[1] = 0.99332 * b[1] + white * 0.0750759;
                b[2] = 0.96900 * b[2] + white * 0.1538520;
                b[3] = 0.86650 * b[3] + white * 0.3104856;
                b[4] = 0.55000 * b[4] + white * 0.5329522;
                b[5] = -0.7616 * b[5] - white * 0.0168980;
                x[i] = (float) (0.05 * (b[0] + b[1] + b[2] + b[3] + b[4] + b[5] + b[6] + white * 0.5362));
                b[6] = white * 0.115926;
            }
            return Sound.mono(x, 48000);
        }
    }

    @Nested
    class Advice {
        private Optional<String> lows(double lowCutHz) {
            Tone tone = new Tone("t", List.of(Block.of("chiming edge").with("bass", 0),
                    Block.of("2×12 open").with("low cut", lowCutHz)));
            return TravelAdvice.of(NamedBand.LOWS, 5, Optional.of(tone));
        }

        @Test
        void nothingIsTurnedToWhereItStandsAlready() {
            assertThat(lows(20)).hasValueSatisfying(a -> assertThat(a).contains("low cut up from 20 Hz"));
            assertThat(lows(70)).hasValueSatisfying(a -> assertThat(a).contains("from 70 Hz to 88 Hz"));
            assertThat(lows(200)).isEmpty();
        }

        @Test
        void onlyWhatTheToneHoldsAndHasRoomIsNamed() {
            Tone tone = new Tone("t", List.of(Block.of("chiming edge").with("bass", 10)));
            assertThat(TravelAdvice.of(NamedBand.LOWS, -4, Optional.of(tone))).isEmpty();
            assertThat(TravelAdvice.of(NamedBand.LOWS, 4, Optional.of(tone)))
                    .hasValueSatisfying(a -> assertThat(a).contains("bass down from 10.0"));
        }
    }

    @Test
    void oneSideAloneIsNotTakenForTwoTakes() {
        float[] x = TONE.mid();
        Sound left = Sound.stereo(x, new float[x.length], TONE.rateHz());
        assertThat(MonoLoss.of(left)).isNotEmpty().allMatch(m -> m.cause() == MonoLoss.Cause.ONE_SIDE)
                .allSatisfy(m -> assertThat(m.changeDb()).isCloseTo(-3, within(0.1)));
    }

    @Test
    void whatCancelsAltogetherIsGoneAndNoFigureIsMadeOfRounding() {
        float[] x = TONE.mid();
        float[] turned = new float[x.length];
        for (int i = 0; i < x.length; i++) turned[i] = -x[i];
        assertThat(MonoLoss.of(Sound.stereo(x, turned, TONE.rateHz()))).isNotEmpty()
                .allSatisfy(m -> assertThat(m.changeDb()).isEqualTo(MonoLoss.ALL_DB));
    }

    @Test
    void outsideItsPointsAResponseFallsOrHoldsAsWasChosen() {
        ResponseCurve falls = ResponseCurve.of(100, -2, 8000, 3);
        ResponseCurve holds = falls.withOutside(ResponseCurve.Outside.HOLDS);
        assertThat(falls.levelDbAt(50)).isCloseTo(-20, within(1e-9));
        assertThat(falls.levelDbAt(16000)).isCloseTo(-15, within(1e-9));
        assertThat(holds.levelDbAt(50)).isCloseTo(-2, within(1e-9));
        assertThat(holds.levelDbAt(16000)).isCloseTo(3, within(1e-9));
    }
}
