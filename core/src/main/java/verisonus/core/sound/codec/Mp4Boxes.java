package verisonus.core.sound.codec;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.OptionalInt;

/**
 * Reads what is needed of a file of boxes (ISO/IEC 14496-12, the base media file format) to find the frames of its sound, also where the
 * film stands in fragments. No table is believed that is larger than the file.
 */
final class Mp4Boxes {
    private static final int MOST_SAMPLES = 1 << 22;
    private static final int DECODER_CONFIG = 4;
    private static final int DECODER_SPECIFIC = 5;
    private static final int SAMPLE_ENTRY = 28;

    private final AudioBytes bytes;
    private final byte[] d;

    Mp4Boxes(AudioBytes bytes) {
        this.bytes = bytes;
        d = bytes.data();
    }

    /** A box: its kind, and where its content begins and ends. */
    private record Box(int tag, int from, int to) {
        boolean is(String four) {
            return tag == AudioBytes.tag(four);
        }
    }

    static boolean isOne(AudioBytes bytes) {
        return bytes.hasAt(4, "ftyp") || bytes.hasAt(4, "moov") || bytes.hasAt(4, "styp");
    }

    /** The tracks of sound, in the file's order. */
    List<Mp4Track> tracks() {
        Box moov = in(0, d.length).stream().filter(b -> b.is("moov")).findFirst()
                .orElseThrow(() -> bytes.fault("its table of contents is missing"));
        List<Mp4Track> out = new ArrayList<>();
        long filmRate = child(moov, "mvhd").map(b -> rate(b)).orElse(0L);
        for (Box trak : children(moov)) if (trak.is("trak")) track(trak, filmRate).ifPresent(out::add);
        return out;
    }

    private Optional<Mp4Track> track(Box trak, long filmRate) {
        Optional<Box> mdia = child(trak, "mdia");
        boolean sounds = mdia.flatMap(m -> child(m, "hdlr")).filter(h -> int32(h.from + 8) == AudioBytes.tag("soun"))
                .isPresent();
        if (mdia.isEmpty() || !sounds) return Optional.empty();
        Optional<Box> stbl = mdia.flatMap(m -> child(m, "minf")).flatMap(m -> child(m, "stbl"));
        if (stbl.isEmpty()) return Optional.empty();
        long rate = child(mdia.get(), "mdhd").map(b -> rate(b)).orElse(0L);
        List<Mp4Track.Sample> samples = samples(stbl.get());
        if (samples.isEmpty()) child(trak, "tkhd").ifPresent(h -> fragments(id(h), samples));
        byte[] config = child(stbl.get(), "stsd").map(this::config).orElse(new byte[0]);
        Shown shown = child(trak, "edts").flatMap(e -> child(e, "elst")).map(e -> shown(e, rate, filmRate))
                .orElse(Shown.ALL);
        return Optional.of(new Mp4Track(config, rate, samples, shown));
    }

    /** Time units a second of a header of film or track. */
    private long rate(Box header) {
        return uint32(header.from + (version(header) == 1 ? 20 : 12));
    }

    private long id(Box trackHeader) {
        return uint32(trackHeader.from + (version(trackHeader) == 1 ? 20 : 12));
    }

    /** First edit that plays anything: it leaves out what the encoder put in front. */
    private Shown shown(Box list, long rate, long filmRate) {
        boolean wide = version(list) == 1;
        int size = wide ? 20 : 12;
        long count = Math.min(uint32(list.from + 4), (list.to - list.from - 8) / size);
        for (int i = 0; i < count; i++) {
            int at = list.from + 8 + i * size;
            long lasts = wide ? int64(at) : uint32(at);
            long begins = wide ? int64(at + 8) : int32(at + 4);
            if (begins < 0) continue;
            boolean open = lasts <= 0 || filmRate <= 0 || rate <= 0;
            return new Shown(begins, open ? Long.MAX_VALUE : Math.round((double) lasts / filmRate * rate));
        }
        return Shown.ALL;
    }

    private byte[] config(Box stsd) {
        for (Box entry : in(stsd.from + 8, stsd.to)) {
            if (!entry.is("mp4a")) continue;
            // Sound of film cameras has a longer entry.
            int version = entry.from + 10 <= entry.to ? int16(entry.from + 8) : 0;
            int head = SAMPLE_ENTRY + (version == 1 ? 16 : version == 2 ? 36 : 0);
            Optional<Box> esds = deep(entry.from + head, entry.to, "esds");
            if (esds.isPresent()) return specific(esds.get());
        }
        return new byte[0];
    }

    private Optional<Box> deep(int from, int to, String four) {
        for (Box b : in(from, to)) {
            if (b.is(four)) return Optional.of(b);
            if (b.is("wave")) return child(b, four);
        }
        return Optional.empty();
    }

    /** The decoder's own description within an elementary stream descriptor (ISO/IEC 14496-1). */
    private byte[] specific(Box esds) {
        int at = esds.from + 4;
        int to = esds.to;
        while (at + 2 < to) {
            int tag = d[at++] & 0xFF;
            int length = 0;
            for (int i = 0; i < 4 && at < to; i++) {
                int b = d[at++] & 0xFF;
                length = length << 7 | b & 0x7F;
                if (b < 0x80) break;
            }
            if (tag == DECODER_SPECIFIC)
                return length > 1 && length <= to - at ? Arrays.copyOfRange(d, at, at + length) : new byte[0];
            // A stream's descriptor holds its decoder's, which holds what is looked for.
            at += tag == DECODER_CONFIG ? 13 : tag == 3 ? 3 : length;
        }
        return new byte[0];
    }

