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
import org.junit.jupiter.params.provider.ValueSource;
import tools.jackson.databind.JsonNode;
import verisonus.casebook.exchange.Json;
import verisonus.cli.files.AudioInput;
import verisonus.cli.files.CommandFolder;
import verisonus.core.evidence.guided.GuidedReading;
import verisonus.core.sound.Sound;
import verisonus.core.sound.codec.SoundWriter;

/** Commands that say what to turn, how it feels, what stays out of reach, what the playing makes; and the wishes of a search. */
@ResourceLock("java.lang.System.out")
class AdviceCommandsTest {
    private static final String CHAIN = "{\"schema\":\"verisonus.tone/1\",\"name\":\"t\",\"blocks\":["
            + "{\"id\":\"amp\",\"model\":\"mid-forward crunch\",\"settings\":{\"gain\":%s,\"treble\":%s}},"
            + "{\"id\":\"cabinet\",\"model\":\"4×12 closed\"},{\"id\":\"microphone\",\"model\":\"dynamic microphone\"}],"
            + "\"routing\":[\"series\"]}";
    @TempDir
    private Path dir;
    private String wanted = "";
    private String tone = "";
    private String di = "";
    private String reference = "";

    @BeforeEach
    void write() throws IOException {
        wanted = file("wanted.json", CHAIN.formatted("6", "5"));
        tone = file("tone.json", CHAIN.formatted("6", "9"));
        di = new CommandFolder(dir).notes("di.wav", 1);
        reference = at("reference.wav");
        assertThat(Said.by("render", "--tone", wanted, "--di", di, "--out", reference).status()).isZero();
    }

    private String file(String name, String text) throws IOException {
        return new CommandFolder(dir).write(name, text);
    }

    private String at(String name) {
        return new CommandFolder(dir).at(name);
    }

    private static JsonNode json(Said s) {
        assertThat(s.status()).as(s.err()).isZero();
        return Json.parse("output", s.out());
    }

    @Test
    void movesAreListedMadeAndMeasured() {
        JsonNode doc = json(Said.by("moves", "--reference", reference, "--di", di, "--tone", tone, "--out",
                at("better.json"), "--json"));
        JsonNode first = doc.path("moves").path(0);
        assertThat(first.path("gain_jnd").asDouble()).isPositive();
        assertThat(doc.path("verified_gain_jnd").asDouble()).isCloseTo(first.path("gain_jnd").asDouble(),
                within(0.3 * first.path("gain_jnd").asDouble() + 0.1));
        assertThat(Path.of(at("better.json"))).exists();
        assertThat(Said.by("moves", "--reference", reference, "--di", di, "--tone", tone).out()).contains("JND");
    }

    @Test
    void aWordIsAnsweredAndAnUnknownOneRefused() {
        assertThat(Said.by("moves", "--reference", reference, "--di", di, "--tone", tone, "--word", "too thin")
                .status()).isZero();
        Said no = Said.by("moves", "--reference", reference, "--di", di, "--tone", tone, "--word", "too purple");
        assertThat(no.status()).isEqualTo(3);
        assertThat(no.err()).contains("no known word").contains("boxy").doesNotContain("Exception");
    }

    @Test
    void theFeelIsTold() {
        JsonNode doc = json(Said.by("feel", "--tone", tone, "--di", di, "--reference", reference, "--json"));
        assertThat(doc.path("touch").size()).isGreaterThan(8);
        assertThat(doc.path("dirt_hard").size()).isEqualTo(2);
        double shares = 0;
        for (JsonNode s : doc.path("dirt_hard")) shares += s.path("share").asDouble();
        assertThat(shares).isCloseTo(1, within(0.02));
        assertThat(doc.path("against_reference").size()).isPositive();
        assertThat(Said.by("feel", "--tone", tone, "--di", di).out()).contains("dB in").contains("of the dirt");
    }

