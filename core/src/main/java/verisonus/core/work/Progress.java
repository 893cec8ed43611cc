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

    /** The same work as a part of a longer one, from this share of it to that. */
    default Progress part(double from, double to) {
        Progress whole = this;
        return new Progress() {
            @Override
            public void at(double done, String doing) {
                whole.at(from + (to - from) * done, doing);
            }

            @Override
            public boolean cancelled() {
                return whole.cancelled();
            }
        };
    }
}
