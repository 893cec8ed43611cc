package verisonus.casebook.exchange;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.SplittableRandom;
import java.util.function.Function;
import org.junit.jupiter.api.Nested;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import tools.jackson.databind.JsonNode;
import verisonus.core.perform.foot.PedalUse;
import verisonus.core.perform.song.Section;
import verisonus.core.perform.song.SongMap;
import verisonus.core.perform.song.SwitchWay;
import verisonus.core.perform.time.TempoBinding;
import verisonus.core.rig.Block;
import verisonus.core.rig.Control;
import verisonus.core.rig.ControlPlace;
import verisonus.core.rig.Tone;
import verisonus.core.rig.Variant;
import verisonus.core.work.InputFault;

/** What is played tonight, written and read back. */
class PerformanceDocumentsTest {
    private static final Tone TONE = new Tone("rhythm", List.of(Block.of("mid-hump overdrive"),
            Block.of("chiming edge"), Block.of("clean echo").with("mix", 20)));

    private static <T> T again(Function<JsonNode, T> read, JsonNode written) {
        return read.apply(Json.parse("again", Json.text(written)));
    }

    @Nested
    class Variants {
        @ParameterizedTest
        @ValueSource(longs = {1, 2, 3, 4, 5})
        void comeBackToTheLastBit(long seed) {
            SplittableRandom r = new SplittableRandom(seed);
            List<Variant> variants = new ArrayList<>();
            for (int n = 0; n < 4; n++) {
                Tone changed = TONE;
                for (Block b : TONE.blocks()) {
                    Block c = b.switched(r.nextBoolean());
                    for (Control k : b.model().turnable())
                        if (!k.isChoice() && r.nextInt(4) == 0) c = c.with(k.name(), k.valueAt(r.nextDouble()));
                    changed = changed.with(c);
                }
                variants.add(Variant.between("variant " + n, TONE, changed));
            }
            VariantJson.Set set = new VariantJson.Set(TONE, variants);
            VariantJson.Set read = again(n -> VariantJson.readSet("again", n), VariantJson.write(set));
            assertThat(read.variants()).isEqualTo(variants);
            assertThat(read.tone().blocks()).isEqualTo(TONE.blocks());
        }

        @ParameterizedTest
        @CsvSource(delimiter = '|', value = {
                "{\"name\":\"a\",\"settings\":{\"phaser/rate\":3}} | which the tone has not",
                "{\"name\":\"a\",\"settings\":{\"echo/mix\":300}} | use",
                "{\"name\":\"a\",\"settings\":{\"echo/mix\":\"loud\"}} | is no number",
                "{\"name\":\"a\",\"settings\":{\"mix\":3}} | cannot be used"})
        void whatCannotBeIsRefusedWithTheFilesName(String variant, String said) {
            String text = "{\"schema\":\"verisonus.variants/1\",\"tone\":" + Json.text(ToneJson.write(TONE))
                    + ",\"variants\":[" + variant + "]}";
            assertThatThrownBy(() -> VariantJson.readSet("set.json", Json.parse("set.json", text)))
                    .isInstanceOf(InputFault.class).hasMessageContaining("set.json").hasMessageContaining(said.strip());
        }

        @Test
        void twoOfOneNameAreRefused() {
            Variant v = new Variant("lead", Map.of(new ControlPlace("echo", "mix"), 30.0), Map.of());
            assertThatThrownBy(() -> again(n -> VariantJson.readSet("set.json", n),
                    VariantJson.write(new VariantJson.Set(TONE, List.of(v, v)))))
                    .isInstanceOf(InputFault.class).hasMessageContaining("give each its own name");
        }

        @Test
        void aFileOfSomethingElseSaysSo() {
            assertThatThrownBy(() -> VariantJson.readSet("tone.json", ToneJson.write(TONE)))
                    .isInstanceOf(InputFault.class).hasMessageContaining("holds no variants");
        }
    }

    @Nested
    class TheBeat {
        @Test
        void comesBackWithWhatFollowsIt() {
            PerformanceJson.Tempo t = new PerformanceJson.Tempo(92.5, TempoBinding.suggested(TONE, 92.5));
            PerformanceJson.Tempo read = again(n -> PerformanceJson.tempo("again", n), PerformanceJson.write(t));
            assertThat(read).isEqualTo(t);
        }

        @ParameterizedTest
        @ValueSource(strings = {"{\"bpm\":0}", "{\"bpm\":1000}", "{}",
                "{\"bpm\":90,\"bindings\":[{\"place\":\"echo/time\",\"length\":\"a while\"}]}",
                "{\"bpm\":90,\"bindings\":[{\"place\":\"echo\",\"length\":\"quarter\"}]}"})
        void thatIsNoneIsRefused(String text) {
            assertThatThrownBy(() -> PerformanceJson.tempo("book", Json.parse("book", text)))
                    .isInstanceOf(InputFault.class);
        }
    }

