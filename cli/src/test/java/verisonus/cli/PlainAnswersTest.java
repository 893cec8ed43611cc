package verisonus.cli;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.List;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.api.parallel.ResourceLock;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import tools.jackson.databind.JsonNode;
import verisonus.casebook.exchange.Json;
import verisonus.cli.files.CommandFolder;
import verisonus.core.sound.Sound;
import verisonus.core.sound.codec.SoundReader;
import verisonus.core.sound.codec.SoundWriter;

/** Commands say what is wrong where something is, nothing where nothing is, and no figure that stands for nothing. */
@ResourceLock("java.lang.System.out")
class PlainAnswersTest {
    @TempDir
    private Path dir;
    private String tone = "";
    private String di = "";

    @BeforeEach
    void write() throws IOException {
        CommandFolder folder = new CommandFolder(dir);
        tone = folder.write("tone.json", "{\"schema\":\"verisonus.tone/1\",\"name\":\"rhythm\",\"blocks\":["
                + "{\"id\":\"amp\",\"model\":\"chiming edge\"},{\"id\":\"cabinet\",\"model\":\"2×12 open\",\"settings\":"
                + "{\"low cut\":130}},{\"id\":\"microphone\",\"model\":\"dynamic microphone\",\"settings\":{\"level\":-12}},"
                + "{\"id\":\"echo\",\"model\":\"clean echo\",\"settings\":{\"time\":450,\"mix\":20}},"
                + "{\"id\":\"volume\",\"model\":\"volume\"}]}");
        di = folder.notes("di.wav", 1);
    }

    private String at(String name) {
        return dir.resolve(name).toString();
    }

    private static JsonNode json(String... args) {
        Said s = Said.by(args);
        assertThat(s.status()).as(s.err()).isZero();
        return Json.parse("out", s.out());
    }

    private void refused(String naming, String... args) {
        Said s = Said.by(args);
        assertThat(s.status()).as(s.out() + s.err()).isEqualTo(3);
        assertThat(s.err()).contains(naming).hasLineCount(1);
    }

    @Test
    void whatCannotBeMeantIsRefused() {
        refused("the name is empty", "variants", "--tone", tone, "--di", di, "--make", "");
        refused("--louder", "variants", "--tone", tone, "--di", di, "--louder", "3");
        refused("no voltage", "levels", "--tone", tone, "--di", di, "--full-scale-volts", "-3");
        refused("no echo of that name; name echo", "tempo", "rhythm", "--tone", tone, "--di", di, "--bpm", "90",
                "--echo", "nope");
    }

    @Test
    void whatNothingIsKnownOfHasNoFigure() {
        JsonNode first = json("builds", "--tone", tone, "--di", di, "--json").path("builds").get(0);
        assertThat(first.path("price").isNull()).isTrue();
        assertThat(first.path("weight_kg").isNull()).isTrue();
        assertThat(Said.by("builds", "--tone", tone, "--di", di).out()).contains("– kg").doesNotContain("0.0 kg");
    }

    @ParameterizedTest
    @CsvSource({"120, 9 seconds", "100, 15 minutes", "85, 8 h", "60, all day"})
    void safeTimeIsSaidInWhatItIsCountedIn(String level, String words) {
        assertThat(Said.by("travel", di, "--level-db-spl", level).out()).contains("safe for " + words + " a day");
    }

    @Test
    void aLevelBeyondTheEarsCurvesIsSaid() {
        assertThat(Said.by("travel", di, "--level-db-spl", "100").out()).contains("20 to 90 phon");
        assertThat(Said.by("travel", di, "--level-db-spl", "80").out()).doesNotContain("90 phon");
    }

    @Test
    void adviceIsMadeFromTheToneAsItIs() {
        for (JsonNode s : json("travel", "--tone", tone, "--di", di, "--json").path("systems"))
            for (JsonNode a : s.path("advice")) assertThat(a.asString()).doesNotContain("low cut up to");
    }

    @Test
    void aPedalThatMovesTheLoudnessFarSaysSo() {
        JsonNode faults = json("pedal", "--tone", tone, "--di", di, "--use", "foot=volume/level:-15:9", "--json")
                .path("faults");
        assertThat(faults.toString()).contains("LU against the tone");
        assertThat(
                json("pedal", "--tone", tone, "--di", di, "--use", "foot=volume/level:-1:1", "--json").path("faults"))
                .isEmpty();
    }

    private String sound(String name, Sound s) throws IOException {
        Files.write(dir.resolve(name), SoundWriter.encode(s, SoundWriter.Format.WAV_24));
        return at(name);
    }

    @Test
    void aLateStartIsNoDifference() throws IOException {
        Sound take = SoundReader.read(Path.of(di)).sound();
        float[] x = take.mid();
        float[] late = new float[x.length + take.rateHz() / 2];
        System.arraycopy(x, 0, late, take.rateHz() / 2, x.length);
        JsonNode gap = json("compare", di, sound("late.wav", Sound.mono(late, take.rateHz())), "--json");
        assertThat(gap.path("score_jnd").asDouble()).isCloseTo(0, within(0.3));
    }

    @Test
    void twoFilesThatAreTheSameNeedNoJudging() throws IOException {
        JsonNode gap = json("compare", di, sound("copy.wav", SoundReader.read(Path.of(di)).sound()), "--json");
        assertThat(gap.path("verdict").path("near").asBoolean()).isTrue();
        assertThat(gap.path("verdict").path("unjudged")).isEmpty();
    }

    @Test
    void noTwoRowsOfAComparisonAskForOppositeTurnsOfTheGain() throws IOException {
        Sound take = SoundReader.read(Path.of(di)).sound();
        float[] x = take.mid().clone();
        for (int i = 0; i < x.length; i++) x[i] = (float) Math.tanh(8 * x[i]) * 0.3f;
        JsonNode rows = json("compare", di, sound("clipped.wav", Sound.mono(x, take.rateHz())), "--json").path("rows");
        List<String> advice = rows.valueStream().filter(r -> r.path("audibility").asDouble() >= 1)
                .map(r -> r.path("advice").asString()).toList();
        assertThat(advice.stream().anyMatch(a -> a.startsWith("more gain"))
                && advice.stream().anyMatch(a -> a.startsWith("less gain"))).as(advice.toString()).isFalse();
    }

    @Test
    void aTrialWrittenTwiceNamesAnotherFolderAndItsFilesSort() throws IOException {
        String other = sound("other.wav", SoundReader.read(Path.of(di)).sound().gained(-3).slice(0.1, 2));
        System.setIn(new java.io.ByteArrayInputStream(new byte[0]));
        Said first = Said.by("trial", di, other, "--trials", "100", "--write", at("trial"));
        assertThat(first.err()).contains("what was written stays");
        String[] names = dir.resolve("trial").toFile().list();
        assertThat(names).contains("x001.wav", "x100.wav");
        Arrays.sort(names);
        assertThat(names[names.length - 1]).isEqualTo("x100.wav");
        Said again = Said.by("trial", di, other, "--trials", "100", "--write", at("trial"));
        assertThat(again.status()).isEqualTo(4);
        assertThat(again.err()).contains("name another folder").doesNotContain("--force");
    }
}
