package verisonus.core.perform;

/** What a listener notices of a sound, each on a scale from little to much of it. */
public enum Noticed {
    LOUDNESS("loudness", "softer", "louder", new Scale("LU", -6, 6, true), 30),
    DIRT("dirt", "clean", "saturated", new Scale("", 0, 1, false), 1),
    BRIGHTNESS("brightness", "darker", "brighter", new Scale("dB", -6, 6, true), 20),
    BODY("body", "thinner", "fuller", new Scale("dB", -6, 6, true), 20),
    RING("ring of a note", "short", "long", new Scale("s", 0, 4, false), 8),
    REPEATS("repeats", "none", "as loud", new Scale("dB", -40, 0, false), 60),
    SPACE("space", "dry", "long", new Scale("s", 0, 4, false), 8);

    private final String words;
    private final String less;
    private final String more;
    private final Scale scale;
    private final double mostAsked;

    /**
     * Between which ends it is drawn.
     *
     * @param relative whether it is counted against the tone itself, which stands at 0
     */
    public record Scale(String unit, double least, double most, boolean relative) {
        /** Place on the scale, 0 to 1; what lies beyond stands at the end. */
        public double place(double value) {
            return Math.clamp((value - least) / (most - least), 0, 1);
        }

        public double valueAt(double place) {
            return least + place * (most - least);
        }
    }

    Noticed(String words, String less, String more, Scale scale, double mostAsked) {
        this.words = words;
        this.less = less;
        this.more = more;
        this.scale = scale;
        this.mostAsked = mostAsked;
    }

    public String words() {
        return words;
    }

    /** The scale's lower end, as a listener calls it. */
    public String less() {
        return less;
    }

    /** The scale's upper end. */
    public String more() {
        return more;
    }

    public Scale scale() {
        return scale;
    }

    /** A change larger than this is nothing that anybody asks for, in the scale's unit. */
    double mostAsked() {
        return mostAsked;
    }
}