    @Nested
    class Pedals {
        @Test
        void comeBackAlsoWhereTheyWorkTheOtherWay() {
            for (PedalUse p : List.of(new PedalUse("echo pedal", new ControlPlace("echo", "mix"), 3, 55),
                    new PedalUse("left", new ControlPlace("amp", "gain"), 7.25, 2))) {
                PedalUse read = again(n -> PerformanceJson.pedal("again", n), PerformanceJson.write(p));
                assertThat(read).isEqualTo(p);
            }
        }

        @Test
        void thatDoNotMoveAreRefused() {
            assertThatThrownBy(() -> PerformanceJson.pedal("book", Json.parse("book",
                    "{\"pedal\":\"p\",\"place\":\"echo/mix\",\"low\":4,\"high\":4}"))).isInstanceOf(InputFault.class);
        }
    }

    @Nested
    class Songs {
        private static final List<SongMap.Part> PARTS = List.of(
                new SongMap.Part(new Section("verse, quiet", 0, 14.5), "rhythm"),
                new SongMap.Part(new Section("“chorus”", 14.5, 30), "lead"),
                new SongMap.Part(new Section("end", 30, 41.25), ""));

        @Test
        void comeBackAsDocuments() {
            PerformanceJson.Song s = new PerformanceJson.Song(PARTS, new SwitchWay(false, 12, true));
            PerformanceJson.Song read = again(n -> PerformanceJson.song("again", n), PerformanceJson.write(s));
            assertThat(read).isEqualTo(s);
        }

        @Test
        void comeBackAsTables() {
            assertThat(SongMapCsv.parse("song.csv", SongMapCsv.write(PARTS))).isEqualTo(PARTS);
        }

        @Test
        void aNameThatATableWouldTakeForAFormulaIsMadeHarmless() {
            String csv = SongMapCsv.write(List.of(new SongMap.Part(new Section("=1+1", 0, 1), "@lead")));
            assertThat(csv).contains("'=1+1").contains("'@lead");
        }

        @ParameterizedTest
        @CsvSource(delimiter = '|', value = {"section,from_s,to_s | no section", "verse | no start and end",
                "verse,a,3 | no time in seconds", "verse,NaN,3 | no time", "verse,5,3,lead | line 1"})
        void aTableThatCannotBeSaysTheLine(String text, String said) {
            assertThatThrownBy(() -> SongMapCsv.parse("song.csv", text.strip() + "\n")).isInstanceOf(InputFault.class)
                    .hasMessageContaining("song.csv").hasMessageContaining(said.strip());
        }

        @Test
        void remarksAndEmptyLinesArePassedBy() {
            assertThat(SongMapCsv.parse("song.csv", "# tonight\n\nsection,from_s,to_s,variant\nverse,0,8,rhythm\n\n"))
                    .hasSize(1);
        }
    }

    @Nested
    class FileNames {
        @ParameterizedTest
        @CsvSource(delimiter = '|', value = {"Slow Comet | Slow Comet.pdf", "a/b\\c:d | a-b-c-d.pdf",
                "con | sheet con.pdf", "... | sheet.pdf", "what? | what-.pdf", "“Nothing” | “Nothing”.pdf"})
        void fromTitlesAreTakenByEverySystem(String title, String name) {
            assertThat(SafeFileName.of(title, "pdf")).isEqualTo(name);
        }

        @Test
        void areNeverTooLong() {
            assertThat(SafeFileName.of("x".repeat(500), "csv").length()).isLessThanOrEqualTo(84);
        }
    }

    @Nested
    class Numbers {
        @ParameterizedTest
        @ValueSource(doubles = {Double.NaN, Double.POSITIVE_INFINITY, Double.NEGATIVE_INFINITY})
        void thatAreNoneNeverGetIntoADocument(double v) {
            assertThatThrownBy(() -> Json.put(Json.object(), "x", v, 2)).isInstanceOf(IllegalArgumentException.class);
            assertThatThrownBy(() -> Json.array(new double[]{v}, 2)).isInstanceOf(IllegalArgumentException.class);
        }

        @Test
        void areRoundedAndNeverMinusNothing() {
            var o = Json.object();
            Json.put(o, "x", -0.0004, 2);
            Json.put(o, "y", 1.23456, 2);
            assertThat(Json.text(o)).contains("\"y\"").contains("1.23").doesNotContain("-0");
        }

        @ParameterizedTest
        @ValueSource(strings = {"", "[]", "3", "null", "{", "{\"a\":}", "nonsense"})
        void aTextThatIsNoObjectIsRefusedByItsName(String text) {
            assertThatThrownBy(() -> Json.parse("x.json", text)).isInstanceOf(InputFault.class)
                    .hasMessageContaining("x.json");
        }

        @Test
        void aByteOrderMarkIsReadOver() {
            assertThat(Json.parse("x.json", "\uFEFF{\"a\":1}").path("a").asInt()).isEqualTo(1);
        }
    }
}
