package verisonus.core.trial.step;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.SplittableRandom;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

class BeliefTest {
    private static Belief after(double step, int answers, long seed) {
        SplittableRandom r = new SplittableRandom(seed);
        double[] size = new double[answers];
        boolean[] right = new boolean[answers];
        for (int i = 0; i < answers; i++) {
            size[i] = step * Math.pow(4, r.nextDouble() - 0.5);
            right[i] = r.nextDouble() < Psychometric.right(size[i] / step, 1.5);
        }
        return Belief.of(Math.log(0.05), Math.log(20), 0, 1, (s, k) -> {
            double sum = 0;
            for (int i = 0; i < answers; i++) {
                double p = Psychometric.right(size[i] / s, k);
                sum += Math.log(right[i] ? p : 1 - p);
            }
            return sum;
        });
    }

    @Test
    void withoutAnswersItIsWhatWasBelievedBefore() {
        Belief b = Belief.of(Math.log(0.05), Math.log(20), Math.log(1.3), 0.5, (_, _) -> 0);
        assertThat(b.meanLog()).isCloseTo(Math.log(1.3), within(0.01));
        assertThat(b.spreadLog()).isCloseTo(0.5, within(0.01));
    }

    @ParameterizedTest
    @ValueSource(doubles = {0.4, 1, 2.5})
    void manyAnswersLeadToTheStepOfWhoGaveThem(double step) {
        double mean = 0;
        for (long seed = 0; seed < 8; seed++) mean += after(step, 400, seed).meanLog() / 8;
        assertThat(Math.exp(mean)).isBetween(0.85 * step, 1.18 * step);
    }

    @Test
    void moreAnswersLeaveLessDoubt() {
        assertThat(after(1, 200, 1).spreadLog()).isLessThan(after(1, 20, 1).spreadLog());
        assertThat(after(1, 20, 1).spreadLog()).isLessThan(1);
    }

    @Test
    void atTheStepThreeOfFourAreRightAndMoreIsNeverHarder() {
        for (double k : Psychometric.STEEPNESS)
            assertThat(Psychometric.right(1, k)).isCloseTo(0.75, within(0.006));
        double last = 0;
        for (double s = 0; s < 5; s += 0.1) {
            double now = Psychometric.right(s, 1.5);
            assertThat(now).isGreaterThanOrEqualTo(last);
            last = now;
        }
        assertThat(Psychometric.right(0, 1)).isCloseTo(0.5, within(1e-6));
        assertThat(last).isLessThan(1);
    }

    @Test
    void theTableSaysWhatTheFormulaDoes() {
        for (double k : Psychometric.STEEPNESS)
            for (double size = 0.002; size < 900; size *= 1.13) {
                double p = Psychometric.right(size, k);
                assertThat(AnswerOdds.of(k).log(Math.log(size), true)).isCloseTo(Math.log(p), within(1e-4));
                assertThat(AnswerOdds.of(k).log(Math.log(size), false)).isCloseTo(Math.log(1 - p), within(1e-4));
            }
    }

    @Test
    void matchingAThirdSoundIsHarder() {
        assertThat(Psychometric.rightOfX(1, 1)).isCloseTo(0.59, within(0.01));
        for (double s = 0.2; s < 4; s += 0.2)
            assertThat(Psychometric.rightOfX(s, 1)).isLessThanOrEqualTo(Psychometric.right(s, 1) + 1e-9);
    }

    @ParameterizedTest
    @ValueSource(doubles = {0.6, 1, 2.2})
    void whatIsSaidOfTheErrorHoldsForListenersOfAnySlope(double steepness) {
        SplittableRandom random = new SplittableRandom(17);
        int held = 0;
        int listeners = 120;
        for (int n = 0; n < listeners; n++) {
            double truth = 0.03 * Math.pow(8, random.nextDouble());
            StepSearch s = StepSearch.begin(0.01, 0.5);
            while (!s.isEnded()) {
                double step = s.next();
                s = s.answered(step, random.nextDouble() < Psychometric.right(step / truth, steepness));
            }
            if (Math.abs(Math.log(s.step() / truth)) <= Math.log(s.factor())) held++;
        }
        // 68 % is said; three standard errors of that many listeners are 13.
        assertThat(100.0 * held / listeners).isGreaterThan(68 - 8);
    }
}
