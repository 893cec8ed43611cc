package verisonus.cli.gear;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.api.parallel.ResourceLock;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import tools.jackson.databind.JsonNode;
import verisonus.casebook.exchange.Json;
import verisonus.cli.Said;
import verisonus.core.rig.Block;
import verisonus.core.rig.ControlNames;
import verisonus.core.rig.Tone;
import verisonus.core.simulate.Renderer;
import verisonus.core.simulate.stages.Quality;
import verisonus.core.sound.Sound;
import verisonus.core.sound.codec.SoundReader;
import verisonus.core.sound.codec.SoundWriter;

/** A compressor with one control, from the file that is sent to a rig that holds it. */
@ResourceLock("java.lang.System.out")
class LearnCommandTest {
    private static final String CONTROL = "squash=threshold 0..10";
    @TempDir
    private Path dir;

    private String at(String name) {
        return dir.resolve(name).toString();
    }

    @Test
    void fromTheFileThatIsSentToTheRigThatHoldsTheDevice() throws Exception {
        Said sent = Said.by("gear", "learn", "--kind", "compressor", "--control", CONTROL, "--pause", "2", "--signal",
                at("send.wav"), "--json");
        assertThat(sent.status()).isZero();
        JsonNode passes = Json.parse("out", sent.out()).path("passes");
        assertThat(passes.size()).isEqualTo(5);
        assertThat(passes.get(0).path("set").asString()).isEqualTo("bypass the device");
        Files.write(dir.resolve("back.wav"), SoundWriter.encode(played(passes), SoundWriter.Format.WAV_24));
        Said learnt = Said.by("gear", "learn", "--name", "my squeezer", "--kind", "compressor", "--control", CONTROL,
                "--pause", "2", "--recording", at("back.wav"), "--out", at("rig.json"), "--json");
        assertThat(learnt.err()).isEmpty();
        JsonNode said = Json.parse("out", learnt.out());
        assertThat(said.path("model").asString()).contains("compressor");
        assertThat(said.path("latency_s").asDouble()).isCloseTo(0, within(0.001));
        assertThat(said.path("check_jnd").asDouble()).isLessThan(said.path("check_unlearnt_jnd").asDouble() + 0.5);
        Said shown = Said.by("gear", "show", "my squeezer", "--rig", at("rig.json"));
        assertThat(shown.out()).contains("squash (threshold)").contains("from 3 places");
    }

    /** The file through a simulated compressor, turned in the pauses. */
    private Sound played(JsonNode passes) {
        Sound whole = SoundReader.read(dir.resolve("send.wav")).sound();
        float[] out = whole.mid().clone();
        List<Double> thresholds = List.of(-28.0, -18.0, -40.0, -23.0);
        for (int p = 1; p < passes.size(); p++) {
            int from = (int) (passes.get(p).path("turn_from_s").asDouble() * whole.rateHz());
            int to = p + 1 < passes.size()
                    ? (int) (passes.get(p + 1).path("turn_from_s").asDouble() * whole.rateHz())
                    : out.length;
            Block box = Block.of("soft-knee compressor").with(ControlNames.RATIO, 5).with(ControlNames.LEVEL, 6)
                    .with(ControlNames.THRESHOLD, thresholds.get(p - 1));
            float[] made = Renderer.renderMono(new Tone("box", List.of(box)), java.util.Arrays.copyOfRange(out, from,
                    to), Quality.FINAL);
            System.arraycopy(made, 0, out, from, to - from);
        }
        return Sound.mono(out, whole.rateHz());
    }

    @ParameterizedTest
    @CsvSource(delimiter = '|', value = {"--kind|amp|--signal|s.wav|an amp is learnt by the command capture",
            "--kind|drive|--control|sparkle|what \"sparkle\" does is not known",
            "--kind|drive|--pause|0.2|it is no pause to turn in", "--kind|drive|--name|mine|there is nothing to do",
            "--kind|echo|--setting|time=3|there is no control \"time\""})
    void whatCannotBeDoneIsSaid(String first, String second, String third, String fourth, String said) {
        String value = fourth.endsWith(".wav") ? at(fourth) : fourth;
        Said answer = Said.by("gear", "learn", first, second, third, value);
        assertThat(answer.status()).isNotZero();
        assertThat(answer.err()).contains(said);
    }
}
