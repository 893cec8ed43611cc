package verisonus.core.sound.codec;

import java.util.Arrays;
import verisonus.core.sound.codec.FlacBits.Damage;

/**
 * One frame of a FLAC stream (RFC 9639, section 9): its header with its checksum, a subframe a channel, the sides put back, the
 * checksum of the whole. What does not agree with its checksum is no frame.
 */
final class FlacFrame {
    private static final int MOST_CHANNELS = 8;
    /** Ways in which two channels are written as one and a difference. */
    private static final int LEFT_SIDE = 9;
    private static final int SIDE_RIGHT = 10;
    private static final int MID_SIDE = 11;
    private static final int MOST_ORDER = 32;
    private static final int[] SIZES = {0, 192, 576, 1152, 2304, 4608, 0, 0, 256, 512, 1024, 2048, 4096, 8192, 16384,
            32768};
    private static final int[] BITS = {0, 8, 12, 0, 16, 20, 24, 32};
    /** What each fixed predictor takes of the samples before. */
    private static final int[][] FIXED = {{}, {1}, {2, -1}, {3, -3, 1}, {4, -6, 4, -1}};
    private static final int[] CRC8 = table(8, 0x07);
    private static final int[] CRC16 = table(16, 0x8005);

    private final byte[] data;
    private final FlacBits in;
    private final int streamBits;
    private final int streamBlock;
    private final long[][] samples;
    private int channels;
    private int size;
    private long first;

    /**
     * @param streamBits bits a sample that the stream's description says
     * @param streamBlock size of its blocks where they are all alike
     */
    FlacFrame(byte[] data, int channels, int streamBits, int streamBlock) {
        this.data = data;
        this.in = new FlacBits(data);
        this.streamBits = streamBits;
        this.streamBlock = streamBlock;
        this.samples = new long[channels][65536];
    }

    private static int[] table(int bits, int polynomial) {
        int[] out = new int[256];
        int top = 1 << bits - 1;
        int mask = (1 << bits) - 1;
        for (int b = 0; b < 256; b++) {
            int crc = b << bits - 8;
            for (int i = 0; i < 8; i++) crc = (crc & top) != 0 ? crc << 1 ^ polynomial : crc << 1;
            out[b] = crc & mask;
        }
        return out;
    }

    private int crc8(int from, int to) {
        int crc = 0;
        for (int i = from; i < to; i++) crc = CRC8[crc ^ data[i] & 0xFF];
        return crc;
    }

    private int crc16(int from, int to) {
        int crc = 0;
        for (int i = from; i < to; i++) crc = crc << 8 & 0xFFFF ^ CRC16[crc >> 8 ^ data[i] & 0xFF];
        return crc;
    }

    /** How many samples a channel it holds. */
    int size() {
        return size;
    }

    /** Which sample of the stream its first is. */
    long first() {
        return first;
    }

    long[] channel(int c) {
        return samples[c];
    }

    /** Where the next frame may begin, at or after a place; the length of the data where there is none. */
    int nextSync(int from) {
        int at = from;
        while (at + 1 < data.length && !((data[at] & 0xFF) == 0xFF && (data[at + 1] & 0xFE) == 0xF8)) at++;
        return at + 1 < data.length ? at : data.length;
    }

    /** Reads the frame that begins here. @return where it ends */
    int read(int at) throws Damage {
        in.seek(at);
        int bits = header(at);
        boolean decorrelated = channels > MOST_CHANNELS;
        int count = decorrelated ? 2 : channels;
        if (count != samples.length) throw new Damage("the number of channels changes");
        for (int c = 0; c < count; c++) subframe(samples[c], bits + (side(c) ? 1 : 0));
        in.align();
        int end = in.at();
        if (in.read(16) != crc16(at, end)) throw new Damage("a checksum does not agree");
        if (decorrelated) putBack();
        return end + 2;
    }

    /** Whether a channel of a pair holds the difference of both. */
    private boolean side(int c) {
        return switch (channels) {
            case LEFT_SIDE, MID_SIDE -> c == 1;
            case SIDE_RIGHT -> c == 0;
            default -> false;
        };
    }

    /** @return bits a sample */
    private int header(int at) throws Damage {
        if (in.read(14) != 0x3FFE) throw new Damage("no frame begins there");
        if (in.read(1) != 0) throw new Damage("no frame begins there");
        boolean variable = in.read(1) == 1;
        int sizeCode = (int) in.read(4);
        int rateCode = (int) in.read(4);
        int channelCode = (int) in.read(4);
        int bitsCode = (int) in.read(3);
        if (in.read(1) != 0 || sizeCode == 0 || rateCode == 15 || channelCode > 10 || bitsCode == 3)
            throw new Damage("no frame begins there");
        long number = number();
        size = sizeCode == 6 ? (int) in.read(8) + 1 : sizeCode == 7 ? (int) in.read(16) + 1 : SIZES[sizeCode];
        if (rateCode == 12) in.read(8);
        if (rateCode > 12) in.read(16);
        int end = in.at();
        if (in.read(8) != crc8(at, end)) throw new Damage("a checksum does not agree");
        first = variable ? number : number * streamBlock;
        channels = channelCode < MOST_CHANNELS ? channelCode + 1 : channelCode - MOST_CHANNELS + LEFT_SIDE;
        int bits = bitsCode == 0 ? streamBits : BITS[bitsCode];
        if (bits < 4 || bits > 32) throw new Damage("bits that cannot be");
        return bits;
    }

