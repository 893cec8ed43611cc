package verisonus.core.perform.foot;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Optional;
import java.util.SplittableRandom;
import java.util.function.DoubleUnaryOperator;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import verisonus.core.evidence.replay.RiddenLevel;
import verisonus.core.rig.Block;
import verisonus.core.rig.ControlNames;
import verisonus.core.rig.Tone;
import verisonus.core.sound.Sound;
import verisonus.core.work.InputFault;
import verisonus.core.work.Progress;

class FootRideTest {
    private static final double ECHO_MS = 380;
    private static final double LENGTH_S = 12;
    private static final int RATE_HZ = 48_000;
    private static final Tone TONE = new Tone("t", List.of(Block.of("volume"),
            Block.of("clean echo").with(ControlNames.TIME, ECHO_MS).with(ControlNames.MIX, 20)));

    /** Short stopped chords, one a second, as one of two hands plays them. */
    private static float[] stabs(long hand) {
        SplittableRandom r = new SplittableRandom(hand);
        float[] x = new float[(int) (LENGTH_S * RATE_HZ)];
        double[] roots = {110, 147, 123, 165, 98, 131};
        for (int n = 0; n < LENGTH_S; n++) {
            double strong = Math.pow(10, 3 * (r.nextDouble() - 0.5) / 20);
            int start = (int) ((n + 0.02 * r.nextDouble()) * RATE_HZ);
            for (int i = start; i < Math.min(x.length, start + RATE_HZ / 3); i++) {
                double u = (i - start) / (double) RATE_HZ;
                double fade = Math.min(1, u / 0.003) * Math.exp(-3 * u) * (u < 0.22 ? 1 : Math.exp(-60 * (u - 0.22)));
                for (int p = 1; p < 16; p++)
                    x[i] += (float) (0.15 * strong / p * fade * Math.sin(2 * Math.PI * roots[n % 6] * p * u));
            }
        }
        for (int i = 0; i < x.length; i++) x[i] += (float) (1e-5 * r.nextGaussian());
        return x;
    }

    /** With one repeat whose level is ridden. */
    private static Sound echoed(float[] x, DoubleUnaryOperator db) {
        float[] out = x.clone();
        int later = (int) (ECHO_MS * RATE_HZ / 1000);
        for (int i = later; i < x.length; i++)
            out[i] += (float) (x[i - later] * Math.pow(10, db.applyAsDouble(i / (double) RATE_HZ) / 20));
        return Sound.mono(out, RATE_HZ);
    }

    private static double ramp(double t, double fromDb, double toDb) {
        return fromDb + (toDb - fromDb) * Math.clamp((t - 4) / 4, 0, 1);
    }

    private static List<FootRide> read(Sound record) {
        return FootRide.read(record, Sound.mono(stabs(2), RATE_HZ), TONE, Progress.NONE);
    }

    @ParameterizedTest
    @ValueSource(doubles = {8, 12, -8, -12})
    void repeatsThatAFootBroughtUpOrDownAreRead(double byDb) {
        FootRide ride = read(echoed(stabs(1), t -> ramp(t, -13 - byDb / 2, -13 + byDb / 2))).stream()
                .filter(r -> r.what().equals("repeats")).findFirst().orElseThrow();
        assertThat(ride.place().orElseThrow()).hasToString("echo/mix");
        double moved = ride.moves().stream().mapToDouble(m -> m.toDb() - m.fromDb()).sum();
        assertThat(moved).isCloseTo(byDb, within(4.0));
        FootRide.Move main = ride.moves().stream()
                .max((a, b) -> Double.compare(Math.abs(a.toDb() - a.fromDb()), Math.abs(b.toDb() - b.fromDb())))
                .orElseThrow();
        assertThat(main.fromS()).isBetween(2.0, 6.0);
        assertThat(main.toValue() > main.fromValue()).isEqualTo(byDb > 0);
    }

    @Test
    void repeatsThatStandStillAreNoRide() {
        assertThat(read(echoed(stabs(1), _ -> -9))).extracting(FootRide::what).doesNotContain("repeats");
    }

    @Test
    void aFaderOnTheGuitarIsRead() {
        float[] x = stabs(1);
        for (int i = 0; i < x.length; i++) x[i] *= (float) Math.pow(10, ramp(i / (double) RATE_HZ, -12, 0) / 20);
        List<FootRide> rides = read(Sound.mono(x, RATE_HZ));
        FootRide guitar = rides.stream().filter(r -> r.what().equals("guitar")).findFirst().orElseThrow();
        assertThat(guitar.place()).isEmpty();
        assertThat(guitar.moves().stream().mapToDouble(m -> m.toDb() - m.fromDb()).sum()).isCloseTo(12, within(3.0));
    }

    @Test
    void theSamePhraseAtOneLevelIsNoRide() {
        assertThat(read(Sound.mono(stabs(1), RATE_HZ))).isEmpty();
    }

    @Test
    void aShortRecordAndOtherPlayingAreRefusedWithARemedy() {
        Sound take = Sound.mono(stabs(2), RATE_HZ);
        assertThatThrownBy(() -> FootRide.read(take.slice(0, 4), take, TONE, Progress.NONE))
                .isInstanceOf(InputFault.class).hasMessageContaining("six seconds");
        float[] other = new float[(int) (LENGTH_S * RATE_HZ)];
        SplittableRandom r = new SplittableRandom(5);
        for (int i = 0; i < other.length; i++) other[i] = (float) (0.1 * r.nextGaussian());
        assertThatThrownBy(() -> FootRide.read(Sound.mono(other, RATE_HZ), take, TONE, Progress.NONE))
                .isInstanceOf(InputFault.class).hasMessageContaining("same phrase");
    }

    @Test
    void aCurveIsBentIntoFewMovesAndRestsAreNone() {
        List<Double> at = List.of(0.0, 1.0, 2.0, 3.0, 4.0, 5.0, 6.0, 7.0, 8.0);
        RiddenLevel r = new RiddenLevel(at, List.of(-4.0, -4.2, -3.9, -4.0, -1.0, 2.0, 5.0, 5.2, 5.0));
        List<FootRide.Move> moves = FootRide.moves(r, Optional.empty());
        assertThat(moves).hasSize(1);
        assertThat(moves.get(0).fromS()).isEqualTo(3);
        assertThat(moves.get(0).toS()).isEqualTo(6);
        assertThat(moves.get(0).words("%.0f dB"::formatted)).isEqualTo("3.0 to 6.0 s: up from -4 dB to 5 dB");
    }

    @Test
    void theMixFollowsTheLevelOfTheRepeats() {
        Block echo = TONE.blocks().get(1);
        RiddenLevel r = new RiddenLevel(List.of(0.0, 1.0), List.of(-6.0206, 0.0));
        FootRide.Move m = FootRide.moves(r, Optional.of(echo)).get(0);
        // While the dry sound is held, half the amplitude is half the mix.
        assertThat(m.fromValue()).isCloseTo(10, within(0.01));
        assertThat(m.toValue()).isCloseTo(20, within(0.01));
    }
}
