package verisonus.core.trial.train;

/** What can be trained. */
public enum Skill {
    CONTROL("Which control was turned?"),
    BAND("Which part of the sound was lifted?"),
    AMOUNT("How far was it turned?");

    private final String question;

    Skill(String question) {
        this.question = question;
    }

    public String question() {
        return question;
    }
}
