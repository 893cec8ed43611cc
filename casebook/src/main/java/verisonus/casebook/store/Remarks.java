package verisonus.casebook.store;

import java.util.List;
import verisonus.core.search.ControlTrade;

/**
 * What else is to be said of a derived tone.
 *
 * @param goal how near it shall come
 * @param ties controls that can be traded for each other
 * @param start the known tone it is nearest to; empty where none is
 * @param changed what differs from that
 * @param enough whether anything is left to gain; empty for a tone set by hand
 */
public record Remarks(Goal goal, List<ControlTrade> ties, String start, List<String> changed, String enough) {
    public static final Remarks NONE = new Remarks(Goal.EXACT, List.of(), "", List.of(), "");

    public Remarks {
        ties = List.copyOf(ties);
        changed = List.copyOf(changed);
    }

    /** Of a tone that was then changed by hand: what a search said of it no longer holds. */
    Remarks byHand() {
        return new Remarks(goal, List.of(), "", List.of(), "");
    }

    Remarks aiming(Goal other) {
        return new Remarks(other, ties, start, changed, enough);
    }
}
