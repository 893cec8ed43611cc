package verisonus.cli;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.api.parallel.ResourceLock;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import verisonus.cli.files.CommandFolder;

/** A sheet of a tone file, with no casebook. */
@ResourceLock("java.lang.System.out")
class SheetOfToneTest {
    @TempDir
    private Path dir;
    private String tone = "";

    @BeforeEach
    void write() throws IOException {
        tone = new CommandFolder(dir).write("tone.json", "{\"schema\":\"verisonus.tone/1\",\"name\":\"evening\","
                + "\"blocks\":[{\"id\":\"amp\",\"model\":\"chiming edge\",\"settings\":{\"gain\":3.5}},"
                + "{\"id\":\"cabinet\",\"model\":\"2×12 open\"},{\"id\":\"microphone\",\"model\":\"dynamic microphone\"},"
                + "{\"id\":\"echo\",\"model\":\"clean echo\",\"settings\":{\"mix\":30,\"time\":330}}],"
                + "\"routing\":[\"series\"]}");
    }

    private String at(String name) {
        return new CommandFolder(dir).at(name);
    }

    @ParameterizedTest
    @ValueSource(strings = {"pdf", "html", "md", "csv", "json"})
    void isWrittenInEveryForm(String ending) {
        assertThat(Said.by("sheet", "--tone", tone, "--out", at("s." + ending)).status()).isZero();
        assertThat(Path.of(at("s." + ending))).isNotEmptyFile();
    }

    @Test
    void showsOwnDevicesOnTheirOwnScales() throws IOException {
        String rig = new CommandFolder(dir).write("rig.json", "{\"schema\":\"verisonus.rig/1\",\"blocks\":["
                + "{\"model\":\"clean echo\",\"device\":{\"name\":\"grey repeats\",\"labels\":{\"time\":\"delay\"},"
                + "\"dials\":{\"time\":{\"from\":0,\"to\":10,\"step\":0.5,\"pairs\":[[2,150],[5,330],[9,700]]}}}}]}");
        assertThat(Said.by("sheet", "--tone", tone, "--rig", rig, "--out", at("s.md")).status()).isZero();
        assertThat(Files.readString(Path.of(at("s.md")))).contains("grey repeats").contains("|delay|5.0|")
                .doesNotContain("Derived from");
    }

    @Test
    void oneOfCaseAndToneIsAsked() {
        assertThat(Said.by("sheet", "--out", at("s.md")).err()).contains("neither a case nor a tone");
        assertThat(Said.by("sheet", "--tone", tone, "--case", "x", "--out", at("s.md")).err()).contains(
                "one or the other");
    }
}
