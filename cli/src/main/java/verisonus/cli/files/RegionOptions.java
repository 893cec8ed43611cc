package verisonus.cli.files;

import java.nio.file.Path;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import picocli.CommandLine.Option;
import verisonus.core.advise.Sketch;
import verisonus.core.evidence.study.Excerpt;
import verisonus.core.search.Derivation;
import verisonus.core.sound.Sound;
import verisonus.core.work.InputFault;

/** Which part of a reference and of a dry take is meant. */
public final class RegionOptions {
    @Option(names = "--from", paramLabel = "S", description = "start of the studied part of the reference, seconds")
    private double fromS;

    @Option(names = "--to", paramLabel = "S", description = "its end, seconds (default: the end)")
    private @Nullable Double toS;

    @Option(names = "--di-from", paramLabel = "S", description = "start of the part of the dry take that is used, seconds")
    private double takeFromS;

    @Option(names = "--di-to", paramLabel = "S", description = "its end, seconds (default: the end)")
    private @Nullable Double takeToS;

    /** The studied part of a reference. */
    public Sound reference(Path file) {
        return part(file, fromS, toS);
    }

    /** The used part of a dry take. */
    public Sound take(Path file) {
        return part(file, takeFromS, takeToS);
    }

    /** Where the studied part begins, seconds. */
    public double fromS() {
        return fromS;
    }

    /** @throws InputFault where a part is asked for and no record of which it could be one is named */
    public void withoutReference() {
        if (isPart())
            throw new InputFault("--from and --to", "they choose a part of a record, and none is named",
                    "name the record");
    }

    /** @throws InputFault where a part of a take is asked for and no take is named */
    public void withoutTake() {
        if (takeFromS > 0 || takeToS != null)
            throw new InputFault("--di-from and --di-to", "they choose a part of a dry take, and none is named",
                    "add --di");
    }

    /** Whether less than the whole reference is studied. */
    public boolean isPart() { return fromS > 0 || toS != null; }

    /**
     * Whether what was derived is more than a sketch.
     *
     * @param alone the part that was studied where none was asked for
     */
    public Sketch sketch(Path file, Optional<Excerpt> alone, Derivation derived) {
        Sound whole = AudioInput.read(file);
        if (alone.isPresent()) return Sketch.of(whole, alone.get().fromS(), alone.get().toS(), derived);
        return Sketch.of(whole, fromS, toS == null ? whole.durationS() : Math.min(toS, whole.durationS()), derived);
    }

    private static Sound part(Path file, double from, @Nullable Double to) {
        return AudioInput.studied(file, from, to).sound();
    }
}
