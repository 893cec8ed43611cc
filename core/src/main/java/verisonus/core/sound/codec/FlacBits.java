package verisonus.core.sound.codec;

/** Bits of a byte array, the highest of each byte first; beyond the end it says so at once. */
final class FlacBits {
    /** The bytes have ended, or what stands there can be no FLAC. */
    static final class Damage extends Exception {
        private static final long serialVersionUID = 1L;

        Damage(String what) {
            super(what, null, false, false);
        }
    }

    private final byte[] data;
    private long bit;

    FlacBits(byte[] data) {
        this.data = data;
    }

    void seek(int byteAt) {
        bit = 8L * byteAt;
    }

    /** Byte in which the next bit stands. */
    int at() {
        return (int) (bit >> 3);
    }

    /** On to the next whole byte. */
    void align() {
        bit = bit + 7 & ~7L;
    }

    /** Up to 57 bits as a number of 0 or more. */
    long read(int bits) throws Damage {
        if (bit + bits > 8L * data.length) throw new Damage("it ends within a frame");
        long out = 0;
        int left = bits;
        while (left > 0) {
            int inByte = (int) (bit & 7);
            int take = Math.min(left, 8 - inByte);
            int b = data[(int) (bit >> 3)] & 0xFF;
            out = out << take | b >> 8 - inByte - take & (1 << take) - 1;
            bit += take;
            left -= take;
        }
        return out;
    }

    /** The same as a number with a sign. */
    long signed(int bits) throws Damage {
        if (bits == 0) return 0;
        long v = read(bits);
        return v << 64 - bits >> 64 - bits;
    }

    /** How many 0 come before the next 1. */
    int unary() throws Damage {
        int n = 0;
        while (true) {
            int at = (int) (bit >> 3);
            if (at >= data.length) throw new Damage("it ends within a frame");
            int rest = data[at] << (bit & 7) & 0xFF;
            int inByte = 8 - (int) (bit & 7);
            if (rest == 0) {
                n += inByte;
                bit += inByte;
                continue;
            }
            int zeros = Integer.numberOfLeadingZeros(rest) - 24;
            bit += zeros + 1;
            return n + zeros;
        }
    }
}