    @Test
    void whatARigCannotReachIsNamed() throws IOException {
        String rig = file("rig.json", "{\"schema\":\"verisonus.rig/1\",\"guitars\":[],\"blocks\":["
                + "{\"model\":\"open clean\",\"count\":1},{\"model\":\"1×8 open\",\"count\":1},"
                + "{\"model\":\"ribbon microphone\",\"count\":1}],\"limits\":{\"blocks\":9}}");
        String poor = file("poor.json", CHAIN.formatted("5", "5").replace("mid-forward crunch", "open clean").replace(
                "4×12 closed", "1×8 open").replace("dynamic microphone", "ribbon microphone"));
        JsonNode doc = json(Said.by("reach", "--reference", reference, "--di", di, "--tone", poor, "--rig", rig,
                "--json"));
        assertThat(doc.path("unreached").size()).isPositive();
        assertThat(doc.path("unreached").path(0).path("off_jnd").asDouble()).isGreaterThan(1);
    }

    @Test
    void takesAreHeldAgainstEachOther() throws IOException {
        String again = new CommandFolder(dir).notes("again.wav", 2);
        JsonNode doc = json(Said.by("playing", "--tone", tone, "--di", di, "--di", again, "--json"));
        assertThat(doc.path("floor_jnd").size()).isPositive();
        Said one = Said.by("playing", "--tone", tone, "--di", di);
        assertThat(one.status()).isEqualTo(3);
        assertThat(one.err()).contains("second take");
    }

    @Test
    void aSearchTakesClaimsTracksAndWantedDifferences() throws IOException {
        JsonNode doc = json(Said.by("derive", "--reference", reference, "--di", di, "--out", at("out"), "--seconds",
                "0.5", "--claim", "open clean=honour", "--wanted-so", "spectrum 80-160 Hz", "--values", "moderate",
                "--json"));
        assertThat(doc.path("tone").path("blocks").toString()).contains("open clean");
        assertThat(doc.path("enough").path("words").asString()).isNotBlank();
        assertThat(doc.path("start").path("nearest").asString()).isNotBlank();
        assertThat(Files.readString(dir.resolve("out/gap.json"))).contains("\"wanted_so\" : true");
        Said parted = Said.by("derive", "--reference", reference, "--di-from", "1", "--out", at("none"));
        assertThat(parted.status()).isEqualTo(3);
        assertThat(parted.err()).contains("--di-from").contains("add --di");
        JsonNode raw = json(Said.by("derive", "--reference", reference, "--di", reference, "--out", at("raw"),
                "--track", "amp-and-cabinet", "--seconds", "0.5", "--json"));
        assertThat(raw.path("tone").path("blocks").size()).isEqualTo(1);
    }

    @ParameterizedTest
    @ValueSource(strings = {"--track=wet", "--values=wild", "--lows=mine", "--claim=some amp=honour",
            "--claim=open clean=maybe"})
    void wrongWishesAreWrongUsage(String option) {
        Said s = Said.by("derive", "--reference", reference, "--di", di, "--out", at("out"), option);
        assertThat(s.status()).isEqualTo(2);
        assertThat(s.err().lines()).hasSize(1);
    }

    @Test
    void aTakeIsCheckedForWhatItDoesNotCover() {
        assertThat(Said.by("capture", "--check", di).out()).contains("covered");
        assertThat(json(Said.by("capture", "--check", di, "--json")).path("complete").isBoolean()).isTrue();
    }

    @Test
    void aRegionThatIsNotThereIsRefusedInOneLine() {
        Said said = Said.by("compare", reference, reference, "--from", "900", "--to", "901");
        assertThat(said.status()).isEqualTo(3);
        assertThat(said.err()).contains("reference.wav").contains("is not in it").contains("it lasts");
    }

    @Test
    void aComparisonEndsInAVerdictThatSaysWhatWasNotTold() {
        JsonNode doc = Json.parse("compare", Said.by("compare", reference, reference, "--json").out());
        JsonNode verdict = doc.path("verdict");
        assertThat(verdict.path("words").asString("")).isNotBlank();
        assertThat(verdict.path("missing").isArray()).isTrue();
        boolean untold = !verdict.path("unjudged").isEmpty();
        assertThat(verdict.path("near").asBoolean()).isEqualTo(!untold);
    }

    @Test
    void anUnknownAttributeIsAWrongUse() {
        assertThat(Said
                .by("moves", "--reference", reference, "--di", di, "--tone", tone, "--wanted-so", "colour of the sky")
                .status()).isEqualTo(2);
    }

