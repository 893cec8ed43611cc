package verisonus.core.simulate;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.io.IOException;
import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Objects;
import java.util.stream.Collectors;
import java.util.stream.DoubleStream;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import verisonus.core.rig.Block;
import verisonus.core.rig.ControlNames;
import verisonus.core.rig.Gear;
import verisonus.core.rig.Model;
import verisonus.core.rig.SoundVersions;
import verisonus.core.rig.Tone;
import verisonus.core.rig.Unit;
import verisonus.core.rig.Voice;
import verisonus.core.simulate.stages.Quality;
import verisonus.core.sound.Bands;
import verisonus.core.sound.Sound;
import verisonus.core.work.Progress;

/**
 * How every model sounded when its number was last raised: octave levels over time of a riff through it. A failure means that kept tones
 * sound otherwise: raise the model's number in {@link SoundVersions}, then run {@link #main}.
 */
class SoundVersionsTest {
    private static final String FILE = "sounds.csv";
    private static final double SAME_DB = 0.5;
    private static final int PIECES = 4;
    private static final Sound RIFF = CaptureSignal.make().slice(1.4, 3.4);
    private static final Bands OCTAVES = Bands.thirds(100, 8000);
    private static final List<String> KNOWN = known();

    /** Writes the file anew. @param args where it goes */
    public static void main(String[] args) throws IOException {
        Files.writeString(Path.of(args[0]),
                models().map(SoundVersionsTest::line).collect(Collectors.joining("\n", "", "\n")));
    }

    static Stream<Model> models() {
        return Gear.MODELS.stream().filter(m -> m.voice() != Voice.Utility.DOUBLER);
    }

    private static List<String> known() {
        try (InputStream in = Objects.requireNonNull(SoundVersionsTest.class.getResourceAsStream(FILE))) {
            return new String(in.readAllBytes(), StandardCharsets.UTF_8).lines().toList();
        } catch (IOException e) {
            throw new IllegalStateException(e);
        }
    }

    private static String line(Model m) {
        return m.name() + "," + SoundVersions.of(m) + ","
                + Arrays.stream(levels(m)).mapToObj(d -> String.format(Locale.ROOT, "%.2f", d))
                        .collect(Collectors.joining(","));
    }

    private static double[] levels(Model m) {
        Block b = Block.of(m);
        if (m.find(ControlNames.MIX).isPresent()) b = b.with(ControlNames.MIX, 50);
        Sound out = Renderer.render(new Tone("t", List.of(b)), RIFF, Quality.SEARCH, Progress.NONE);
        return Arrays.stream(out.channels()).flatMapToDouble(SoundVersionsTest::levels).toArray();
    }

    private static DoubleStream levels(float[] x) {
        int n = x.length / PIECES;
        DoubleStream all = DoubleStream.empty();
        for (int p = 0; p < PIECES; p++) {
            double[] power = OCTAVES.longTermPower(Arrays.copyOfRange(x, p * n, (p + 1) * n), Sound.WORKING_RATE_HZ);
            for (int b = 0; b + 2 < power.length; b += 3)
                all = DoubleStream.concat(all,
                        DoubleStream.of(10 * Math.log10(power[b] + power[b + 1] + power[b + 2] + 1e-9)));
        }
        return all;
    }

    @ParameterizedTest
    @MethodSource("models")
    void aModelSoundsAsWhenItsNumberWasRaisedLast(Model m) {
        String[] was = KNOWN.stream().filter(l -> l.startsWith(m.name() + ",")).findFirst().orElseThrow().split(",",
                -1);
        assertThat(SoundVersions.of(m)).as("number of %s", m.name()).isEqualTo(Integer.parseInt(was[1]));
        double[] now = levels(m);
        assertThat(now).hasSize(was.length - 2);
        for (int i = 0; i < now.length; i++)
            assertThat(now[i]).as("%s, level %d: raise its number in SoundVersions", m.name(), i)
                    .isCloseTo(Double.parseDouble(was[i + 2]), within(SAME_DB));
    }

    @Test
    void aDeviceOfThePlayersOwnHasItsModelsNumber() {
        Model crunch = Gear.model("mid-forward crunch");
        Unit red = Unit.of("red head", crunch, java.util.Map.of(), List.of());
        assertThat(SoundVersions.of(red.model())).isEqualTo(SoundVersions.of(crunch));
        assertThat(SoundVersions.of(new Tone("t", List.of(Block.of(red.model()), Block.of("spring")))))
                .containsOnlyKeys("mid-forward crunch", "spring");
    }
}
