package verisonus.core.rig;

import java.util.HashSet;
import java.util.Set;

/**
 * Controls that keep their value whatever is searched or turned.
 *
 * @param places which
 */
public record Locks(Set<ControlPlace> places) {
    /** Nothing is locked. */
    public static final Locks NONE = new Locks(Set.of());

    public Locks {
        places = Set.copyOf(places);
    }

    public static Locks of(ControlPlace... places) {
        return new Locks(Set.of(places));
    }

    public boolean holds(String block, String control) {
        return holds(new ControlPlace(block, control));
    }

    public boolean holds(ControlPlace place) {
        return places.contains(place);
    }

    /** Whether anything of this block is locked. */
    public boolean touches(String block) {
        return places.stream().anyMatch(p -> p.block().equals(block));
    }

    /** The same with one more locked, or with it let go. */
    public Locks with(ControlPlace place, boolean locked) {
        Set<ControlPlace> next = new HashSet<>(places);
        if (locked) next.add(place);
        else next.remove(place);
        return new Locks(next);
    }
}
