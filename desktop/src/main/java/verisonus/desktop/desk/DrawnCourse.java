package verisonus.desktop.desk;

import verisonus.core.evidence.study.Course;
import verisonus.core.sound.Sound;

/** A recording's course as finely as it is drawn and kept: once for the ribbons and for the passages that are read off it. */
public final class DrawnCourse {
    /** How many values of each ribbon are kept: more than a wide screen has points. */
    private static final int STEPS = 2400;
    /** A long recording is drawn this finely, so that it can be looked at closely. */
    private static final double FINEST_S = 0.05;

    private DrawnCourse() {}

    /** Takes a while. */
    public static Course of(Sound sound) {
        return Course.of(sound, Math.max(STEPS, (int) (sound.durationS() / FINEST_S)));
    }
}
