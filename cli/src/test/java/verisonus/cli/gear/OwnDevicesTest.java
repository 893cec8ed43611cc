package verisonus.cli.gear;

import static org.assertj.core.api.Assertions.assertThat;

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
import verisonus.cli.Said;
import verisonus.cli.files.CommandFolder;

/** The player's own devices from the shell: described, read back, shared, and used by what takes a rig. */
@ResourceLock("java.lang.System.out")
class OwnDevicesTest {
    @TempDir
    private Path dir;
    private String rig = "";

    @BeforeEach
    void write() throws IOException {
        rig = new CommandFolder(dir).write("rig.json", "{\"schema\":\"verisonus.rig/1\",\"blocks\":["
                + "{\"model\":\"chiming edge\"},{\"model\":\"2×12 open\"},{\"model\":\"dynamic microphone\"}]}");
    }

    private String at(String name) {
        return new CommandFolder(dir).at(name);
    }

    private String withRepeats() {
        Said said = Said.by("gear", "add", "--rig", rig, "--out", at("own.json"), "--of", "clean echo", "--name",
                "grey repeats", "--label", "time=delay", "--scale", "time=0..10/0.5", "--pair", "time@2=150",
                "--pair", "time@5=330 ms", "--pair", "time@9=700", "--without", "drive=0", "--price", "120");
        assertThat(said.status()).as(said.err()).isZero();
        return at("own.json");
    }

    @Test
    void aDeviceIsShownInItsOwnWordsAndScales() {
        Said shown = Said.by("gear", "show", "--rig", withRepeats(), "grey repeats");
        assertThat(shown.out()).contains("delay (time)", "0.0 to 10.0", "from 3 places").contains("not there");
        assertThat(Said.by("gear", "list", "--rig", at("own.json")).out())
                .contains("grey repeats (one of: clean echo)");
    }

    @Test
    void whatIsSharedComesBackToTheLastByte() throws IOException {
        String own = withRepeats();
        assertThat(Said.by("gear", "export", "--rig", own, "grey repeats", "--out", at("device.json")).status())
                .isZero();
        assertThat(Said.by("gear", "check", at("device.json")).out()).contains("keeps the rules");
        assertThat(Said.by("gear", "import", "--rig", rig, at("device.json"), "--out", at("back.json")).status())
                .isZero();
        assertThat(Files.readString(Path.of(at("back.json")))).isEqualTo(Files.readString(Path.of(own)));
        Said again = Said.by("gear", "import", "--rig", own, at("device.json"), "--out", at("twice.json"));
        assertThat(again.status()).isEqualTo(3);
        assertThat(again.err()).contains("--replace");
    }

    @Test
    void furtherPlacesAreAddedToThoseThatAreKnown() {
        String own = withRepeats();
        assertThat(Said.by("gear", "edit", "--rig", own, "grey repeats", "--out", at("more.json"), "--pair",
                "time@7=480").status()).isZero();
        JsonNode device = Json.read(Path.of(at("more.json"))).get("blocks").get(3).get("device");
        assertThat(device.get("dials").get("time").get("pairs")).hasSize(4);
        assertThat(device.get("controls").get("drive").asDouble()).isZero();
    }

    @Test
    void aControlThatTheDeviceHasNotLosesItsScale() {
        assertThat(
                Said.by("gear", "edit", "--rig", withRepeats(), "grey repeats", "--out", at("less.json"), "--without",
                        "time=400").status())
                .isZero();
        JsonNode device = Json.read(Path.of(at("less.json"))).get("blocks").get(3).get("device");
        assertThat(device.has("dials")).isFalse();
        assertThat(device.get("controls").get("time").asDouble()).isEqualTo(400);
        assertThat(Said.by("gear", "edit", "--rig", at("own.json"), "grey repeats", "--out", at("x.json"), "--without",
                "time", "--scale", "time=0..10").err()).contains("one or the other");
    }

    @ParameterizedTest
    @CsvSource(delimiter = ';', value = {"--scale;time=3..3;two ends", "--scale;speed=0..10;no control \"speed\"",
            "--scale;time=loud;it is no scale", "--pair;time@3=9000;out of reach", "--pair;time@30=300;no mark",
            "--pair;time@3=soon;is no number", "--pair;time@3=300;one place is too few", "--without;colour;no control",
            "--scale;time=a|a;the same"})
    void whatBreaksARuleIsNamedAndNothingIsWritten(String option, String value, String fault) {
        Said said = Said.by("gear", "add", "--rig", rig, "--out", at("none.json"), "--of", "clean echo", "--name",
                "x", option, value);
        assertThat(said.status()).isEqualTo(3);
        assertThat(said.err()).contains(fault);
        assertThat(Path.of(at("none.json"))).doesNotExist();
    }

    @Test
    void aToneIsBroughtToOwnNamesAndReadInTheirScale() throws IOException {
        String tone = new CommandFolder(dir).write("tone.json", "{\"schema\":\"verisonus.tone/1\",\"name\":\"t\","
                + "\"blocks\":[{\"id\":\"amp\",\"model\":\"chiming edge\"},{\"id\":\"cabinet\",\"model\":\"2×12 open\"},"
                + "{\"id\":\"microphone\",\"model\":\"dynamic microphone\"},{\"id\":\"echo\",\"model\":\"clean echo\","
                + "\"settings\":{\"mix\":30,\"time\":330}}],\"routing\":[\"series\"]}");
        String di = new CommandFolder(dir).notes("di.wav", 1);
        Said said = Said.by("translate", "--tone", tone, "--di", di, "--device", withRepeats());
        assertThat(said.status()).as(said.err()).isZero();
        assertThat(said.out()).contains("echo: grey repeats").containsPattern("delay +5\\.0");
    }
}
