package verisonus.core.trial.open;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import verisonus.core.sound.Sound;
import verisonus.core.travel.NamedBand;

/**
 * Where over a phrase two sounds of the same playing differ, by the parts of the sound that a listener has words for.
 *
 * @param moments in time order
 */
public record DifferenceCourse(List<Moment> moments) {
    /** Parts of a sound, the highest first. */
    public enum Part {
        BITE("bite", NamedBand.PRESENCE, NamedBand.HIGHS),
        MIDDLE("middle", NamedBand.MIDS, NamedBand.UPPER_MIDS),
        BODY("body", NamedBand.LOWS, NamedBand.LOW_MIDS);

        private final String words;
        private final NamedBand low;
        private final NamedBand high;

        Part(String words, NamedBand low, NamedBand high) {
            this.words = words;
            this.low = low;
            this.high = high;
        }

        public String words() {
            return words;
        }

        private boolean holds(NamedBand b) {
            return b == low || b == high;
        }
    }

    /**
     * One part at one time.
     *
     * @param atS the middle of the moment, from the passage's start
     * @param jnd how audible the larger of its bands' differences is
     */
    public record Moment(double atS, Part part, double jnd) {}

    public DifferenceCourse {
        moments = List.copyOf(moments);
    }

    public static DifferenceCourse of(Sound first, Sound second) {
        List<Moment> out = new ArrayList<>();
        List<MomentGap> all = MomentGap.all(first, second);
        for (Part p : Part.values()) {
            Moment last = null;
            for (MomentGap g : all) {
                if (!p.holds(g.band())) continue;
                Moment now = new Moment(g.atS(), p, g.jnd());
                if (last != null && last.atS == now.atS) {
                    out.removeLast();
                    now = new Moment(now.atS, p, Math.max(last.jnd, now.jnd));
                }
                out.add(now);
                last = now;
            }
        }
        return new DifferenceCourse(out);
    }

    /** The moments of one part, in time order. */
    public List<Moment> of(Part part) {
        return moments.stream().filter(m -> m.part == part).toList();
    }

    /** The most audible of all; empty where nothing is just heard. */
    public Optional<Moment> largest() {
        return moments.stream().filter(m -> m.jnd >= 1).max(Comparator.comparingDouble(Moment::jnd));
    }
}
