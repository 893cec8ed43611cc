package verisonus.cli.ears;

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

@ResourceLock("java.lang.System.out")
class LayersCommandTest {
    @TempDir
    private Path dir;
    private String tone = "";
    private String a = "";
    private String b = "";

    @BeforeEach
    void write() throws IOException {
        tone = new CommandFolder(dir).write("tone.json",
                "{\"schema\":\"verisonus.tone/1\",\"name\":\"t\",\"blocks\":["
                        + "{\"id\":\"amp\",\"model\":\"chiming edge\"},{\"id\":\"cabinet\",\"model\":\"2×12 open\"},"
                        + "{\"id\":\"microphone\",\"model\":\"dynamic microphone\"}],\"routing\":[\"series\"]}");
        a = new CommandFolder(dir).notes("a.wav", 1);
        b = dir.resolve("b.wav").toString();
        Said.by("render", "--tone", tone, "--di", a, "--out", b);
    }

    private JsonNode json(String... args) {
        Said s = Said.by(args);
        assertThat(s.status()).as(s.err()).isZero();
        return Json.parse("out", s.out());
    }

    @Test
    void whoHidesWhomIsSaidByBand() {
        JsonNode out = json("layers", a, b, "--json");
        assertThat(out.path("schema").asString()).isEqualTo("verisonus.layers/1");
        assertThat(out.path("hidden")).isNotEmpty().allSatisfy(m -> {
            assertThat(m.path("share").asDouble()).isBetween(0.4, 1.0);
            assertThat(m.path("hider").asString()).isNotEqualTo(m.path("hidden").asString());
        });
    }

    @Test
    void aCopyIsCalledACopy() {
        JsonNode out = json("layers", a, a, "--takes", "--json");
        assertThat(out.path("takes").path("copy").asBoolean()).isTrue();
    }

    @Test
    void aSecondChainIsSolvedWithinItsLimits() {
        JsonNode out = json("layers", a, "--second-chain", tone, "--json");
        assertThat(out.path("second_chains")).isNotEmpty().allSatisfy(c -> assertThat(c.path("colour_db").asDouble())
                .isBetween(1.5, 4.0));
    }

    @Test
    void whatCannotBeDoneIsSaidInOneLine() {
        assertThat(Said.by("layers", a).status()).isEqualTo(3);
        assertThat(Said.by("layers", a, "--takes").err()).contains("only one recording");
        Said limits = Said.by("layers", a, "--second-chain", tone, "--nearest", "4", "--furthest", "2");
        assertThat(limits.status()).isEqualTo(3);
        assertThat(limits.err()).contains("nearest").doesNotContain("\tat ");
    }

    @Test
    void compareNamesMomentsOrdersCandidatesAndWritesWhatDiffers() {
        Path only = dir.resolve("only.wav");
        JsonNode out = json("compare", a, b, "--with", a, "--moments", "--only", only.toString(), "--json");
        assertThat(out.path("moments")).isNotEmpty();
        assertThat(out.path("order").get(0).path("file").asString()).isEqualTo(a);
        assertThat(out.path("order").get(0).path("distance_jnd").asDouble()).isZero();
        assertThat(only).exists();
        Said same = Said.by("compare", a, a, "--only", dir.resolve("none.wav").toString());
        assertThat(same.status()).isEqualTo(3);
        assertThat(Files.exists(dir.resolve("none.wav"))).isFalse();
    }

    @Test
    void aTrialOverAMadeBedNeedsATempo() {
        Said s = Said.by("trial", a, b, "--bed", "1000", "--write", dir.resolve("x").toString());
        assertThat(s.status()).isEqualTo(3);
        assertThat(s.err()).contains("30 to 300");
        assertThat(Said.by("trial", a, b, "--bed", "100", "--in-mix", b).status()).isEqualTo(3);
    }
}
