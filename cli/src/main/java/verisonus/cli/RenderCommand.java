package verisonus.cli;

import java.nio.file.Path;
import java.util.Objects;
import java.util.Optional;
import java.util.concurrent.Callable;
import org.jspecify.annotations.Nullable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Option;
import verisonus.cli.files.AudioFormat;
import verisonus.cli.files.AudioInput;
import verisonus.cli.files.CommonOptions;
import verisonus.cli.files.ForceOption;
import verisonus.cli.files.LongRender;
import verisonus.cli.files.OutputFile;
import verisonus.cli.files.ToneInput;
import verisonus.core.rig.Tone;
import verisonus.core.simulate.Renderer;
import verisonus.core.simulate.stages.Quality;
import verisonus.core.sound.Decibels;
import verisonus.core.sound.Sound;
import verisonus.core.sound.codec.SoundWriter;
import verisonus.core.work.Progress;

@Command(name = "render", mixinStandardHelpOptions = true, description = "Plays a dry guitar recording through a tone.")
final class RenderCommand extends CommonOptions implements Callable<Integer> {
    @Option(names = "--tone", required = true, paramLabel = "TONE.json", description = "the tone")
    private @Nullable Path tone;

    @Option(names = "--di", required = true, paramLabel = "DI", description = "dry guitar recording")
    private @Nullable Path di;

    @Option(names = "--second-di", paramLabel = "DI", description = "a second performance, for a tone that doubles")
    private @Nullable Path secondDi;

    @Option(names = "--out", required = true, paramLabel = "OUT", description = "where the sound goes")
    private @Nullable Path out;

    @Option(names = "--seed", paramLabel = "N", description = "seed of all randomness (default: 1)")
    @SuppressWarnings("unused") // no block of today draws random numbers
    private long seed = 1;

    @Option(names = "--format", paramLabel = "F", description = "wav24 (default), wav16, float or flac")
    private AudioFormat format = AudioFormat.WAV24;

    @Mixin
    private final ForceOption force = new ForceOption();

    @Override
    public Integer call() {
        OutputFile target = force.to(Objects.requireNonNull(out)).besides(di, tone, secondDi);
        format.requireEnding(target.path());
        Tone read = ToneInput.tone(Objects.requireNonNull(tone));
        target.check();
        boolean wav = format != AudioFormat.FLAC;
        if (wav && secondDi == null && LongRender.suits(Objects.requireNonNull(di))) {
            double down = LongRender.write(di, read, format.format(), target);
            if (down > 0) lowered(down);
            System.err.printf("verisonus: wrote %s%n", out);
            return 0;
        }
        Sound dry = AudioInput.read(Objects.requireNonNull(di));
        Optional<Sound> second = Optional.ofNullable(secondDi).map(AudioInput::read);
        Sound rendered = Renderer.render(read, dry, second, Quality.FINAL, Progress.NONE);
        double peak = Decibels.fromAmplitude(rendered.peak());
        if (peak > 0 && format != AudioFormat.FLOAT) {
            rendered = rendered.gained(-peak - 0.1);
            lowered(peak + 0.1);
        }
        target.write(SoundWriter.encode(rendered, format.format()));
        System.err.printf("verisonus: wrote %s, %.2f s%n", out, rendered.durationS());
        return 0;
    }

    private void lowered(double db) {
        System.err.printf("verisonus: %s: lowered by %.1f dB so that nothing clips; --format float keeps the level%n",
                out,
                db);
    }
}
