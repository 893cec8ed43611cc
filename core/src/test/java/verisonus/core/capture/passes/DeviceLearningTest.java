package verisonus.core.capture.passes;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.OptionalInt;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.function.DoubleFunction;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.Test;
import verisonus.core.rig.Block;
import verisonus.core.rig.ControlNames;
import verisonus.core.rig.Gear;
import verisonus.core.rig.GearKind;
import verisonus.core.rig.Tone;
import verisonus.core.rig.Unit;
import verisonus.core.rig.Voice;
import verisonus.core.simulate.Renderer;
import verisonus.core.simulate.stages.Quality;
import verisonus.core.sound.Biquad;
import verisonus.core.sound.Sound;
import verisonus.core.work.Progress;

/** "Real" devices that are simulated ones with another taper, another scale, or a peak that no control makes. */
class DeviceLearningTest {
    private static final ExecutorService WORKERS = Executors.newFixedThreadPool(2);

    @AfterAll
    static void stop() {
        WORKERS.shutdownNow();
    }

    /** Bypassed, then once for each mark of its one control. */
    private static DeviceLearning.Learnt learnt(Knob knob, GearKind kind, List<Double> marks, String model,
            DoubleFunction<float[]> played) {
        List<Map<String, Double>> settings = marks.stream().map(m -> Map.of(knob.label(), m)).toList();
        LearningPlan plan = new LearningPlan(kind, List.of(knob), settings, OptionalInt.of(marks.size() - 1));
        SendThrough sent = new SendThrough(kind, plan.passes(), 1);
        List<float[]> passes = new ArrayList<>(List.of(sent.pass()));
        for (double m : marks) passes.add(played.apply(m));
        SentBack back = new SentBack(passes, 0, 0, 0, false);
        return DeviceLearning.of("my box", List.of(Gear.model(model)), plan, sent, back, WORKERS, Progress.NONE);
    }

    private static float[] through(GearKind kind, Block block) {
        return Renderer.renderMono(new Tone("real", List.of(block)), new SendThrough(kind, 2, 1).pass(), Quality.DRAFT);
    }

    @Test
    void anEchosTimeIsReadAtEachMarkOfItsOwnScale() {
        Knob delay = Knob.said("delay 7:00..17:00", GearKind.ECHO);
        Block echo = Block.of("clean echo").with(ControlNames.MIX, 35).with(ControlNames.FEEDBACK, 40);
        DeviceLearning.Learnt found = learnt(delay, GearKind.ECHO, List.of(9.0, 12.0, 15.0, 13.5), "clean echo",
                hour -> through(GearKind.ECHO, echo.with(ControlNames.TIME, 50 * (hour - 6))));
        Unit unit = found.unit();
        Block between = DeviceLearning.set(unit, Map.of("delay", 13.5), List.of(delay));
        assertThat(between.get(ControlNames.TIME)).isCloseTo(375, within(20.0));
        assertThat(between.get(ControlNames.MIX)).isCloseTo(35, within(6.0));
        assertThat(unit.labels()).containsEntry(ControlNames.TIME, "delay");
        assertThat(unit.model().turnable()).extracting(c -> c.name()).containsExactly(ControlNames.TIME);
        assertThat(found.checkJnd().orElseThrow()).isLessThan(found.checkPlainJnd().orElseThrow());
    }

    @Test
    void aDrivesTaperIsFollowedAndWhatNoControlMakesIsKeptAsACurve() {
        Knob gain = Knob.said("gain", GearKind.DRIVE);
        Block drive = Block.of("mid-hump overdrive").with(ControlNames.LEVEL, 4);
        DeviceLearning.Learnt found = learnt(gain, GearKind.DRIVE, List.of(2.0, 5.0, 8.0, 6.5), "mid-hump overdrive",
                mark -> {
                    float[] x = through(GearKind.DRIVE, drive.with(ControlNames.DRIVE, 1 + mark * mark / 12));
                    new Biquad.Section(Biquad.peak(1500, 6, 1, Sound.WORKING_RATE_HZ)).process(x, 0, x.length);
                    return x;
                });
        Voice.Learnt voice = (Voice.Learnt) found.unit().model().voice();
        assertThat(voice.afterDb(1500) - voice.afterDb(300)).isBetween(3.0, 8.0);
        assertThat(DeviceLearning.set(found.unit(), Map.of("gain", 6.5), List.of(gain)).get(ControlNames.DRIVE))
                .isCloseTo(1 + 6.5 * 6.5 / 12, within(1.0));
        assertThat(found.apart()).isLessThan(0.4);
        assertThat(found.checkJnd().orElseThrow()).isLessThan(1.5).isLessThan(found.checkPlainJnd().orElseThrow());
    }

    @Test
    void aControlThatDoesNothingIsNamedAndLeftOut() {
        Knob rate = Knob.said("speed", GearKind.MODULATION);
        DeviceLearning.Learnt found = learnt(rate, GearKind.MODULATION, List.of(2.0, 8.0, 5.0), "bias tremolo",
                _ -> through(GearKind.MODULATION, Block.of("bias tremolo").with(ControlNames.RATE, 3)));
        assertThat(found.idle()).containsExactly("speed");
        assertThat(found.unit().model().control(ControlNames.RATE).defaultValue()).isCloseTo(3, within(0.1));
        assertThat(found.unit().model().turnable()).isEmpty();
    }

    @Test
    void anAmpIsLearntElsewhere() {
        LearningPlan plan = LearningPlan.usual(GearKind.AMP, List.of());
        SendThrough sent = new SendThrough(GearKind.AMP, 2, 1);
        SentBack back = new SentBack(List.of(sent.pass(), sent.pass()), 0, 0, 0, false);
        assertThatThrownBy(() -> DeviceLearning.of("my amp", plan, sent, back, WORKERS, Progress.NONE))
                .hasMessageContaining("not learnt in passes");
    }
}
