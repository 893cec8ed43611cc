package verisonus.core.feel;

/** What stays while a control is turned. */
public enum HeldConstant {
    NOTHING("turn it alone"),
    LOUDNESS("at equal loudness"),
    DIRT("at equal dirt");

    private final String words;

    HeldConstant(String words) {
        this.words = words;
    }

    public String words() {
        return words;
    }
}
