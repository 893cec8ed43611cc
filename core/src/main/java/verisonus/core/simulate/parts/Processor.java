package verisonus.core.simulate.parts;

/**
 * One piece of gear that is running. Construct with settings and rate (allocates), then {@link #process} blocks in
 * order (allocates nothing), {@link #reset} to start from silence. Not for several threads.
 */
public interface Processor {
    /**
     * Processes in place.
     *
     * @param channels one or two channels
     * @param frames how many frames from index 0
     */
    void process(float[][] channels, int frames);

    /** How many samples the output lags the input. */
    default int latency() {
        return 0;
    }

    /** Whether two sides that came in alike go out unlike. */
    default boolean widens() {
        return false;
    }

    void reset();
}
