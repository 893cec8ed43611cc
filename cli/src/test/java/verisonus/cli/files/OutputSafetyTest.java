package verisonus.cli.files;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatCode;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.condition.DisabledOnOs;
import org.junit.jupiter.api.condition.OS;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import verisonus.casebook.exchange.SafeFileName;
import verisonus.core.work.OutputFault;

class OutputSafetyTest {
    @TempDir
    private Path dir;

    @Test
    @DisabledOnOs(OS.WINDOWS)
    void whatIsNoRegularFileIsNeverReplaced() {
        OutputFile device = new OutputFile(Path.of("/dev/null"), true);
        assertThatThrownBy(() -> device.write("x")).isInstanceOf(OutputFault.class)
                .hasMessageContaining("no regular file");
        assertThat(Path.of("/dev/null")).exists();
    }

    @Test
    @DisabledOnOs(OS.WINDOWS)
    void aLinkIsFollowedAndStays() throws IOException {
        Path real = Files.writeString(dir.resolve("real.txt"), "old");
        Path link = Files.createSymbolicLink(dir.resolve("link.txt"), real);
        new OutputFile(link, true).write("new");
        assertThat(Files.isSymbolicLink(link)).isTrue();
        assertThat(Files.readString(real)).isEqualTo("new");
    }

    @Test
    @DisabledOnOs(OS.WINDOWS)
    void aResultHasTheRightsOfAnyNewFile() throws IOException {
        Path usual = Files.writeString(dir.resolve("usual.txt"), "x");
        new OutputFile(dir.resolve("result.txt"), false).write("x");
        assertThat(Files.getPosixFilePermissions(dir.resolve("result.txt")))
                .isEqualTo(Files.getPosixFilePermissions(usual));
    }

    @Test
    void whatAResultIsMadeFromIsNotReplacedByIt() throws IOException {
        Path in = Files.writeString(dir.resolve("in.wav"), "x");
        assertThatThrownBy(() -> new OutputFile(dir.resolve("./in.wav"), true).besides(null, in))
                .isInstanceOf(OutputFault.class).hasMessageContaining("made from");
        assertThatCode(() -> new OutputFile(dir.resolve("out.wav"), true).besides(in)).doesNotThrowAnyException();
    }

    @Test
    void nothingHalfWrittenStaysBehind() throws IOException {
        new OutputFile(dir.resolve("a.txt"), false).write("x");
        assertThatThrownBy(() -> new OutputFile(dir.resolve("a.txt"), false).write("y"))
                .isInstanceOf(OutputFault.class);
        OutputFile.abandonAll();
        try (Stream<Path> all = Files.list(dir)) {
            assertThat(all).containsExactly(dir.resolve("a.txt"));
        }
    }

    @ParameterizedTest
    @CsvSource({"WAV24, x.mp3, false", "WAV16, x.flac, false", "FLAC, x.wav, false", "WAV24, x.wav, true",
            "FLOAT, x.WAV, true", "FLAC, x.flac, true", "WAV24, x, true", "WAV24, x.json, false"})
    void anEndingThatSaysSomethingElseIsRefused(AudioFormat format, String name, boolean taken) {
        if (taken) {
            assertThatCode(() -> format.requireEnding(Path.of(name))).doesNotThrowAnyException();
        } else {
            assertThatThrownBy(() -> format.requireEnding(Path.of(name))).isInstanceOf(OutputFault.class)
                    .hasMessageContaining(name);
        }
    }

    @ParameterizedTest
    @CsvSource({"Glass Harbour, Glass Harbour.pdf", "A/B: \"what?\", A-B- -what-.pdf", "con, sheet con.pdf",
            "'  ..  ', sheet.pdf", "静かな港, 静かな港.pdf"})
    void titlesBecomeNamesThatEverySystemTakes(String title, String name) {
        assertThat(SafeFileName.of(title, "pdf")).isEqualTo(name);
        assertThat(SafeFileName.of("x".repeat(300), "pdf")).hasSizeLessThan(90);
    }
}
