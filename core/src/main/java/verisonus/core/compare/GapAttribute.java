package verisonus.core.compare;

import java.util.Arrays;
import java.util.EnumSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;

/** What can differ between a reference and a candidate. Files and commands name it by its words. */
public enum GapAttribute {
    BOTTOM("spectrum 80-160 Hz", 80, 160, "bottom"),
    BODY("spectrum 160-400 Hz", 160, 400, "body"),
    MIDDLE("spectrum 400-1000 Hz", 400, 1000, "middle"),
    UPPER_MIDDLE("spectrum 1-2 kHz", 1000, 2000, "upper middle"),
    BITE("spectrum 2-4 kHz", 2000, 4000, "bite"),
    AIR("spectrum 4-8 kHz", 4000, 8000, "air and fizz"),
    CREST("crest factor"),
    LOUD_TO_SOFT("loud to soft"),
    ATTACK("attack"),
    SATURATION("saturation"),
    ECHO_TIME("echo time"),
    ECHO_LEVEL("echo level"),
    ECHO_REPEATS("echo repeats"),
    SPACE_DECAY("space decay"),
    SPACE_LEVEL("space level"),
    MOVEMENT("movement"),
    MOVEMENT_RATE("movement rate"),
    MOVEMENT_DEPTH("movement depth"),
    TUNING("tuning"),
    WIDTH("width"),
    ONSET("onset"),
    FALL("fall of notes"),
    BASS_LEADS("bass into the first clipper"),
    DYNAMICS("dynamics out per in"),
    REST_LATE("rings on late"),
    REST_SOON("follows soon"),
    REST_BETWEEN("between the notes"),
    REST_SWAY("unexplained sway", 0, 0, "sway of its own"),
    REST_SWEEP("unexplained sweep", 0, 0, "sweep of its own"),
    REST_SIDES("at the sides"),
    COLOUR_LEFT_OPEN("colour left open");

    /** What needs no finding: whatever stands beside the dry notes. */
    public static final Set<GapAttribute> REST = EnumSet.of(REST_LATE, REST_SOON, REST_BETWEEN, REST_SWAY, REST_SWEEP,
            REST_SIDES);
    /** What another hand does otherwise as much as other gear. */
    public static final Set<GapAttribute> OF_THE_HAND = EnumSet.of(CREST, LOUD_TO_SOFT, ATTACK, ONSET, FALL, DYNAMICS);
    /** Bands of the spectrum, from the lowest. */
    public static final List<GapAttribute> BANDS = List.of(BOTTOM, BODY, MIDDLE, UPPER_MIDDLE, BITE, AIR);

    private final String words;
    private final double fromHz;
    private final double toHz;
    private final String playersWords;

    GapAttribute(String words) {
        this(words, 0, 0, words);
    }

    GapAttribute(String words, double fromHz, double toHz, String playersWords) {
        this.playersWords = playersWords;
        this.words = words;
        this.fromHz = fromHz;
        this.toHz = toHz;
    }

    public String words() {
        return words;
    }

    /** What a player calls it: a part of the sound rather than a span of frequencies. */
    public String playersWords() {
        return playersWords;
    }

    public static Optional<GapAttribute> of(String words) {
        return Arrays.stream(values()).filter(a -> a.words.equals(words)).findFirst();
    }

    /** What is told when a tone is searched for and not when it is measured again. */
    public boolean isKnownFromTheSearch() {
        return REST.contains(this) || this == COLOUR_LEFT_OPEN;
    }

    public boolean isBand() { return toHz > 0; }

    public double fromHz() {
        return fromHz;
    }

    public double toHz() {
        return toHz;
    }
}
