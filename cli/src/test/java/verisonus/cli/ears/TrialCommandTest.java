package verisonus.cli.ears;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.stream.Stream;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.api.parallel.ResourceLock;
import tools.jackson.databind.JsonNode;
import verisonus.casebook.exchange.Json;
import verisonus.cli.Said;
import verisonus.cli.files.CommandFolder;
import verisonus.core.trial.blind.SealedOrder;
import verisonus.core.trial.blind.TrialForm;

@ResourceLock("java.lang.System.out")
class TrialCommandTest {
    @TempDir
    private Path dir;
    private String a = "";
    private String b = "";

    @BeforeEach
    void write() throws IOException {
        String tone = new CommandFolder(dir).write("tone.json",
                "{\"schema\":\"verisonus.tone/1\",\"name\":\"t\",\"blocks\":["
                        + "{\"id\":\"amp\",\"model\":\"chiming edge\"},{\"id\":\"cabinet\",\"model\":\"2×12 open\"}],"
                        + "\"routing\":[\"series\"]}");
        a = new CommandFolder(dir).notes("a.wav", 1);
        b = dir.resolve("b.wav").toString();
        Said.by("render", "--tone", tone, "--di", a, "--out", b);
    }

    private static Said answering(String lines, String... args) {
        InputStream in = System.in;
        try {
            System.setIn(new ByteArrayInputStream(lines.getBytes(StandardCharsets.UTF_8)));
            return Said.by(args);
        } finally {
            System.setIn(in);
        }
    }

    private String right(int n) {
        SealedOrder order = new SealedOrder(TrialForm.ABX, n, 42);
        StringBuilder out = new StringBuilder();
        for (int i = 0; i < n; i++) out.append("x\n").append(order.isRecord(i) ? "y\n" : "n\n");
        return out.toString();
    }

    @Test
    void aTrialIsWrittenAnsweredAndCounted() throws IOException {
        Said s = answering(right(8), "trial", a, b, "--trials", "8", "--seed", "42", "--write",
                dir.resolve("blind").toString(), "--json");
        assertThat(s.status()).as(s.err()).isZero();
        JsonNode out = Json.parse("out", s.out());
        assertThat(out.path("right").asInt()).isEqualTo(8);
        assertThat(out.path("chance").asDouble()).isEqualTo(0.0039);
        assertThat(out.path("interval")).hasSize(2);
        assertThat(out.path("gave_away")).isNotEmpty();
        assertThat(s.err()).contains(out.path("sealed").asString());
        try (Stream<Path> files = Files.list(dir.resolve("blind"))) {
            List<String> names = files.map(p -> p.getFileName().toString()).sorted().toList();
            assertThat(names).hasSize(10).contains("a.wav", "b.wav", "x01.wav", "x08.wav");
        }
    }

    @Test
    void guessingIsSaidToBeGuessing() {
        Said s = answering("y\n".repeat(12), "trial", a, b, "--seed", "42", "--write", dir.resolve("w").toString());
        assertThat(s.out()).contains("of 12: you were not shown to tell them apart").contains("seed 42");
    }

    @Test
    void aTrialThatIsLeftIsVoid() {
        Said s = answering("y\nq\n", "trial", a, b, "--write", dir.resolve("v").toString());
        assertThat(s.status()).isEqualTo(130);
        assertThat(s.out()).isEmpty();
    }

    @Test
    void whatCanTellNothingIsRefused() {
        assertThat(Said.by("trial", a, a, "--write", dir.resolve("s").toString()).err()).contains("they are the same");
        assertThat(Said.by("trial", a, b, "--trials", "3").status()).isEqualTo(3);
        assertThat(Said.by("trial", a, b, "--form", "triangle").status()).isEqualTo(2);
    }
}
