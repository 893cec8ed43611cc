package verisonus.core.compare;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.OptionalDouble;
import org.junit.jupiter.api.Test;
import verisonus.core.evidence.Evidence;
import verisonus.core.evidence.Examination;
import verisonus.core.evidence.movement.ModulationKind;
import verisonus.core.evidence.movement.ModulationReading;
import verisonus.core.evidence.signs.Finding;
import verisonus.core.evidence.space.ReverbReading;
import verisonus.core.sound.Signal;
import verisonus.core.work.Progress;

class EffectRowsTest {
    private static final Evidence PLAIN = Examination.of(Signal.plucks(0.3, 12).lasting(3), Examination.Depth.TONE,
            Progress.NONE);

    private static Evidence space(double decayS, double levelDb) {
        return PLAIN.spacious(Finding.present(
                new ReverbReading(decayS, OptionalDouble.empty(), OptionalDouble.of(levelDb)), 0.9, "read"));
    }

    private static Evidence sway(ModulationKind kind, double hz, double depth) {
        return PLAIN.moving(Finding.present(
                new ModulationReading(kind, OptionalDouble.of(hz), OptionalDouble.of(depth)), 0.9, "read"));
    }

    private static GapRow row(Evidence a, Evidence b, GapAttribute attribute) {
        return EffectRows.of(a, b).stream().filter(r -> r.attribute() == attribute).findFirst().orElseThrow();
    }

    @Test
    void whatCannotBeToldOnEitherSideHasNoRow() {
        assertThat(EffectRows.of(space(1.5, -12), PLAIN)).isEmpty();
        assertThat(EffectRows.of(PLAIN, sway(ModulationKind.TREMOLO, 5, 50))).isEmpty();
        assertThat(
                EffectRows.of(PLAIN.spacious(Finding.absent(0.9, "dry")), PLAIN.spacious(Finding.absent(0.9, "dry"))))
                .isEmpty();
        assertThat(EffectRows.of(space(1.5, -12), PLAIN.spacious(Finding.absent(0.3, "hardly sure")))).isEmpty();
    }

    @Test
    void aShorterDecayAsksForALongerOne() {
        GapRow r = row(space(2, -12), space(1.4, -12), GapAttribute.SPACE_DECAY);
        assertThat(r.difference()).isCloseTo(-0.6, within(1e-9));
        assertThat(r.audibility()).isCloseTo(2, within(1e-9));
        assertThat(r.advice()).contains("longer");
        assertThat(row(space(2, -12), space(1.4, -12), GapAttribute.SPACE_LEVEL).audibility()).isZero();
    }

    @Test
    void aSpaceThatOnlyOneHasStandsAgainstNextToNothing() {
        Evidence dry = PLAIN.spacious(Finding.absent(0.95, "dry"));
        GapRow lacking = row(space(1.5, -12), dry, GapAttribute.SPACE_LEVEL);
        GapRow tooMuch = row(dry, space(1.5, -12), GapAttribute.SPACE_LEVEL);
        assertThat(lacking.difference()).isNegative();
        assertThat(lacking.advice()).isEqualTo("add a space");
        assertThat(tooMuch.difference()).isPositive();
        assertThat(tooMuch.audibility()).isEqualTo(lacking.audibility());
        assertThat(row(space(1.5, -4), dry, GapAttribute.SPACE_LEVEL).audibility()).isGreaterThan(lacking.audibility());
    }

    @Test
    void movementIsComparedByRateAndOfOneKindByDepth() {
        List<GapRow> same = EffectRows.of(sway(ModulationKind.TREMOLO, 5, 60), sway(ModulationKind.TREMOLO, 5.4, 40));
        assertThat(same).extracting(GapRow::attribute).containsExactly(GapAttribute.MOVEMENT_RATE,
                GapAttribute.MOVEMENT_DEPTH);
        assertThat(same.get(0).audibility()).isCloseTo(1, within(1e-9));
        assertThat(same.get(1).audibility()).isCloseTo(2, within(1e-9));
    }

    @Test
    void anotherKindIsNamedButNotWhichOfTheCombsItIs() {
        assertThat(row(sway(ModulationKind.TREMOLO, 5, 60), sway(ModulationKind.VIBRATO, 5, 40), GapAttribute.MOVEMENT)
                .advice())
                .isEqualTo("a tremolo rather than a vibrato");
        assertThat(EffectRows.of(sway(ModulationKind.CHORUS, 1, 60), sway(ModulationKind.PHASER, 1, 40)))
                .extracting(GapRow::attribute).containsExactly(GapAttribute.MOVEMENT_RATE);
    }

    @Test
    void aMovementThatIsNotThereIsNamed() {
        GapRow r = row(sway(ModulationKind.PHASER, 0.5, 60), PLAIN.moving(Finding.absent(0.9, "still")),
                GapAttribute.MOVEMENT);
        assertThat(r.advice()).isEqualTo("add a phaser");
        assertThat(r.audibility()).isEqualTo(2);
    }
}
