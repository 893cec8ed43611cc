package verisonus.core.search.unexplained;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import org.junit.jupiter.api.Test;
import verisonus.core.compare.GapAttribute;
import verisonus.core.compare.GapRow;
import verisonus.core.evidence.replay.UnexplainedRest;

class RestRowsTest {
    private static UnexplainedRest rest(double lateDb, double chance, OptionalDouble between, OptionalDouble sway,
            double swayDb) {
        return new UnexplainedRest(new UnexplainedRest.After(lateDb, chance), new UnexplainedRest.After(lateDb, chance),
                between, sway, swayDb, 0, -32);
    }

    private static Optional<GapRow> row(UnexplainedRest a, UnexplainedRest b, GapAttribute of) {
        return rows(a, b).stream().filter(r -> r.attribute() == of).findFirst();
    }

    private static List<GapRow> rows(UnexplainedRest a, UnexplainedRest b) {
        return RestRows.between(a, b, true, true);
    }

    private static final OptionalDouble NONE = OptionalDouble.empty();
    private static final OptionalDouble SILENT = OptionalDouble.of(-24);
    private static final UnexplainedRest DRY = rest(-26, 0, SILENT, NONE, 0);

    @Test
    void alikeIsNeverHeard() {
        assertThat(rows(DRY, DRY)).allSatisfy(r -> assertThat(r.audibility()).isZero());
    }

    @Test
    void aMissingHallIsHeardBetweenTheNotes() {
        GapRow r = row(rest(-15, 0, OptionalDouble.of(-12), NONE, 0), DRY, GapAttribute.REST_BETWEEN).orElseThrow();
        assertThat(r.audibility()).isGreaterThan(2);
        assertThat(r.advice()).contains("space");
        assertThat(r.stage()).isEqualTo("rest");
    }

    @Test
    void whereNoNoteIsStoppedNothingIsSaidOfTails() {
        UnexplainedRest ringing = rest(-9, 0, NONE, NONE, 0);
        assertThat(row(ringing, rest(-26, 0, NONE, NONE, 0), GapAttribute.REST_LATE)).isEmpty();
    }

    @Test
    void whatChanceMakesIsNotMissing() {
        UnexplainedRest wanted = rest(-13, 0.05, SILENT, NONE, 0);
        assertThat(row(wanted, DRY, GapAttribute.REST_LATE).orElseThrow().audibility()).isLessThan(0.2);
    }

    @Test
    void aSwayThatTheToneLacksIsNamedWithItsRate() {
        UnexplainedRest swaying = rest(-26, 0, SILENT, OptionalDouble.of(4.1), 5);
        GapRow r = row(swaying, rest(-26, 0, SILENT, OptionalDouble.of(4.1), 0.2), GapAttribute.REST_SWAY)
                .orElseThrow();
        assertThat(r.audibility()).isGreaterThan(2);
        assertThat(r.advice()).contains("4.10");
        assertThat(row(DRY, DRY, GapAttribute.REST_SWAY)).isEmpty();
    }

    @Test
    void widthThatPlayingTwiceMakesIsNotTheGears() {
        assertThat(RestRows.between(DRY, DRY, false, true)).filteredOn(r -> r.attribute() == GapAttribute.REST_SIDES)
                .allSatisfy(r -> assertThat(r.ofTone()).isFalse());
    }

    @Test
    void whereTheToneHasNothingThatRingsLongerTailsAreThePlayings() {
        UnexplainedRest ringing = rest(-9, 0, OptionalDouble.of(-10), NONE, 0);
        assertThat(RestRows.between(DRY, ringing, true, false)).filteredOn(r -> r.audibility() > 1)
                .isNotEmpty().allSatisfy(r -> {
                    assertThat(r.ofTone()).isFalse();
                    assertThat(r.advice()).contains("damp the strings");
                });
        assertThat(RestRows.between(ringing, DRY, true, false)).filteredOn(r -> r.audibility() > 1)
                .isNotEmpty().allSatisfy(r -> assertThat(r.ofTone()).as("a space that is missing").isTrue());
    }

    @Test
    void threeReadingsThatMissTheSameAreHeardTogether() {
        UnexplainedRest faint = rest(-21, 0, OptionalDouble.of(-20.5), NONE, 0);
        double most = rows(faint, DRY).stream().mapToDouble(GapRow::audibility).max().orElseThrow();
        assertThat(most).isGreaterThan(2);
        // One of them alone stays what it is.
        UnexplainedRest between = rest(-26, 0, OptionalDouble.of(-20.5), NONE, 0);
        assertThat(rows(between, DRY).stream().mapToDouble(GapRow::audibility).max().orElseThrow()).isLessThan(1.1);
    }

    @Test
    void whatTheToneHasMoreOfIsNotHeardTogether() {
        UnexplainedRest more = rest(-21, 0, OptionalDouble.of(-20.5), NONE, 0);
        assertThat(rows(DRY, more)).allSatisfy(r -> assertThat(r.audibility()).isLessThan(1));
    }

    private static Optional<GapRow> replayed(UnexplainedRest wanted, UnexplainedRest has, GapAttribute of) {
        return row(wanted, AsReplayed.of(has, wanted, DRY), of);
    }

    @Test
    void whatAnotherHandHidesOfARightToneIsNoDifference() {
        UnexplainedRest record = rest(-15, 0, OptionalDouble.of(-14), OptionalDouble.of(5), 4);
        UnexplainedRest right = rest(-13, 0, OptionalDouble.of(-12), OptionalDouble.of(5), 5);
        for (GapAttribute a : List.of(GapAttribute.REST_LATE, GapAttribute.REST_SOON, GapAttribute.REST_BETWEEN,
                GapAttribute.REST_SWAY))
            assertThat(replayed(record, right, a).orElseThrow().audibility()).as(a.name()).isLessThan(0.05);
        UnexplainedRest muchMore = rest(-3, 0, OptionalDouble.of(-2), OptionalDouble.of(5), 12);
        assertThat(replayed(record, muchMore, GapAttribute.REST_BETWEEN).orElseThrow().audibility()).isGreaterThan(2);
        assertThat(replayed(record, muchMore, GapAttribute.REST_SWAY).orElseThrow().audibility()).isGreaterThan(2);
    }

    @Test
    void whatIsMissingStaysMissingHoweverTheTakeIsRead() {
        UnexplainedRest record = rest(-15, 0, OptionalDouble.of(-12), OptionalDouble.of(5), 4);
        assertThat(AsReplayed.of(DRY, record, DRY)).isEqualTo(DRY);
    }

    @Test
    void whatTheTakeLeavesBetweenItsNotesIsTheHands() {
        UnexplainedRest damped = rest(-26, 0, OptionalDouble.of(-30), NONE, 0);
        UnexplainedRest tone = rest(-26, 0, OptionalDouble.of(-23), NONE, 0);
        assertThat(replayed(damped, tone, GapAttribute.REST_BETWEEN).orElseThrow().audibility()).isLessThan(0.05);
    }
}