    private List<Mp4Track.Sample> samples(Box stbl) {
        List<Mp4Track.Sample> out = new ArrayList<>();
        Optional<Box> sizes = child(stbl, "stsz");
        Optional<Box> groups = child(stbl, "stsc");
        boolean wide = child(stbl, "co64").isPresent();
        Optional<Box> chunks = child(stbl, wide ? "co64" : "stco");
        if (sizes.isEmpty() || groups.isEmpty() || chunks.isEmpty()) return out;
        Box size = sizes.get();
        Box group = groups.get();
        Box chunk = chunks.get();
        int same = int32(size.from + 4);
        long count = Math.min(MOST_SAMPLES, uint32(size.from + 8));
        if (same == 0) count = Math.min(count, (size.to - size.from - 12) / 4);
        else count = Math.min(count, d.length / Math.max(1, same) + 1L);
        long groupCount = Math.min(uint32(group.from + 4), (group.to - group.from - 8) / 12);
        long chunkCount = Math.min(uint32(chunk.from + 4), (chunk.to - chunk.from - 8) / (wide ? 8 : 4));
        int g = 0;
        for (int c = 0; c < chunkCount && out.size() < count; c++) {
            while (g + 1 < groupCount && uint32(group.from + 8 + (g + 1) * 12) <= c + 1) g++;
            long inChunk = groupCount == 0 ? 0 : uint32(group.from + 8 + g * 12 + 4);
            long at = wide ? int64(chunk.from + 8 + c * 8) : uint32(chunk.from + 8 + c * 4);
            for (long i = 0; i < inChunk && out.size() < count; i++) {
                int length = same != 0 ? same : int32(size.from + 12 + 4 * out.size());
                out.add(new Mp4Track.Sample(at, length));
                at += Math.max(0, length);
            }
        }
        return out;
    }

    /** Frames of a track in a film of fragments. */
    private void fragments(long track, List<Mp4Track.Sample> into) {
        List<Box> top = in(0, d.length);
        for (Box moof : top) {
            if (!moof.is("moof")) continue;
            for (Box traf : children(moof)) {
                if (traf.is("traf")) fragment(traf, track, moof.from - 8L, into);
            }
        }
    }

    private void fragment(Box traf, long track, long moofAt, List<Mp4Track.Sample> into) {
        Optional<Box> header = child(traf, "tfhd");
        if (header.isEmpty() || uint32(header.get().from + 4) != track) return;
        Box h = header.get();
        int flags = int32(h.from) & 0xFFFFFF;
        int at = h.from + 8;
        long base = moofAt;
        if ((flags & 1) != 0) {
            base = int64(at);
            at += 8;
        }
        at += (flags & 2) != 0 ? 4 : 0;
        at += (flags & 8) != 0 ? 4 : 0;
        OptionalInt usual = (flags & 0x10) != 0 ? OptionalInt.of(int32(at)) : OptionalInt.empty();
        long next = base;
        for (Box run : children(traf)) if (run.is("trun")) next = run(run, base, next, usual, into);
    }

    private long run(Box run, long base, long next, OptionalInt usual, List<Mp4Track.Sample> into) {
        int flags = int32(run.from) & 0xFFFFFF;
        long count = uint32(run.from + 4);
        int at = run.from + 8;
        long place = next;
        if ((flags & 1) != 0) {
            place = base + int32(at);
            at += 4;
        }
        at += (flags & 4) != 0 ? 4 : 0;
        int before = (flags & 0x100) != 0 ? 4 : 0;
        boolean sized = (flags & 0x200) != 0;
        int each = before + (sized ? 4 : 0) + ((flags & 0x400) != 0 ? 4 : 0) + ((flags & 0x800) != 0 ? 4 : 0);
        for (long i = 0; i < count && into.size() < MOST_SAMPLES && at + each <= run.to; i++) {
            if (!sized && usual.isEmpty()) return place;
            int length = sized ? int32(at + before) : usual.orElse(0);
            if (length <= 0) return place;
            into.add(new Mp4Track.Sample(place, length));
            place += length;
            at += each;
            if (place > d.length) return place;
        }
        return place;
    }

    private List<Box> children(Box box) {
        return in(box.from, box.to);
    }

    private Optional<Box> child(Box box, String four) {
        return children(box).stream().filter(b -> b.is(four)).findFirst();
    }

    /** The boxes between two places; one that says it is longer than the place holds ends there. */
    private List<Box> in(int from, int to) {
        List<Box> out = new ArrayList<>();
        int at = from;
        while (at >= 0 && at + 8 <= to) {
            long size = uint32(at);
            int head = 8;
            if (size == 1 && at + 16 <= to) {
                size = int64(at + 8);
                head = 16;
            }
            if (size == 0) size = to - at;
            if (size < head) return out;
            int end = (int) Math.min(to, at + size);
            out.add(new Box(int32(at + 4), at + head, end));
            at = end;
        }
        return out;
    }

    private int version(Box box) {
        return box.from < box.to ? d[box.from] : 0;
    }

    private int int16(int at) {
        return at + 2 > d.length ? 0 : (d[at] & 0xFF) << 8 | d[at + 1] & 0xFF;
    }

    /** Zero beyond the end. */
    private int int32(int at) {
        return at < 0 || at + 4 > d.length ? 0 : int16(at) << 16 | int16(at + 2);
    }

    private long uint32(int at) {
        return int32(at) & 0xFFFFFFFFL;
    }

    private long int64(int at) {
        return (long) int32(at) << 32 | uint32(at + 4);
    }
}
