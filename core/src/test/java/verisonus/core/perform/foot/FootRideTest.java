package verisonus.core.perform.foot;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.SplittableRandom;
import java.util.function.DoubleUnaryOperator;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import verisonus.core.evidence.replay.RiddenLevel;
import verisonus.core.evidence.replay.RiddenSpeed;
import verisonus.core.rig.Block;
import verisonus.core.rig.ControlNames;
import verisonus.core.rig.Tone;
import verisonus.core.sound.Sound;
import verisonus.core.work.InputFault;
import verisonus.core.work.Progress;

class FootRideTest {
    private static final OptionalDouble FOUND = OptionalDouble.empty();
    private static final double ECHO_MS = 380;
    private static final double LENGTH_S = 12;
    private static final int RATE_HZ = 48_000;
    private static final Tone TONE = new Tone("t", List.of(Block.of("volume"),
            Block.of("clean echo").with(ControlNames.TIME, ECHO_MS).with(ControlNames.MIX, 20)));

    /** Short stopped chords, one a second, as one of two hands plays them. */
    private static float[] stabs(long hand) {
        return chords(hand, 0.22);
    }

    private static float[] chords(long hand, double heldS) {
        SplittableRandom r = new SplittableRandom(hand);
        float[] x = new float[(int) (LENGTH_S * RATE_HZ)];
        double[] roots = {110, 147, 123, 165, 98, 131};
        for (int n = 0; n < LENGTH_S; n++) {
            double strong = Math.pow(10, 3 * (r.nextDouble() - 0.5) / 20);
            int start = (int) ((n + 0.02 * r.nextDouble()) * RATE_HZ);
            for (int i = start; i < Math.min(x.length, start + (int) ((heldS + 0.11) * RATE_HZ)); i++) {
                double u = (i - start) / (double) RATE_HZ;
                double fade = Math.min(1, u / 0.003) * Math.exp(-3 * u) * (u < heldS ? 1 : Math.exp(-60 * (u - heldS)));
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
        return FootRide.read(record, Sound.mono(stabs(2), RATE_HZ), FOUND, TONE, Progress.NONE);
    }

    @ParameterizedTest
    @ValueSource(doubles = {8, 12, -8, -12})
    void repeatsThatAFootBroughtUpOrDownAreRead(double byDb) {
        FootRide ride = read(echoed(stabs(1), t -> ramp(t, -13 - byDb / 2, -13 + byDb / 2))).stream()
                .filter(r -> r.what().equals("repeats")).findFirst().orElseThrow();
        assertThat(ride.place().orElseThrow()).hasToString("echo/mix");
        double moved = ride.moves().stream().mapToDouble(m -> m.to() - m.from()).sum();
        assertThat(moved).isCloseTo(byDb, within(4.0));
        FootRide.Move main = ride.moves().stream()
                .max((a, b) -> Double.compare(Math.abs(a.to() - a.from()), Math.abs(b.to() - b.from())))
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
        assertThat(guitar.moves().stream().mapToDouble(m -> m.to() - m.from()).sum()).isCloseTo(12, within(3.0));
    }

    @Test
    void theSamePhraseAtOneLevelIsNoRide() {
        assertThat(read(Sound.mono(stabs(1), RATE_HZ))).isEmpty();
    }

    @Test
    void aShortRecordAndOtherPlayingAreRefusedWithARemedy() {
        Sound take = Sound.mono(stabs(2), RATE_HZ);
        assertThatThrownBy(() -> FootRide.read(take.slice(0, 4), take, FOUND, TONE, Progress.NONE))
                .isInstanceOf(InputFault.class).hasMessageContaining("six seconds");
        float[] other = new float[(int) (LENGTH_S * RATE_HZ)];
        SplittableRandom r = new SplittableRandom(5);
        for (int i = 0; i < other.length; i++) other[i] = (float) (0.1 * r.nextGaussian());
        assertThatThrownBy(() -> FootRide.read(Sound.mono(other, RATE_HZ), take, FOUND, TONE, Progress.NONE))
                .isInstanceOf(InputFault.class).hasMessageContaining("same phrase");
    }

    @Test
    void aCurveIsBentIntoFewMovesAndRestsAreNone() {
        List<Double> at = List.of(0.0, 1.0, 2.0, 3.0, 4.0, 5.0, 6.0, 7.0, 8.0);
        RiddenLevel r = new RiddenLevel(at, List.of(-4.0, -4.2, -3.9, -4.0, -1.0, 2.0, 5.0, 5.2, 5.0));
        List<FootRide.Move> moves = FootRide.levels("guitar", r, Optional.empty()).moves();
        assertThat(moves).hasSize(1);
        assertThat(moves.get(0).fromS()).isEqualTo(3);
        assertThat(moves.get(0).toS()).isEqualTo(6);
        assertThat(moves.get(0).words("%.0f dB"::formatted)).isEqualTo("3.0 to 6.0 s: up from -4 dB to 5 dB");
    }

    @Test
    void theMixFollowsTheLevelOfTheRepeats() {
        Block echo = TONE.blocks().get(1);
        RiddenLevel r = new RiddenLevel(List.of(0.0, 1.0), List.of(-6.0206, 0.0));
        FootRide.Move m = FootRide.levels("repeats", r, Optional.of(echo)).moves().get(0);
        // While the dry sound is held, half the amplitude is half the mix.
        assertThat(m.fromValue()).isCloseTo(10, within(0.01));
        assertThat(m.toValue()).isCloseTo(20, within(0.01));
    }

    @Test
    void aSpeedThatWasSwitchedIsOneMoveOfTheTonesOwnRate() {
        List<Double> at = IntStream.range(0, 20).mapToObj(i -> 1.5 + 0.5 * i).toList();
        List<Double> hz = at.stream().map(t -> 3 * Math.pow(2, Math.clamp((t - 5) / 2, 0, 1))).toList();
        FootRide ride = FootRide.speeds(new RiddenSpeed(at, hz), Optional.of(Block.of("bias tremolo")));
        assertThat(ride.place()).hasValueSatisfying(p -> assertThat(p.control()).isEqualTo(ControlNames.RATE));
        assertThat(ride.moves()).singleElement().satisfies(m -> {
            assertThat(m.fromS()).isCloseTo(5, within(0.5));
            assertThat(m.toS()).isCloseTo(7, within(0.5));
            assertThat(m.toValue() / m.fromValue()).isCloseTo(2, within(0.1));
            assertThat(m.words(ride.scale()::words)).contains("up from 3.00 Hz to 6.00 Hz");
        });
    }

    @Test
    void aTremoloMadeFasterIsFollowedWithATakeOfAnotherHand() {
        float[] x = chords(1, 0.85);
        double phase = 0;
        for (int i = 0; i < x.length; i++) {
            phase += 2 * Math.PI * (i < x.length / 2 ? 4.63 : 8.71) / RATE_HZ;
            x[i] *= (float) (1 - 0.8 * (0.5 - 0.5 * Math.cos(phase)));
        }
        Tone still = new Tone("t", List.of(Block.of("volume"), Block.of("bias tremolo")));
        List<FootRide> rides = FootRide.read(Sound.mono(x, RATE_HZ), Sound.mono(chords(2, 0.85), RATE_HZ), FOUND, still,
                Progress.NONE);
        FootRide speed = rides.stream().filter(r -> r.what().equals("speed")).findFirst().orElseThrow();
        assertThat(speed.moves().getFirst().from()).isCloseTo(4.63, within(0.4));
        assertThat(speed.moves().getLast().to()).isCloseTo(8.71, within(0.8));
    }

    @Test
    void aTremoloThatStaysAsFastAsksForNoFoot() {
        float[] x = chords(1, 0.85);
        for (int i = 0; i < x.length; i++)
            x[i] *= (float) (1 - 0.8 * (0.5 - 0.5 * Math.cos(2 * Math.PI * 5.57 * i / RATE_HZ)));
        assertThat(
                FootRide.read(Sound.mono(x, RATE_HZ), Sound.mono(chords(2, 0.85), RATE_HZ), FOUND, TONE, Progress.NONE))
                .noneMatch(r -> r.what().equals("speed"));
    }

    @Test
    void aTurningLoudspeakersSpeedIsSwitchedNotTurned() {
        List<Double> at = IntStream.range(0, 16).mapToObj(i -> 1.5 + 0.5 * i).toList();
        List<Double> hz = at.stream().map(t -> t < 5 ? 1.6 : 6.6).toList();
        FootRide ride = FootRide.speeds(new RiddenSpeed(at, hz), Optional.of(Block.of("rotary")));
        assertThat(ride.place()).hasValueSatisfying(p -> assertThat(p.control()).isEqualTo(ControlNames.SPEED));
        assertThat(ride.moves().getFirst().fromValue()).isZero();
        assertThat(ride.moves().getLast().toValue()).isEqualTo(1);
        assertThat(FootRide.speeds(new RiddenSpeed(at, hz), Optional.empty()).place()).isEmpty();
    }
}
