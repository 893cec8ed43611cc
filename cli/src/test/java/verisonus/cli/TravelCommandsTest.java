package verisonus.cli;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.api.parallel.ResourceLock;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import tools.jackson.databind.JsonNode;
import verisonus.casebook.exchange.Json;
import verisonus.cli.files.CommandFolder;
import verisonus.core.sound.codec.SoundReader;

/** Playback systems from the command line: figures, trims, sound, and a system measured. */
@ResourceLock("java.lang.System.out")
class TravelCommandsTest {
    @TempDir
    private Path dir;
    private String tone = "";
    private String di = "";

    @BeforeEach
    void write() throws IOException {
        tone = new CommandFolder(dir).write("tone.json",
                "{\"schema\":\"verisonus.tone/1\",\"name\":\"t\",\"blocks\":["
                        + "{\"id\":\"amp\",\"model\":\"chiming edge\"},{\"id\":\"cabinet\",\"model\":\"2×12 open\"},"
                        + "{\"id\":\"microphone\",\"model\":\"dynamic microphone\"}],\"routing\":[\"series\"]}");
        di = new CommandFolder(dir).notes("di.wav", 1);
    }

    private String at(String name) {
        return dir.resolve(name).toString();
    }

    @Test
    void aSystemOfOnesOwnIsReadFromItsResponse() throws IOException {
        Files.writeString(dir.resolve("van.csv"), "frequency_hz,level_db\n60,9\n200,3\n1000,0\n12000,-6\n");
        Said s = Said.by("travel", di, "--systems", "phone," + at("van.csv"), "--json");
        JsonNode systems = Json.parse("out", s.out()).path("systems");
        assertThat(systems).hasSize(2);
        assertThat(systems.get(1).path("id").asString()).isEqualTo("van");
        assertThat(systems.get(1).path("thirds")).hasSize(28);
    }

    @Test
    void aTrimIsWrittenShownAndRenders() throws IOException {
        Said s = Said.by("travel", "--tone", tone, "--di", di, "--systems", "car,guitar-cabinet", "--trim",
                at("trim.json"), "--json");
        assertThat(s.err()).isEmpty();
        for (JsonNode system : Json.parse("out", s.out()).path("systems")) {
            JsonNode trim = system.path("trim");
            assertThat(trim.path("after_db").asDouble()).isLessThanOrEqualTo(trim.path("before_db").asDouble());
        }
        JsonNode written = Json.read(dir.resolve("trim.json"));
        assertThat(written.path("systems").path("guitar-cabinet").path("off")).isNotEmpty();
        JsonNode trimmed = written.path("systems").path("car").path("tone");
        Files.writeString(dir.resolve("trimmed.json"), Json.text(trimmed));
        assertThat(Said.by("render", "--tone", at("trimmed.json"), "--di", di, "--out", at("t.wav")).status()).isZero();
    }

    @Test
    void aToneIsHeardOnOneSystem() {
        assertThat(Said.by("travel", di, "--systems", "car", "--listen", at("car.wav")).status()).isZero();
        var heard = SoundReader.read(dir.resolve("car.wav")).sound();
        assertThat(heard.isStereo()).isTrue();
        assertThat(heard.durationS()).isCloseTo(SoundReader.read(Path.of(di)).sound().durationS(), within(0.01));
    }

    @Test
    void theSignalMeasuresFlatAndComesBackAsASystem() {
        assertThat(Said.by("sweep", "signal", at("sweep.wav")).status()).isZero();
        Said s = Said.by("sweep", "analyse", at("sweep.wav"), at("sweep.wav"), "--out", at("loop.csv"), "--json");
        assertThat(s.status()).isZero();
        for (JsonNode b : Json.parse("out", s.out()).path("bands")) {
            if (b.path("hz").asDouble() > 49)
                assertThat(b.path("level_db").asDouble()).isCloseTo(0, within(0.3));
        }
        assertThat(Said.by("travel", di, "--systems", at("loop.csv")).status()).isZero();
    }

    @ParameterizedTest
    @CsvSource({"travel --tone TONE, 3", "travel, 3", "travel DI --trim t.json, 3", "travel DI --listen l.wav, 3",
            "travel DI --systems car;car, 3", "travel DI --systems attic, 3", "travel DI --systems none.csv, 3",
            "sweep, 2", "sweep analyse DI, 3", "sweep signal none/s.wav, 4", "travel DI --systems car --listen DI, 4"})
    void whatCannotBeDoneIsOneLine(String line, int status) {
        Said s = Said.by(line.replace("TONE", tone).replace("DI", di).replace(';', ',').split(" ", -1));
        assertThat(s.status()).as(s.err()).isEqualTo(status);
        assertThat(s.err().lines().count()).isEqualTo(1);
        assertThat(s.err()).startsWith("verisonus: ").contains("; ");
    }
}
