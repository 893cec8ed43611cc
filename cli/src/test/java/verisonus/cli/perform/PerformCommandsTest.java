package verisonus.cli.perform;

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
import verisonus.cli.Said;
import verisonus.cli.files.CommandFolder;
import verisonus.core.sound.Sound;
import verisonus.core.sound.codec.SoundWriter;

/** Playing a tone tonight, from the command line. */
@ResourceLock("java.lang.System.out")
class PerformCommandsTest {
    @TempDir
    private Path dir;
    private String tone = "";
    private String di = "";

    @BeforeEach
    void write() throws IOException {
        tone = new CommandFolder(dir).write("tone.json",
                "{\"schema\":\"verisonus.tone/1\",\"name\":\"rhythm\",\"blocks\":["
                        + "{\"id\":\"drive\",\"model\":\"mid-hump overdrive\"},"
                        + "{\"id\":\"amp\",\"model\":\"chiming edge\"},{\"id\":\"cabinet\",\"model\":\"2×12 open\"},"
                        + "{\"id\":\"microphone\",\"model\":\"dynamic microphone\",\"settings\":{\"level\":-12}},"
                        + "{\"id\":\"echo\",\"model\":\"clean echo\",\"settings\":{\"time\":450,\"mix\":20}}]}");
        di = new CommandFolder(dir).notes("di.wav", 1);
    }

    private String at(String name) {
        return dir.resolve(name).toString();
    }

    private JsonNode json(String... args) {
        Said s = Said.by(args);
        assertThat(s.status()).as(s.err()).isZero();
        return Json.parse("out", s.out());
    }

    @Test
    void aVariantIsSolvedWrittenReadAgainAndMapped() throws IOException {
        JsonNode made = json("variants", "--tone", tone, "--di", di, "--make", "lead", "--louder", "3", "--out",
                at("set.json"), "--json");
        assertThat(made.path("solved").get(0).path("amiss")).isEmpty();
        JsonNode rows = made.path("matrix");
        assertThat(rows.get(1).path("loudness_lufs").asDouble() - rows.get(0).path("loudness_lufs").asDouble())
                .isCloseTo(3, within(0.2));
        JsonNode again = json("variants", "--tone", at("set.json"), "--di", di, "--json");
        assertThat(again.path("variants")).isEqualTo(made.path("variants"));
        Files.writeString(dir.resolve("song.csv"), "section,from_s,to_s,variant\nverse,0,8,rhythm\nsolo,8,16,lead\n");
        JsonNode map = json("map", "--song", at("song.csv"), "--variants", at("set.json"), "--di", di, "--json");
        assertThat(map.path("moves").asInt()).isEqualTo(1);
        assertThat(map.path("fewer").get(0).path("without").asString()).isEqualTo("lead");
    }

    @Test
    void aTempoIsTakenFromWhatIsPlayed() throws IOException {
        float[] x = new float[10 * 48_000];
        for (int i = 0; i < x.length; i++) {
            double u = i / 48_000.0 % 0.5;
            x[i] = (float) (0.4 * Math.exp(-9 * u) * Math.sin(2 * Math.PI * 147 * u));
        }
        Files.write(dir.resolve("strokes.wav"), SoundWriter.encode(Sound.mono(x, 48_000), SoundWriter.Format.WAV_24));
        JsonNode bound = json("tempo", "bind", "--tone", tone, "--bpm", "100", "--to-played", at("strokes.wav"),
                "--json");
        assertThat(bound.path("bpm").asDouble()).isCloseTo(120, within(0.5));
        assertThat(bound.path("bindings").get(0).path("value").asDouble()).isCloseTo(375, within(2.0));
        Files.write(dir.resolve("none.wav"), SoundWriter.encode(Sound.mono(new float[96_000], 48_000),
                SoundWriter.Format.WAV_24));
        Said none = Said.by("tempo", "bind", "--tone", tone, "--bpm", "100", "--to-played", at("none.wav"));
        assertThat(none.status()).isEqualTo(3);
        Said both = Said.by("tempo", "bind", "--tone", tone, "--bpm", "100", "--to", "90", "--to-played", di);
        assertThat(both.status()).isEqualTo(3);
        assertThat(both.err()).contains("--to names a tempo already");
    }

