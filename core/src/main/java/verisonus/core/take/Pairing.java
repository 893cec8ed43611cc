package verisonus.core.take;

/** What the dry guitar plays. */
public enum Pairing {
    SAME_PHRASE("same phrase"),
    OTHER_PLAYING("other playing");

    private final String words;

    Pairing(String words) {
        this.words = words;
    }

    public String words() {
        return words;
    }
}
