package verisonus.core.evidence.replay;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import verisonus.core.sound.Signal;

class NoteWarpTest {
    private static final int RATE_HZ = Channels.RATE_HZ;
    private static final float[] RECORD = Signal.plucks(0.4, 21, 1).atDb(-8).atRate(RATE_HZ).lasting(6).mid();

    private static NoteWarp of(float[] replay) {
        float[][] heard = Channels.powers(RECORD);
        return NoteWarp.of(heard, Channels.floors(heard), Channels.powers(replay));
    }

    private static float[] late(int samples) {
        return Signal.array(RECORD.length, i -> i < samples ? 0 : RECORD[i - samples]);
    }

    @ParameterizedTest
    @ValueSource(ints = {0, 480, 960, 2400})
    void aReplayThatIsLateIsMovedBackAsAWhole(int samples) {
        NoteWarp w = of(late(samples));
        assertThat(w.movesFrames()).isNotEmpty();
        // Of the first and the last note half may lie outside.
        double[] moves = java.util.Arrays.stream(w.movesFrames()).sorted().toArray();
        assertThat(moves[moves.length / 2]).as("%d samples", samples).isCloseTo(-samples / (double) Channels.HOP,
                within(0.6));
    }

    @Test
    void laidUnderItselfNothingChanges() {
        float[][] powers = Channels.powers(RECORD);
        float[][] warped = of(RECORD).powers();
        double off = 0;
        double all = 0;
        for (int k = 0; k < powers.length; k++) {
            for (int t = 0; t < powers[k].length; t++) {
                off += Math.abs(powers[k][t] - warped[k][t]);
                all += powers[k][t];
            }
        }
        assertThat(off).isLessThan(0.05 * all);
    }

    @Test
    void notesAreInOrder() {
        int[] starts = of(Signal.plucks(0.4, 21, 5).atDb(-8).atRate(RATE_HZ).lasting(6).mid()).starts();
        assertThat(starts.length).isBetween(10, 18);
        for (int i = 1; i < starts.length; i++) assertThat(starts[i]).isGreaterThan(starts[i - 1]);
    }

    @Test
    void channelsCoverTheirRangeOnce() {
        assertThat(Channels.COUNT).isBetween(75, 95);
        for (int k = 1; k < Channels.COUNT; k++)
            assertThat(Channels.CENTRE_HZ[k]).isGreaterThan(Channels.CENTRE_HZ[k - 1]);
        assertThat(Channels.BAND[0]).isZero();
        assertThat(Channels.BAND[Channels.COUNT - 1]).isEqualTo(Channels.BANDS - 1);
    }

    @Test
    void aToneStandsInItsChannel() {
        float[] x = Signal.sine(1000).atDb(-6).atRate(RATE_HZ).lasting(1).mid();
        float[][] p = Channels.powers(x);
        int best = 0;
        for (int k = 1; k < p.length; k++) if (p[k][20] > p[best][20]) best = k;
        assertThat(Channels.CENTRE_HZ[best]).isCloseTo(1000, within(45.0));
    }
}
