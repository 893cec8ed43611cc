package verisonus.core.compare;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class GainAdviceTest {
    private static GapRow row(GapAttribute what, double reference, double candidate, String advice) {
        return new GapRow(what, "", reference, candidate, 1, "amp", advice, true);
    }

    private static boolean asksForLess(GapRow r) {
        return r.advice().contains("less gain") && !r.advice().contains("asks for less gain");
    }

    private static boolean asksForMore(GapRow r) {
        return r.advice().contains("more gain") && !r.advice().contains("asks for more gain");
    }

    /** Every combination of what two rows may ask: never more from one and less from another. */
    @ParameterizedTest
    @CsvSource({"5, 5", "5, -5", "-5, 5", "-5, -5", "0.5, -5", "5, -0.5"})
    void noRowAsksForTheOppositeOfAnother(double spread, double dirt) {
        List<GapRow> rows = GainAdvice.settled(List.of(
                row(GapAttribute.LOUD_TO_SOFT, 10, 10 + spread, spread < 0 ? "less gain" : "more gain"),
                row(GapAttribute.CREST, 10, 10 + 2 * spread, spread < 0 ? "less gain" : "more gain"),
                row(GapAttribute.SATURATION, 10, 10 + dirt, dirt < 0 ? "more gain" : "less gain")));
        List<GapRow> heard = rows.stream().filter(r -> r.audibility() >= 1).toList();
        assertThat(heard.stream().anyMatch(GainAdviceTest::asksForLess)
                && heard.stream().anyMatch(GainAdviceTest::asksForMore)).isFalse();
    }

    @Test
    void theDirtLeadsThoughAnotherRowIsHeardMore() {
        List<GapRow> rows = GainAdvice.settled(List.of(row(GapAttribute.LOUD_TO_SOFT, 26, 10, "less gain"),
                row(GapAttribute.SATURATION, 10, 8, "more gain or drive")));
        assertThat(rows.get(1).advice()).isEqualTo("more gain or drive");
        assertThat(rows.get(0).advice()).contains("other playing").contains("the dirt asks for more gain");
    }

    @Test
    void rowsThatAgreeStayAsTheyAre() {
        List<GapRow> rows = List.of(row(GapAttribute.LOUD_TO_SOFT, 26, 10, "less gain"),
                row(GapAttribute.SATURATION, 5, 9, "less gain or drive"), row(GapAttribute.BITE, 0, 5, "treble down"));
        assertThat(GainAdvice.settled(rows)).isEqualTo(rows);
    }
}
