package verisonus.desktop.trial;

/** The questions of this bench. */
enum TrialPlace {
    LISTEN("listen", "Does it sound the same? Ears answer, eyes do not."),
    BLIND("blind", "Can you tell them apart without their names?"),
    RATE("rate", "Which comes nearest?"),
    CHOOSE("choose", "Which would you keep, without knowing what it is?"),
    MIX("in the mix", "Does it leave room for the others?"),
    RIG("real rig", "Is the real rig there yet, and what would do with less?"),
    EARS("my ears", "How small a change do you hear?");

    private final String words;
    private final String question;

    TrialPlace(String words, String question) {
        this.words = words;
        this.question = question;
    }

    String words() {
        return words;
    }

    String question() {
        return question;
    }
}
