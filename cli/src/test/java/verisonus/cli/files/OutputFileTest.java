package verisonus.cli.files;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import verisonus.core.sound.Sound;
import verisonus.core.sound.codec.SoundWriter;
import verisonus.core.work.InputFault;
import verisonus.core.work.OutputFault;

class OutputFileTest {
    @TempDir
    private Path dir;

    @Test
    void isWrittenWholeAndLeavesNothingBeside() throws IOException {
        Path file = dir.resolve("a.txt");
        new OutputFile(file, false).write("text");
        assertThat(Files.readString(file)).isEqualTo("text");
        assertThat(dir.toFile().list()).containsExactly("a.txt");
    }

    @Test
    void leavesAnExistingFileAloneUnlessForced() throws IOException {
        Path file = Files.writeString(dir.resolve("a.txt"), "mine");
        assertThatThrownBy(() -> new OutputFile(file, false).write("yours")).isInstanceOf(OutputFault.class)
                .hasMessageContaining("--force");
        assertThat(Files.readString(file)).isEqualTo("mine");
        new OutputFile(file, true).write("yours");
        assertThat(Files.readString(file)).isEqualTo("yours");
    }

    @Test
    void refusesEarlyWhatCannotBeWritten() {
        assertThatThrownBy(() -> new OutputFile(dir, false).check()).isInstanceOf(OutputFault.class)
                .hasMessageContaining("folder");
        assertThatThrownBy(() -> new OutputFile(dir.resolve("none/a.txt"), false).check())
                .isInstanceOf(OutputFault.class)
                .hasMessageContaining("no folder");
    }

    @Test
    void silentAndTooShortSoundIsNoInput() throws IOException {
        Path silent = Files.write(dir.resolve("silent.wav"),
                SoundWriter.encode(Sound.mono(new float[48000], 48000), SoundWriter.Format.WAV_16));
        assertThatThrownBy(() -> AudioInput.read(silent)).isInstanceOf(InputFault.class).hasMessageContaining("silent");
        float[] click = new float[100];
        click[50] = 1;
        Path brief = Files.write(dir.resolve("brief.wav"),
                SoundWriter.encode(Sound.mono(click, 48000), SoundWriter.Format.WAV_16));
        assertThatThrownBy(() -> AudioInput.read(brief)).isInstanceOf(InputFault.class)
                .hasMessageContaining("too short");
    }
}
