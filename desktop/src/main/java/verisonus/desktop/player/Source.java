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
    X("X", ""),
    /** Places for whatever is compared on the trial bench. */
    SLOT_1("1", ""),
    SLOT_2("2", ""),
    SLOT_3("3", ""),
    SLOT_4("4", ""),
    SLOT_5("5", ""),
    SLOT_6("6", ""),
    SLOT_7("7", ""),
    SLOT_8("8", ""),
    SLOT_9("9", ""),
    SLOT_10("10", "");

    /** How many places there are. */
    public static final int SLOTS = 10;

    private final String words;
    private final String key;

    Source(String words, String key) {
        this.words = words;
        this.key = key;
    }

    /** A place for what is compared. */
    public static Source slot(int index) {
        if (index < 0 || index >= SLOTS) throw new IllegalArgumentException("no place " + index);
        return values()[SLOT_1.ordinal() + index];
    }

    /** Which place it is; -1 where it is none. */
    public int slot() {
        return Math.max(-1, ordinal() - SLOT_1.ordinal());
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
