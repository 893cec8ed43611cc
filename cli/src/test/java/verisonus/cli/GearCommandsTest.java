package verisonus.cli;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.HashSet;
import java.util.Set;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.api.parallel.ResourceLock;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import tools.jackson.databind.JsonNode;
import verisonus.casebook.exchange.Json;
import verisonus.cli.files.CommandFolder;
import verisonus.core.sound.LoudnessMeter;
import verisonus.core.sound.Sound;
import verisonus.core.sound.codec.SoundReader;
import verisonus.core.sound.codec.SoundWriter;

/** Commands about the gear: exchanging, placing, levels, impulse responses, doubling, capturing. */
@ResourceLock("java.lang.System.out")
class GearCommandsTest {
    @TempDir
    private Path dir;
    private String tone = "";
    private String di = "";

    @BeforeEach
    void write() throws IOException {
        tone = file("tone.json", "{\"schema\":\"verisonus.tone/1\",\"name\":\"t\",\"blocks\":["
                + "{\"id\":\"drive\",\"model\":\"mid-hump overdrive\"},{\"id\":\"amp\",\"model\":\"chiming edge\"},"
                + "{\"id\":\"cabinet\",\"model\":\"2×12 open\"},{\"id\":\"microphone\",\"model\":\"dynamic microphone\"},"
                + "{\"id\":\"echo\",\"model\":\"clean echo\",\"settings\":{\"mix\":30}}],\"routing\":[\"series\"]}");
        di = new CommandFolder(dir).notes("di.wav", 1);
    }

    private String file(String name, String text) throws IOException {
        return new CommandFolder(dir).write(name, text);
    }

    private String at(String name) {
        return new CommandFolder(dir).at(name);
    }

    private static double lufs(String file) {
        return LoudnessMeter.integratedLufs(SoundReader.read(Path.of(file)).sound()).orElseThrow();
    }

    @Test
    void anExchangedDriveIsAsLoudAndTheUncompensatedOneIsNot() {
        assertThat(Said.by("swap", "--tone", tone, "--di", di, "--block", "drive", "--model", "two-transistor fuzz",
                "--out", at("fair.json")).status()).isZero();
        assertThat(Said.by("swap", "--tone", tone, "--di", di, "--block", "drive", "--model", "two-transistor fuzz",
                "--out", at("raw.json"), "--uncompensated").status()).isZero();
        for (String t : Set.of("tone", "fair", "raw")) {
            assertThat(Said.by("render", "--tone", at(t + ".json"), "--di", di, "--out", at(t + ".wav"), "--format",
                    "float").status()).isZero();
        }
        assertThat(lufs(at("fair.wav"))).isCloseTo(lufs(at("tone.wav")), within(0.5));
        assertThat(Math.abs(lufs(at("raw.wav")) - lufs(at("tone.wav")))).isGreaterThan(1);
    }

    @Test
    void aGainIsTurnedWhileTheLoudnessStaysOrTheDirtToo() {
        for (String keep : Set.of("loudness", "dirt")) {
            assertThat(Said.by("turn", "--tone", tone, "--di", di, "--block", "amp", "--control", "gain", "--to", "9",
                    "--keep", keep, "--out", at(keep + ".json")).status()).isZero();
            assertThat(Said.by("render", "--tone", at(keep + ".json"), "--di", di, "--out", at(keep + ".wav"),
                    "--format", "float").status()).isZero();
        }
        Said.by("render", "--tone", tone, "--di", di, "--out", at("tone.wav"), "--format", "float");
        assertThat(lufs(at("loudness.wav"))).isCloseTo(lufs(at("tone.wav")), within(0.5));
        assertThat(setting("loudness.json", "drive", "drive")).isEqualTo(5);
        assertThat(setting("dirt.json", "drive", "drive")).isLessThan(5);
        assertThat(setting("dirt.json", "amp", "gain")).isEqualTo(9);
    }

    private double setting(String file, String block, String control) {
        for (JsonNode b : Json.read(Path.of(at(file))).get("blocks")) {
            if (b.get("id").asString().equals(block)) return b.path("settings").path(control).asDouble(5);
        }
        throw new AssertionError("no block " + block);
    }

    @ParameterizedTest
    @ValueSource(strings = {"nothing,3", "gain,11"})
    void aControlThatIsNotThereOrAValueOutOfRangeIsRefused(String asked) {
        String[] part = asked.split(",", -1);
        Said s = Said.by("turn", "--tone", tone, "--di", di, "--block", "amp", "--control", part[0], "--to", part[1],
                "--out", at("x.json"));
        assertThat(s.status()).isEqualTo(3);
        assertThat(Files.exists(Path.of(at("x.json")))).isFalse();
    }

    @Test
    void aModelOfAnotherKindIsRefusedWithWhatThereIs() {
        Said s = Said.by("swap", "--tone", tone, "--di", di, "--block", "drive", "--model", "plate", "--out",
                at("x.json"));
        assertThat(s.status()).isEqualTo(3);
        assertThat(s.err()).contains("plate", "no drive", "clean boost");
        assertThat(dir.resolve("x.json")).doesNotExist();
    }

