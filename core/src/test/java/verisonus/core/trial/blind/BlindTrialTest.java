package verisonus.core.trial.blind;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.nio.charset.StandardCharsets;
import java.security.MessageDigest;
import java.util.HexFormat;
import java.util.SplittableRandom;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import verisonus.core.sound.Biquad;
import verisonus.core.sound.LoudnessMeter;
import verisonus.core.sound.Signal;
import verisonus.core.sound.Sound;
import verisonus.core.work.InputFault;

class BlindTrialTest {
    /** Sums of binomial coefficients over powers of two. */
    @ParameterizedTest
    @CsvSource({"13, 16, 0.010635", "12, 16, 0.038406", "10, 10, 0.000976563", "5, 10, 0.623047", "0, 10, 1",
            "9, 12, 0.072998"})
    void chanceIsThatOfTheBinomial(int right, int of, double chance) {
        assertThat(BinomialStatistics.chance(right, of)).isCloseTo(chance, within(1e-6));
    }

    /** Published limits, 95 %. */
    @ParameterizedTest
    @CsvSource({"13, 16, 0.5435, 0.9595", "5, 10, 0.1871, 0.8129", "0, 10, 0, 0.3085", "10, 10, 0.6915, 1",
            "1, 20, 0.0013, 0.2487"})
    void intervalsAreThePublishedOnes(int right, int of, double low, double high) {
        double[] i = BinomialStatistics.interval(right, of, 0.95);
        assertThat(i[0]).isCloseTo(low, within(5e-4));
        assertThat(i[1]).isCloseTo(high, within(5e-4));
    }

    private static BlindTrial listened(BlindTrial begun, double hears, SplittableRandom r) {
        BlindTrial t = begun;
        while (!t.isEnded()) {
            boolean knows = r.nextDouble() < hears;
            t = t.answered(knows ? t.isRecordNext() : r.nextBoolean());
        }
        return t;
    }

    /** A hundred thousand listeners: how often the sequential rule is wrong is what it says. */
    @ParameterizedTest
    @CsvSource({"0, 0, 0.06", "0.5, 0.86, 1"})
    void theSequentialRuleErrsAsOftenAsItSays(double hears, double least, double most) {
        SplittableRandom r = new SplittableRandom(3);
        StoppingRule rule = new StoppingRule(100, true);
        int told = 0;
        int many = 100_000;
        for (int i = 0; i < many; i++) {
            int right = 0;
            int of = 0;
            while (rule.decided(right, of).isEmpty()) {
                boolean is = r.nextDouble() < hears || r.nextBoolean();
                if (is) right++;
                of++;
            }
            if (rule.decided(right, of).orElseThrow()) told++;
        }
        assertThat((double) told / many).isBetween(least, most);
    }

    @Test
    void whoHearsEverythingIsToldSoAndWhoGuessesIsNot() {
        BlindTrial sure = listened(BlindTrial.begin(TrialForm.ABX, new StoppingRule(12, false), 5), 1,
                new SplittableRandom(1));
        assertThat(sure.right()).isEqualTo(12);
        assertThat(sure.result().orElseThrow().toldApart()).isTrue();
        assertThat(sure.result().orElseThrow().words()).startsWith("12 of 12: you can tell them apart");
        int said = 0;
        SplittableRandom r = new SplittableRandom(2);
        for (int i = 0; i < 2000; i++)
            if (listened(BlindTrial.begin(TrialForm.RECORD, new StoppingRule(16, false), i), 0, r).result()
                    .orElseThrow()
                    .toldApart())
                said++;
        assertThat(said / 2000.0).isLessThan(StoppingRule.ALPHA + 0.01);
    }

    @Test
    void theSealCanBeCheckedWithTheSeedAtTheEnd() throws Exception {
        SealedOrder order = new SealedOrder(TrialForm.ABX, 16, 4711);
        byte[] digest = MessageDigest.getInstance("SHA-256").digest("abx 16 4711".getBytes(StandardCharsets.UTF_8));
        assertThat(order.seal()).isEqualTo(HexFormat.of().formatHex(digest));
        assertThat(new SealedOrder(TrialForm.ABX, 16, 4712).seal()).isNotEqualTo(order.seal());
        int records = 0;
        for (int i = 0; i < 2000; i++) if (new SealedOrder(TrialForm.ABX, 16, i).isRecord(3)) records++;
        assertThat(records).isBetween(900, 1100);
    }

    @Test
    void nothingIsAskedAfterTheEndAndTheNumberIsWithinReason() {
        BlindTrial t = listened(BlindTrial.begin(TrialForm.ABX, new StoppingRule(5, false), 1), 0.5,
                new SplittableRandom(1));
        assertThatThrownBy(() -> t.answered(true)).isInstanceOf(IllegalStateException.class);
        assertThatThrownBy(() -> new StoppingRule(2, false)).isInstanceOf(IllegalArgumentException.class);
    }

