package verisonus.casebook.exchange;

import java.nio.file.Path;
import java.util.Locale;
import verisonus.core.sound.Sound;
import verisonus.core.sound.codec.SoundReader;
import verisonus.core.travel.system.ImpulseResponseCurve;
import verisonus.core.travel.system.PlaybackSystem;
import verisonus.core.work.Figures;
import verisonus.core.work.InputFault;

/** A playback system from the impulse response of one, as a WAV file. */
public final class ResponseWav {
    private static final double LONGEST_S = 12;
    private static final double SILENT = 1e-5;

    private ResponseWav() {}

    /** @throws InputFault where it is silent or far too long for a response */
    public static PlaybackSystem system(Path file) {
        Sound sound = SoundReader.read(file).sound();
        if (sound.peak() < SILENT)
            throw new InputFault(file.toString(), "it is silent", "choose another response");
        if (sound.durationS() > LONGEST_S)
            throw new InputFault(file.toString(),
                    Figures.of("it lasts %.0f s, too long for an impulse response", sound.durationS()),
                    "name the response, not a recording of music");
        String name = String.valueOf(file.getFileName()).replaceFirst("\\.[^.]*$", "");
        String id = name.toLowerCase(Locale.ROOT).replaceAll("[^\\p{L}\\p{N}]+", "-").replaceAll("^-|-$", "");
        return PlaybackSystem.measured(id.isEmpty() ? "measured" : id, name, ImpulseResponseCurve.of(sound));
    }
}