    @Test
    void aTakeCanBeLaidByHandAndThatIsSaid() {
        Said said = Said.by("derive", "--reference", reference, "--di", di, "--from", "0", "--to", "4", "--di-at",
                "0.1",
                "--seconds", "1", "--out", at("laid"), "--json");
        assertThat(said.status()).as(said.err()).isZero();
        assertThat(json(said).path("pairing").asString("")).isEqualTo("same phrase");
        assertThat(json(said).path("stopped").asString("")).contains("no move");
        assertThat(Said.by("moves", "--reference", reference, "--di", di, "--di-at", "0", "--tone", tone).status())
                .isZero();
        assertThat(Said.by("passages", reference, "--di", di, "--di-at", "0", "--json").status()).isZero();
    }

    @Test
    void aPlaceIsRefusedWhereNothingIsLaid() {
        Said compared = Said.by("compare", reference, di, "--di-at", "1");
        assertThat(compared.status()).isEqualTo(3);
        assertThat(compared.err()).contains("--di-at").doesNotContain("Exception");
        Said nowhere = Said.by("derive", "--reference", reference, "--di", di, "--di-at", "NaN", "--out", at("no"));
        assertThat(nowhere.status()).isEqualTo(3);
        assertThat(nowhere.err()).contains("no time within a recording");
        assertThat(Said.by("passages", reference, "--di", di, "--di-at", "1e300").status()).isEqualTo(3);
        Said beyond = Said.by("derive", "--reference", reference, "--di", di, "--di-at", "900", "--out", at("no"));
        assertThat(beyond.status()).isEqualTo(3);
        assertThat(beyond.err()).contains("lay it elsewhere").doesNotContain("Exception");
    }

    @Test
    void passagesAreListedAndTheGuitarIsWrittenOut() {
        String out = at("guitar.wav");
        Said said = Said.by("passages", reference, "--di", di, "--listen", out, "--json");
        assertThat(said.status()).isZero();
        JsonNode doc = Json.parse("passages", said.out());
        assertThat(doc.path("schema").asString("")).isEqualTo("verisonus.passages/1");
        doc.path("passages").forEach(p -> {
            assertThat(p.path("to_s").asDouble()).isGreaterThan(p.path("from_s").asDouble());
            assertThat(p.path("reason").asString("")).isNotBlank();
        });
        assertThat(Files.exists(Path.of(out))).isTrue();
    }

    @Test
    void ofASongInWhichTheGuitarNeverStandsAloneItIsSaidWhatOfItCanBeRead() throws IOException {
        Sound guitar = AudioInput.read(Path.of(reference)).atRate(Sound.WORKING_RATE_HZ);
        float[] mix = guitar.mid().clone();
        double loud = guitar.rms();
        for (int i = 0; i < mix.length; i++) {
            double t = i / (double) Sound.WORKING_RATE_HZ;
            double beat = t % 0.5;
            mix[i] += (float) (2 * loud
                    * (Math.sin(2 * Math.PI * 50 * t) + Math.exp(-beat * 20) * Math.sin(2 * Math.PI * 60 * beat)
                            + Math.exp(-beat * 40) * (((i * 7919L) % 1000) / 500.0 - 1)));
        }
        Path song = Path.of(at("song.wav"));
        Files.write(song, SoundWriter.encode(Sound.mono(mix, Sound.WORKING_RATE_HZ).gained(-12),
                SoundWriter.Format.WAV_24));
        Said said = Said.by("passages", song.toString(), "--di", di);
        assertThat(said.status()).isZero();
        assertThat(said.out()).contains("never stands alone").containsPattern("from \\d+ Hz to");
        JsonNode bands = Json.parse("passages", Said.by("passages", song.toString(), "--di", di, "--json").out())
                .path("through_the_others");
        assertThat(bands.size()).isGreaterThan(20);
        bands.forEach(b -> {
            double off = b.path("off_db").asDouble();
            // Written with one digit.
            if (Math.abs(off - GuidedReading.READABLE_DB) > 0.06)
                assertThat(b.path("readable").asBoolean()).isEqualTo(off < GuidedReading.READABLE_DB);
        });
    }
}
