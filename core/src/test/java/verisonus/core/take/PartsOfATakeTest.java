package verisonus.core.take;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.Arrays;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import verisonus.core.sound.Decibels;
import verisonus.core.sound.LevelCurve;
import verisonus.core.sound.SoftestTenth;
import verisonus.core.sound.Sound;

/** Which part of a take is listened to, and how loud its parts are. */
class PartsOfATakeTest {
    private static final int RATE_HZ = 48_000;

    /** Soft throughout but for some seconds. */
    private static Sound loudFrom(double fromS, double toS, double lengthS) {
        float[] x = new float[(int) (lengthS * RATE_HZ)];
        for (int i = 0; i < x.length; i++) {
            double t = i / (double) RATE_HZ;
            x[i] = (float) ((t >= fromS && t < toS ? 0.5 : 0.01) * Math.sin(2 * Math.PI * 220 * t));
        }
        return Sound.mono(x, RATE_HZ);
    }

    @ParameterizedTest
    @CsvSource({"0, 5", "7, 12", "15, 20"})
    void theLoudestPartIsWhereItIsLoud(double from, double to) {
        LoudestPart p = LoudestPart.of(loudFrom(from, to, 20), 5);
        assertThat(p.fromS()).isCloseTo(from, within(1e-9));
        assertThat(p.toS()).isCloseTo(to, within(1e-9));
        assertThat(p.cut(loudFrom(from, to, 20)).durationS()).isCloseTo(5, within(1e-3));
    }

    @Test
    void aTakeThatIsNoLongerIsTakenWhole() {
        LoudestPart p = LoudestPart.of(loudFrom(0, 1, 3), 5);
        assertThat(p.fromS()).isZero();
        assertThat(p.toS()).isCloseTo(3, within(1e-9));
    }

    @Test
    void aSearchIsOnTheLiveliestPartWithHalfASecondBefore() {
        float[] x = new float[12 * RATE_HZ];
        for (int i = 0; i < x.length; i++) {
            double t = i / (double) RATE_HZ;
            double level = t > 6 && t < 9 ? (t % 0.2 < 0.1 ? 0.5 : 0.02) : 0.2;
            x[i] = (float) (level * Math.sin(2 * Math.PI * 220 * t));
        }
        SearchSegment s = SearchSegment.of(x, RATE_HZ, 3);
        assertThat(s.from()).isBetween(5 * RATE_HZ, 7 * RATE_HZ);
        assertThat(s.to() - s.from()).isEqualTo(3 * RATE_HZ);
        assertThat(s.warmUp()).isEqualTo(RATE_HZ / 2);
        assertThat(s.cut(x)).hasSize(3 * RATE_HZ + RATE_HZ / 2);
        assertThat(s.cutScored(x)).isEqualTo(Arrays.copyOfRange(s.cut(x), s.warmUp(), s.cut(x).length));
    }

    @Test
    void atTheBeginningThereIsNothingToWarmUpWith() {
        float[] x = new float[2 * RATE_HZ];
        x[100] = 1;
        SearchSegment s = SearchSegment.of(x, RATE_HZ, 5);
        assertThat(s.warmUp()).isZero();
        assertThat(s.to()).isEqualTo(x.length);
    }

    @Test
    void theSoftestTenthIsTheLevelOfThePauses() {
        Sound s = loudFrom(0, 16, 20);
        assertThat(SoftestTenth.db(s.mid(), RATE_HZ)).isCloseTo(20 * Math.log10(0.01 / Math.sqrt(2)), within(0.2));
        assertThat(SoftestTenth.db(new float[RATE_HZ], RATE_HZ)).isLessThan(-120);
    }

    @Test
    void aLevelCurveHasAValueForEveryFrameThatLiesWhollyInside() {
        float[] x = new float[1000];
        Arrays.fill(x, 0.1f);
        double[] level = LevelCurve.of(x, 100, 50);
        assertThat(level).hasSize(19);
        for (double l : level) assertThat(l).isCloseTo(-20, within(1e-4));
        assertThat(LevelCurve.of(x, 1001, 50)).isEmpty();
    }

    @ParameterizedTest
    @ValueSource(doubles = {-120, -60, -6.0206, 0, 12})
    void decibelsComeBack(double db) {
        assertThat(Decibels.fromPower(Decibels.toPower(db))).isCloseTo(db, within(1e-9));
        assertThat(Decibels.fromAmplitude(Decibels.toAmplitude(db))).isCloseTo(db, within(1e-9));
        assertThat(Decibels.toPower(db)).isCloseTo(Math.pow(Decibels.toAmplitude(db), 2), within(1e-9));
    }

    @Test
    void nothingIsSilenceAndNotMinusInfinity() {
        assertThat(Decibels.fromPower(0)).isEqualTo(Decibels.SILENCE_DB);
        assertThat(Decibels.fromAmplitude(0)).isEqualTo(Decibels.SILENCE_DB);
    }
}