    @Test
    void rhythmLeadAndCleanAreMadeInOneCall() {
        JsonNode made = json("variants", "--tone", tone, "--di", di, "--usual", "--out", at("set.json"), "--json");
        // The tone itself is called rhythm.
        assertThat(made.path("variants").findValuesAsString("name")).containsExactly("lead", "clean");
        JsonNode rows = made.path("matrix");
        assertThat(rows.get(1).path("loudness_lufs").asDouble() - rows.get(0).path("loudness_lufs").asDouble())
                .isCloseTo(3, within(0.2));
        JsonNode again = json("variants", "--tone", at("set.json"), "--di", di, "--usual", "--against", di, "--json");
        assertThat(again.path("solved")).isEmpty();
        assertThat(again.path("against").path("jnd").propertyNames()).containsExactly("rhythm", "lead", "clean");
        assertThat(again.path("against").path("jnd").path("clean").asDouble())
                .as("a dry take is nearer to the clean one")
                .isLessThan(again.path("against").path("jnd").path("lead").asDouble());
        Said both = Said.by("variants", "--tone", tone, "--di", di, "--usual", "--make", "solo");
        assertThat(both.status()).isEqualTo(3);
        assertThat(both.err()).contains("--usual");
    }

    @Test
    void aVariantIsMadeAsItIsSaid() {
        JsonNode made = json("variants", "--tone", tone, "--di", di, "--say", "solo: 2 LU louder, a bit darker",
                "--json");
        assertThat(made.path("variants").findValuesAsString("name")).containsExactly("solo");
        JsonNode rows = made.path("matrix");
        assertThat(rows.get(1).path("notices").path("loudness").asDouble()
                - rows.get(0).path("notices").path("loudness").asDouble()).isCloseTo(2, within(0.2));
        assertThat(rows.get(1).path("notices").path("brightness").asDouble())
                .isLessThan(rows.get(0).path("notices").path("brightness").asDouble() - 0.4);
        Said unclear = Said.by("variants", "--tone", tone, "--di", di, "--say", "greener");
        assertThat(unclear.status()).isEqualTo(3);
        assertThat(unclear.err()).contains("greener", "louder, softer");
        assertThat(Said.by("variants", "--tone", tone, "--di", di, "--say", "louder", "--make", "x").status())
                .isEqualTo(3);
    }

    @Test
    void whatFollowsTheBeatFollowsIt() {
        JsonNode bound = json("tempo", "bind", "--tone", tone, "--bpm", "100", "--to", "120", "--out", at("fast.json"),
                "--json");
        assertThat(bound.path("bindings").get(0).path("length").asString()).isEqualTo("dotted eighth");
        assertThat(bound.path("bindings").get(0).path("value").asDouble()).isCloseTo(375, within(0.01));
        assertThat(Json.read(dir.resolve("fast.json")).path("blocks").get(4).path("settings").path("time").asDouble())
                .isCloseTo(375, within(0.01));
        JsonNode rhythm = json("tempo", "rhythm", "--tone", tone, "--di", di, "--bpm", "100", "--json");
        assertThat(rhythm.path("notes").size()).isGreaterThan(3);
        assertThat(rhythm.path("choices").size()).isGreaterThan(8);
    }

    @Test
    void aPedalHasItsRangeAndItsFaults() {
        JsonNode r = json("pedal", "--tone", tone, "--di", di, "--control", "echo/mix", "--use", "p=echo/mix:0:40",
                "--use", "p=amp/gain:2:6", "--json");
        assertThat(r.path("low").asDouble()).isLessThan(r.path("high").asDouble());
        assertThat(r.path("anchors")).hasSize(5);
        assertThat(r.path("faults").get(0).asString()).contains("two jobs");
    }

