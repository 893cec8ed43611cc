package verisonus.core.perform.foot;

import java.util.List;
import verisonus.core.rig.ControlPlace;

/**
 * What a foot may do with a control.
 *
 * @param place which control
 * @param low value with the heel down: where the change is first heard
 * @param high value with the toe down: just before a limit breaks
 * @param start where it stands in the tone
 * @param lowWhy why not lower, in words
 * @param highWhy why not higher, in words
 * @param anchors values along the pedal's way, so that equal ways of the foot change as much to the ear
 * @param even whether the control's own track does that already
 */
public record PedalRange(ControlPlace place, double low, double high, double start, String lowWhy, String highWhy,
        List<Anchor> anchors, boolean even) {
    /**
     * One place of the foot.
     *
     * @param travel 0: heel down, 1: toe down
     * @param value of the control
     * @param heardJnd change against heel down, in just-noticeable differences
     * @param repeats how many repeats are heard there; −1 where the control has none
     * @param repeatsS how long they go on, s; −1 where the control has none
     */
    public record Anchor(double travel, double value, double heardJnd, int repeats, double repeatsS) {}

    public PedalRange {
        anchors = List.copyOf(anchors);
    }

    /** Whether the foot can change anything that is heard without breaking a limit. */
    public boolean isUseful() {
        return high > low;
    }
}
