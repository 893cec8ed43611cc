package verisonus.cli.files;

import java.nio.file.Path;
import java.util.Locale;
import verisonus.core.sound.codec.SoundWriter;
import verisonus.core.work.OutputFault;

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

    /** Refuses a name whose ending says something else than is written. */
    public void requireEnding(Path out) {
        String name = String.valueOf(out.getFileName()).toLowerCase(Locale.ROOT);
        int dot = name.lastIndexOf('.');
        String ending = dot > 0 ? name.substring(dot + 1) : "";
        boolean flac = this == FLAC;
        if (ending.isEmpty() || flac && ending.equals("flac")
                || !flac && (ending.equals("wav") || ending.equals("wave")))
            return;
        throw new OutputFault(out.toString(), "what is written is " + (flac ? "FLAC" : "WAV") + ", not ." + ending,
                flac || !ending.equals("flac") ? "end it in " + (flac ? ".flac" : ".wav") : "add --format flac");
    }

    @Override
    public String toString() {
        return name().toLowerCase(Locale.ROOT);
    }
}
