package verisonus.casebook.store;

import java.util.List;
import verisonus.core.advise.Sketch;
import verisonus.core.search.ControlTrade;

/**
 * What else is to be said of a derived tone.
 *
 * @param goal how near it shall come
 * @param ties controls that can be traded for each other
 * @param start the known tone it is nearest to; empty where none is
 * @param changed what differs from that
 * @param enough whether anything is left to gain; empty for a tone set by hand
 * @param missing effects of the record that did not stand in it when it was derived
 * @param unjudged what could be neither found nor ruled out
 * @param sketch whether it is more than a sketch, and what would help
 */
public record Remarks(Goal goal, List<ControlTrade> ties, String start, List<String> changed, String enough,
        List<String> missing, List<String> unjudged, Sketch sketch) {
    public static final Remarks NONE = new Remarks(Goal.EXACT, List.of(), "", List.of(), "");

    /** Of a tone of which everything could be judged and nothing is missing. */
    public Remarks(Goal goal, List<ControlTrade> ties, String start, List<String> changed, String enough) {
        this(goal, ties, start, changed, enough, List.of(), List.of(), Sketch.NONE);
    }

    public Remarks {
        ties = List.copyOf(ties);
        changed = List.copyOf(changed);
        missing = List.copyOf(missing);
        unjudged = List.copyOf(unjudged);
    }

    /** Of a tone that was then changed by hand: what a search said of it no longer holds. */
    Remarks byHand() {
        return new Remarks(goal, List.of(), "", List.of(), "", missing, unjudged, sketch);
    }

    Remarks aiming(Goal other) {
        return new Remarks(other, ties, start, changed, enough, missing, unjudged, sketch);
    }

    Remarks sketched(Sketch other) {
        return new Remarks(goal, ties, start, changed, enough, missing, unjudged, other);
    }
}
