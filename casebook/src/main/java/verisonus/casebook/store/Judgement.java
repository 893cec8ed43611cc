package verisonus.casebook.store;

import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.OptionalDouble;
import verisonus.core.evidence.Correction;
import verisonus.core.work.Figures;

/**
 * What the player says of a finding.
 *
 * @param topic of the finding
 * @param figure the right one, where it is corrected
 */
public record Judgement(String topic, State state, OptionalDouble figure) {
    /** What can be said of a finding. */
    public enum State {
        ACCEPTED,
        CORRECTED,
        SET_ASIDE;

        public String words() {
            return name().toLowerCase(Locale.ROOT).replace('_', ' ');
        }

        static State of(String words) {
            return valueOf(words.toUpperCase(Locale.ROOT).replace(' ', '_'));
        }
    }

    public Judgement {
        if ((state == State.CORRECTED) != figure.isPresent()) throw new IllegalArgumentException(state + " " + figure);
    }

    String words() {
        return switch (state) {
            case ACCEPTED -> topic + " accepted";
            case CORRECTED -> Figures.of("%s corrected to %s", topic, figureWords());
            case SET_ASIDE -> topic + " set aside";
        };
    }

    private String figure(double v) {
        String unit = Correction.Topic.of(topic).map(Correction.Topic::unit).orElse("");
        return Figures.of(v == Math.rint(v) ? "%.0f %s" : "%.2f %s", v, unit).strip();
    }

    /** The figure with its unit. */
    public String figureWords() {
        return figure.isPresent() ? figure(figure.getAsDouble()) : "";
    }

    /** What the verdicts change for whatever rests on the findings. */
    public static List<Correction> corrections(List<Judgement> verdicts) {
        return verdicts.stream().filter(v -> v.state != State.ACCEPTED).flatMap(v -> Correction.Topic.of(v.topic)
                .map(t -> new Correction(t, v.figure)).stream()).toList();
    }

    /** What was said of one topic. */
    public static Optional<Judgement> of(List<Judgement> verdicts, String topic) {
        return verdicts.stream().filter(v -> v.topic.equals(topic)).findFirst();
    }
}