    /** A number in the way in which UTF-8 writes letters. */
    private long number() throws Damage {
        int lead = (int) in.read(8);
        if (lead < 0x80) return lead;
        int more = Integer.numberOfLeadingZeros(~(lead << 24)) - 1;
        if (more < 1 || more > 6) throw new Damage("no frame begins there");
        long v = more == 6 ? 0 : lead & (1 << 6 - more) - 1;
        for (int i = 0; i < more; i++) {
            int b = (int) in.read(8);
            if ((b & 0xC0) != 0x80) throw new Damage("no frame begins there");
            v = v << 6 | b & 0x3F;
        }
        return v;
    }

    private void subframe(long[] out, int wholeBits) throws Damage {
        if (in.read(1) != 0) throw new Damage("a subframe that cannot be");
        int type = (int) in.read(6);
        int wasted = in.read(1) == 1 ? in.unary() + 1 : 0;
        int bits = wholeBits - wasted;
        if (bits < 1) throw new Damage("a subframe that cannot be");
        if (type == 0) {
            Arrays.fill(out, 0, size, in.signed(bits));
        } else if (type == 1) {
            for (int i = 0; i < size; i++) out[i] = in.signed(bits);
        } else if (type >= 8 && type <= 12) {
            fixed(out, type - 8, bits);
        } else if (type >= 32) {
            predicted(out, type - 31, bits);
        } else {
            throw new Damage("a subframe that cannot be");
        }
        if (wasted > 0) for (int i = 0; i < size; i++) out[i] <<= wasted;
    }

    private void warmUp(long[] out, int order, int bits) throws Damage {
        if (order > size || order > MOST_ORDER) throw new Damage("a subframe that cannot be");
        for (int i = 0; i < order; i++) out[i] = in.signed(bits);
    }

    private void fixed(long[] out, int order, int bits) throws Damage {
        warmUp(out, order, bits);
        residual(out, order);
        int[] taps = FIXED[order];
        for (int i = order; i < size; i++) {
            long sum = out[i];
            for (int k = 0; k < order; k++) sum += taps[k] * out[i - 1 - k];
            out[i] = sum;
        }
    }

    private void predicted(long[] out, int order, int bits) throws Damage {
        warmUp(out, order, bits);
        int precision = (int) in.read(4) + 1;
        int shift = (int) in.signed(5);
        if (precision == 16 || shift < 0) throw new Damage("a predictor that cannot be");
        long[] taps = new long[order];
        for (int k = 0; k < order; k++) taps[k] = in.signed(precision);
        residual(out, order);
        for (int i = order; i < size; i++) {
            long sum = 0;
            for (int k = 0; k < order; k++) sum += taps[k] * out[i - 1 - k];
            out[i] += sum >> shift;
        }
    }

    /** What the predictor did not say, in partitions of Rice codes. */
    private void residual(long[] out, int order) throws Damage {
        int method = (int) in.read(2);
        if (method > 1) throw new Damage("a residual that cannot be");
        int parameterBits = method == 0 ? 4 : 5;
        int escape = (1 << parameterBits) - 1;
        int partitions = 1 << in.read(4);
        int length = size / partitions;
        if (length * partitions != size || length < order) throw new Damage("partitions that cannot be");
        int at = order;
        for (int p = 0; p < partitions; p++) {
            int to = (p + 1) * length;
            int parameter = (int) in.read(parameterBits);
            if (parameter == escape) {
                int raw = (int) in.read(5);
                for (; at < to; at++) out[at] = in.signed(raw);
            } else {
                for (; at < to; at++) {
                    long v = (long) in.unary() << parameter | in.read(parameter);
                    out[at] = v >>> 1 ^ -(v & 1);
                }
            }
        }
    }

    private void putBack() {
        long[] a = samples[0];
        long[] b = samples[1];
        for (int i = 0; i < size; i++) {
            long x = a[i];
            long y = b[i];
            switch (channels) {
                case LEFT_SIDE -> b[i] = x - y;
                case SIDE_RIGHT -> a[i] = x + y;
                default -> {
                    long mid = x << 1 | y & 1;
                    a[i] = mid + y >> 1;
                    b[i] = mid - y >> 1;
                }
            }
        }
    }
}
