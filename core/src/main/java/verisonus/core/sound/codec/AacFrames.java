package verisonus.core.sound.codec;

import java.io.IOException;
import java.util.Arrays;
import java.util.List;
import java.util.logging.Logger;
import net.sourceforge.jaad.aac.Decoder;
import net.sourceforge.jaad.aac.Receiver;
import org.jspecify.annotations.Nullable;
import verisonus.core.sound.Sound;

/** Frames of AAC, one after the other, by the JAAD library. A frame that cannot be read is silence of its length. */
final class AacFrames implements Receiver {
    /** Samples of one frame; those with doubled highs hold twice as many. */
    static final int FRAME = 1024;
    private static final float FULL_SCALE = 32768;
    /** Sixty decibels under the first channel. */
    private static final double EMPTY = 1e-3;

    /** What it warns of is no news to a player; held, or it would be set up anew. */
    private static final Logger QUIET = Logger.getLogger("jaad");

    static {
        QUIET.setUseParentHandlers(false);
    }

    private final AudioBytes bytes;
    private final Decoder decoder;
    private @Nullable SampleSink sink;
    private int rateHz;
    private final int declared;
    private int damaged;

    /** @param config the audio specific config of ISO/IEC 14496-3 */
    AacFrames(AudioBytes bytes, byte[] config) throws IOException {
        this.bytes = bytes;
        decoder = Decoder.create(plain(config));
        declared = config.length < 2 ? 0 : config[1] >> 3 & 15;
        bytes.requireShape(Math.max(1, decoder.getConfig().getChannelCount()),
                decoder.getConfig().getSampleFrequency().getFrequency());
    }

    /** Without the extension that says that highs are not doubled: the library takes any for doubled ones. */
    private static byte[] plain(byte[] config) {
        boolean extended = config.length >= 5 && (config[2] & 0xFF) == 0x56 && (config[3] & 0xE0) == 0xE0;
        return extended && (config[4] & 0x80) == 0 ? Arrays.copyOf(config, 2) : config;
    }

    void add(byte[] frame) {
        int before = frames();
        try {
            decoder.decodeFrame(frame, this);
        } catch (RuntimeException damagedFrame) {
            damaged++;
            if (sink != null && frames() == before) sink.silence(FRAME);
        }
    }

    @Override
    public void accept(List<float[]> samples, int length, int hz) {
        if (sink == null) {
            bytes.requireShape(samples.size(), hz);
            sink = new SampleSink(samples.size());
            rateHz = hz;
        }
        if (samples.size() != sink.channelCount() || hz != rateHz) return;
        for (int c = 0; c < samples.size(); c++) {
            float[] in = samples.get(c);
            for (int i = 0; i < length; i++) in[i] /= FULL_SCALE;
            sink.add(c, in, 0, length);
        }
        sink.advance(length);
    }

    int frames() {
        return sink == null ? 0 : sink.frames();
    }

    int rateHz() {
        return rateHz;
    }

    /** @param shown which samples are heard, at the decoded rate; what an encoder put in front and behind is not */
    DecodedSound decoded(Shown shown) {
        if (sink == null) throw bytes.fault("no AAC sound was found in it");
        Sound sound = shown.of(sink, rateHz);
        // The library puts a second channel beside a single one, empty where no parameters spread it.
        boolean single = declared == 1 && sound.isStereo()
                && Sound.mono(sound.channel(1), rateHz).rms() < EMPTY * Sound.mono(sound.channel(0), rateHz).rms();
        DecodedSound out = new DecodedSound(single ? Sound.mono(sound.channel(0), rateHz) : sound);
        return damaged == 0 ? out : out.warning("damaged: " + damaged + " AAC frames could not be read");
    }
}
