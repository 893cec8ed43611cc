package verisonus.desktop.trial;

/** What stands round the guitar in a comparison. */
enum Around {
    ALONE("alone"),
    BAND("in the mix"),
    REST("over what is left of the record"),
    BED("over a made bed");

    private final String words;

    Around(String words) {
        this.words = words;
    }

    String words() {
        return words;
    }
}
