package verisonus.desktop.player;

/** Where sound goes. Writing blocks at the pace at which it is heard. */
public interface SoundOutput extends AutoCloseable {
    /** What the player calls it. */
    String name();

    /** Stereo frames, interleaved; returns when there is room for more. */
    void write(float[] interleaved, int frames);

    /** How often it ran dry since it was opened: a gap was heard then. */
    default int gaps() {
        return 0;
    }

    /** Whether what it plays into has gone: nothing that is written is heard. */
    default boolean isLost() {
        return false;
    }

    @Override
    void close();

    /** The sound card where there is one, the virtual output where there is none. */
    static SoundOutput best(int rateHz) {
        return best(rateHz, 4096);
    }

    /** @param bufferFrames how much may wait to be heard: little for live playing, more for what must not break up */
    static SoundOutput best(int rateHz, int bufferFrames) {
        return SoundCardOutput.open(rateHz, bufferFrames).<SoundOutput>map(s -> s)
                .orElseGet(() -> new VirtualOutput(rateHz));
    }
}
