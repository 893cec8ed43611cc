package verisonus.cli.perform;

import java.nio.file.Path;
import java.util.Objects;
import org.jspecify.annotations.Nullable;
import picocli.CommandLine.Option;
import verisonus.cli.files.AudioInput;
import verisonus.cli.files.ToneInput;
import verisonus.core.rig.Tone;
import verisonus.core.sound.Sound;

/** The tone that a command works on and the dry phrase that it is played with. */
final class ToneWithTake {
    @Option(names = "--tone", required = true, paramLabel = "TONE", description = "the tone")
    private @Nullable Path tone;

    @Option(names = "--di", required = true, paramLabel = "DI", description = "dry phrase of your own")
    private @Nullable Path di;

    Path toneFile() {
        return Objects.requireNonNull(tone);
    }

    Path takeFile() {
        return Objects.requireNonNull(di);
    }

    Tone tone() {
        return ToneInput.tone(toneFile());
    }

    Sound take() {
        return AudioInput.studied(takeFile(), 0, null).sound();
    }
}
