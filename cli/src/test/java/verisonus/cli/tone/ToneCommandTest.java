package verisonus.cli.tone;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Path;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.api.parallel.ResourceLock;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import tools.jackson.databind.JsonNode;
import verisonus.casebook.exchange.Json;
import verisonus.cli.Said;
import verisonus.cli.files.CommandFolder;

/** From a dry take alone to a tone that was wished for. */
@ResourceLock("java.lang.System.out")
class ToneCommandTest {
    @TempDir
    private Path dir;
    private String di = "";
    private String rig = "";

    @BeforeEach
    void write() throws IOException {
        di = new CommandFolder(dir).notes("di.wav", 3);
        rig = new CommandFolder(dir).write("rig.json", "{\"schema\":\"verisonus.rig/1\",\"blocks\":["
                + "{\"model\":\"chiming edge\"},{\"model\":\"2×12 open\"},{\"model\":\"dynamic microphone\"}]}");
    }

    private String at(String name) {
        return new CommandFolder(dir).at(name);
    }

    private JsonNode json(String... args) {
        Said said = Said.by(args);
        assertThat(said.status()).as(said.err()).isZero();
        return Json.parse("said", said.out());
    }

    @Test
    void startingTonesAreListedAsTheyCanBeSetUp() {
        JsonNode starts = json("tone", "start", "--di", di, "--rig", rig, "--json");
        assertThat(starts.get("schema").asString()).isEqualTo("verisonus.starts/1");
        assertThat(starts.get("starts")).isNotEmpty().allSatisfy(s -> {
            assertThat(s.get("family").asString()).isEqualTo("chiming edge");
            assertThat(s.get("traits").has("dirt")).isTrue();
        });
    }

    @Test
    void aToneIsBegunAndMovedToAWish() {
        JsonNode begun = json("tone", "new", "--di", di, "--rig", rig, "--from", "chiming crunch", "--out",
                at("t.json"),
                "--json");
        assertThat(begun.get("tone").get("blocks").get(0).get("model").asString()).isEqualTo("chiming edge");
        JsonNode aim = json("tone", "aim", "--di", di, "--rig", rig, "--tone", at("t.json"), "--dirt-by", "0.1",
                "--louder-db", "2", "--out", at("a.json"), "--json");
        assertThat(aim.get("schema").asString()).isEqualTo("verisonus.aim/1");
        assertThat(aim.get("wished")).hasSize(2);
        assertThat(aim.get("reached").get(1).get("value").asDouble()).isBetween(1.5, 2.5);
        assertThat(aim.get("changed").toString()).contains("amp/gain");
    }

    @ParameterizedTest
    @CsvSource(delimiter = ';', value = {"--wish;purple;no known word", "--only;echo;one is named without the other",
            "--louder-db;90;out of reach", "--dirt-by;7;out of reach"})
    void whatCannotBeWishedIsSaid(String option, String value, String fault) {
        json("tone", "new", "--di", di, "--rig", rig, "--out", at("t.json"), "--json");
        Said said = Said.by("tone", "aim", "--di", di, "--tone", at("t.json"), option, value, "--out", at("x.json"));
        assertThat(said.status()).isEqualTo(3);
        assertThat(said.err()).contains(fault);
    }

    @Test
    void aStartThatIsNoneNamesSomeThatAre() {
        Said said = Said.by("tone", "new", "--di", di, "--rig", rig, "--from", "chime of doom", "--out", at("x.json"));
        assertThat(said.status()).isEqualTo(3);
        assertThat(said.err()).contains("no starting tone").contains("such as");
    }
}
