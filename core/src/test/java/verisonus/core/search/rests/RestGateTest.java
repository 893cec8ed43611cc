package verisonus.core.search.rests;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.Arrays;
import java.util.Optional;
import java.util.SplittableRandom;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.function.UnaryOperator;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import verisonus.core.rig.Block;
import verisonus.core.rig.ControlNames;
import verisonus.core.sound.Sound;

class RestGateTest {
    private static final ExecutorService WORKERS = Executors.newFixedThreadPool(2);
    private static final Block GATE = Block.of("noise gate");

    @AfterAll
    static void stop() {
        WORKERS.shutdown();
    }

    /** Notes of 300 ms with rests of 200 ms, over hiss of this level. */
    private static Sound played(double hissDb, long hand) {
        SplittableRandom r = new SplittableRandom(hand);
        float[] x = new float[6 * 48_000];
        double hiss = Math.pow(10, hissDb / 20);
        for (int i = 0; i < x.length; i++) {
            double t = i / 48_000.0 % 0.5;
            double fade = t < 0.3 ? Math.exp(-4 * t) : Math.exp(-1.2) * Math.exp(-120 * (t - 0.3));
            x[i] = (float) (0.4 * fade * Math.sin(2 * Math.PI * 196 * i / 48_000.0) + hiss * r.nextGaussian());
        }
        return Sound.mono(x, 48_000);
    }

    private static Optional<RestGate> between(Sound reference, Sound take) {
        return RestGate.nearest(GATE, reference, take, take, UnaryOperator.identity(), WORKERS);
    }

    @ParameterizedTest
    @ValueSource(doubles = {-62, -54, -46})
    void aTakeThatHissesIsShutWhereTheRecordRestsInSilence(double hissDb) {
        RestGate g = between(played(-110, 1), played(hissDb, 2)).orElseThrow();
        assertThat(g.afterDb()).isLessThan(0.75 * g.beforeDb());
        assertThat(g.block().get(ControlNames.THRESHOLD)).isBetween(hissDb, hissDb + 30);
    }

    @ParameterizedTest
    @ValueSource(doubles = {-100, -60, -46})
    void whereBothRestAlikeNothingIsShut(double hissDb) {
        assertThat(between(played(hissDb, 1), played(hissDb + 3, 2))).isEmpty();
    }

    @Test
    void aSilentTakeNeedsNoGateHoweverTheRecordHisses() {
        assertThat(between(played(-46, 1), played(-110, 2))).isEmpty();
    }

    @Test
    void hissThatNobodyHearsIsLeft() {
        assertThat(between(played(-140, 1), played(-82, 2))).isEmpty();
    }

    @Test
    void whatATakeDoesNotCoverIsNoRest() {
        float[] late = played(-54, 2).mid().clone();
        Arrays.fill(late, 0, 48_000, 0);
        Arrays.fill(late, 5 * 48_000, late.length, 0);
        assertThat(between(played(-110, 1), Sound.mono(late, 48_000))).isPresent();
    }

    @Test
    void thePlayersOwnGateKeepsWhatIsNotSearched() {
        Block own = GATE.with(ControlNames.HOLD, 90);
        Sound take = played(-54, 2);
        RestGate g = RestGate.nearest(own, played(-110, 1), take, take, UnaryOperator.identity(), WORKERS)
                .orElseThrow();
        assertThat(g.block().get(ControlNames.HOLD)).isEqualTo(90);
    }

    @Test
    void restsAreReadAgainstTheLoudPartsSoThatLevelDoesNotMatter() {
        RestLevels soft = RestLevels.of(played(-60, 1).gained(-14));
        RestLevels loud = RestLevels.of(played(-60, 1));
        assertThat(soft.distanceDb(loud)).isCloseTo(0, within(0.05));
        assertThat(soft.overDb(loud)).isCloseTo(0, within(0.05));
    }

    @Test
    void moreHissIsFurtherAway() {
        RestLevels silent = RestLevels.of(played(-110, 1));
        double last = 0;
        for (double db = -70; db <= -40; db += 10) {
            double now = RestLevels.of(played(db, 2)).distanceDb(silent);
            assertThat(now).isGreaterThan(last);
            last = now;
        }
    }

    @Test
    void aToneWithoutRestsHasNothingToCompare() {
        float[] x = new float[96_000];
        for (int i = 0; i < x.length; i++) x[i] = (float) (0.3 * Math.sin(2 * Math.PI * 110 * i / 48_000.0));
        RestLevels held = RestLevels.of(Sound.mono(x, 48_000));
        assertThat(held.distanceDb(held)).isZero();
        assertThat(RestLevels.of(Sound.mono(new float[100], 48_000)).db()).containsOnly(-65);
    }
}
