package verisonus.core.sound;

import java.io.ByteArrayInputStream;
import java.io.IOException;
import org.jflac.FLACDecoder;
import org.jflac.frame.Frame;
import org.jflac.metadata.StreamInfo;
import org.jspecify.annotations.Nullable;

/** FLAC, 8 to 24 bit, by the jFLAC library; a file shorter than its header says is read with a warning. */
final class FlacDecoder {
    private final AudioBytes bytes;

    FlacDecoder(AudioBytes bytes) {
        this.bytes = bytes;
    }

    DecodedSound decode() throws IOException {
        FLACDecoder decoder = new FLACDecoder(new ByteArrayInputStream(bytes.data()));
        decoder.readMetadata();
        @Nullable
        StreamInfo info = decoder.getStreamInfo();
        if (info == null) throw bytes.fault("the FLAC header is missing");
        bytes.requireShape(info.getChannels(), info.getSampleRate());
        SampleSink sink = new SampleSink(info.getChannels());
        float scale = 1f / (1L << (info.getBitsPerSample() - 1));
        try {
            for (Frame frame = decoder.readNextFrame(); frame != null; frame = decoder.readNextFrame()) {
                if (frame.header.channels != info.getChannels()) break;
                for (int c = 0; c < info.getChannels(); c++) {
                    sink.add(c, decoder.getChannelData()[c].getOutput(), frame.header.blockSize, scale);
                }
                sink.advance(frame.header.blockSize);
            }
        } catch (IOException | RuntimeException endOfWhatCanBeRead) {
            // A damaged or cut file: what was decoded stands, and the missing rest is reported below.
        }
        Sound sound = new Sound(sink.channels(), info.getSampleRate());
        long promised = info.getTotalSamples();
        DecodedSound decoded = new DecodedSound(promised > 0 && sound.frames() > promised
                ? sound.sliceFrames(0, (int) promised)
                : sound);
        return promised > sound.frames()
                ? decoded.warning("damaged: " + sound.frames() + " of " + promised + " samples could be read")
                : decoded;
    }
}
