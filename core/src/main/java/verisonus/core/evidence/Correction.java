package verisonus.core.evidence;

import java.util.Optional;
import java.util.OptionalDouble;
import java.util.function.BiFunction;
import verisonus.core.evidence.signs.Finding;

/**
 * What a player knows better than the measurement.
 *
 * @param topic which finding
 * @param figure its right figure; empty: the finding is set aside
 */
public record Correction(Topic topic, OptionalDouble figure) {
    /** Findings that can be corrected, each by one figure. */
    public enum Topic {
        ECHO("Echo", "ms", 20, 2000),
        SPACE("Space", "s", 0.05, 20),
        MOVEMENT("Movement", "Hz", 0.05, 20),
        DIRT("Dirt",
                "", 0, 1),
        PITCH("Pitch", "cents", -50, 50),
        PULSE("Pulse", "BPM", 30, 300);

        private final String words;
        private final String unit;
        private final double least;
        private final double most;

        Topic(String words, String unit, double least, double most) {
            this.words = words;
            this.unit = unit;
            this.least = least;
            this.most = most;
        }

        public String words() {
            return words;
        }

        public String unit() {
            return unit;
        }

        /** Whether a figure can be meant. */
        public boolean accepts(double v) {
            return v >= least && v <= most;
        }

        /** The topic of that name, where it can be corrected. */
        public static Optional<Topic> of(String words) {
            for (Topic t : values()) if (t.words.equals(words)) return Optional.of(t);
            return Optional.empty();
        }
    }

    public Correction {
        if (figure.isPresent() && !topic.accepts(figure.getAsDouble())) {
            throw new IllegalArgumentException(topic + " of " + figure.getAsDouble());
        }
    }

    <T> Finding<T> apply(Finding<T> found, BiFunction<Optional<T>, Double, Optional<T>> change) {
        if (figure.isEmpty()) return Finding.unknown("set aside by the player");
        // One figure is no echo and no movement: where nothing was found there is nothing to put it right in.
        return change.apply(found.value(), figure.getAsDouble())
                .map(v -> Finding.present(v, 1, "corrected by the player")).orElse(found);
    }
}
