package verisonus.desktop.perform;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import verisonus.core.perform.Noticed;
import verisonus.core.perform.VariantMatrix;
import verisonus.core.work.Figures;
import verisonus.core.work.Sentence;

/**
 * A variant against the tone in words.
 *
 * @param row what was read of it; empty while it is being played
 * @param tone what was read of the tone
 */
record NoticedWords(Optional<VariantMatrix.Row> row, Optional<VariantMatrix.Row> tone) {
    private static final double LOUDER_LU = 0.5;
    private static final double DIRTIER = 0.03;
    private static final double COLOUR_DB = 1;
    private static final double LONGER = 0.2;
    private static final double REPEATS_DB = 1.5;

    /** "Lead is 3.0 LU louder and dirtier; all else is shared." */
    String heading(String name) {
        if (row.isEmpty() || tone.isEmpty()) return Sentence.begun(name) + " is being played.";
        List<String> all = new ArrayList<>();
        for (Noticed n : Noticed.values()) by(n).flatMap(v -> words(n, v)).ifPresent(all::add);
        if (all.isEmpty()) return Sentence.begun(name) + " differs from the tone in nothing that a listener notices.";
        return Sentence.begun(name) + " is " + Sentence.listed(all) + "; all else is shared.";
    }

    private Optional<Double> by(Noticed n) {
        OptionalDouble a = tone.orElseThrow().notices().of(n);
        OptionalDouble b = row.orElseThrow().notices().of(n);
        return a.isPresent() && b.isPresent() ? Optional.of(b.getAsDouble() - a.getAsDouble()) : Optional.empty();
    }

    private static Optional<String> words(Noticed n, double by) {
        boolean more = by > 0;
        double size = Math.abs(by);
        return Optional.ofNullable(switch (n) {
            case LOUDNESS -> size < LOUDER_LU ? null : Figures.of("%.1f LU %s", size, more ? "louder" : "softer");
            case DIRT -> size < DIRTIER ? null : more ? "dirtier" : "cleaner";
            case BRIGHTNESS -> size < COLOUR_DB ? null : more ? "brighter" : "darker";
            case BODY -> size < COLOUR_DB ? null : more ? "fuller" : "thinner";
            case RING -> size < LONGER ? null : more ? "longer in its notes" : "shorter in its notes";
            case REPEATS -> size < REPEATS_DB ? null : more ? "louder in its repeats" : "softer in its repeats";
            case SPACE -> size < LONGER ? null : more ? "longer in its space" : "drier";
        });
    }
}
