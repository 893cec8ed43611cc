package verisonus.core.travel;

import java.util.Locale;

/** The bands in which players speak of a tone. */
public enum NamedBand {
    SUB("sub", 25, 63),
    LOWS("lows", 63, 160),
    LOW_MIDS("low mids", 160, 400),
    MIDS("mids", 400, 1000),
    UPPER_MIDS("upper mids", 1000, 2500),
    PRESENCE("presence", 2500, 5000),
    HIGHS("highs", 5000, 12500);

    /** A band that falls by this much cannot be brought back. */
    public static final double GONE_DB = -12;

    private final String words;
    private final double fromHz;
    private final double toHz;

    NamedBand(String words, double fromHz, double toHz) {
        this.words = words;
        this.fromHz = fromHz;
        this.toHz = toHz;
    }

    public String words() {
        return words;
    }

    public double fromHz() {
        return fromHz;
    }

    public double toHz() {
        return toHz;
    }

    /** Whether a third octave of this centre belongs to the band. */
    public boolean holds(double hz) {
        return hz >= fromHz * 0.99 && hz < toHz * 0.99;
    }

    public static NamedBand of(String words) {
        for (NamedBand b : values()) if (b.words.equals(words.toLowerCase(Locale.ROOT))) return b;
        throw new IllegalArgumentException(words);
    }

    /** What brings the band back; a system that drops it altogether cannot be helped. */
    String remedy(double changeDb) {
        if (changeDb < GONE_DB) return "as good as gone here, so the tone must work without them";
        boolean lost = changeDb < 0;
        return switch (this) {
            case SUB -> lost ? "leave it to the bass player" : "low cut up to 70 Hz";
            case LOWS -> lost ? "bass up, or leave them to the bass player" : "low cut up to 90 Hz, or bass down";
            case LOW_MIDS -> lost ? "bass or mid up, microphone nearer" : "low mids down a little with the equalizer";
            case MIDS -> lost ? "mid up" : "mid down";
            case UPPER_MIDS -> lost ? "mid or treble up" : "treble down, microphone further out";
            case PRESENCE ->
                lost ? "presence up, microphone nearer the centre" : "presence down, microphone further out";
            case HIGHS -> lost ? "treble up a little" : "high cut down to 7 kHz";
        };
    }
}
