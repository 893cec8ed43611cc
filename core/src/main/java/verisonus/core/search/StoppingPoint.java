package verisonus.core.search;

import java.util.List;
import verisonus.core.work.Figures;

/**
 * When to stop.
 *
 * @param firstChoice how much worse the first sensible choice was than what the search came to, in the search's own JND
 * @param lastGain what the last stretch of the search gained
 * @param couldGain what as much work again could gain at best, as the gains have been falling
 */
public record StoppingPoint(double firstChoice, double lastGain, double couldGain) {
    private static final double HEARD = 1;
    /** Where nothing of the wanted sound could be measured. */
    static final StoppingPoint UNKNOWN = new StoppingPoint(Double.NaN, Double.NaN, Double.NaN);

    /** @param errors the best error so far after each stretch of work, one or more */
    static StoppingPoint of(double first, List<Double> errors) {
        int n = errors.size();
        double now = errors.getLast();
        double half = errors.get(n / 2);
        double early = Math.max(0, errors.getFirst() - half);
        double late = Math.max(0, half - now);
        // Gains that fall from stretch to stretch by the same factor add up to late·q/(1−q).
        double q = early < 1e-9 ? 0 : Math.min(0.8, late / early);
        double last = n < 2 ? 0 : Math.max(0, errors.get(n - 2) - now);
        return new StoppingPoint(Math.max(0, first - now), last, Math.min(now, late * q / (1 - q)));
    }

    /** Whether there was anything to hold a search against. */
    public boolean isKnown() {
        return !Double.isNaN(couldGain);
    }

    /** Whether nothing that is left to turn would be heard in a blind test. */
    public boolean isReached() {
        return couldGain < 0.5 * HEARD && lastGain < 0.25 * HEARD;
    }

    public String words() {
        if (!isKnown()) return "What another search could gain is not known: nothing of the guitar could be measured.";
        String now = isReached()
                ? "No single move that is left would be heard in a blind test"
                : "Another search may still gain something";
        String more = Figures.of("; ten more minutes could gain %.1f JND at best", couldGain);
        String first = firstChoice <= HEARD
                ? Figures.of(". The first sensible choice was already within %.1f JND of this",
                        Math.max(0.1, firstChoice))
                : "";
        return now + more + first + ".";
    }
}
