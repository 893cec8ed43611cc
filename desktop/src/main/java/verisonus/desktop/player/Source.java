package verisonus.desktop.player;

/** What can be heard. */
public enum Source {
    REFERENCE("Reference", "R"),
    MINE("Mine", "M"),
    DI("DI", "D"),
    BESIDE("Beside", "B");

    private final String words;
    private final String key;

    Source(String words, String key) {
        this.words = words;
        this.key = key;
    }

    public String words() {
        return words;
    }

    public String key() {
        return key;
    }
}
