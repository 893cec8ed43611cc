package verisonus.desktop.player;

import java.util.Optional;
import javax.sound.sampled.AudioFormat;
import javax.sound.sampled.AudioSystem;
import javax.sound.sampled.DataLine;
import javax.sound.sampled.LineUnavailableException;
import javax.sound.sampled.SourceDataLine;

/** The machine's sound card, 16 bit stereo. */
final class SoundCardOutput implements SoundOutput {
    private final SourceDataLine line;
    private byte[] bytes = new byte[0];
    private boolean begun;
    private final String name;
    private volatile int gaps;
    private volatile boolean lost;

    private SoundCardOutput(SourceDataLine line) {
        this.line = line;
        name = "sound card"
                + AudioSystem.getMixer(null).getMixerInfo().getName().transform(n -> n.isBlank() ? "" : ", " + n);
    }

    /** Empty where there is no card, or another program holds it. */
    static Optional<SoundCardOutput> open(int rateHz, int bufferFrames) {
        AudioFormat format = new AudioFormat(rateHz, 16, 2, true, false);
        if (!AudioSystem.isLineSupported(new DataLine.Info(SourceDataLine.class, format))) return Optional.empty();
        try {
            SourceDataLine line = AudioSystem.getSourceDataLine(format);
            line.open(format, bufferFrames * 4);
            line.start();
            return Optional.of(new SoundCardOutput(line));
        } catch (LineUnavailableException | IllegalArgumentException e) {
            return Optional.empty();
        }
    }

    @Override
    public String name() {
        return name;
    }

    @Override
    public void write(float[] interleaved, int frames) {
        if (bytes.length < frames * 4) bytes = new byte[frames * 4];
        for (int i = 0; i < 2 * frames; i++) {
            int v = (int) Math.clamp(Math.round(interleaved[i] * 32767f), -32768, 32767);
            bytes[2 * i] = (byte) v;
            bytes[2 * i + 1] = (byte) (v >> 8);
        }
        if (begun && line.available() >= line.getBufferSize()) gaps++;
        begun = true;
        // A card that is pulled out takes nothing more, or says so.
        try {
            lost = line.write(bytes, 0, frames * 4) < frames * 4 && !line.isOpen();
        } catch (IllegalArgumentException | IllegalStateException e) {
            lost = true;
        }
    }

    @Override
    public int gaps() {
        return gaps;
    }

    @Override
    public boolean isLost() { return lost; }

    @Override
    public void close() {
        line.stop();
        line.close();
    }
}
