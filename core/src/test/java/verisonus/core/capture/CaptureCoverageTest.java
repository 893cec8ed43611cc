package verisonus.core.capture;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Map;
import org.junit.jupiter.api.Test;
import verisonus.core.rig.Block;
import verisonus.core.rig.Tone;
import verisonus.core.simulate.CaptureSignal;
import verisonus.core.simulate.Renderer;
import verisonus.core.simulate.stages.Quality;
import verisonus.core.sound.Signal;
import verisonus.core.sound.Sound;
import verisonus.core.work.Progress;

class CaptureCoverageTest {
    private static Sound notes(double fromHz, double toHz, boolean allHard) {
        float[] x = new float[48000 * 6];
        for (int n = 0; n < 12; n++) {
            double hz = fromHz * Math.pow(toHz / fromHz, n / 11.0);
            double a = allHard ? 0.5 : 0.5 * Math.pow(10, -(n % 3) * 11 / 20.0);
            int at = n * 24000;
            for (int i = 0; i < 22000; i++) {
                double t = i / 48000.0;
                double v = 0;
                for (int p = 1; p <= 12; p++) v += Math.sin(2 * Math.PI * hz * p * t) / p;
                x[at + i] = (float) (0.3 * a * Math.exp(-8 * t) * v);
            }
        }
        return Sound.mono(x, 48000);
    }

    @Test
    void theShippedSignalCoversAll() {
        CaptureCoverage c = CaptureCoverage.of(CaptureSignal.make());
        assertThat(c.notes()).as(c.words()).isEmpty();
        assertThat(c.strengths()).as(c.words()).isEmpty();
    }

    @Test
    void missingRegistersAndStrengthsAreNamed() {
        CaptureCoverage low = CaptureCoverage.of(notes(85, 110, true));
        assertThat(low.notes()).contains("high notes above 420 Hz", "high strings").doesNotContain("low strings");
        assertThat(low.strengths()).anyMatch(s -> s.startsWith("soft"));
        assertThat(low.words()).startsWith("not covered yet");
        CaptureCoverage wide = CaptureCoverage.of(notes(85, 800, false));
        assertThat(wide.notes()).as(wide.words()).isEmpty();
        assertThat(wide.strengths()).as(wide.words()).isEmpty();
    }

    @Test
    void aBandInWhichNothingWasPlayedIsNamed() {
        Sound hum = Sound.mono(Signal.array(48000 * 4, i -> 0.4 * Math.sin(2 * Math.PI * 100 * i / 48000.0)), 48000);
        assertThat(CaptureCoverage.of(hum).bands()).contains("3 to 6 kHz", "500 Hz to 1.25 kHz")
                .doesNotContain("80 to 200 Hz");
    }

    @Test
    void aDirectOutputIsToldFromALoudspeaker() {
        Block amp = Block.of("mid-forward crunch").with("gain", 6);
        Sound in = CaptureSignal.make();
        Sound direct = Renderer.render(new Tone("d", java.util.List.of(amp)), in, Quality.FINAL, Progress.NONE);
        Sound miked = Renderer.render(new Tone("m", java.util.List.of(amp, Block.of("4×12 closed"),
                Block.of("dynamic microphone"))), in, Quality.FINAL, Progress.NONE);
        assertThat(new AmpCapture.Recording(Map.of(), direct).isDirect()).isTrue();
        assertThat(new AmpCapture.Recording(Map.of(), miked).isDirect()).isFalse();
    }

    @Test
    void positionsAreReadAsAPlayerWritesThem() {
        assertThat(AmpCapture.Recording.positions("gain=3, treble = 5.5")).contains(Map.of("gain", 3.0, "treble", 5.5));
        assertThat(AmpCapture.Recording.positions("")).contains(Map.of());
        for (String bad : new String[]{"gain", "gain=11", "volume=3", "gain=three", "gain=3,"}) {
            assertThat(AmpCapture.Recording.positions(bad)).as(bad).isEmpty();
        }
    }
}
