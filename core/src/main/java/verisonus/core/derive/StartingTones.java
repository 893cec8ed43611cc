package verisonus.core.derive;

import java.util.List;
import java.util.Optional;

/** A few well-tried settings of drive and amp from which a search may start when asked for the nearest known tone. */
final class StartingTones {
    private static final Optional<String> NONE = Optional.empty();
    private static final Optional<String> HUMP = Optional.of("mid-hump overdrive");

    /** Values stand in the order of {@link Knobs#names}: gain, bass, mid, treble, master, sag, drive, tone, level. */
    static final List<Knobs> ALL = List.of(
            new Knobs("chiming edge", NONE, new double[]{2.5, 4, 5, 6, 3, 3}),
            new Knobs("chiming edge", NONE, new double[]{6, 4, 5, 6.5, 5, 4}),
            new Knobs("chiming edge", HUMP, new double[]{5, 4, 5, 6, 4, 4, 3, 5, 6}),
            new Knobs("mid-forward crunch", NONE, new double[]{3, 5, 6, 5, 3, 3}),
            new Knobs("mid-forward crunch", NONE, new double[]{6, 5, 7, 6, 5, 4}),
            new Knobs("mid-forward crunch", HUMP, new double[]{6, 5, 6, 6, 4, 3, 2, 6, 7}),
            new Knobs("tight saturated", NONE, new double[]{5, 5, 3, 6, 3, 2}),
            new Knobs("tight saturated", HUMP, new double[]{7, 6, 4, 6, 4, 2, 1, 6, 8}));

    private StartingTones() {}
}
