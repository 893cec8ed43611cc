package verisonus.cli.files;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.io.InputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.api.parallel.ResourceLock;
import tools.jackson.databind.JsonNode;
import verisonus.casebook.exchange.Json;
import verisonus.cli.Said;

/** A sound from a pipe, and a folder in place of a sound. */
@ResourceLock("java.lang.System.out")
class PipesAndFoldersTest {
    @TempDir
    private Path dir;
    private Path folder = Path.of("");

    @BeforeEach
    void write() throws IOException {
        folder = Files.createDirectory(dir.resolve("takes"));
        new CommandFolder(folder).notes("b.wav", 2);
        new CommandFolder(folder).notes("a.wav", 1);
    }

    private Said piped(byte[] bytes, String... args) {
        InputStream in = System.in;
        System.setIn(new ByteArrayInputStream(bytes));
        try {
            return Said.by(args);
        } finally {
            System.setIn(in);
        }
    }

    @Test
    void aDashReadsTheSoundFromStandardInput() throws IOException {
        Path file = folder.resolve("a.wav");
        JsonNode named = Json.parse("out", Said.by("measure", file.toString(), "--json").out());
        JsonNode piped = Json.parse("out", piped(Files.readAllBytes(file), "measure", "-", "--json").out());
        assertThat(piped.get("file").asString()).isEqualTo("standard input");
        assertThat(piped.get("level")).isEqualTo(named.get("level"));
        assertThat(piped.get("spectrum")).isEqualTo(named.get("spectrum"));
    }

    @Test
    void aPipeWithoutASoundIsRefusedByItsName() {
        Said said = piped(new byte[0], "measure", "-");
        assertThat(said.status()).isEqualTo(3);
        assertThat(said.err()).startsWith("verisonus: standard input: ").doesNotContain("/");
    }

    @Test
    void aFolderAnswersALineAFileInTheOrderOfTheirNames() {
        Said said = Said.by("measure", folder.toString());
        assertThat(said.status()).isZero();
        List<String> lines = said.out().lines().toList();
        assertThat(lines).hasSize(2);
        assertThat(lines.get(0)).startsWith("a.wav: ");
        assertThat(lines.get(1)).startsWith("b.wav: ");
    }

    @Test
    void eachLineIsADocumentThatNamesItsFile() {
        List<JsonNode> each = Said.by("passages", folder.toString(), "--json").out().lines()
                .map(l -> Json.parse("line", l)).toList();
        assertThat(each).extracting(n -> n.get("file").asString()).containsExactly("a.wav", "b.wav");
        assertThat(each).allMatch(n -> n.get("schema").asString().equals("verisonus.passages/1"));
    }

    @Test
    void oneThatCannotBeUsedDoesNotStopTheOthers() throws IOException {
        Files.writeString(folder.resolve("aa.wav"), "no sound");
        Said said = Said.by("measure", folder.toString());
        assertThat(said.status()).isEqualTo(3);
        assertThat(said.out().lines()).hasSize(2);
        assertThat(said.err()).contains("aa.wav").doesNotContain("\tat ");
    }

    @Test
    void aFolderWithoutSoundsIsRefused() throws IOException {
        Said said = Said.by("measure", Files.createDirectory(dir.resolve("empty")).toString());
        assertThat(said.status()).isEqualTo(3);
        assertThat(said.err()).contains("there is no sound in it");
    }
}
