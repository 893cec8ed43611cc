package verisonus.desktop.floor;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import org.junit.jupiter.api.Test;
import verisonus.core.plan.MidiMap;
import verisonus.core.rig.Block;
import verisonus.core.rig.Control;
import verisonus.core.rig.ControlPlace;
import verisonus.core.rig.Tone;
import verisonus.core.work.OutputFault;

class FloorUnitTest {
    private static final Tone TONE = new Tone("t", List.of(Block.of("chiming edge").with("gain", 4.2).with("bright", 1),
            Block.of("2×12 open"), Block.of("dynamic microphone").with("position", 62),
            Block.of("clean echo").with("time", 417).with("mix", 28)));

    private static MidiMap.Line line(String place, int channel, int controller, int low, int high) {
        return new MidiMap.Line(ControlPlace.parse(place), channel, controller, low, high);
    }

    private static final MidiMap MAP = new MidiMap(List.of(line("amp/gain", 3, 20, 0, 127),
            line("amp/bright", 3, 21, 0, 127), line("microphone/position", 3, 22, 127, 0),
            line("echo/time", 4, 20, 10, 100), line("echo/mix", 4, 21, 0, 127), line("reverb/mix", 4, 22, 0, 127)));

    @Test
    void aUnitHoldsWhatWasSentToHalfAStep() {
        SimulatedFloorUnit unit = new SimulatedFloorUnit();
        assertThat(new FloorSender(unit).send(TONE, MAP)).isZero();
        assertThat(unit.received()).isEqualTo(5);
        for (MidiMap.Line l : MAP.lines().subList(0, 5)) {
            Control c = TONE.find(l.place().block()).orElseThrow().model().control(l.place().control());
            double want = c.position(TONE.find(l.place().block()).orElseThrow().get(c.name()));
            Tone defaults = new Tone("t", TONE.blocks().stream().map(b -> Block.of(b.model().name())).toList());
            Block held = unit.holds(defaults, MAP).find(l.place().block()).orElseThrow();
            assertThat(c.position(held.get(c.name()))).as(c.name()).isCloseTo(want,
                    within(0.5 / Math.abs(l.high() - l.low()) + 1e-9));
        }
    }

    @Test
    void whatTheMapDoesNotKnowIsCounted() {
        MidiMap small = new MidiMap(List.of(line("amp/gain", 1, 7, 0, 127)));
        assertThat(new FloorSender(new SimulatedFloorUnit()).send(TONE, small)).isEqualTo(4);
        assertThat(small.leftOut(TONE)).contains(ControlPlace.parse("echo/time"));
    }

    @Test
    void theSimulatedUnitIsAlwaysOfferedAndAMissingOneIsNamed() {
        assertThat(FloorSender.devices()).endsWith("simulated floor unit");
        assertThatThrownBy(() -> FloorSender.open("no such unit")).isInstanceOf(OutputFault.class)
                .hasMessageContaining("no such unit").hasMessageContaining("plug it in");
    }
}
