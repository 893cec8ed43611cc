package verisonus.core.trial.blind;

import java.util.Locale;

/** What is asked in a blind trial. */
public enum TrialForm {
    /** Is X the first or the second, both of which are known? */
    ABX("is X the record or mine?"),
    /** Two unnamed ones: which is the record? */
    RECORD("which is the record?");

    private final String words;

    TrialForm(String words) {
        this.words = words;
    }

    public String words() {
        return words;
    }

    public String id() {
        return name().toLowerCase(Locale.ROOT);
    }
}
