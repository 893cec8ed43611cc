package verisonus.app;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Nested;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;
import verisonus.core.sound.Sound;
import verisonus.core.sound.codec.SoundReader;
import verisonus.core.sound.codec.SoundWriter;

/** Each command as a process: what it prints, what it writes, how it ends. */
class CommandsTest {
    @TempDir
    private static Path dir;
    private static String playing;
    private static String silent;

    @BeforeAll
    static void makeSound() throws IOException {
        float[] x = new float[48000 * 3];
        for (int i = 0; i < x.length; i++) {
            double t = i / 48000.0;
            double hz = 110 * Math.pow(2, (int) (t / 0.3) * 5 % 12 / 12.0);
            double u = t % 0.3;
            for (int p = 1; p < 8; p++)
                x[i] += (float) (0.15 / p * Math.exp(-u * (3 + p)) * Math.sin(2 * Math.PI * hz * p * u));
        }
        playing = write("playing.wav", x);
        silent = write("silent.wav", new float[48000]);
    }

    private static String write(String name, float[] x) throws IOException {
        return Files.write(dir.resolve(name), SoundWriter.encode(Sound.mono(x, 48000), SoundWriter.Format.WAV_24))
                .toString();
    }

    private static JsonNode json(Shell s) {
        assertThat(s.status()).as(s.err()).isZero();
        return JsonMapper.builder().build().readTree(s.out());
    }

    @Nested
    class Measure {
        @Test
        void printsOneDocumentAndNothingElse() throws Exception {
            JsonNode d = json(Shell.run("measure", playing, "--json", "--from", "0.5", "--to", "2.5"));
            assertThat(d.path("schema").asString()).isEqualTo("verisonus.evidence/1");
            assertThat(d.path("region").path("from_s").asDouble()).isEqualTo(0.5);
            assertThat(d.path("format").path("duration_s").asDouble()).isEqualTo(3);
            assertThat(d.path("spectrum").path("band_centres_hz")).hasSize(26);
        }

        @Test
        void printsATableOnDemand() throws Exception {
            Shell s = Shell.run("measure", playing, "--csv");
            assertThat(s.status()).isZero();
            assertThat(s.out()).startsWith("topic,present,finding,remark,confidence,reason,player").contains("Echo,");
        }

        @Test
        void readsAsSentencesForPeople() throws Exception {
            Shell s = Shell.run("measure", playing);
            assertThat(s.status()).isZero();
            assertThat(s.out()).contains("Echo").contains("LUFS");
        }

        @Test
        void refusesWhatItCannotUse() throws Exception {
            Shell.refused(Shell.run("measure", dir.resolve("none.wav").toString()), 3, "none.wav", "no such file",
                    "; ");
            Shell.refused(Shell.run("measure", silent), 3, "silent");
            Shell.refused(Shell.run("measure", playing, "--from", "9"), 3, "region");
            Path text = Files.writeString(dir.resolve("letter.wav"), "dear sir");
            Shell.refused(Shell.run("measure", text.toString(), "--json"), 3, "letter.wav");
        }
    }

    @Nested
    class Derive {
        @Test
        void writesItsFourResultsAndRenderPlaysTheTone() throws Exception {
            String out = dir.resolve("derived").toString();
            JsonNode d = json(
                    Shell.run("derive", "--reference", playing, "--di", playing, "--out", out, "--seconds", "0.2",
                            "--seed", "3", "--json"));
            assertThat(d.path("pairing").asString()).isEqualTo("same phrase");
            assertThat(d.path("tone").path("blocks").size()).isGreaterThan(2);
            assertThat(d.path("tolerances").size()).isPositive();
            for (String name : List.of("tone.json", "render.wav", "gap.json", "sheet.md")) {
                assertThat(Path.of(out, name)).exists();
            }
            assertThat(Files.readString(Path.of(out, "sheet.md"))).contains("On other systems").contains("can move");
            Shell.refused(Shell.run("derive", "--reference", playing, "--di", playing, "--out", out, "--json"), 4,
                    "--force");

            String again = dir.resolve("again.wav").toString();
            Shell r = Shell.run("render", "--tone", out + "/tone.json", "--di", playing, "--out", again);
            assertThat(r.status()).as(r.err()).isZero();
            Sound first = SoundReader.read(Path.of(out, "render.wav")).sound();
            Sound second = SoundReader.read(Path.of(again)).sound();
            assertThat(20 * Math.log10(second.rms() / first.rms())).isCloseTo(0, within(0.1));

            JsonNode gap = json(Shell.run("compare", playing, out + "/render.wav", "--json"));
            assertThat(gap.path("schema").asString()).isEqualTo("verisonus.gap/1");
            assertThat(gap.path("rows").size()).isPositive();
            double last = Double.MAX_VALUE;
            for (JsonNode row : gap.path("rows")) {
                assertThat(row.path("audibility").asDouble()).isLessThanOrEqualTo(last);
                last = row.path("audibility").asDouble();
            }
        }

