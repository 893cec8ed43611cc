package verisonus.core.sound.codec;

import java.util.ArrayList;
import java.util.List;
import verisonus.core.sound.Sound;

/**
 * What came out of a file: the sound, and what the user should know about the reading of it.
 *
 * @param warnings sentences without a full stop; empty where the file was read whole
 */
public record DecodedSound(Sound sound, List<String> warnings) {
    public DecodedSound {
        warnings = List.copyOf(warnings);
    }

    DecodedSound(Sound sound) {
        this(sound, List.of());
    }

    DecodedSound warning(String text) {
        List<String> all = new ArrayList<>(warnings);
        all.add(text);
        return new DecodedSound(sound, all);
    }
}
