package verisonus.core.take;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.Arrays;
import java.util.OptionalDouble;
import java.util.SplittableRandom;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import verisonus.core.sound.Sound;
import verisonus.core.work.InputFault;

/** A take is laid under the record it plays. */
class MatchedTakeTest {
    private static final int RATE_HZ = 48_000;

    /** Notes of a phrase that does not repeat itself, beginning after some seconds. */
    private static Sound phrase(double startS, double lengthS, long melody) {
        SplittableRandom r = new SplittableRandom(melody);
        double[] hz = new double[40];
        double[] every = new double[40];
        for (int n = 0; n < hz.length; n++) {
            hz[n] = 110 * Math.pow(2, r.nextInt(20) / 12.0);
            every[n] = 0.2 + 0.05 * r.nextInt(6);
        }
        float[] x = new float[(int) (lengthS * RATE_HZ)];
        double at = startS;
        for (int n = 0; n < hz.length && at < lengthS; n++) {
            int from = (int) (at * RATE_HZ);
            for (int i = from; i < Math.min(x.length, from + (int) (every[n] * RATE_HZ)); i++) {
                double u = (i - from) / (double) RATE_HZ;
                for (int p = 1; p < 8; p++)
                    x[i] += (float) (0.15 / p * Math.exp(-5 * u) * Math.sin(2 * Math.PI * hz[n] * p * u));
            }
            at += every[n];
        }
        return Sound.mono(x, RATE_HZ);
    }

    private static double likeness(float[] a, float[] b) {
        double ab = 0;
        double aa = 1e-12;
        double bb = 1e-12;
        for (int i = 0; i < Math.min(a.length, b.length); i++) {
            ab += (double) a[i] * b[i];
            aa += (double) a[i] * a[i];
            bb += (double) b[i] * b[i];
        }
        return ab / Math.sqrt(aa * bb);
    }

    @ParameterizedTest
    @ValueSource(doubles = {0.1, 0.5, 1.2})
    void theSamePerformanceIsLaidToTheSample(double laterS) {
        Sound record = phrase(laterS, 6, 1);
        MatchedTake m = MatchedTake.of(record, phrase(0, 6, 1));
        assertThat(m.same()).isTrue();
        assertThat(m.sound().frames()).isEqualTo(m.reference().frames());
        assertThat(likeness(m.reference().mid(), m.sound().mid())).isGreaterThan(0.95);
    }

    @Test
    void ofOtherPlayingTheTakeStaysAsItIs() {
        Sound take = phrase(0, 5, 99);
        MatchedTake m = MatchedTake.of(phrase(0, 6, 1), take);
        assertThat(m.same()).isFalse();
        assertThat(m.sound().mid()).isEqualTo(take.mid());
    }

    @Test
    void onlyAsMuchAsIsAskedForIsKeptOfBoth() {
        MatchedTake m = MatchedTake.of(phrase(0.3, 8, 1), phrase(0, 8, 1), OptionalDouble.empty(), 3);
        assertThat(m.reference().durationS()).isCloseTo(3, within(1e-3));
        assertThat(m.sound().durationS()).isCloseTo(3, within(1e-3));
        assertThat(likeness(m.reference().mid(), m.sound().mid())).isGreaterThan(0.9);
    }

    @Test
    void aPlaceThatIsKnownIsNotSoughtAnew() {
        Sound take = phrase(0, 3, 1);
        MatchedTake m = MatchedTake.at(phrase(0, 5, 2), take, 1, Pairing.PLAYED_AGAIN);
        assertThat(m.pairing()).isEqualTo(Pairing.PLAYED_AGAIN);
        assertThat(m.sound().durationS()).isCloseTo(5, within(1e-3));
        assertThat(Arrays.copyOf(m.sound().mid(), RATE_HZ)).containsOnly(0f);
        assertThat(Arrays.copyOfRange(m.sound().mid(), RATE_HZ, 2 * RATE_HZ))
                .isEqualTo(Arrays.copyOf(take.mid(), RATE_HZ));
    }

    @Test
    void aTakeAtAnotherRateIsBroughtToTheWorkingOne() {
        MatchedTake m = MatchedTake.of(phrase(0, 4, 1), phrase(0, 4, 1).atRate(44_100));
        assertThat(m.sound().rateHz()).isEqualTo(Sound.WORKING_RATE_HZ);
        assertThat(m.same()).isTrue();
    }

    @ParameterizedTest
    @ValueSource(doubles = {-0.2, 0, 0.15})
    void aTakeThatIsLaidByHandIsMovedToWhereItsNotesBeginCloseBy(double slipS) {
        Sound again = phrase(0, 6, 1).gained(-3);
        float[] other = again.mid();
        // Another recorder: no longer the same performance, to the sample.
        for (int i = 0; i < other.length; i++) other[i] = (float) Math.tanh(3 * other[i]);
        MatchedTake m = MatchedTake.of(phrase(1, 8, 1), Sound.mono(other, RATE_HZ), OptionalDouble.of(1 + slipS));
        assertThat(m.same()).isTrue();
        MatchedTake exact = MatchedTake.at(phrase(1, 8, 1), Sound.mono(other, RATE_HZ), 1, Pairing.PLAYED_AGAIN);
        assertThat(likeness(m.sound().mid(), exact.sound().mid())).isGreaterThan(0.9);
    }

    @Test
    void whereNoNotesAgreeItStaysWhereItWasLaidAndThatIsKnown() {
        Sound hum = Sound.mono(new float[8 * RATE_HZ], RATE_HZ);
        for (int i = 0; i < hum.frames(); i++) hum.mid()[i] = 0.1f * (float) Math.sin(2 * Math.PI * 50 * i / RATE_HZ);
        float[] take = phrase(0, 3, 1).mid();
        SeenTake laid = SeenTake.told(hum, take, 2.5);
        assertThat(laid.alignment().offsetSamples()).isEqualTo((int) (2.5 * RATE_HZ));
        assertThat(laid.alignment().agrees()).isFalse();
        assertThat(SeenTake.told(phrase(1, 8, 1), take, 1).alignment().agrees()).isTrue();
    }

    @Test
    void aTakeThatIsNotFoundByItselfCanBeLaid() {
        Sound take = phrase(0, 5, 99);
        assertThat(MatchedTake.of(phrase(0, 6, 1), take).same()).isFalse();
        assertThat(MatchedTake.of(phrase(0, 6, 1), take, OptionalDouble.of(0.4)).pairing())
                .isEqualTo(Pairing.PLAYED_AGAIN);
    }

    @ParameterizedTest
    @ValueSource(doubles = {-4.8, 5.8, 900, -900})
    void aTakeThatWouldNotPlayWhereItWasLaidIsRefused(double atS) {
        assertThatThrownBy(() -> MatchedTake.of(phrase(0, 6, 1), phrase(0, 5, 1), OptionalDouble.of(atS)))
                .isInstanceOf(InputFault.class).hasMessageContaining("lay it elsewhere");
    }
}
