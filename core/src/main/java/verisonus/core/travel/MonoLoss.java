package verisonus.core.travel;

/**
 * What becomes of a band when both channels come out of one loudspeaker.
 *
 * @param changeDb against the mean of the two channels
 * @param cause why the channels do not add
 */
public record MonoLoss(NamedBand band, double changeDb, Cause cause) {
    /** Why two channels do not add. */
    public enum Cause {
        DOUBLED_TAKES("two takes, one a side"),
        MOVED_COPY("the same take on both sides, one of them later or swaying"),
        TURNED_PHASE("one side is turned in phase");

        private final String words;

        Cause(String words) {
            this.words = words;
        }

        public String words() {
            return words;
        }
    }
}
