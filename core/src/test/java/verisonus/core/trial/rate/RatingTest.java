package verisonus.core.trial.rate;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class RatingTest {
    private static RatingTrial rated(int rounds, double... truth) {
        List<String> names = new ArrayList<>();
        for (int i = 2; i < truth.length; i++) names.add("no. " + (i - 1));
        RatingTrial t = RatingTrial.begin(names, rounds, 4);
        Random r = new Random(1);
        while (!t.isEnded()) {
            List<Integer> given = new ArrayList<>();
            for (int s : t.order(t.given().size()))
                given.add((int) Math.clamp(truth[s] + 4 * r.nextGaussian(), 0, 100));
            t = t.rated(given);
        }
        return t;
    }

    /** Published quantiles of Student's t. */
    @ParameterizedTest
    @CsvSource({"0.05, 1, 12.706", "0.05, 3, 3.182", "0.05, 10, 2.228", "0.01, 5, 4.032"})
    void quantilesAreThePublishedOnes(double p, double degrees, double t) {
        assertThat(StudentT.quantile(p, degrees)).isCloseTo(t, within(1e-3));
        assertThat(StudentT.twoSided(t, degrees)).isCloseTo(p, within(1e-4));
    }

    @Test
    void everySoundStandsOnceInEachRoundAndOrdersDiffer() {
        RatingTrial t = RatingTrial.begin(List.of("a", "b", "c", "d"), 4, 99);
        for (int round = 0; round < 4; round++) assertThat(t.order(round)).containsExactlyInAnyOrder(0, 1, 2, 3, 4, 5);
        assertThat(List.of(t.order(0), t.order(1), t.order(2), t.order(3))).doesNotHaveDuplicates();
        assertThat(t.order(2)).isEqualTo(RatingTrial.begin(List.of("a", "b", "c", "d"), 4, 99).order(2));
    }

    @Test
    void ratingsGoToTheSoundThatStoodThere() {
        RatingTrial t = rated(5, 98, 10, 70, 40);
        RatingResult r = RatingResult.of(t);
        assertThat(r.rows()).extracting(RatingResult.Row::name).containsExactly(RatingTrial.HIDDEN, "no. 1", "no. 2",
                RatingTrial.ANCHOR);
        RatingResult.Row one = r.rows().get(1);
        assertThat(one.mean()).isCloseTo(70, within(6.0));
        assertThat(one.low()).isLessThan(70);
        assertThat(one.high()).isGreaterThan(70);
        assertThat(one.words()).contains("near");
        assertThat(r.doubts()).isEmpty();
        assertThat(r.notToldApart()).isEmpty();
    }

    @Test
    void equalOnesAreNotToldApart() {
        RatingResult r = RatingResult.of(rated(4, 98, 10, 62, 61, 25));
        assertThat(r.notToldApart()).contains(new RatingResult.Pair("no. 1", "no. 2"))
                .doesNotContain(new RatingResult.Pair("no. 1", "no. 3"));
    }

    @Test
    void aListenerWhoMissesTheHiddenRecordIsTold() {
        assertThat(RatingResult.of(rated(4, 55, 10, 60)).doubts())
                .anyMatch(d -> d.contains("not recognised in 4 of 4"));
        assertThat(RatingResult.of(rated(4, 98, 50, 20)).doubts()).anyMatch(d -> d.contains("under the low anchor"));
    }

    @Test
    void whatIsNoRatingIsRefused() {
        RatingTrial t = RatingTrial.begin(List.of("a"), 3, 1);
        assertThatThrownBy(() -> t.rated(List.of(1, 2, 101))).isInstanceOf(IllegalArgumentException.class);
        assertThatThrownBy(() -> RatingTrial.begin(List.of(), 3, 1)).isInstanceOf(IllegalArgumentException.class);
        assertThatThrownBy(() -> RatingTrial.begin(List.of("a"), 1, 1)).isInstanceOf(IllegalArgumentException.class);
        assertThatThrownBy(() -> RatingResult.of(t)).isInstanceOf(IllegalArgumentException.class);
    }

    @Test
    void theWordsAreAFifthOfTheScaleEach() {
        assertThat(RatingTrial.word(0)).isEqualTo("another sound");
        assertThat(RatingTrial.word(59)).isEqualTo("related");
        assertThat(RatingTrial.word(100)).isEqualTo("the same");
    }

    private static Picking picked(double dislikesBottom, long seed) {
        Random r = new Random(seed);
        List<Picking.Measured> all = new ArrayList<>();
        for (int i = 0; i < 12; i++)
            all.add(new Picking.Measured("no. " + i, new double[]{r.nextGaussian(), r
                    .nextGaussian()}));
        Picking p = Picking.begin(all, List.of("bottom", "bite"), seed);
        while (!p.isEnded()) {
            int c = p.next();
            p = p.answered(c, -dislikesBottom * all.get(c).measures()[0] + all.get(c).measures()[1] > 0.5);
        }
        return p;
    }

    @Test
    void pickingEndsWithWhatWasKeptAndSaysWhy() {
        Picking p = picked(1.5, 3);
        List<Integer> two = p.order().subList(0, 2);
        for (int c : two) {
            double[] m = p.candidates().get(c).measures();
            assertThat(-1.5 * m[0] + m[1]).isPositive();
            assertThat(p.chance(c)).isGreaterThan(0.5);
        }
        assertThat(p.words()).contains("no. " + two.getFirst()).contains("you kept what has");
        assertThat(p.said()).hasSizeLessThanOrEqualTo(18);
    }

    @Test
    void theSameOneNeverComesTwiceInARow() {
        List<Picking.Answer> said = picked(1, 8).said();
        for (int i = 1; i < said.size(); i++)
            assertThat(said.get(i).candidate()).isNotEqualTo(said.get(i - 1).candidate());
    }

    @Test
    void moreAnswersLeaveLessDoubt() {
        double[] x = {1, 0};
        Taste few = Taste.of(List.of(new Taste.Said(x, true)), 2);
        List<Taste.Said> many = java.util.Collections.nCopies(20, new Taste.Said(x, true));
        assertThat(Taste.of(many, 2).doubt(x)).isLessThan(few.doubt(x));
        assertThat(Taste.of(many, 2).chance(x)).isGreaterThan(few.chance(x));
        assertThat(Taste.of(List.of(), 2).chance(x)).isCloseTo(0.5, within(1e-9));
    }
}
