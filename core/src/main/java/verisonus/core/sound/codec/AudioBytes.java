package verisonus.core.sound.codec;

import verisonus.core.work.InputFault;

/** The bytes of an audio file with the file's name, so that a fault can say where it was found. */
record AudioBytes(String name, byte[] data) {
    /** A usual remedy: most faults of a file are mended by exporting it again. */
    static final String EXPORT_AGAIN = "export it again as WAV, AIFF, FLAC, Ogg Vorbis, MP3, M4A or Opus";

    InputFault fault(String what) {
        return new InputFault(name, what, EXPORT_AGAIN);
    }

    void requireShape(int channels, int rateHz) {
        if (channels < 1) throw fault("the header names no channel");
        if (channels > 2) {
            throw new InputFault(name, "it has " + channels + " channels, only mono and stereo are read",
                    "export the two channels with the guitar");
        }
        if (rateHz < SoundReader.LOWEST_RATE_HZ || rateHz > SoundReader.HIGHEST_RATE_HZ) {
            throw new InputFault(name, "its rate of " + rateHz + " Hz is outside 8 to 192 kHz", "export it at 48 kHz");
        }
    }

    boolean startsWith(String text) {
        return hasAt(0, text);
    }

    boolean hasAt(int at, String text) {
        if (data.length < at + text.length()) return false;
        for (int i = 0; i < text.length(); i++) {
            if (data[at + i] != text.charAt(i)) return false;
        }
        return true;
    }

    /** Four characters as one big-endian number. */
    static int tag(String four) {
        return four.charAt(0) << 24 | four.charAt(1) << 16 | four.charAt(2) << 8 | four.charAt(3);
    }
}
