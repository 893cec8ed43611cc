package verisonus.cli.files;

import java.util.Optional;
import javax.sound.sampled.AudioFormat;
import javax.sound.sampled.AudioSystem;
import javax.sound.sampled.DataLine;
import javax.sound.sampled.LineUnavailableException;
import javax.sound.sampled.SourceDataLine;
import verisonus.core.sound.Sound;

/** Plays sounds from a terminal, one after the other, beginning softly. */
public final class TerminalPlayer implements AutoCloseable {
    private static final javax.sound.sampled.AudioFormat FORMAT = new AudioFormat(Sound.WORKING_RATE_HZ, 16, 2, true,
            false);
    private static final double FADE_S = 0.3;
    /** A terminal has no level of its own: it plays well under full scale. */
    private static final double LEVEL = 0.25;

    private final SourceDataLine line;

    private TerminalPlayer(SourceDataLine line) {
        this.line = line;
    }

    /** A player; empty where there is no output. */
    public static Optional<TerminalPlayer> open() {
        try {
            DataLine.Info wanted = new DataLine.Info(SourceDataLine.class, FORMAT);
            if (!AudioSystem.isLineSupported(wanted)) return Optional.empty();
            SourceDataLine line = (SourceDataLine) AudioSystem.getLine(wanted);
            line.open(FORMAT);
            return Optional.of(new TerminalPlayer(line));
        } catch (LineUnavailableException | IllegalArgumentException e) {
            return Optional.empty();
        }
    }

    /** Returns when it has been heard. */
    public void play(Sound sound) {
        byte[] bytes = new byte[4 * sound.frames()];
        int fade = (int) (FADE_S * sound.rateHz());
        for (int i = 0; i < sound.frames(); i++) {
            double gain = LEVEL * Math.min(1, i / (double) fade);
            for (int c = 0; c < 2; c++) {
                float v = sound.channel(Math.min(c, sound.channels().length - 1))[i];
                int s = (int) Math.clamp(Math.round(32767 * gain * v), -32768, 32767);
                bytes[4 * i + 2 * c] = (byte) s;
                bytes[4 * i + 2 * c + 1] = (byte) (s >> 8);
            }
        }
        line.start();
        line.write(bytes, 0, bytes.length);
        line.drain();
        line.stop();
    }

    @Override
    public void close() {
        line.close();
    }
}
