package verisonus.core.rig;

/** Names of controls, as tones and their files spell them. */
public final class ControlNames {
    public static final String ABOVE = "above";
    public static final String ANGLE = "angle";
    public static final String ATTACK = "attack";
    public static final String ATTACK_SOFTENING = "attack softening";
    public static final String BASS = "bass";
    public static final String BELOW = "below";
    public static final String BODY = "body";
    public static final String BRIGHT = "bright";
    public static final String CABLE = "cable";
    public static final String DECAY = "decay";
    public static final String DENSITY = "density";
    public static final String DEPTH = "depth";
    public static final String DISTANCE = "distance";
    public static final String DRIVE = "drive";
    public static final String DRY = "dry";
    public static final String FEEDBACK = "feedback";
    public static final String GAIN = "gain";
    public static final String GAIN_RANGE = "gain range";
    public static final String HIGH_CORNER = "high corner";
    public static final String HIGH_CUT = "high cut";
    public static final String HIGH_SHELF = "high shelf";
    public static final String HIGHS_AFTER_CLIPPING = "highs after clipping";
    public static final String HIGHS_BEFORE_CLIPPING = "highs before clipping";
    public static final String HOLD = "hold";
    public static final String IDLE_CURRENT = "idle current";
    public static final String IMPEDANCE = "impedance";
    public static final String INERTIA = "inertia";
    public static final String LENGTH = "length";
    public static final String LEVEL = "level";
    public static final String LOW_CORNER = "low corner";
    public static final String LOW_CUT = "low cut";
    public static final String LOW_RESONANCE = "low resonance";
    public static final String LOW_SHELF = "low shelf";
    public static final String LOWS_AFTER_CLIPPING = "lows after clipping";
    public static final String LOWS_BEFORE_CLIPPING = "lows before clipping";
    public static final String MASTER = "master";
    public static final String MID = "mid";
    public static final String MIDDLE_BEFORE_CLIPPING = "middle before clipping";
    public static final String MINIMUM_PHASE = "minimum phase";
    public static final String MIX = "mix";
    public static final String OUTPUT_VALVES = "output valves";
    public static final String PAD = "pad";
    public static final String PAN = "pan";
    public static final String PHASE = "phase";
    public static final String PICKUP_OUTPUT = "pickup output";
    public static final String POSITION = "position";
    public static final String PRE_DELAY = "pre-delay";
    public static final String PRESENCE = "presence";
    public static final String RATE = "rate";
    public static final String RATIO = "ratio";
    public static final String RELEASE = "release";
    public static final String RESONANCE = "resonance";
    public static final String RESONANCE_CENTRE = "resonance centre";
    public static final String RIPPLE = "ripple";
    public static final String SAG = "sag";
    public static final String SECOND_SHARE = "second share";
    public static final String SECOND_SPEAKER = "second speaker";
    public static final String SECOND_TAKE = "second take";
    public static final String SECOND_TAP = "second tap";
    public static final String SENSITIVITY = "sensitivity";
    public static final String SIDES = "sides";
    public static final String SPEAKER = "speaker";
    public static final String SPEED = "speed";
    public static final String SPREAD = "spread";
    public static final String THRESHOLD = "threshold";
    public static final String TIME = "time";
    public static final String TONE = "tone";
    public static final String TONE_NETWORK = "tone network";
    public static final String TRANSFORMER = "transformer";
    public static final String TREBLE = "treble";
    public static final String TREBLE_BYPASS = "treble bypass";
    public static final String TREBLE_CENTRE = "treble centre";
    public static final String TREBLE_CUT = "treble cut";
    public static final String VOLUME = "volume";
    public static final String WOW = "wow";

    private ControlNames() {}

    /** Gain of one of the parametric equalizer's peaks, counted from 1. */
    public static String peak(int number) {
        return "peak " + number;
    }

    /** Middle of that peak. */
    public static String peakFrequency(int number) {
        return peak(number) + " frequency";
    }

    /** Width of that peak. */
    public static String peakWidth(int number) {
        return peak(number) + " width";
    }
}
