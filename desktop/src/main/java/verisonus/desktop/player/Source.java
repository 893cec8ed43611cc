package verisonus.desktop.player;

/** What can be heard. */
public enum Source {
    REFERENCE("Reference", "R"),
    MINE("Mine", "M"),
    DI("DI", "D"),
    BESIDE("Beside", "B"),
    /** In a blind trial: the first, the second, and the one that is asked for. */
    FIRST("First", ""),
    SECOND("Second", ""),
    X("X", "");

    private final String words;
    private final String key;

    Source(String words, String key) {
        this.words = words;
        this.key = key;
    }

    /** Whether it has a name that may be seen. */
    public boolean isNamed() { return !key.isEmpty(); }

    public String words() {
        return words;
    }

    public String key() {
        return key;
    }
}