    @Test
    void passagesAreAsLoudAsEachOtherToATenth() {
        for (int seed = 0; seed < 20; seed++) {
            Sound a = Signal.plucks(0.25, seed).lasting(3);
            float[] y = Signal.plucks(0.25, seed).lasting(4).channel(0).clone();
            new Biquad.Section(Biquad.peak(900, seed - 10.5, 1, 48000)).process(y, 0, y.length);
            MatchedPassages m = MatchedPassages.of(a, Sound.mono(y, 48000).gained(seed - 15));
            assertThat(m.leftLu()).isCloseTo(0, within(0.05));
            assertThat(m.first().frames()).isEqualTo(m.second().frames());
            assertThat(LoudnessMeter.truePeakDbtp(m.second())).isLessThan(0.5);
        }
    }

    @Test
    void aTrialThatCouldTellNothingIsRefusedBeforeItBegins() {
        Sound s = Signal.plucks(0.25, 1).lasting(3);
        assertThatThrownBy(() -> MatchedPassages.of(s, s.gained(-6))).isInstanceOf(InputFault.class)
                .hasMessageContaining("the same");
        assertThatThrownBy(() -> MatchedPassages.of(s, Signal.silence().lasting(3))).isInstanceOf(InputFault.class)
                .hasMessageContaining("silent");
        assertThatThrownBy(() -> MatchedPassages.of(s.slice(0, 0.5), s)).isInstanceOf(InputFault.class);
        float[] turned = s.channel(0).clone();
        for (int i = 0; i < turned.length; i++) turned[i] = -turned[i];
        assertThat(MatchedPassages.of(s, Sound.mono(turned, 48000)).leftLu()).isCloseTo(0, within(0.05));
        Sound stereo = Sound.stereo(s.channel(0), Signal.plucks(0.25, 2).lasting(3).channel(0), 48000);
        assertThat(MatchedPassages.of(s, stereo.atRate(44100)).first().isStereo()).isTrue();
    }

    @Test
    void whatTheListenerCouldNotHearCountsNeitherWay() {
        BlindTrial t = BlindTrial.begin(TrialForm.ABX, new StoppingRule(5, false), 11);
        boolean skipped = t.isRecordNext();
        BlindTrial out = t.leavingOut();
        assertThat(out.of()).isZero();
        assertThat(out.isRecordNext()).isEqualTo(t.order().isRecord(1));
        assertThat(skipped).isEqualTo(t.order().isRecord(0));
        while (!out.isEnded()) {
            out = out.answered(out.isRecordNext());
            if (out.of() == 2) out = out.leavingOut();
        }
        assertThat(out.right()).isEqualTo(5);
        assertThat(out.leftOut()).containsExactly(0, 3);
    }

    @ParameterizedTest
    @CsvSource({"12, false", "12, true", "30, true", "60, true", "100, false"})
    void guessingIsSaidToTellOnceInTwentyAtMostAndMoreAnswersMissLess(int most, boolean sequential) {
        StoppingRule rule = new StoppingRule(most, sequential);
        assertThat(rule.saidToTell(0.5)).isLessThanOrEqualTo(StoppingRule.ALPHA);
        assertThat(rule.misses()).isGreaterThanOrEqualTo(0).isLessThan(new StoppingRule(5, sequential).misses());
        assertThat(rule.saidToTell(1)).isEqualTo(1);
    }

    /** From the tables of the binomial: ten right of twelve or more happen to one who is right three times of four in 39 %. */
    @Test
    void twelveAnswersMissMostWhoAreRightThreeTimesOfFour() {
        StoppingRule rule = new StoppingRule(12, false);
        assertThat(rule.misses()).isCloseTo(1 - 0.3907, within(1e-3));
        assertThat(rule.powerWords()).contains("missed 61 times in 100");
    }

    private static TrialResult ended(StoppingRule rule, java.util.function.IntPredicate right) {
        BlindTrial t = BlindTrial.begin(TrialForm.ABX, rule, 3);
        for (int i = 0; !t.isEnded(); i++) t = t.answered(right.test(i) == t.isRecordNext());
        return t.result().orElseThrow();
    }

    @Test
    void alwaysTheWrongOneIsADifferenceThatIsHeard() {
        TrialResult r = ended(new StoppingRule(12, false), _ -> false);
        assertThat(r.toldApart()).isFalse();
        assertThat(r.words()).startsWith("0 of 12: nearly always the wrong one").contains("once in 4096")
                .doesNotContain("often");
    }

    @Test
    void theIntervalSaysHowSureItIs() {
        assertThat(ended(new StoppingRule(12, false), i -> i % 2 == 0).words()).contains("95 % sure");
    }

    /** All ways of guessing, walked one by one: how many end by the rule as soon or as clearly as this. */
    @org.junit.jupiter.params.ParameterizedTest
    @org.junit.jupiter.params.provider.ValueSource(ints = {0, 1, 2})
    void theOddsOfASequentialTrialAreThoseOfItsRule(int wrong) {
        StoppingRule rule = new StoppingRule(14, true);
        TrialResult r = ended(rule, i -> i >= wrong);
        assertThat(r.toldApart()).isTrue();
        int most = r.of();
        long told = 0;
        for (int way = 0; way < 1 << most; way++) {
            int right = 0;
            for (int n = 1; n <= most; n++) {
                right += way >> (n - 1) & 1;
                var end = rule.decided(right, n);
                if (end.isPresent()) {
                    if (end.get()) told++;
                    break;
                }
            }
        }
        assertThat(r.chance()).isCloseTo(told / (double) (1 << most), org.assertj.core.api.Assertions.within(1e-9));
    }
}
