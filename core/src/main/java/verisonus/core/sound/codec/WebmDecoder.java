package verisonus.core.sound.codec;

import io.github.jaredmdobson.concentus.OpusException;
import java.nio.charset.StandardCharsets;
import java.util.Arrays;
import org.jspecify.annotations.Nullable;

/**
 * Opus in WebM: of the Matroska elements (RFC 9559, EBML of RFC 8794) no more is read than its first track of sound takes; pictures are
 * passed over.
 */
final class WebmDecoder {
    private static final int EBML = 0x1A45DFA3;
    private static final int SEGMENT = 0x18538067;
    private static final int TRACKS = 0x1654AE6B;
    private static final int TRACK = 0xAE;
    private static final int TRACK_NUMBER = 0xD7;
    private static final int TRACK_TYPE = 0x83;
    private static final int CODEC = 0x86;
    private static final int CODEC_PRIVATE = 0x63A2;
    private static final int CLUSTER = 0x1F43B675;
    private static final int SIMPLE_BLOCK = 0xA3;
    private static final int BLOCK_GROUP = 0xA0;
    private static final int BLOCK = 0xA1;
    private static final int DISCARD = 0x75A2;
    private static final int SOUND = 2;
    private static final int LACING = 0x06;

    private final AudioBytes bytes;
    private final byte[] d;
    private final DecodingBudget budget;
    private @Nullable OpusPackets packets;
    private long number = -1;
    private long discardedNs;
    private int at;

    WebmDecoder(AudioBytes bytes) {
        this.bytes = bytes;
        d = bytes.data();
        budget = new DecodingBudget(bytes, 0);
    }

    static boolean isOne(AudioBytes bytes) {
        byte[] d = bytes.data();
        return d.length > 4 && (d[0] & 0xFF) == 0x1A && (d[1] & 0xFF) == 0x45 && (d[2] & 0xFF) == 0xDF
                && (d[3] & 0xFF) == 0xA3;
    }

    DecodedSound decode() throws OpusException {
        walk(d.length);
        if (packets == null) throw bytes.fault("it holds no sound of a kind that is read");
        long discarded = Math.max(0, discardedNs) * OpusPackets.RATE_HZ / 1_000_000_000L;
        return packets.decoded(packets.frames() - packets.before() - discarded);
    }

    /** The elements up to a place; those that hold others are entered. */
    private void walk(int to) throws OpusException {
        while (at < to) {
            int id = (int) number(4, true);
            long size = number(8, false);
            if (id == 0 || at > to) return;
            // A live recording does not say how long its segment is.
            int end = size < 0 || size > to - at ? to : at + (int) size;
            switch (id) {
                case SEGMENT, TRACKS, CLUSTER -> walk(end);
                case TRACK -> track(end);
                case SIMPLE_BLOCK -> block(at, end);
                case BLOCK_GROUP -> group(end);
                case EBML -> at = end;
                default -> at = end;
            }
            if (packets != null && budget.isSpent(packets.frames())) return;
            at = Math.max(at, end);
        }
    }

    private void track(int end) throws OpusException {
        long n = -1;
        long type = -1;
        String codec = "";
        byte[] head = {};
        while (at < end) {
            int id = (int) number(4, true);
            long size = number(8, false);
            if (id == 0 || size < 0 || size > end - at) break;
            int to = at + (int) size;
            switch (id) {
                case TRACK_NUMBER -> n = unsigned(at, to);
                case TRACK_TYPE -> type = unsigned(at, to);
                case CODEC -> codec = new String(d, at, to - at, StandardCharsets.US_ASCII);
                case CODEC_PRIVATE -> head = Arrays.copyOfRange(d, at, to);
                default -> {
                }
            }
            at = to;
        }
        at = end;
        if (type != SOUND || packets != null) return;
        if (!codec.startsWith("A_OPUS")) throw bytes.fault("its sound is not Opus");
        packets = new OpusPackets(bytes, head);
        number = n;
    }

    private void group(int end) throws OpusException {
        while (at < end) {
            int id = (int) number(4, true);
            long size = number(8, false);
            if (id == 0 || size < 0 || size > end - at) break;
            int to = at + (int) size;
            if (id == BLOCK) block(at, to);
            if (id == DISCARD) discardedNs = unsigned(at, to);
            at = to;
        }
        at = end;
    }

    private void block(int from, int to) {
        at = from;
        long n = number(8, false);
        int flagsAt = at + 2;
        if (packets == null || n != number || flagsAt >= to) {
            at = to;
            return;
        }
        // Opus is never laced by those who write it; a block that says so is not understood.
        if ((d[flagsAt] & LACING) == 0) packets.add(Arrays.copyOfRange(d, flagsAt + 1, to));
        at = to;
    }

    /** A number whose first byte tells how long it is; −1 where it says that it is not known; 0 beyond the end. */
    private long number(int most, boolean marked) {
        if (at >= d.length || d[at] == 0) {
            at = d.length;
            return 0;
        }
        int length = Integer.numberOfLeadingZeros(d[at] & 0xFF) - 23;
        if (length > most || at + length > d.length) {
            at = d.length;
            return 0;
        }
        long value = marked ? d[at] & 0xFF : d[at] & (0xFF >> length);
        boolean unknown = !marked && value == 0xFF >> length;
        for (int i = 1; i < length; i++) {
            value = value << 8 | d[at + i] & 0xFF;
            unknown &= (d[at + i] & 0xFF) == 0xFF;
        }
        at += length;
        return unknown ? -1 : value;
    }

    private long unsigned(int from, int to) {
        long value = 0;
        for (int i = from; i < Math.min(to, from + 8); i++) value = value << 8 | d[i] & 0xFF;
        return value;
    }
}
