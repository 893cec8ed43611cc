package verisonus.core.sound.codec;

/**
 * How samples lie in bytes.
 *
 * @param kind integer, unsigned byte or float
 * @param bits bits of one sample: 8, 16, 24, 32 or 64
 * @param bigEndian most significant byte first
 */
record PcmFormat(Encoding kind, int bits, boolean bigEndian) {
    enum Encoding {
        SIGNED,
        UNSIGNED,
        FLOAT
    }

    boolean supported() {
        return kind == Encoding.FLOAT ? bits == 32 || bits == 64 : bits == 8 || bits == 16 || bits == 24 || bits == 32;
    }

    int bytes() {
        return bits / 8;
    }

    /** Splits interleaved bytes into channels; a last frame that is not whole is left out. */
    float[][] decode(byte[] data, int offset, int length, int channels) {
        int frames = length / (bytes() * channels);
        float[][] out = new float[channels][frames];
        int at = offset;
        for (int i = 0; i < frames; i++) {
            for (int c = 0; c < channels; c++, at += bytes()) out[c][i] = sample(data, at);
        }
        return out;
    }

    private float sample(byte[] d, int at) {
        long v = 0;
        int n = bytes();
        for (int i = 0; i < n; i++) v = v << 8 | (d[bigEndian ? at + i : at + n - 1 - i] & 0xFF);
        return switch (kind) {
            case UNSIGNED -> (v - 128) / 128f;
            case SIGNED -> (float) ((double) (v << (64 - bits) >> (64 - bits)) / (1L << (bits - 1)));
            case FLOAT -> bits == 32 ? Float.intBitsToFloat((int) v) : (float) Double.longBitsToDouble(v);
        };
    }
}
