package verisonus.cli.files;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;
import org.junit.jupiter.params.provider.ValueSource;
import verisonus.core.rig.Block;
import verisonus.core.rig.Tone;
import verisonus.core.simulate.Renderer;
import verisonus.core.simulate.stages.Quality;
import verisonus.core.sound.Sound;
import verisonus.core.sound.codec.SoundReader;
import verisonus.core.sound.codec.SoundWriter;
import verisonus.core.work.InputFault;
import verisonus.core.work.Progress;

class LongRenderTest {
    private static final Tone TONE = new Tone("t",
            List.of(Block.of("open clean").with("gain", 3), Block.of("2×12 open")));
    @TempDir
    private Path dir;

    /** Notes over two seams. */
    private Path take(int rateHz, float level) throws IOException {
        float[] x = new float[65 * rateHz];
        for (int i = 0; i < x.length; i++) {
            double u = i % (rateHz / 2) / (double) rateHz;
            x[i] = (float) (level * Math.exp(-4 * u) * Math.sin(2 * Math.PI * (110 + i / rateHz) * u));
        }
        return Files.write(dir.resolve("take" + rateHz + ".wav"),
                SoundWriter.encode(Sound.mono(x, rateHz), SoundWriter.Format.WAV_24));
    }

    private OutputFile out(String name) {
        return new OutputFile(dir.resolve(name), false);
    }

    @ParameterizedTest
    @ValueSource(ints = {48000, 44100})
    void whatIsPlayedInPiecesHasNoSeam(int rateHz) throws IOException {
        Path di = take(rateHz, 0.3f);
        double down = LongRender.write(di, TONE, SoundWriter.Format.WAV_FLOAT, out("out.wav"));
        Sound whole = Renderer.render(TONE, SoundReader.read(di).sound(), Quality.FINAL, Progress.NONE);
        Sound pieces = SoundReader.read(dir.resolve("out.wav")).sound();
        assertThat(down).isZero();
        assertThat(pieces.frames()).isEqualTo(whole.frames());
        for (int i = 0; i < whole.frames(); i += 7)
            assertThat(pieces.channel(0)[i]).as("sample %d", i).isCloseTo(whole.channel(0)[i], within(2e-4f));
    }

    @ParameterizedTest
    @EnumSource(value = SoundWriter.Format.class, names = {"WAV_16", "WAV_24"})
    void whatWouldClipIsLoweredAsAWhole(SoundWriter.Format format) throws IOException {
        Tone loud = new Tone("loud", List.of(Block.of("volume").with("level", 12)));
        double down = LongRender.write(take(48000, 0.9f), loud, format, out("out.wav"));
        assertThat(down).isGreaterThan(5);
        assertThat(SoundReader.read(dir.resolve("out.wav")).sound().peak()).isBetween(0.97, 0.995);
    }

    @Test
    void silenceIsRefusedAndNothingIsLeftBehind() throws IOException {
        assertThatThrownBy(() -> LongRender.write(take(48000, 0), TONE, SoundWriter.Format.WAV_24, out("out.wav")))
                .isInstanceOf(InputFault.class);
        try (var files = Files.list(dir)) {
            assertThat(files.map(p -> p.getFileName().toString())).containsExactly("take48000.wav");
        }
    }

    @Test
    void onlyLongTakesArePlayedInPieces() throws IOException {
        assertThat(LongRender.suits(take(44100, 0.3f))).isFalse();
    }
}
