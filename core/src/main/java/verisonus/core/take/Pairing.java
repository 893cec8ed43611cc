package verisonus.core.take;

import java.util.Arrays;

/** What the dry guitar plays against the reference. */
public enum Pairing {
    /** The very performance that is heard in the reference: every moment can be compared. */
    SAME_PERFORMANCE("same phrase", "same", "the very performance of the reference"),
    /** The same phrase by other hands, as a rule on another guitar: notes can be compared, moments and strengths cannot. */
    PLAYED_AGAIN("same phrase", "again", "the same phrase, played again"),
    /** Something else: only what holds for any playing can be compared. */
    OTHER_PLAYING("other playing", "other", "other playing");

    private final String words;
    private final String performance;
    private final String said;

    Pairing(String words, String performance, String said) {
        this.words = words;
        this.performance = performance;
        this.said = said;
    }

    /** As files and commands have always called it; does not tell a performance from its replay. */
    public String words() {
        return words;
    }

    /** "same", "again" or "other". */
    public String performance() {
        return performance;
    }

    /** For a player. */
    public String said() {
        return said;
    }

    public boolean isSamePhrase() { return this != OTHER_PLAYING; }

    /** Of what older files say, which do not tell a performance from its replay: of the same phrase, the more careful one. */
    public static Pairing of(String words, String performance) {
        return Arrays.stream(values()).filter(p -> p.performance.equals(performance)).findFirst()
                .orElse(words.equals("same phrase") ? PLAYED_AGAIN : OTHER_PLAYING);
    }
}
