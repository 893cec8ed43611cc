package verisonus.cli.files;

import java.nio.file.Path;
import java.util.Optional;
import java.util.OptionalDouble;
import org.jspecify.annotations.Nullable;
import picocli.CommandLine.Option;
import verisonus.core.advise.Sketch;
import verisonus.core.evidence.study.Excerpt;
import verisonus.core.search.Derivation;
import verisonus.core.sound.Sound;
import verisonus.core.work.InputFault;

/** Which part of a reference and of a dry take is meant. */
public final class RegionOptions {
    private static final double LONGEST_S = 1e5;

    @Option(names = "--from", paramLabel = "S", description = "start of the studied part of the reference, seconds")
    private double fromS;

    @Option(names = "--to", paramLabel = "S", description = "its end, seconds (default: the end)")
    private @Nullable Double toS;

    @Option(names = "--di-from", paramLabel = "S", description = "start of the part of the dry take that is used, seconds")
    private double takeFromS;

    @Option(names = "--di-to", paramLabel = "S", description = "its end, seconds (default: the end)")
    private @Nullable Double takeToS;

    @Option(names = "--di-at", paramLabel = "S", description = "where in the reference the take begins that plays its phrase, seconds; where it is not found by itself")
    private @Nullable Double takeAtS;

    /** The studied part of a reference. */
    public Sound reference(Path file) {
        return part(file, fromS, toS);
    }

    /** The used part of a dry take. */
    public Sound take(Path file) {
        return part(file, takeFromS, takeToS);
    }

    /**
     * Where the used part of the take is said to begin, seconds from the start of a part of the reference; empty: to be looked for.
     *
     * @param partFromS where that part begins in the reference
     */
    public OptionalDouble takeAtS(double partFromS) {
        return place(takeAtS, partFromS);
    }

    /**
     * A place that was asked for on the axis of a part.
     *
     * @param atS what `--di-at` says; null where it was not given
     * @throws InputFault where it is no time
     */
    public static OptionalDouble place(@Nullable Double atS, double partFromS) {
        if (atS == null) return OptionalDouble.empty();
        if (!Double.isFinite(atS) || Math.abs(atS) > LONGEST_S)
            throw new InputFault("--di-at", "it is no time within a recording", "give seconds, as 83.4");
        return OptionalDouble.of(atS - partFromS);
    }

    /** The same from the start of the studied part. */
    public OptionalDouble takeAtS() {
        return takeAtS(fromS);
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
        if (takeFromS > 0 || takeToS != null || takeAtS != null)
            throw new InputFault("--di-from, --di-to and --di-at",
                    "they choose a part of a dry take, and none is named",
                    "add --di");
    }

    /** @throws InputFault where a take's place is given to what is compared from its beginning */
    public void withoutPlace() {
        if (takeAtS != null)
            throw new InputFault("--di-at", "nothing is laid by it here", "choose the parts with --from and --di-from");
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
