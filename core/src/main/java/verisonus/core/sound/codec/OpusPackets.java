package verisonus.core.sound.codec;

import io.github.jaredmdobson.concentus.OpusDecoder;
import io.github.jaredmdobson.concentus.OpusException;
import java.util.Arrays;

/** Packets of Opus, one after the other, by the Concentus library, at 48 kHz; a packet that cannot be read is silence of its length. */
final class OpusPackets {
    static final int RATE_HZ = 48000;
    /** The longest packet, 120 ms (RFC 6716). */
    private static final int MOST_FRAMES = 5760;
    private static final int HEAD = 19;

    private final AudioBytes bytes;
    private final OpusDecoder decoder;
    private final SampleSink sink;
    private final int channels;
    private final int before;
    private final short[] out;
    private int last = 960;
    private int damaged;

    /** @param head the identification header (RFC 7845) */
    OpusPackets(AudioBytes bytes, byte[] head) throws OpusException {
        this.bytes = bytes;
        if (!isHead(head)) throw bytes.fault("its Opus header is incomplete");
        channels = head[9];
        bytes.requireShape(channels, RATE_HZ);
        before = head[10] & 0xFF | (head[11] & 0xFF) << 8;
        decoder = new OpusDecoder(RATE_HZ, channels);
        decoder.setGain((short) (head[16] & 0xFF | head[17] << 8));
        sink = new SampleSink(channels);
        out = new short[MOST_FRAMES * channels];
    }

    static boolean isHead(byte[] packet) {
        return packet.length >= HEAD && new AudioBytes("", packet).startsWith("OpusHead");
    }

    void add(byte[] packet) {
        if (packet.length == 0) return;
        try {
            last = decoder.decode(packet, 0, packet.length, out, 0, MOST_FRAMES, false);
            sink.addInterleaved(out, last * channels);
        } catch (OpusException | RuntimeException | AssertionError badPacket) {
            damaged++;
            sink.silence(last);
            Arrays.fill(out, (short) 0);
        }
    }

    int frames() {
        return sink.frames();
    }

    int before() {
        return before;
    }

    /** @param frames how many are heard */
    DecodedSound decoded(long frames) {
        if (sink.frames() == 0) throw bytes.fault("no Opus sound was found in it");
        DecodedSound all = new DecodedSound(new Shown(before, frames).of(sink, RATE_HZ));
        return damaged == 0 ? all : all.warning("damaged: " + damaged + " Opus packets could not be read");
    }
}