    @Test
    void anEchoIsHeardInFourPlacesThatDiffer() {
        Said s = Said.by("places", "--tone", tone, "--di", di, "--block", "echo", "--out", at("places"), "--json");
        JsonNode places = Json.parse("out", s.out()).path("places");
        assertThat(places).hasSize(4);
        Set<Double> heard = new HashSet<>();
        for (JsonNode p : places) heard.add(p.path("jnd_from_first").asDouble());
        assertThat(heard.size()).isGreaterThan(1);
        assertThat(dir.resolve("places")).isDirectoryContaining("glob:**.wav");
        assertThat(Said.by("places", "--tone", tone, "--di", di, "--block", "amp").status()).isEqualTo(3);
    }

    @Test
    void levelsAreWalkedAndVoltsAreUnknownUnlessTheInputIsCalibrated() {
        JsonNode points = Json.parse("out", Said.by("levels", "--tone", tone, "--di", di, "--json").out())
                .path("points");
        assertThat(points).hasSize(6);
        assertThat(points.get(0).path("peak_volts").isNull()).isTrue();
        JsonNode known = Json.parse("out",
                Said.by("levels", "--tone", tone, "--di", di, "--full-scale-volts", "2", "--json").out());
        assertThat(known.path("points").get(0).path("peak_volts").asDouble()).isBetween(0.1, 2.0);
        assertThat(Said.by("levels", "--tone", tone, "--di", di).out()).contains("not known");
    }

    @Test
    void impulseResponsesAreDescribedAndRanked() throws IOException {
        Files.createDirectories(dir.resolve("boxes"));
        for (int i = 1; i <= 3; i++) {
            float[] h = new float[2000];
            for (int k = 0; k < h.length; k++) h[k] = (float) (Math.exp(-k / (4.0 * i)));
            Files.write(dir.resolve("boxes/box " + i + ".wav"),
                    SoundWriter.encode(Sound.mono(h, 48000), SoundWriter.Format.WAV_24));
        }
        JsonNode plain = Json.parse("out", Said.by("impulses", at("boxes"), "--json").out());
        assertThat(plain.path("impulses")).hasSize(3);
        assertThat(plain.path("impulses").get(0).path("left_db").isNull()).isTrue();
        JsonNode ranked = Json.parse("out",
                Said.by("impulses", at("boxes"), "--reference", di, "--di", di, "--json").out()).path("impulses");
        assertThat(ranked.get(0).path("left_db").asDouble())
                .isLessThanOrEqualTo(ranked.get(2).path("left_db").asDouble());
        assertThat(ranked.get(0).path("words").asString()).isNotBlank();
        assertThat(Said.by("impulses", at("boxes"), "--reference", di).status()).isEqualTo(3);
    }

    @Test
    void aToneThatDoublesAsksForASecondTake() throws IOException {
        String doubled = file("doubled.json", "{\"schema\":\"verisonus.tone/1\",\"name\":\"doubled\",\"blocks\":["
                + "{\"model\":\"chiming edge\"},{\"model\":\"doubler\"}]}");
        Said without = Said.by("render", "--tone", doubled, "--di", di, "--out", at("d.wav"));
        assertThat(without.status()).isEqualTo(3);
        assertThat(without.err()).contains("second take");
        Files.write(dir.resolve("second.wav"), SoundWriter.encode(CommandFolder.notes(2), SoundWriter.Format.WAV_24));
        assertThat(
                Said.by("render", "--tone", doubled, "--di", di, "--second-di", at("second.wav"), "--out", at("d.wav"))
                        .status())
                .isZero();
        assertThat(SoundReader.read(dir.resolve("d.wav")).sound().isStereo()).isTrue();
    }

    @Test
    void theCaptureSignalIsWrittenAndAWrongPositionIsRefused() {
        assertThat(Said.by("capture", "--signal", at("signal.wav")).status()).isZero();
        assertThat(SoundReader.read(dir.resolve("signal.wav")).sound().durationS()).isCloseTo(12, within(0.01));
        assertThat(Said.by("capture").status()).isEqualTo(3);
        assertThat(Said.by("capture", "--recording", di + "@gain=3", "--out", at("rig.json")).err())
                .contains("--learn");
        assertThat(Said.by("capture", "--recording", di + "@gain=3", "--learn", "my amp").err()).contains("--out");
        assertThat(Said.by("capture", "--recording", di + "@gain=3", "--learn", "open clean", "--out", at("rig.json"))
                .err()).contains("name of your own");
    }

    @ParameterizedTest
    @ValueSource(strings = {"gain=11", "volume=3", "gain", "gain=loud"})
    void positionsThatCannotBeAreNamed(String position) {
        Said s = Said.by("capture", "--recording", di + "@" + position);
        assertThat(s.status()).isEqualTo(3);
        assertThat(s.err()).contains(position);
    }

    @Test
    void everyBlockIsListedWithTaperAndWhatItMoves() {
        JsonNode blocks = Json.parse("out", Said.by("controls", "--json").out()).path("blocks");
        assertThat(blocks.size()).isGreaterThan(45);
        for (JsonNode b : blocks) {
            for (JsonNode c : b.path("controls")) {
                assertThat(c.path("taper").asString()).isIn("linear", "audio", "reversed");
                assertThat(c.path("moves").asString()).isNotBlank();
            }
        }
    }
}
