package verisonus.desktop.desk;

/** The benches, in working order. */
public enum Bench {
    LISTEN("Listen"),
    MEASURE("Measure"),
    DERIVE("Derive"),
    PERFORM("Perform"),
    TRIAL("Trial"),
    TRAVEL("Travel"),
    SHEET("Sheet");

    private final String words;

    Bench(String words) {
        this.words = words;
    }

    public String words() {
        return words;
    }

    public int number() {
        return ordinal() + 1;
    }
}