        @Test
        void namesAFaultInARig() throws Exception {
            Path rig = Files.writeString(dir.resolve("rig.json"),
                    "{\"schema\":\"verisonus.rig/1\",\"blocks\":[{\"model\":\"chiming edge\"}]}");
            Shell.refused(Shell.run("derive", "--reference", playing, "--di", playing, "--out",
                    dir.resolve("x").toString(), "--rig",
                    rig.toString()), 3, "cabinet");
        }
    }

    @Test
    void renderNamesAnUnknownControl() throws Exception {
        Path tone = Files.writeString(dir.resolve("bad.json"),
                "{\"schema\":\"verisonus.tone/1\",\"blocks\":[{\"model\":\"chiming edge\",\"settings\":{\"warp\":1}}]}");
        Shell.refused(
                Shell.run("render", "--tone", tone.toString(), "--di", playing, "--out",
                        dir.resolve("o.wav").toString()),
                3,
                "bad.json", "warp");
    }

    @Test
    void controlsListsEveryBlock() throws Exception {
        JsonNode d = json(Shell.run("controls", "--json"));
        assertThat(d.path("schema").asString()).isEqualTo("verisonus.controls/1");
        for (JsonNode b : d.path("blocks")) assertThat(b.path("controls").get(0).path("about").asString()).isNotBlank();
    }

    @Test
    void travelNamesTheWorstSystem() throws Exception {
        JsonNode d = json(
                Shell.run("travel", playing, "--reference", playing, "--systems", "phone,car", "--level-db-spl",
                        "91", "--json"));
        assertThat(d.path("systems")).hasSize(2);
        assertThat(d.path("worst").asString()).isEqualTo("phone");
        assertThat(d.path("safe_minutes_per_day").asDouble()).isCloseTo(120, within(0.5));
        Shell.refused(Shell.run("travel", playing, "--systems", "gramophone"), 3, "gramophone", "monitors");
    }

    @Test
    void timesAndRepeatsDoTheArithmetic() throws Exception {
        JsonNode times = json(Shell.run("times", "--bpm", "100", "--json"));
        boolean found = false;
        for (JsonNode t : times.path("times")) {
            if (t.path("note_value").asString().equals("dotted eighth")) {
                assertThat(t.path("ms").asDouble()).isEqualTo(450);
                found = true;
            }
        }
        assertThat(found).isTrue();
        assertThat(json(Shell.run("repeats", "--feedback-percent", "50", "--json")).path("audible_repeats").asInt())
                .isEqualTo(7);
        Shell.refused(Shell.run("times", "--bpm", "-3"), 3, "--bpm");
    }

    @Test
    void wrongUsageIsOneLineAndStatusTwo() throws Exception {
        for (String[] args : new String[][]{{}, {"fly"}, {"measure"}, {"times", "--bpm", "fast"}, {"repeats"}}) {
            Shell.refused(Shell.run(args), 2);
        }
    }

    @Test
    void everyCommandExplainsItself() throws Exception {
        Shell all = Shell.run("--help");
        assertThat(all.status()).isZero();
        for (String c : List.of("demo", "open", "measure", "controls", "render", "derive", "compare", "travel", "times",
                "repeats", "sheet")) {
            assertThat(all.out()).contains(c);
        }
        assertThat(all.out()).doesNotContain("warm-up");
        assertThat(Shell.run("derive", "--help").out()).contains("--reference").contains("--seed");
    }
}
