package verisonus.casebook.store;

import java.util.Locale;

/** How near a tone shall come. */
public enum Goal {
    EXACT("exact", 1),
    IN_THE_SPIRIT("in the spirit of it", 2),
    STARTING_POINT("a starting point", 4);

    private final String words;
    private final double countsFromJnd;

    Goal(String words, double countsFromJnd) {
        this.words = words;
        this.countsFromJnd = countsFromJnd;
    }

    public String words() {
        return words;
    }

    /** From how many just-noticeable differences on something still counts as off. */
    public double countsFromJnd() {
        return countsFromJnd;
    }

    static Goal of(String stored) {
        for (Goal g : values()) if (g.stored().equals(stored)) return g;
        return EXACT;
    }

    String stored() {
        return name().toLowerCase(Locale.ROOT);
    }
}
