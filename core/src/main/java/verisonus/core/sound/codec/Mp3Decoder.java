package verisonus.core.sound.codec;

import javazoom.jl.decoder.Bitstream;
import javazoom.jl.decoder.Decoder;
import javazoom.jl.decoder.Header;
import javazoom.jl.decoder.JavaLayerException;
import javazoom.jl.decoder.SampleBuffer;
import org.jspecify.annotations.Nullable;
import verisonus.core.sound.Sound;

/**
 * MPEG audio layer III by the JLayer library. The information frame that encoders put first is left out, and the
 * encoder's delay and padding, where it states them, are cut.
 */
final class Mp3Decoder {
    /** Delay of any decoder: the synthesis filter bank's 528 samples and one. */
    private static final int DECODER_DELAY = 529;

    private final AudioBytes bytes;

    Mp3Decoder(AudioBytes bytes) {
        this.bytes = bytes;
    }

    DecodedSound decode() throws JavaLayerException {
        Bitstream stream = new Bitstream(DecodingBudget.stream(bytes.data()));
        Decoder decoder = new Decoder();
        @Nullable
        SampleSink sink = null;
        int rateHz = 0;
        int damaged = 0;
        for (Header h = stream.readFrame(); h != null; h = stream.readFrame()) {
            int channels = h.mode() == Header.SINGLE_CHANNEL ? 1 : 2;
            if (sink == null) {
                rateHz = h.frequency();
                bytes.requireShape(channels, rateHz);
                sink = new SampleSink(channels);
            }
            try {
                SampleBuffer out = (SampleBuffer) decoder.decodeFrame(h, stream);
                if (out.getChannelCount() == channels && h.frequency() == rateHz) {
                    sink.addInterleaved(out.getBuffer(), out.getBufferLength());
                }
            } catch (JavaLayerException | RuntimeException badFrame) {
                damaged++;
            }
            stream.closeFrame();
        }
        if (sink == null || sink.frames() == 0) throw bytes.fault("no MP3 sound was found in it");
        DecodedSound decoded = new DecodedSound(trimmed(new Sound(sink.channels(), rateHz)));
        return damaged == 0 ? decoded : decoded.warning("damaged: " + damaged + " MP3 frames could not be read");
    }

    private Sound trimmed(Sound sound) {
        int tag = informationTag();
        if (tag < 0) return sound;
        int samplesPerFrame = sound.rateHz() >= 32000 ? 1152 : 576;
        int from = samplesPerFrame;
        int to = sound.frames();
        int lame = tag + 8 + lengthOfOptionalFields(tag);
        if (lame + 24 <= bytes.data().length && bytes.data()[lame] >= 'A' && bytes.data()[lame] <= 'z') {
            int d0 = bytes.data()[lame + 21] & 0xFF;
            int d1 = bytes.data()[lame + 22] & 0xFF;
            int d2 = bytes.data()[lame + 23] & 0xFF;
            int delay = d0 << 4 | d1 >> 4;
            int padding = (d1 & 15) << 8 | d2;
            from += delay + DECODER_DELAY;
            to -= Math.max(0, padding - DECODER_DELAY);
        }
        return from < to ? sound.sliceFrames(from, to) : sound;
    }

    private int lengthOfOptionalFields(int tag) {
        int flags = bytes.data()[tag + 7];
        return ((flags & 1) != 0 ? 4 : 0) + ((flags & 2) != 0 ? 4 : 0) + ((flags & 4) != 0 ? 100 : 0)
                + ((flags & 8) != 0 ? 4 : 0);
    }

    /** Where the first frame's "Xing" or "Info" stands, or −1. */
    private int informationTag() {
        int start = 0;
        byte[] d = bytes.data();
        if (bytes.startsWith("ID3") && d.length > 10) {
            start = 10 + ((d[6] & 127) << 21 | (d[7] & 127) << 14 | (d[8] & 127) << 7 | d[9] & 127);
        }
        for (int i = start; i < Math.min(d.length - 120, start + 200); i++) {
            if (bytes.hasAt(i, "Xing") || bytes.hasAt(i, "Info")) return i;
        }
        return -1;
    }
}
