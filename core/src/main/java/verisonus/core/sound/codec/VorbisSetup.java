package verisonus.core.sound.codec;

/**
 * Walks through the setup header of a Vorbis stream before a library builds tables from it, and refuses numbers that would make
 * those tables absurd (Xiph.Org, "Vorbis I specification", 4.2.4). Mappings and modes ask for no table and are left to the library.
 */
final class VorbisSetup {
    private static final int HEADER_BYTES = 7;
    private static final int CODEBOOK_SYNC = 0x564342;
    private static final int MOST_ENTRIES = 1 << 18;
    private static final long MOST_VALUES = 1 << 21;
    private static final int MOST_RESIDUE = 1 << 20;

    private final AudioBytes file;
    private final byte[] data;
    private final int from;
    private final int to;
    private long bit;
    private int[] dimensions = new int[0];
    private int[] entries = new int[0];

    private VorbisSetup(AudioBytes file, byte[] data, int from, int length) {
        this.file = file;
        this.data = data;
        this.from = from;
        this.to = from + length;
    }

    /** @throws verisonus.core.work.InputFault where it cannot be a header that an encoder wrote */
    static void check(AudioBytes file, byte[] data, int from, int length) {
        VorbisSetup s = new VorbisSetup(file, data, from, length);
        s.bit = 8L * HEADER_BYTES;
        s.codebooks();
        int times = s.read(6) + 1;
        for (int i = 0; i < times; i++) s.require(s.read(16) == 0);
        s.floors();
        s.residues();
    }

    private int read(int bits) {
        long v = 0;
        for (int i = 0; i < bits; i++, bit++) {
            int at = from + (int) (bit >> 3);
            require(at < to);
            v |= (long) (data[at] >> (bit & 7) & 1) << i;
        }
        return (int) v;
    }

    private void skip(long bits) {
        bit += bits;
        require(bit <= 8L * (to - from));
    }

    private void require(boolean sound) {
        if (!sound) throw file.fault("its Vorbis setup is damaged");
    }

    private void codebooks() {
        int count = read(8) + 1;
        dimensions = new int[count];
        entries = new int[count];
        for (int b = 0; b < count; b++) {
            require(read(24) == CODEBOOK_SYNC);
            dimensions[b] = read(16);
            entries[b] = read(24);
            require(dimensions[b] > 0 && entries[b] > 0 && entries[b] <= MOST_ENTRIES);
            require((long) dimensions[b] * entries[b] <= MOST_VALUES);
            lengths(entries[b]);
            lookup(dimensions[b], entries[b]);
        }
    }

    private void lengths(int count) {
        if (read(1) == 0) {
            boolean sparse = read(1) == 1;
            for (int i = 0; i < count; i++) if (!sparse || read(1) == 1) skip(5);
            return;
        }
        int length = read(5) + 1;
        for (int i = 0; i < count; length++) {
            require(length <= 32);
            int n = read(32 - Integer.numberOfLeadingZeros(count - i));
            require(n <= count - i);
            i += n;
        }
    }

    private void lookup(int dims, int count) {
        int type = read(4);
        require(type <= 2);
        if (type == 0) return;
        skip(64);
        int valueBits = read(4) + 1;
        skip(1);
        long values = type == 2 ? (long) dims * count : root(count, dims);
        require(values <= MOST_VALUES);
        skip(values * valueBits);
    }

    /** The largest number whose power of {@code dims} is no more than {@code count}. */
    private static int root(int count, int dims) {
        int r = (int) Math.floor(Math.pow(count, 1.0 / dims));
        while (powerAtMost(r + 1, dims, count)) r++;
        while (r > 1 && !powerAtMost(r, dims, count)) r--;
        return r;
    }

    private static boolean powerAtMost(int base, int exponent, int most) {
        long p = 1;
        for (int i = 0; i < exponent && base > 1; i++) {
            p *= base;
            if (p > most) return false;
        }
        return p <= most;
    }

    private void floors() {
        int count = read(6) + 1;
        for (int f = 0; f < count; f++) {
            int type = read(16);
            require(type <= 1);
            if (type == 0) {
                skip(8 + 16 + 16 + 6 + 8);
                skip(8L * (read(4) + 1));
            } else {
                curve();
            }
        }
    }

    private void curve() {
        int[] classes = new int[read(5)];
        int most = -1;
        for (int i = 0; i < classes.length; i++) {
            classes[i] = read(4);
            most = Math.max(most, classes[i]);
        }
        int[] size = new int[most + 1];
        for (int c = 0; c <= most; c++) {
            size[c] = read(3) + 1;
            int sub = read(2);
            if (sub > 0) require(read(8) < entries.length);
            for (int i = 0; i < 1 << sub; i++) require(read(8) - 1 < entries.length);
        }
        skip(2);
        int bits = read(4);
        long points = 0;
        for (int c : classes) points += size[c];
        require(points <= 63);
        skip(points * bits);
    }

    private void residues() {
        int count = read(6) + 1;
        for (int r = 0; r < count; r++) {
            require(read(16) <= 2);
            int begin = read(24);
            int end = read(24);
            skip(24);
            require(begin <= end && end <= MOST_RESIDUE);
            int kinds = read(6) + 1;
            int book = read(8);
            require(book < entries.length && powerAtMost(kinds, dimensions[book], entries[book]));
            int used = 0;
            for (int k = 0; k < kinds; k++) {
                int low = read(3);
                int high = read(1) == 1 ? read(5) : 0;
                used += Integer.bitCount(high << 3 | low);
            }
            for (int i = 0; i < used; i++) require(read(8) < entries.length);
        }
    }
}
