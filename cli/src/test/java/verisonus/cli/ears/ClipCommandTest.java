package verisonus.cli.ears;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.api.parallel.ResourceLock;
import tools.jackson.databind.JsonNode;
import verisonus.casebook.exchange.Json;
import verisonus.cli.Said;
import verisonus.cli.files.CommandFolder;
import verisonus.core.sound.codec.SoundReader;

/** Excerpts in a row from the shell. */
@ResourceLock("java.lang.System.out")
class ClipCommandTest {
    @TempDir
    private Path dir;
    private String di = "";

    @BeforeEach
    void write() throws IOException {
        di = new CommandFolder(dir).notes("di.wav", 3);
    }

    private String at(String name) {
        return new CommandFolder(dir).at(name);
    }

    @Test
    void partsComeInTheirOrderWithTheirNamesAndTimes() throws IOException {
        Said said = Said.by("clip", "--part", di + "@0-1=record", "--part", di + "@1-2.5=mine, \"now\"", "--out",
                at("clip.flac"), "--cues", at("cues.csv"), "--json");
        assertThat(said.status()).as(said.err()).isZero();
        JsonNode cues = Json.parse("said", said.out()).get("cues");
        assertThat(cues.get(1).get("label").asString()).isEqualTo("mine, \"now\"");
        assertThat(cues.get(1).get("to_s").asDouble() - cues.get(1).get("from_s").asDouble())
                .isCloseTo(1.5, within(0.01));
        assertThat(SoundReader.read(Path.of(at("clip.flac"))).sound().durationS())
                .isCloseTo(cues.get(1).get("to_s").asDouble(), within(0.01));
        assertThat(Files.readString(Path.of(at("cues.csv")))).contains("\"mine, \"\"now\"\"\"");
    }

    @Test
    void aBlindOnePutsItsKeyIntoAFileOfItsOwn() {
        Said said = Said.by("clip", "--part", di + "@0-1=record", "--part", di + "@1-2=mine", "--out", at("clip.wav"),
                "--blind", at("key.json"), "--seed", "4");
        assertThat(said.status()).as(said.err()).isZero();
        assertThat(said.out()).doesNotContain("record").doesNotContain("mine");
        assertThat(Json.read(Path.of(at("key.json"))).get("key").toString()).contains("record", "mine");
    }

    @Test
    void whatCannotBeCutIsRefusedAndNothingIsWritten() {
        assertThat(Said.by("clip", "--part", di + "@0-1", "--out", at("clip.mp3")).err()).contains("end it in .wav");
        Said late = Said.by("clip", "--part", di + "@90-95", "--out", at("late.wav"));
        assertThat(late.status()).isEqualTo(3);
        assertThat(Path.of(at("late.wav"))).doesNotExist();
        assertThat(Said.by("clip", "--part", di, "--out", di, "--force").status()).isNotZero();
    }
}
