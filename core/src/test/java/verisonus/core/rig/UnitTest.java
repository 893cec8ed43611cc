package verisonus.core.rig;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.Collections;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Nested;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

class UnitTest {
    private static final Model CRUNCH = Gear.model("mid-forward crunch");
    private static final List<Double> FLAT = Collections.nCopies(Voice.Learnt.CENTRES_HZ.size(), 0.0);

    @Nested
    class ATurn {
        private final Turning turning = new Turning(List.of(new Turning.Place(2, 1), new Turning.Place(5, 4),
                new Turning.Place(8, 9)));

        @ParameterizedTest
        @ValueSource(doubles = {1.5, 2, 3.3, 5, 6.6, 8})
        void leadsThereAndBack(double position) {
            assertThat(turning.device(turning.model(position))).isCloseTo(position, within(1e-9));
        }

        @Test
        void goesStraightBetweenWhatWasComparedAndInParallelBeyond() {
            assertThat(turning.model(3.5)).isCloseTo(2.5, within(1e-9));
            assertThat(turning.model(1.5)).isCloseTo(0.5, within(1e-9));
            assertThat(turning.model(8.5)).isCloseTo(9.5, within(1e-9));
        }

        @Test
        void neverLeavesEitherTrack() {
            assertThat(turning.model(0)).isZero();
            assertThat(turning.model(10)).isEqualTo(10);
            assertThat(turning.device(10)).isEqualTo(9);
        }

        @Test
        void neverDoesLessWhenTurnedFurther() {
            Turning wavering = new Turning(List.of(new Turning.Place(8, 5), new Turning.Place(2, 3),
                    new Turning.Place(5, 6), new Turning.Place(6, 4)));
            for (double p = 0; p < 10; p += 0.25)
                assertThat(wavering.model(p + 0.25)).isGreaterThanOrEqualTo(wavering.model(p));
            assertThat(wavering.model(5)).isCloseTo(5, within(1e-9));
        }

        @Test
        void needsAPlace() {
            assertThatThrownBy(() -> new Turning(List.of())).isInstanceOf(IllegalArgumentException.class);
        }
    }

    @Nested
    class ADevice {
        @Test
        void hasANameOfItsOwn() {
            assertThatThrownBy(() -> Unit.of("open clean", CRUNCH, Map.of(), List.of()))
                    .isInstanceOf(IllegalArgumentException.class).hasMessageContaining("open clean");
            assertThatThrownBy(() -> Unit.of(" ", CRUNCH, Map.of(), List.of()))
                    .isInstanceOf(IllegalArgumentException.class);
        }

        @Test
        void hasOnlyControlsOfItsModel() {
            assertThatThrownBy(() -> Unit.of("red", CRUNCH, Map.of("warp", Unit.Reach.fixed(1)), List.of()))
                    .isInstanceOf(IllegalArgumentException.class).hasMessageContaining("warp");
        }

        @Test
        void doesNotTurnWhatItHasNot() {
            Model red = Unit.of("red", CRUNCH, Map.of(ControlNames.MID, Unit.Reach.fixed(7)), List.of()).model();
            assertThat(red.turnable()).extracting(Control::name).doesNotContain(ControlNames.MID)
                    .contains(ControlNames.GAIN);
            assertThat(Block.of(red).get(ControlNames.MID)).isEqualTo(7);
            assertThat(Block.of(red).with(ControlNames.MID, 2).get(ControlNames.MID)).isCloseTo(7, within(0.01));
        }

        @Test
        void goesNoFurtherThanItReaches() {
            Model red = Unit.of("red", CRUNCH, Map.of(ControlNames.GAIN, new Unit.Reach(2, 6)), List.of()).model();
            assertThat(Block.of(red).with(ControlNames.GAIN, 9).get(ControlNames.GAIN)).isEqualTo(6);
        }

        @Test
        void soundsAsItsModelUnlessItWasLearnt() {
            assertThat(Unit.of("red", CRUNCH, Map.of(), List.of()).model().voice()).isEqualTo(CRUNCH.voice());
            assertThat(Unit.of("red", CRUNCH, Map.of(), FLAT).model().voice())
                    .isEqualTo(new Voice.Learnt(Voice.Amp.MID_FORWARD_CRUNCH, FLAT));
        }

        @Test
        void keepsTheCurveThatIsLeftBetweenItsThirdOctaves() {
            List<Double> rising = Voice.Learnt.CENTRES_HZ.stream().map(hz -> 10 * Math.log10(hz / 1000)).toList();
            Voice.Learnt learnt = new Voice.Learnt(Voice.Amp.OPEN_CLEAN, rising);
            assertThat(learnt.afterDb(1000)).isCloseTo(0, within(1e-9));
            assertThat(learnt.afterDb(1500)).isCloseTo(10 * Math.log10(1.5), within(0.01));
            assertThat(learnt.afterDb(1)).isEqualTo(rising.getFirst());
            assertThat(learnt.afterDb(30000)).isEqualTo(rising.getLast());
        }
    }

    @Nested
    class AmongTheGear {
        private final Unit red = Unit.of("red", CRUNCH, Map.of(), List.of())
                .turning(Map.of(ControlNames.GAIN, new Turning(List.of(new Turning.Place(3, 5)))))
                .labelled(Map.of(ControlNames.GAIN, "volume one"));
        private final Rig rig = new Rig(List.of(), Map.of(), Map.of(), 9).with(red);

        @Test
        void itIsOwnedAndFoundByItsName() {
            assertThat(rig.owned(GearKind.AMP)).containsExactly(red.model());
            assertThat(rig.find("red")).contains(red.model());
            assertThat(rig.find("open clean")).isPresent();
            assertThat(rig.without(red).owned(GearKind.AMP)).isEmpty();
        }

        @Test
        void itShowsItsOwnPositionsAndWords() {
            Block b = Block.of(red.model()).with(ControlNames.GAIN, 6);
            Control gain = red.model().control(ControlNames.GAIN);
            assertThat(rig.display(red.model(), gain, 6)).isEqualTo("4.0");
            assertThat(rig.scaling(red.model(), DeviceScale.HUNDREDS).display(red.model(), gain, 6)).isEqualTo("40");
            assertThat(rig.valueAt(red.model(), gain, 4)).isEqualTo(6);
            assertThat(rig.label(b, ControlNames.GAIN)).isEqualTo("volume one");
            assertThat(rig.label(b, ControlNames.BASS)).isEqualTo("bass");
        }

        @Test
        void twoOfOneNameAreRefused() {
            assertThatThrownBy(() -> new Rig(List.of(), Map.of(), Map.of(), 9, java.util.Set.of(), Map.of(), Map.of(),
                    List.of(red, red))).isInstanceOf(IllegalArgumentException.class);
        }
    }
}
