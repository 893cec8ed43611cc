package verisonus.core.travel;

import java.util.Locale;

/** The bands in which players speak of a tone. */
public enum NamedBand {
    SUB("sub", 25, 50),
    LOWS("lows", 63, 125),
    LOW_MIDS("low mids", 160, 315),
    MIDS("mids", 400, 800),
    UPPER_MIDS("upper mids", 1000, 2000),
    PRESENCE("presence", 2500, 4000),
    HIGHS("highs", 5000, 10_000);

    /** A band that falls by this much cannot be brought back. */
    public static final double GONE_DB = -12;

    private final String words;
    private final double fromHz;
    private final double toHz;

    /** @param lowest nominal centre of its lowest third octave, Hz @param highest that of its highest */
    NamedBand(String words, double lowest, double highest) {
        this.words = words;
        this.fromHz = exact(lowest) / half();
        this.toHz = exact(highest) * half();
    }

    /** Half a third octave, base ten (IEC 61260-1). */
    private static double half() {
        return Math.pow(10, 0.05);
    }

    /** The exact centre of a third octave by its nominal one. */
    private static double exact(double nominal) {
        return Math.pow(10, Math.rint(10 * Math.log10(nominal)) / 10);
    }

    public String words() {
        return words;
    }

    /** Lower edge of its lowest third octave, Hz. */
    public double fromHz() {
        return fromHz;
    }

    /** Upper edge of its highest third octave, Hz. */
    public double toHz() {
        return toHz;
    }

    /** Whether a third octave of this centre belongs to the band. */
    public boolean holds(double hz) {
        return hz > fromHz && hz < toHz;
    }

    /** Smallest change that is heard, dB: in the lowest octaves twice as large. */
    public double jndDb() {
        return this == SUB ? 2 : 1;
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
            case SUB -> lost ? "leave it to the bass player" : "low cut up";
            case LOWS -> lost ? "bass up, or leave them to the bass player" : "low cut up, or bass down";
            case LOW_MIDS -> lost ? "bass or mid up, microphone nearer" : "low mids down a little with the equalizer";
            case MIDS -> lost ? "mid up" : "mid down";
            case UPPER_MIDS -> lost ? "mid or treble up" : "treble down, microphone further out";
            case PRESENCE ->
                lost ? "presence up, microphone nearer the centre" : "presence down, microphone further out";
            case HIGHS -> lost ? "treble up a little" : "high cut down";
        };
    }
}