    @Test
    void aPedalIsTrimmedForOtherAmpsAndVariantsAreHeldAgainstARoom() {
        JsonNode amps = json("platform", "--tone", tone, "--di", di, "--amp", "small combo", "--json").path("amps");
        assertThat(amps).hasSize(1);
        assertThat(amps.get(0).path("after_jnd").asDouble())
                .isLessThanOrEqualTo(amps.get(0).path("before_jnd").asDouble());
        JsonNode room = json("variants", "--tone", tone, "--di", di, "--make", "lead", "--louder", "3", "--measured",
                "96", "--allowed", "97", "--json");
        assertThat(room.path("reaches")).hasSize(2);
        assertThat(room.path("reaches").get(1).path("db").asDouble()).isCloseTo(99, within(0.3));
        assertThat(room.path("down_db").asDouble()).isCloseTo(2, within(0.3));
        assertThat(Said.by("platform", "--tone", tone, "--di", di, "--amp", "toaster").status()).isEqualTo(3);
        assertThat(Said.by("variants", "--tone", tone, "--di", di, "--measured", "96").err()).contains("give both");
        assertThat(Said.by("variants", "--tone", tone, "--di", di, "--make", "rhythm", "--louder", "1").err())
                .contains("a name of its own");
    }

    @Test
    void whatWasRiddenOnTheRecordBecomesMovesForAFoot() throws IOException {
        float[] x = new float[12 * 48_000];
        for (int i = 0; i < x.length; i++) {
            double t = i / 48_000.0;
            double u = t % 0.75;
            double fade = Math.min(1, u / 0.003) * Math.exp(-5 * u) * (u < 0.5 ? 1 : Math.exp(-60 * (u - 0.5)));
            for (int p = 1; p < 14; p++)
                x[i] += (float) (0.1 / p * fade * Math.sin(2 * Math.PI * (110 + 20 * (int) (t / 0.75) % 80) * p * u));
        }
        Files.write(dir.resolve("take.wav"), SoundWriter.encode(Sound.mono(x, 48_000), SoundWriter.Format.WAV_24));
        float[] faded = x.clone();
        for (int i = 0; i < x.length; i++)
            faded[i] *= (float) Math.pow(10, -14 * (1 - Math.clamp((i / 48_000.0 - 4) / 4, 0, 1)) / 20);
        Files.write(dir.resolve("record.wav"), SoundWriter.encode(Sound.mono(faded, 48_000),
                SoundWriter.Format.WAV_24));
        String plain = new CommandFolder(dir).write("plain.json",
                "{\"schema\":\"verisonus.tone/1\",\"name\":\"p\",\"blocks\":[{\"id\":\"volume\",\"model\":\"volume\"}]}");
        JsonNode ridden = json("pedal", "--tone", plain, "--di", at("take.wav"), "--ridden", at("record.wav"), "--json")
                .path("ridden");
        assertThat(ridden).hasSize(1);
        assertThat(ridden.get(0).path("what").asString()).isEqualTo("guitar");
        assertThat(ridden.get(0).path("control").isNull()).isTrue();
        JsonNode first = ridden.get(0).path("moves").get(0);
        assertThat(first.path("to_db").asDouble()).isGreaterThan(first.path("from_db").asDouble() + 2);
        JsonNode part = json("pedal", "--tone", plain, "--di", at("take.wav"), "--ridden", at("record.wav"), "--from",
                "2", "--json").path("ridden").get(0).path("moves").get(0);
        assertThat(part.path("from_s").asDouble()).as("on the record's own time axis").isGreaterThanOrEqualTo(3);
        assertThat(Said.by("pedal", "--tone", plain, "--di", at("take.wav"), "--control", "volume/level", "--from", "2")
                .err()).contains("part of a record");
        Said short4 = Said.by("pedal", "--tone", plain, "--di", at("take.wav"), "--ridden", at("record.wav"), "--to",
                "4");
        assertThat(short4.status()).isEqualTo(3);
        assertThat(short4.err()).contains("six seconds");
    }

