package verisonus.core.evidence.signs;

import java.util.Optional;
import java.util.OptionalDouble;
import java.util.function.UnaryOperator;

/**
 * What an estimator found, or why it found nothing.
 *
 * @param presence whether the thing asked for is there; values that always exist (a level) are PRESENT or UNKNOWN
 * @param value the figures; empty unless present
 * @param confidence 0 to 1: of findings stated at 0.8 about eight in ten are right
 * @param reason one sentence without a full stop: what in the sound speaks for it
 * @param plot the curve that shows the reason, where one does
 */
public record Finding<T>(Presence presence, Optional<T> value, double confidence, String reason, Optional<Plot> plot) {
    /** Where two readings contradict each other, the surer one is believed from this probability on. */
    private static final double OUTWEIGHS = 0.75;
    /** No reading counts as surer than this against another. */
    private static final double MOST = 0.98;

    public Finding {
        if (!(confidence >= 0 && confidence <= 1)) throw new IllegalArgumentException("confidence " + confidence);
        if (value.isPresent() && presence != Presence.PRESENT)
            throw new IllegalArgumentException("value of " + presence);
    }

    public static <T> Finding<T> present(T value, double confidence, String reason) {
        return new Finding<>(Presence.PRESENT, Optional.of(value), confidence, reason, Optional.empty());
    }

    public static <T> Finding<T> absent(double confidence, String reason) {
        return new Finding<>(Presence.ABSENT, Optional.empty(), confidence, reason, Optional.empty());
    }

    public static <T> Finding<T> unknown(String reason) {
        return new Finding<>(Presence.UNKNOWN, Optional.empty(), 0, reason, Optional.empty());
    }

    public Finding<T> shownBy(Plot curve) {
        return new Finding<>(presence, value, confidence, reason, Optional.of(curve));
    }

    /** The same with another value, where there is one. */
    public Finding<T> map(UnaryOperator<T> change) {
        return new Finding<>(presence, value.map(change), confidence, reason, plot);
    }

    /** The same for another reason. */
    public Finding<T> because(String newReason) {
        return new Finding<>(presence, value, confidence, newReason, plot);
    }

    /** The same, stated with another confidence. */
    public Finding<T> trusted(double newConfidence) {
        return new Finding<>(presence, value, newConfidence, reason, plot);
    }

    /** The confidence where there is an answer to be sure of; empty where the recording cannot tell. */
    public OptionalDouble stated() {
        return presence == Presence.UNKNOWN ? OptionalDouble.empty() : OptionalDouble.of(confidence);
    }

    /**
     * What this reading and another of the same question say together, by the sum of their log-odds: nothing is known less than from
     * either alone, and where they contradict each other about equally it is open.
     *
     * @param other the one that has more to go by; its value is taken where both find one
     * @param name of this one, for the reason
     */
    public Finding<T> weighedWith(Finding<T> other, String name) {
        if (other.presence == Presence.UNKNOWN) return presence == Presence.UNKNOWN ? other : this;
        if (presence == Presence.UNKNOWN) return other;
        if (presence == other.presence) return other.trusted(Math.max(confidence, other.confidence));
        double sure = 1 / (1 + Math.exp(logOdds(confidence) - logOdds(other.confidence)));
        if (Math.max(sure, 1 - sure) < OUTWEIGHS)
            return unknown("two readings contradict each other: " + other.reason + "; but " + name + ": " + reason);
        return sure > 0.5
                ? other.trusted(sure).because(other.reason + "; " + name + " speaks against it")
                : trusted(1 - sure).because(reason + "; the take speaks against it");
    }

    private static double logOdds(double p) {
        double within = Math.clamp(p, 1 - MOST, MOST);
        return Math.log(within / (1 - within));
    }

    public boolean isPresent() { return presence == Presence.PRESENT; }
}
