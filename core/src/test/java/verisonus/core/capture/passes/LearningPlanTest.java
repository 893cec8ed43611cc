package verisonus.core.capture.passes;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.List;
import java.util.Map;
import java.util.OptionalInt;
import org.junit.jupiter.api.Test;
import verisonus.core.rig.GearKind;

class LearningPlanTest {
    private static final Knob GAIN = Knob.said("gain", GearKind.DRIVE);
    private static final Knob TONE = Knob.said("tone 7:00..17:00", GearKind.DRIVE);
    private final LearningPlan plan = LearningPlan.usual(GearKind.DRIVE, List.of(GAIN, TONE));

    @Test
    void everyControlIsPlayedLowMiddleAndHighWhileTheOthersStay() {
        assertThat(plan.passes()).isEqualTo(1 + 1 + 4 + 1);
        for (Knob k : plan.knobs()) {
            List<Map<String, Double>> learnt = plan.settings().subList(0, 5);
            assertThat(learnt.stream().map(s -> s.get(k.label())).distinct()).hasSize(3);
        }
        assertThat(plan.mark(1, GAIN)).isLessThan(plan.mark(0, GAIN)).isLessThan(plan.mark(2, GAIN));
        assertThat(plan.mark(1, TONE)).isEqualTo(plan.mark(0, TONE));
    }

    @Test
    void theLastPassStandsWhereNothingWasLearnt() {
        int check = plan.checks().orElseThrow();
        for (int s = 0; s < check; s++)
            for (Knob k : plan.knobs()) assertThat(plan.mark(check, k)).isNotEqualTo(plan.mark(s, k));
    }

    @Test
    void onlyWhatIsTurnedIsSaid() {
        assertThat(plan.words(0)).isEqualTo("bypass the device");
        assertThat(plan.change(1)).isEqualTo("gain 5.00, tone 12:00");
        assertThat(plan.change(2)).isEqualTo("gain to 2.00");
        assertThat(plan.change(4)).isEqualTo("gain to 5.00, tone to 9:00");
    }

    @Test
    void twoControlsOfOneNameOrOneMeaningAreRefused() {
        assertThatThrownBy(() -> LearningPlan.usual(GearKind.DRIVE, List.of(GAIN, GAIN)))
                .hasMessageContaining("called the same");
        Knob dirt = Knob.said("dirt", GearKind.DRIVE);
        assertThatThrownBy(() -> LearningPlan.usual(GearKind.DRIVE, List.of(GAIN, dirt)))
                .hasMessageContaining("same control");
        assertThatThrownBy(() -> new LearningPlan(GearKind.DRIVE, List.of(), List.of(), OptionalInt.empty()))
                .hasMessageContaining("no pass");
    }
}
