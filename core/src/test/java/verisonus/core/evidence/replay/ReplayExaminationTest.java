package verisonus.core.evidence.replay;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import org.junit.jupiter.api.Nested;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import verisonus.core.evidence.movement.ModulationKind;
import verisonus.core.evidence.movement.ModulationReading;
import verisonus.core.evidence.signs.Presence;
import verisonus.core.sound.Signal;
import verisonus.core.sound.Sound;

/** One phrase under two hands: what the first has more than the second is found, what both have is not. */
class ReplayExaminationTest {
    private static final int RATE_HZ = Signal.RATE_HZ;
    private static final double LENGTH_S = 10;
    private static final Sound RECORD = Signal.plucks(0.43, 21, 1).atDb(-8).lasting(LENGTH_S);
    private static final Sound REPLAY = Signal.plucks(0.43, 21, 5).atDb(-8).lasting(LENGTH_S);
    /** A frame of 10 ms, of which the refinement makes a millisecond or two. */
    private static final double ECHO_MS = 3;
    private static final double LEVEL_DB = 3;
    private static final double RATE_STEP_HZ = 0.1;

    private static ReplayExamination of(Sound recording) {
        return ReplayExamination.of(recording, REPLAY, ReplayExamination.Setting.ALONE);
    }

    private static Sound echoed(double ms, double db, double feedback) {
        float[] x = RECORD.mid();
        float[] line = new float[x.length];
        int late = (int) Math.round(ms * RATE_HZ / 1000);
        double gain = Math.pow(10, db / 20);
        float[] out = new float[x.length];
        for (int i = 0; i < x.length; i++) {
            double back = i >= late ? line[i - late] : 0;
            line[i] = (float) (x[i] + feedback * back);
            out[i] = (float) (x[i] + gain * back);
        }
        return Sound.mono(out, RATE_HZ);
    }

    private static Sound swaying(double hz, double depth) {
        float[] x = RECORD.mid();
        return Sound.mono(Signal.array(x.length,
                i -> x[i] * (1 - depth * (0.5 - 0.5 * Math.cos(2 * Math.PI * hz * i / RATE_HZ)))), RATE_HZ);
    }

    private static Sound bent(double hz, double cents) {
        float[] x = RECORD.mid();
        double swayS = (Math.pow(2, cents / 1200) - 1) / (2 * Math.PI * hz);
        return Sound.mono(Signal.array(x.length, i -> {
            double at = i - (0.006 + swayS * Math.sin(2 * Math.PI * hz * i / RATE_HZ)) * RATE_HZ;
            int k = (int) Math.floor(at);
            if (k < 0 || k + 1 >= x.length) return 0;
            return x[k] + (at - k) * (x[k + 1] - x[k]);
        }), RATE_HZ);
    }

    @Test
    void findsNothingWhereOnlyTheHandDiffers() {
        ReplayExamination e = of(RECORD);
        assertThat(e.echo().isPresent()).isFalse();
        assertThat(e.level().isPresent()).isFalse();
        assertThat(e.pitch().isPresent()).isFalse();
        assertThat(e.movements()).isEmpty();
    }

    @Test
    void saysNothingOfAPartThatIsTooShort() {
        ReplayExamination e = ReplayExamination.of(RECORD.slice(0, 2), REPLAY.slice(0, 2),
                ReplayExamination.Setting.ALONE);
        assertThat(e.echo().presence()).isEqualTo(Presence.UNKNOWN);
        assertThat(e.reverb().presence()).isEqualTo(Presence.UNKNOWN);
        assertThat(e.level().presence()).isEqualTo(Presence.UNKNOWN);
    }

    @Test
    void aZeroDifferenceOfTheSidesIsNoEvidence() {
        Sound twice = Sound.stereo(RECORD.mid(), RECORD.mid(), RATE_HZ);
        assertThat(of(twice).sides().presence()).isEqualTo(Presence.UNKNOWN);
        assertThat(of(twice).echo().presence()).isEqualTo(of(RECORD).echo().presence());
    }

    @Nested
    class WithAnEcho {
        @ParameterizedTest
        @ValueSource(doubles = {265, 611})
        void itsTimeAndLevelAreRead(double ms) {
            var found = of(echoed(ms, -8, 0.3)).echo();
            assertThat(found.isPresent()).as("%.0f ms", ms).isTrue();
            assertThat(found.value().orElseThrow().timeMs()).isCloseTo(ms, within(ECHO_MS));
            assertThat(found.value().orElseThrow().levelDb()).isCloseTo(-8, within(LEVEL_DB));
        }

        @Test
        void loudnessMakesNoDifference() {
            double soft = of(echoed(380, -8, 0.3).gained(-14)).echo().value().orElseThrow().levelDb();
            double loud = of(echoed(380, -8, 0.3)).echo().value().orElseThrow().levelDb();
            assertThat(soft).isCloseTo(loud, within(0.5));
        }
    }

    @Nested
    class WithAMovement {
        @ParameterizedTest
        @ValueSource(doubles = {3.3, 6.1})
        void aSwayOfTheLevelIsReadAsATremolo(double hz) {
            ModulationReading m = of(swaying(hz, 0.6)).level().value().orElseThrow();
            assertThat(m.kind()).isEqualTo(ModulationKind.TREMOLO);
            assertThat(m.rateHz().orElseThrow()).isCloseTo(hz, within(RATE_STEP_HZ));
            assertThat(m.depthPercent().orElseThrow()).isBetween(30.0, 85.0);
        }

        @Test
        void aDeeperSwayReadsDeeper() {
            double shallow = of(swaying(4.4, 0.35)).level().value().orElseThrow().depthPercent().orElseThrow();
            double deep = of(swaying(4.4, 0.8)).level().value().orElseThrow().depthPercent().orElseThrow();
            assertThat(deep).isGreaterThan(shallow + 15);
        }

        @Test
        void aSwayOfThePitchThroughAllNotesIsAVibrato() {
            ModulationReading m = of(bent(5.2, 18)).pitch().value().orElseThrow();
            assertThat(m.kind()).isEqualTo(ModulationKind.VIBRATO);
            assertThat(m.rateHz().orElseThrow()).isCloseTo(5.2, within(RATE_STEP_HZ));
        }
    }
}
