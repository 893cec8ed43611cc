package verisonus.core.perform;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import verisonus.core.work.InputFault;

class SaidVariantTest {
    @ParameterizedTest
    @CsvSource(delimiter = '|', value = {"louder | LOUDNESS | 3", "a bit louder | LOUDNESS | 1.5",
            "much softer | LOUDNESS | -6", "2,5 LU louder | LOUDNESS | 2.5", "cleaner | DIRT | -0.1",
            "a touch darker | BRIGHTNESS | -1", "fuller | BODY | 2", "notes ring longer | RING | 0.5",
            "a lot more echo | REPEATS | 8", "less reverb | SPACE | -0.8", "1.2 s more space | SPACE | 1.2"})
    void aPartAsksForAStepOrForAFigure(String said, Noticed what, double by) {
        assertThat(SaidVariant.of(said).goal().of(what)).hasValue(by);
    }

    @Test
    void aNameStandsBeforeAColonAndPartsAreJoinedByCommasOrAnd() {
        SaidVariant v = SaidVariant.of("Solo: a bit louder, dirtier and more echo");
        assertThat(v.name()).isEqualTo("Solo");
        assertThat(v.goal().by()).containsOnlyKeys(Noticed.LOUDNESS, Noticed.DIRT, Noticed.REPEATS);
        assertThat(SaidVariant.of("brighter, drier").name()).isEqualTo("brighter, drier");
    }

    @Test
    void loudnessIsKeptWhereItIsNotAskedFor() {
        assertThat(SaidVariant.of("darker").goal().of(Noticed.LOUDNESS)).hasValue(0);
        assertThat(SaidVariant.of("rhythm:").goal()).isEqualTo(VariantGoal.NOTHING.louder(0));
        assertThat(SaidVariant.of("darker, as loud").goal().of(Noticed.LOUDNESS)).hasValue(0);
    }

    @ParameterizedTest
    @CsvSource(delimiter = '|', value = {"greener | nothing that a variant", "40 LU louder | outside",
            "' ' | nothing is asked"})
    void whatCannotBeUnderstoodIsSaid(String said, String fault) {
        assertThatThrownBy(() -> SaidVariant.of(said)).isInstanceOf(InputFault.class).hasMessageContaining(fault);
    }
}