    @Test
    void aToneGoesToASmallerDeviceAndToFewerParts() throws IOException {
        Files.writeString(dir.resolve("device.json"), "{\"schema\":\"verisonus.rig/1\",\"guitars\":[],\"blocks\":["
                + "{\"model\":\"open clean\",\"count\":1},{\"model\":\"1×12 open\",\"count\":1},"
                + "{\"model\":\"dynamic microphone\",\"count\":1}],\"limits\":{\"blocks\":3}}");
        String small = new CommandFolder(dir).write("small.json",
                "{\"schema\":\"verisonus.tone/1\",\"name\":\"s\",\"blocks\":["
                        + "{\"id\":\"amp\",\"model\":\"small combo\"},{\"id\":\"cabinet\",\"model\":\"1×12 open\"},"
                        + "{\"id\":\"microphone\",\"model\":\"dynamic microphone\"},"
                        + "{\"id\":\"echo\",\"model\":\"clean echo\",\"settings\":{\"mix\":20}}]}");
        JsonNode t = json("translate", "--tone", small, "--di", di, "--device", at("device.json"), "--out",
                at("there.json"), "--json");
        assertThat(t.path("gap_jnd").asDouble()).isLessThanOrEqualTo(t.path("merely_carried_over_jnd").asDouble());
        assertThat(t.path("tone").path("blocks").size()).isLessThanOrEqualTo(3);
        JsonNode b = json("builds", "--tone", small, "--di", di, "--json");
        assertThat(b.path("builds")).hasSize(2);
        JsonNode drive = json("transparency", "--tone", tone, "--di", di, "--json");
        assertThat(drive.path("left_jnd").asDouble()).isPositive();
    }

    @ParameterizedTest
    @CsvSource({"tempo, 2", "tempo bind --tone TONE --bpm 0, 3", "tempo bind --tone TONE --bpm 1000, 3",
            "tempo bind --tone TONE --bpm 100 --bind echo/time=quaver, 3",
            "tempo rhythm --tone TONE --di SILENT --bpm 100, 3", "pedal --tone TONE --di DI, 3",
            "pedal --tone TONE --di DI --use p=echo/mix:40:5, 3", "pedal --tone TONE --di DI --control echo/warp, 3",
            "pedal --tone TONE --di DI --control gain, 2", "map, 3", "map --song none.csv --variants TONE, 3",
            "variants --tone TONE --di DI --ladder wall, 3", "variants --tone TONE --di DI --make x --dirtier 5, 3",
            "variants --tone TONE --di DI --guitar other, 3", "translate --tone TONE --di DI --device TONE, 3",
            "transparency --tone TONE --di DI --drive amp, 3", "platform --tone TONE --di DI, 3",
            "variants --tone TONE --di DI --make x --loudness-at amp/gain, 3"})
    void whatCannotBeDoneIsOneLine(String line, int status) throws IOException {
        String silent = at("silent.wav");
        Files.write(Path.of(silent), verisonus.core.sound.codec.SoundWriter.encode(
                verisonus.core.sound.Sound.mono(new float[96000], 48000),
                verisonus.core.sound.codec.SoundWriter.Format.WAV_16));
        Said s = Said.by(line.replace("TONE", tone).replace("DI", di).replace("SILENT", silent).split(" ", -1));
        assertThat(s.status()).as(s.err()).isEqualTo(status);
        assertThat(s.err().lines().count()).isEqualTo(1);
        assertThat(s.err()).startsWith("verisonus: ").contains("; ");
    }

