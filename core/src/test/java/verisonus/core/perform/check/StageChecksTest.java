package verisonus.core.perform.check;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import org.junit.jupiter.api.Test;
import verisonus.core.rig.Block;
import verisonus.core.rig.Branch;
import verisonus.core.rig.ControlNames;
import verisonus.core.rig.Routing;
import verisonus.core.rig.Tone;
import verisonus.core.sound.Signal;
import verisonus.core.sound.Sound;
import verisonus.core.work.Progress;

class StageChecksTest {
    private static final Sound PHRASE = Signal.plucks(0.8, 4).lasting(4);

    private static Tone tone(Block... blocks) {
        return new Tone("t", List.of(blocks));
    }

    @Test
    void aModerateToneIsLeftAlone() {
        Tone t = tone(Block.of("mid-forward crunch").with("gain", 4), Block.of("2×12 open"), Block.of(
                "dynamic microphone"));
        assertThat(StageChecks.of(t, PHRASE, Progress.NONE)).isEmpty();
    }

    @Test
    void aControlAtItsEndIsNamed() {
        Tone t = tone(Block.of("mid-forward crunch").with("treble", 10));
        assertThat(StageChecks.extremes(t)).singleElement().asString().startsWith("amp treble stands at its end");
    }

    @Test
    void lowsInTheBasssWayAreMeasured() {
        Sound boomy = Signal.sum(Signal.sine(70).lasting(2), Signal.sine(400).lasting(2));
        assertThat(StageChecks.lows(boomy)).hasValueSatisfying(w -> assertThat(w).contains("50 %").contains("3.0 dB"));
        assertThat(StageChecks.lows(Signal.sine(400).lasting(2))).isEmpty();
    }

    @Test
    void aSecondWayTurnedInPhaseIsFound() {
        List<Block> blocks = List.of(Block.of("mid-forward crunch"), Block.of("2×12 open"), Block.of(
                "dynamic microphone"), Block.of("dynamic microphone").named("second").with(ControlNames.DISTANCE, 4));
        for (boolean turned : new boolean[]{true, false}) {
            Tone t = new Tone("t", blocks, new Routing(List.of(), List.of(new Branch("second microphone", "cabinet",
                    Branch.OUTPUT, List.of("second"), 0, 0, turned))));
            List<String> found = StageChecks.of(t, PHRASE, Progress.NONE).stream().filter(w -> w.contains(
                    "second microphone")).toList();
            assertThat(found).hasSize(turned ? 1 : 0);
        }
    }

    @Test
    void aGateThatCutsTailsIsPricedAndAGentlerThresholdOffered() {
        Block gate = Block.of("noise gate").with(ControlNames.DEPTH, 60).with(ControlNames.THRESHOLD, -22);
        Tone t = tone(gate, Block.of("mid-forward crunch").with("gain", 4));
        GatePrice p = GatePrice.of(t, t.find("gate").orElseThrow(), PHRASE).orElseThrow();
        assertThat(p.cutS()).isPositive().isLessThan(p.ringsS());
        assertThat(p.gentlerDb()).hasValueSatisfying(v -> assertThat(v).isLessThan(-22));
        assertThat(p.words()).contains("holds down").contains("would leave them");
        Block gentle = gate.with(ControlNames.THRESHOLD, p.gentlerDb().orElseThrow());
        Tone soft = tone(gentle, Block.of("mid-forward crunch").with("gain", 4));
        assertThat(GatePrice.of(soft, soft.find("gate").orElseThrow(), PHRASE)).isEmpty();
    }
}
