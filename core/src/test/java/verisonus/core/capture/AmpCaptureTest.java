package verisonus.core.capture;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Map;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import org.junit.jupiter.api.Test;
import verisonus.core.rig.Block;
import verisonus.core.rig.Gear;
import verisonus.core.rig.Tone;
import verisonus.core.simulate.CaptureSignal;
import verisonus.core.simulate.Renderer;
import verisonus.core.simulate.stages.Quality;
import verisonus.core.sound.Sound;
import verisonus.core.work.Progress;

class AmpCaptureTest {
    @Test
    void theVoicingThatWasRecordedIsFoundWithTheOffsetOfItsGain() {
        Tone real = new Tone("real", List.of(Block.of("mid-forward crunch").with("gain", 5).with("master", 5),
                Block.of("2×12 closed"), Block.of("dynamic microphone")));
        Sound heard = Renderer.render(real, CaptureSignal.make(), Quality.FINAL, Progress.NONE);
        ExecutorService workers = Executors.newFixedThreadPool(2);
        try {
            // Its owner reads 4 where the simulated one stands at 5.
            AmpCapture.Captured found = AmpCapture.of(List.of(new AmpCapture.Recording(Map.of("gain", 4.0), heard)),
                    List.of(Gear.model("tight saturated"), Gear.model("mid-forward crunch")), 10, workers,
                    Progress.NONE);
            assertThat(found.voicing().name()).isEqualTo("mid-forward crunch");
            assertThat(found.offsets().get("gain")).isCloseTo(1, within(0.7));
            assertThat(found.errorJnd()).isLessThan(1);
            assertThat(found.others()).hasSize(1)
                    .allSatisfy((_, jnd) -> assertThat(jnd).isGreaterThanOrEqualTo(found.errorJnd()));
        } finally {
            workers.shutdownNow();
        }
    }

    @Test
    void theSignalRunsFromSoftToHardBelowFullScaleAndIsTheSameEachTime() {
        Sound signal = CaptureSignal.make();
        assertThat(signal.peak()).isCloseTo(0.7, within(0.01));
        assertThat(signal.durationS()).isEqualTo(12);
        assertThat(signal.slice(0.2, 1.5).rms()).isLessThan(0.4 * signal.slice(4.4, 5.6).rms());
        assertThat(CaptureSignal.make().mid()).isEqualTo(signal.mid());
    }

    @Test
    void nothingIsCapturedFromNothing() {
        try (ExecutorService workers = Executors.newSingleThreadExecutor()) {
            assertThatThrownBy(() -> AmpCapture.of(List.of(), workers, Progress.NONE))
                    .isInstanceOf(IllegalArgumentException.class);
        }
    }
}
