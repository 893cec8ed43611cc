package verisonus.desktop.record;

import java.util.Optional;
import javax.sound.sampled.AudioFormat;
import javax.sound.sampled.AudioSystem;
import javax.sound.sampled.DataLine;
import javax.sound.sampled.LineUnavailableException;
import javax.sound.sampled.TargetDataLine;
import verisonus.core.work.InputFault;

/** The machine's input, 16 bit mono. */
final class SoundCardInput implements SoundInput {
    private final TargetDataLine line;
    private byte[] bytes = new byte[0];

    private SoundCardInput(TargetDataLine line) {
        this.line = line;
    }

    /** Empty where there is no input, or another program holds it. */
    static Optional<SoundInput> open(int rateHz) {
        AudioFormat format = new AudioFormat(rateHz, 16, 1, true, false);
        if (!AudioSystem.isLineSupported(new DataLine.Info(TargetDataLine.class, format))) return Optional.empty();
        try {
            TargetDataLine line = AudioSystem.getTargetDataLine(format);
            line.open(format);
            return Optional.of(new SoundCardInput(line));
        } catch (LineUnavailableException | IllegalArgumentException e) {
            return Optional.empty();
        }
    }

    @Override
    public String name() {
        return "sound card";
    }

    @Override
    public void begin(int countInFrames) {
        line.flush();
        line.start();
    }

    @Override
    public void read(float[] mono, int frames) {
        if (bytes.length < 2 * frames) bytes = new byte[2 * frames];
        int got = line.read(bytes, 0, 2 * frames);
        if (got <= 0 && !line.isOpen()) {
            throw new InputFault(name(), "its input is gone", "plug it in again, or choose another in the system");
        }
        for (int i = 0; i < frames; i++) {
            mono[i] = 2 * i + 1 < got ? (short) (bytes[2 * i] & 0xff | bytes[2 * i + 1] << 8) / 32768f : 0;
        }
    }

    @Override
    public void close() {
        line.stop();
        line.close();
    }
}
