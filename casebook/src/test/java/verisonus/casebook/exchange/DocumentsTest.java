package verisonus.casebook.exchange;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.junit.jupiter.api.Nested;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ObjectNode;
import verisonus.core.evidence.Evidence;
import verisonus.core.evidence.Examination;
import verisonus.core.rig.Block;
import verisonus.core.rig.DeviceScale;
import verisonus.core.rig.Gear;
import verisonus.core.rig.Model;
import verisonus.core.rig.Rig;
import verisonus.core.rig.Tone;
import verisonus.core.sound.Sound;
import verisonus.core.travel.Journey;
import verisonus.core.travel.system.PlaybackSystem;
import verisonus.core.work.InputFault;
import verisonus.core.work.Progress;

class DocumentsTest {
    private static Sound notes() {
        float[] x = new float[48000 * 3];
        for (int i = 0; i < x.length; i++) {
            double t = i / 48000.0;
            x[i] = (float) (0.3 * Math.exp(-5 * (t % 0.5)) * Math.sin(2 * Math.PI * 220 * t));
        }
        return Sound.mono(x, 48000);
    }

    private static Tone tone(String text) {
        return ToneJson.read("t.json", Json.parse("t.json", text));
    }

    @Nested
    class Tones {
        @Test
        void comeBackAsTheyWereWritten() {
            Tone t = new Tone("mine", List.of(Block.of("tight saturated").with("gain", 2.8).switched(false),
                    Block.of("4×12 closed"), Block.of("clean echo").with("time", 285.714).with("sides", 1)));
            Tone back = ToneJson.read("t", ToneJson.write(t));
            assertThat(back.name()).isEqualTo("mine");
            assertThat(back.blocks()).hasSize(3);
            assertThat(back.blocks().get(0).on()).isFalse();
            assertThat(back.blocks().get(2).get("sides")).isEqualTo(1);
            assertThat(back.blocks().get(2).get("time")).isCloseTo(285.714, within(1e-3));
        }

        @Test
        void aMissingControlTakesItsDefault() {
            Tone t = tone("{\"schema\":\"verisonus.tone/1\",\"blocks\":[{\"model\":\"chiming edge\"}]}");
            assertThat(t.find("amp").orElseThrow().get("gain")).isEqualTo(5);
        }

        @ParameterizedTest
        @ValueSource(strings = {"{", "[]", "{}", "{\"schema\":\"verisonus.rig/1\"}",
                "{\"schema\":\"verisonus.tone/1\"}",
                "{\"schema\":\"verisonus.tone/1\",\"blocks\":[{\"model\":\"moon amp\"}]}",
                "{\"schema\":\"verisonus.tone/1\",\"blocks\":[{\"model\":\"chiming edge\",\"settings\":{\"warp\":1}}]}",
                "{\"schema\":\"verisonus.tone/1\",\"blocks\":[{\"model\":\"chiming edge\",\"settings\":{\"gain\":11}}]}",
                "{\"schema\":\"verisonus.tone/1\",\"blocks\":[{\"model\":\"chiming edge\",\"settings\":{\"gain\":\"x\"}}]}",
                "{\"schema\":\"verisonus.tone/1\",\"blocks\":[{\"model\":\"chiming edge\"},{\"model\":\"tight saturated\"}]}",
                "{\"schema\":\"verisonus.tone/1\",\"blocks\":[{\"model\":\"clean echo\",\"settings\":{\"sides\":\"up\"}}]}"})
        void whatIsWrongIsNamedWithTheFile(String text) {
            assertThatThrownBy(() -> tone(text)).isInstanceOf(InputFault.class).hasMessageStartingWith("t.json: ");
        }
    }

    @Nested
    class Rigs {
        @Test
        void comeBackAsTheyWereWritten() {
            Rig rig = new Rig(List.of("one"), Map.of("chiming edge", 2, "clean echo", 1),
                    Map.of("chiming edge", DeviceScale.HUNDREDS, "clean echo", DeviceScale.TENS), 5);
            assertThat(ToneJson.readRig("r", ToneJson.write(rig))).isEqualTo(rig);
        }

        @ParameterizedTest
        @ValueSource(strings = {"{\"schema\":\"verisonus.rig/1\"}",
                "{\"schema\":\"verisonus.rig/1\",\"blocks\":[{\"model\":\"none\"}]}",
                "{\"schema\":\"verisonus.rig/1\",\"blocks\":[{\"model\":\"chiming edge\",\"scale\":\"1-12\"}]}",
                "{\"schema\":\"verisonus.rig/1\",\"blocks\":[],\"limits\":{\"blocks\":0}}"})
        void faultsAreNamed(String text) {
            assertThatThrownBy(() -> ToneJson.readRig("r.json", Json.parse("r.json", text)))
                    .isInstanceOf(InputFault.class).hasMessageStartingWith("r.json: ");
        }
    }

    @Nested
    class EvidenceDocument {
        private final Evidence evidence = Examination.of(notes(), Progress.NONE);
        private final ObjectNode out = EvidenceJson.write("x.wav", 0, 3, 48000, 3, evidence);

        @Test
        void hasEveryPartOfTheContract() {
            for (String part : List.of("schema", "file", "region", "format", "level", "hum", "spectrum", "tuning",
                    "tempo",
                    "dynamics", "saturation", "echo", "reverb", "modulation", "stereo")) {
                assertThat(out.has(part)).as(part).isTrue();
            }
            assertThat(out.path("spectrum").path("level_db")).hasSize(26);
            assertThat(out.path("level").path("integrated_lufs").asDouble())
                    .isCloseTo(evidence.level().integratedLufs().orElseThrow(), within(0.006));
        }

        @Test
        void whatWasNotFoundIsNullAndNeverANumber() {
            JsonNode echo = out.path("echo");
            assertThat(echo.path("present").asBoolean()).isFalse();
            for (String key : List.of("time_ms", "feedback_percent", "level_db", "note_value", "second")) {
                assertThat(echo.get(key).isNull()).as(key).isTrue();
            }
        }

        @Test
        void theTextIsStrictJson() {
            assertThat(Json.parse("x", Json.text(out)).path("schema").asString()).isEqualTo("verisonus.evidence/1");
            assertThatThrownBy(() -> Json.put(out, "bad", Double.NaN, 2)).isInstanceOf(IllegalArgumentException.class);
        }
    }

    @Test
    void controlsListEveryModelWithItsRange() {
        JsonNode blocks = ControlsJson.write().path("blocks");
        assertThat(blocks).hasSize(Gear.MODELS.size());
        for (int i = 0; i < blocks.size(); i++) {
            Model m = Gear.MODELS.get(i);
            assertThat(blocks.get(i).path("controls")).hasSize(m.controls().size());
        }
    }

    @Test
    void travelNamesTheWorstSystemAndTheSafeTime() {
        var travelled = new Journey(notes(), Optional.empty(), 88).to(PlaybackSystem.ALL);
        ObjectNode out = TravelJson.write(travelled, 88, java.util.Map.of());
        assertThat(out.path("systems")).hasSize(6);
        assertThat(out.path("safe_minutes_per_day").asDouble()).isCloseTo(240, within(0.1));
        assertThat(PlaybackSystem.find(out.path("worst").asString())).isPresent();
    }
}
