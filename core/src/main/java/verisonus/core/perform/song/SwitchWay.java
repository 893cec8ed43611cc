package verisonus.core.perform.song;

/**
 * How a player's device changes from one variant to the next.
 *
 * @param oneMove whether one step changes all (a floor unit), or every box is stepped on for itself
 * @param gapMs silence while it changes
 * @param tailsGoOn whether repeats and space of the old variant ring on into the new one
 */
public record SwitchWay(boolean oneMove, double gapMs, boolean tailsGoOn) {
    public static final SwitchWay FLOOR_UNIT = new SwitchWay(true, 20, true);
    public static final SwitchWay SEPARATE_BOXES = new SwitchWay(false, 0, false);

    public SwitchWay {
        if (!(gapMs >= 0 && gapMs <= 5000)) throw new IllegalArgumentException("a gap of " + gapMs + " ms");
    }
}