    @Test
    void aSetWhoseVariantSetsWhatTheToneHasNotIsRefusedByName() throws IOException {
        Files.writeString(dir.resolve("bad.json"), "{\"schema\":\"verisonus.variants/1\",\"tone\":"
                + Files.readString(Path.of(tone))
                + ",\"variants\":[{\"name\":\"lead\",\"settings\":{\"plate/mix\":20}}]}");
        Said s = Said.by("variants", "--tone", at("bad.json"), "--di", di);
        assertThat(s.status()).isEqualTo(3);
        assertThat(s.err()).contains("lead sets plate/mix");
    }

    @Test
    void aSongWithASectionTwiceOrWithoutVariantIsRefusedByName() throws IOException {
        json("variants", "--tone", tone, "--di", di, "--make", "lead", "--out", at("set.json"), "--json");
        for (String lines : new String[]{"verse,0,8,rhythm\nverse,0,8,lead\n", "verse,0,8,\n", "verse,8,0,rhythm\n",
                "verse,0,x,rhythm\n", "verse,0,8,polka\n"}) {
            Files.writeString(dir.resolve("song.csv"), lines);
            Said s = Said.by("map", "--song", at("song.csv"), "--variants", at("set.json"));
            assertThat(s.status()).as(lines).isEqualTo(3);
            assertThat(s.err().lines().count()).isEqualTo(1);
        }
    }

    @Test
    void aVariantStartsFromARecordingOfItsOwn() throws IOException {
        Files.writeString(dir.resolve("bright.json"), Files.readString(Path.of(tone)).replace(
                "{\"id\":\"amp\",\"model\":\"chiming edge\"}",
                "{\"id\":\"amp\",\"model\":\"chiming edge\",\"settings\":{\"treble\":9}}"));
        Said.by("render", "--tone", at("bright.json"), "--di", di, "--out", at("bright.wav"));
        JsonNode made = json("variants", "--tone", tone, "--di", di, "--make", "bright", "--like", at("bright.wav"),
                "--json");
        JsonNode like = made.path("like");
        assertThat(like.path("after_jnd").asDouble()).isLessThan(like.path("before_jnd").asDouble() / 2);
        assertThat(made.path("variants").get(0).path("settings").toString()).contains("treble");
        assertThat(Said.by("variants", "--tone", tone, "--di", di, "--like", at("bright.wav")).status()).isEqualTo(3);
    }

    @Test
    void aVariantRingsLikeWhateverIsRecorded() throws IOException {
        Said twice = Said.by("variants", "--tone", tone, "--di", di, "--ring-like", di);
        assertThat(twice.status()).isEqualTo(3);
        assertThat(twice.err()).contains("needs --make");
        Said faster = Said.by("variants", "--tone", tone, "--di", di, "--make", "organ", "--ring-like", di);
        assertThat(faster.err()).contains("already").doesNotContain("\tat ");
        Said.by("render", "--tone", tone, "--di", di, "--out", at("ring.wav"));
        JsonNode made = json("variants", "--tone", tone, "--di", di, "--make", "organ", "--ring-like", at("ring.wav"),
                "--json");
        assertThat(made.path("rings").path("wanted_db_per_s").asDouble()).isNegative();
        assertThat(made.path("rings").path("reached").asBoolean()).isTrue();
        assertThat(made.path("tone").toString()).contains("soft-knee compressor");
    }

    @Test
    void aGuitarsVariantTakesThePlaceOfTheOneOfItsName() {
        json("variants", "--tone", tone, "--di", di, "--make", "my other one", "--louder", "1", "--out", at("set.json"),
                "--json");
        JsonNode made = json("variants", "--tone", at("set.json"), "--di", di, "--guitar", "my other one",
                "--other-take", di, "--out", at("again.json"), "--json");
        assertThat(made.path("variants")).hasSize(1);
        assertThat(json("variants", "--tone", at("again.json"), "--di", di, "--json").path("variants")).hasSize(1);
        Said own = Said.by("variants", "--tone", tone, "--di", di, "--guitar", "rhythm", "--other-take", di);
        assertThat(own.status()).isEqualTo(3);
        assertThat(own.err()).contains("the tone itself is called so");
    }
}
