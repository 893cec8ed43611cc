package verisonus.cli.handover;

import static org.assertj.core.api.Assertions.assertThat;

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

/** A tone handed over in the shell and laid out by another player. */
@ResourceLock("java.lang.System.out")
class PackageCommandTest {
    @TempDir
    private Path dir;
    private String tone = "";
    private String rig = "";
    private String packed = "";

    @BeforeEach
    void write() throws IOException {
        CommandFolder folder = new CommandFolder(dir);
        tone = folder.write("tone.json", "{\"schema\":\"verisonus.tone/1\",\"name\":\"lantern\",\"blocks\":["
                + "{\"id\":\"amp\",\"model\":\"mid-forward crunch\",\"settings\":{\"gain\":6.25}},"
                + "{\"id\":\"cabinet\",\"model\":\"4×12 closed\"},{\"id\":\"microphone\",\"model\":\"dynamic microphone\"},"
                + "{\"id\":\"echo\",\"model\":\"clean echo\",\"settings\":{\"time\":412}}],\"routing\":[\"series\"]}");
        rig = folder.at("rig.json");
        packed = folder.at("lantern.verisonus-tone");
        String empty = folder.write("empty.json", "{\"schema\":\"verisonus.rig/1\",\"blocks\":["
                + "{\"model\":\"mid-forward crunch\"},{\"model\":\"4×12 closed\"},{\"model\":\"dynamic microphone\"}]}");
        assertThat(Said.by("gear", "add", "--rig", empty, "--name", "attic repeats", "--of", "clean echo", "--out", rig)
                .status()).isZero();
    }

    @Test
    void whatOnePlayerPacksAnotherLaysOutWithTheSameSettings() {
        Said made = Said.by("package", "--tone", tone, "--rig", rig, "--guitar", "hollow body", "--out", packed,
                "--json");
        assertThat(made.status()).as(made.err()).isZero();
        JsonNode said = Json.parse("out", made.out());
        assertThat(said.get("schema").asString()).isEqualTo("verisonus.package/1");
        assertThat(said.get("files").toString()).contains("devices/attic repeats.json", "sheet.pdf");
        Path into = dir.resolve("opened");
        assertThat(Said.by("package", "open", packed, "--out", into.toString()).status()).isZero();
        JsonNode read = Json.read(into.resolve("tone.json"));
        assertThat(read.get("blocks").get(0).get("settings").get("gain").asDouble()).isEqualTo(6.25);
        assertThat(read.get("blocks").get(3).toString()).contains("attic repeats");
        assertThat(into.resolve("responses/48000-24bit.wav")).exists();
    }

    @Test
    void nothingIsOverwrittenUnasked() {
        assertThat(Said.by("package", "--tone", tone, "--out", packed).status()).isZero();
        assertThat(Said.by("package", "--tone", tone, "--out", packed).status()).isEqualTo(4);
        String into = dir.resolve("opened").toString();
        assertThat(Said.by("package", "open", packed, "--out", into).status()).isZero();
        assertThat(Said.by("package", "open", packed, "--out", into).status()).isEqualTo(4);
        assertThat(Said.by("package", "open", packed, "--out", into, "--force").status()).isZero();
    }

    @Test
    void aClipGoesInOnlyWhereItMayBeGivenAway() throws IOException {
        String clip = new CommandFolder(dir).notes("clip.wav", 3);
        Said refused = Said.by("package", "--tone", tone, "--clip", clip, "--out", packed);
        assertThat(refused.status()).isEqualTo(3);
        assertThat(refused.err()).contains("may hold the record");
        assertThat(Said.by("package", "--tone", tone, "--clip", clip, "--mine", "--out", packed, "--json").out())
                .contains("clip.wav");
    }

    @Test
    void whatIsNoPackageOpensNothing() throws IOException {
        Path file = Files.writeString(dir.resolve("x.verisonus-tone"), "no zip");
        Said said = Said.by("package", "open", file.toString(), "--out", dir.resolve("opened").toString());
        assertThat(said.status()).isEqualTo(3);
        assertThat(dir.resolve("opened")).doesNotExist();
    }
}
