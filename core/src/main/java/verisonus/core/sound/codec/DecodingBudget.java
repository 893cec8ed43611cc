package verisonus.core.sound.codec;

import java.io.ByteArrayInputStream;
import java.io.InputStream;

/**
 * What reading a file may cost, by its size and by what it says of itself: a library that goes on asking at the end of the file is
 * ended, and sound that no encoder could have put into so few bytes is not gathered.
 */
final class DecodingBudget {
    /** Silence is the most that a byte of a compressed file holds: a block of 4,096 samples takes 14 bytes. */
    private static final long MOST_FRAMES_A_BYTE = 400;
    private static final long ALWAYS_FRAMES = 1 << 20;
    private static final int MOST_ASKS_AT_END = 256;

    private final AudioBytes bytes;
    private final long mostFrames;

    /** @param promised how many frames the header says; 0 where it does not say */
    DecodingBudget(AudioBytes bytes, long promised) {
        this.bytes = bytes;
        long bySize = bytes.data().length * MOST_FRAMES_A_BYTE + ALWAYS_FRAMES;
        this.mostFrames = promised > 0 ? Math.min(promised, bySize) : bySize;
    }

    /** Whether enough has been read. */
    boolean isSpent(long frames) {
        return frames >= mostFrames;
    }

    /** The file as a stream that does not answer for ever once it has ended. */
    static InputStream stream(byte[] data) {
        return new ByteArrayInputStream(data) {
            private int asks;

            @Override
            public synchronized int read() {
                return ended(super.read());
            }

            @Override
            public synchronized int read(byte[] into, int from, int length) {
                return ended(super.read(into, from, length));
            }

            private int ended(int read) {
                if (read < 0 && ++asks > MOST_ASKS_AT_END) throw new EndOfFile();
                return read;
            }
        };
    }

    /** No library catches this on its way out. */
    static final class EndOfFile extends RuntimeException {
        private static final long serialVersionUID = 1L;

        EndOfFile() {
            super("the file has ended", null, false, false);
        }
    }

    AudioBytes bytes() {
        return bytes;
    }
}
