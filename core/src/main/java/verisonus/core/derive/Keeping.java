package verisonus.core.derive;

/** What stays while a control is turned. */
public enum Keeping {
    NOTHING("turning changes what it changes"), LOUDNESS("turning keeps the loudness"), DIRT(
            "turning keeps dirt and loudness");

    private final String words;

    Keeping(String words) {
        this.words = words;
    }

    public String words() {
        return words;
    }
}
