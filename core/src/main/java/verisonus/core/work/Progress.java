package verisonus.core.work;

/** Told how far long work has come, and asked whether it should go on. Called from the working thread. */
public interface Progress {
    /** Listens to nothing and never cancels. */
    Progress NONE = (_, _) -> {};

    /**
     * @param done share of the work done, 0 to 1
     * @param doing what is being done, in the user's words
     */
    void at(double done, String doing);

    /** True when the work should stop at the next safe point. */
    default boolean cancelled() {
        return false;
    }

    /** Reports and, when asked to stop, leaves by {@link Cancelled}. */
    default void step(double done, String doing) {
        if (cancelled()) throw new Cancelled();
        at(done, doing);
    }
}
