package verisonus.cli.files;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.api.parallel.ResourceLock;
import verisonus.core.sound.Sound;
import verisonus.core.sound.codec.SoundReader;
import verisonus.core.sound.codec.SoundWriter;

@ResourceLock("java.lang.System.out")
class LongRecordingTest {
    @TempDir
    private Path dir;

    /** Loud from 160 s on. */
    private Path written(double seconds) throws IOException {
        float[] x = new float[(int) (8000 * seconds)];
        for (int i = 0; i < x.length; i++) x[i] = (float) ((i > 8000 * 160 ? 0.4 : 0.1) * Math.sin(0.3 * i));
        return Files.write(dir.resolve("long.wav"), SoundWriter.encode(Sound.mono(x, 8000), SoundWriter.Format.WAV_16));
    }

    @Test
    void ofAVeryLongRecordingTheLoudestFourMinutesAreStudied() throws IOException {
        AudioInput.Studied s = AudioInput.studied(written(420), 0, null);
        assertThat(s.toS() - s.fromS()).isCloseTo(240, within(1e-9));
        assertThat(s.fromS()).isCloseTo(160, within(20.1));
        assertThat(s.wholeS()).isCloseTo(420, within(1e-3));
        assertThat(s.sound().durationS()).isCloseTo(240, within(1e-3));
    }

    @Test
    void whatWasAskedForIsStudiedAsItIs() throws IOException {
        Path file = written(420);
        AudioInput.Studied s = AudioInput.studied(file, 10, 30.0);
        assertThat(s.sound().durationS()).isCloseTo(20, within(1e-3));
        assertThat(s.fromS()).isEqualTo(10);
        assertThat(SoundReader.lengthS(file).orElseThrow()).isCloseTo(420, within(1e-3));
    }
}
