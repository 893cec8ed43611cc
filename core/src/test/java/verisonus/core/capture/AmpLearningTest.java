package verisonus.core.capture;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.stream.Stream;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import verisonus.core.rig.Block;
import verisonus.core.rig.Control;
import verisonus.core.rig.ControlNames;
import verisonus.core.rig.Gear;
import verisonus.core.rig.Tone;
import verisonus.core.simulate.CaptureSignal;
import verisonus.core.simulate.Renderer;
import verisonus.core.simulate.stages.Quality;
import verisonus.core.sound.Biquad;
import verisonus.core.sound.Sound;
import verisonus.core.work.Progress;

/** A "real" amp that is a simulated one behind a peak that no control makes, its gain written down 1.5 lower than it stands. */
class AmpLearningTest {
    private static final Sound SIGNAL = CaptureSignal.make();
    private static AmpLearning.Learnt learnt;

    @BeforeAll
    static void learn() {
        List<AmpCapture.Recording> recordings = Stream.of(2.0, 4.0, 6.0).map(AmpLearningTest::recording).toList();
        Tone start = new Tone("fit", List.of(Block.of("mid-forward crunch").with(ControlNames.GAIN, 4)));
        AmpCapture.Captured nearest = new AmpCapture.Captured(Gear.model("mid-forward crunch"),
                Map.of(ControlNames.GAIN, 0.4), 2, 2, Map.of(), List.of(start));
        ExecutorService workers = Executors.newFixedThreadPool(2);
        try {
            learnt = AmpLearning.of("my amp", recordings, nearest, workers, Progress.NONE);
        } finally {
            workers.shutdownNow();
        }
    }

    private static AmpCapture.Recording recording(double gain) {
        Tone real = new Tone("real", List.of(Block.of("mid-forward crunch").with(ControlNames.GAIN, gain + 1.5)));
        float[] x = Renderer.render(real, SIGNAL, Quality.FINAL, Progress.NONE).mid();
        new Biquad.Section(Biquad.peak(1000, 6, 1, Sound.WORKING_RATE_HZ)).process(x, 0, x.length);
        return new AmpCapture.Recording(Map.of(ControlNames.GAIN, gain), SIGNAL, Sound.mono(x, Sound.WORKING_RATE_HZ));
    }

    @Test
    void theTurnOfAControlIsFollowed() {
        for (double gain : new double[]{2, 4, 6})
            assertThat(Objects.requireNonNull(learnt.unit().turnings().get(ControlNames.GAIN)).model(gain))
                    .isCloseTo(gain + 1.5, within(0.7));
    }

    @Test
    void whatNoControlDoesIsKeptAsACurve() {
        var voice = (verisonus.core.rig.Voice.Learnt) learnt.unit().model().voice();
        assertThat(voice.afterDb(1000) - voice.afterDb(4000)).isBetween(4.0, 6.5);
        assertThat(voice.afterDb(1000) - voice.afterDb(250)).isBetween(4.0, 6.5);
    }

    @Test
    void whatNobodyMovedIsNotThereToTurn() {
        assertThat(learnt.unit().model().turnable()).extracting(Control::name).containsExactly(ControlNames.GAIN);
    }

    @Test
    void itGoesALittleBeyondWhatWasRecordedAndNoFurther() {
        Control gain = learnt.unit().model().control(ControlNames.GAIN);
        assertThat(gain.minimum()).isBetween(1.5, 3.5);
        assertThat(gain.maximum()).isBetween(7.5, 9.5);
    }

    @Test
    void itComesNearerThanTheNearestAmpSetAlike() {
        double after = Arrays.stream(learnt.apart()).average().orElseThrow();
        assertThat(after).isLessThan(0.5 * Arrays.stream(learnt.before()).average().orElseThrow()).isLessThan(0.3);
    }

    @Test
    void setAtAPositionOfItsOwnItPlays() {
        Tone tone = learnt.at(Map.of(ControlNames.GAIN, 3.0));
        assertThat(Renderer.render(tone, SIGNAL.slice(1, 3), Quality.DRAFT, Progress.NONE).peak()).isPositive();
        assertThat(tone.blocks().getFirst().get(ControlNames.GAIN)).isCloseTo(4.5, within(0.8));
    }
}
