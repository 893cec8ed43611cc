package verisonus.desktop.record;

/** Where a guitar comes in. Reading blocks at the pace at which it is played. */
public interface SoundInput extends AutoCloseable {
    /** What the player calls it. */
    String name();

    /** Begins to take sound. A person hears the count-in; a stand-in is told after how many frames to play. */
    void begin(int countInFrames);

    /** Fills {@code frames} samples, mono. */
    void read(float[] mono, int frames);

    @Override
    void close();
}
