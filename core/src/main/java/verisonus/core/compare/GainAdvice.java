package verisonus.core.compare;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;

/**
 * What all rows of a ledger together ask of the gain. Dirt, crest and dynamics move together when a gain is turned; where they ask for
 * opposite turns, something else moves one of them: a compressor, echo and space that fill the gaps, or the playing. One row leads, and
 * no other asks for the opposite of what it asks.
 */
final class GainAdvice {
    private static final double HEARD_JND = 1;

    private GainAdvice() {}

    /** Which way a row asks the gain to be turned: up, 1; down, −1; not at all, 0. */
    private static int asks(GapRow r) {
        if (r.audibility() < HEARD_JND || !r.ofTone()) return 0;
        int more = r.difference() > 0 ? 1 : -1;
        return switch (r.attribute()) {
            case SATURATION, FALL -> -more;
            case CREST, LOUD_TO_SOFT, DYNAMICS -> more;
            default -> 0;
        };
    }

    /** Dirt is what a gain is turned for; without it, what is heard most. */
    private static Optional<GapRow> leader(List<GapRow> rows) {
        return rows.stream().filter(r -> asks(r) != 0).max(Comparator
                .comparing((GapRow r) -> r.attribute() == GapAttribute.SATURATION)
                .thenComparing(GapRow::audibility));
    }

    /** The rows with no advice against another's; what they measure stays. */
    static List<GapRow> settled(List<GapRow> rows) {
        Optional<GapRow> leader = leader(rows);
        if (leader.isEmpty()) return rows;
        int way = asks(leader.get());
        List<GapRow> out = new ArrayList<>();
        for (GapRow r : rows) out.add(asks(r) == -way ? r.advising(instead(r, leader.get(), way)) : r);
        return out;
    }

    private static String instead(GapRow r, GapRow leader, int way) {
        String other = leader.attribute() == GapAttribute.SATURATION ? "the dirt" : "the " + leader.attribute().words();
        String wants = other + " asks for " + (way > 0 ? "more" : "less") + " gain";
        boolean tooEven = asks(r) < 0;
        return (tooEven
                ? "less compression, or less echo and space in the gaps, or other playing"
                : "a compressor in front, or other playing") + "; not the gain: " + wants;
    }
}
