package verisonus.core.simulate.stages;

/** How finely nonlinear stages are run. */
public enum Quality {
    /** At the base rate: for the first hundreds of candidates; 0.16 dB off in the long-term spectrum. */
    DRAFT(1),
    /** At twice the rate: for the last steps of a search. */
    SEARCH(2),
    /** At four times the rate: for what is heard and delivered. */
    FINAL(4);

    private final int factor;

    Quality(int factor) {
        this.factor = factor;
    }

    public int factor() {
        return factor;
    }
}
