package verisonus.cli.files;

import java.util.Locale;
import verisonus.core.sound.SoundWriter;

/** What {@code --format} names. */
public enum AudioFormat {
    WAV16(SoundWriter.Format.WAV_16),
    WAV24(SoundWriter.Format.WAV_24),
    FLOAT(SoundWriter.Format.WAV_FLOAT),
    FLAC(
            SoundWriter.Format.FLAC_24);

    private final SoundWriter.Format format;

    AudioFormat(SoundWriter.Format format) {
        this.format = format;
    }

    public SoundWriter.Format format() {
        return format;
    }

    @Override
    public String toString() {
        return name().toLowerCase(Locale.ROOT);
    }
}
