package verisonus.desktop.floor;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import org.junit.jupiter.api.Test;
import verisonus.core.plan.MidiMap;
import verisonus.core.rig.Block;
import verisonus.core.rig.Tone;
import verisonus.core.work.OutputFault;

class FloorUnitTest {
    private static final Tone TONE = new Tone("t", List.of(Block.of("chiming edge").with("gain", 4.2).with("bright", 1),
            Block.of("2×12 open"), Block.of("dynamic microphone").with("position", 62),
            Block.of("clean echo").with("time", 417).with("mix", 28)));

    @Test
    void aUnitHoldsWhatWasSentToHalfAStep() {
        SimulatedFloorUnit unit = new SimulatedFloorUnit(3);
        assertThat(new FloorSender(unit, 3).send(TONE, 12)).isZero();
        assertThat(unit.program()).isEqualTo(12);
        for (MidiMap.Line l : new MidiMap(TONE).lines()) {
            double want = l.control().position(TONE.find(l.block()).orElseThrow().get(l.control().name()));
            double held = l.control().position(unit.holds(TONE).find(l.block()).orElseThrow().get(l.control().name()));
            assertThat(held).as(l.control().name()).isCloseTo(want, within(0.5 / 127 + 1e-9));
        }
    }

    @Test
    void anotherChannelIsNotListenedTo() {
        SimulatedFloorUnit unit = new SimulatedFloorUnit(3);
        new FloorSender(unit, 4).send(TONE, 12);
        assertThat(unit.program()).isEqualTo(-1);
        assertThat(unit.holds(TONE)).isEqualTo(TONE);
    }

    @Test
    void everySettingHasAControllerOfItsOwnAndNoneThatMidiReserves() {
        List<Integer> numbers = new MidiMap(TONE).lines().stream().map(MidiMap.Line::controller).toList();
        assertThat(numbers).doesNotHaveDuplicates().allSatisfy(n -> assertThat(n).isBetween(14, 119)
                .isNotIn(32, 64, 65, 66, 67, 68, 69, 96, 97, 98, 99, 100, 101));
    }

    @Test
    void theSimulatedUnitIsAlwaysOfferedAndAMissingOneIsNamed() {
        assertThat(FloorSender.devices()).endsWith("simulated floor unit");
        assertThatThrownBy(() -> FloorSender.open("no such unit")).isInstanceOf(OutputFault.class)
                .hasMessageContaining("no such unit").hasMessageContaining("plug it in");
    }
}
