package verisonus.core.perform.wish;

import java.util.List;
import verisonus.core.rig.ControlPlace;
import verisonus.core.rig.Tone;

/**
 * What came of a wish.
 *
 * @param tone with what was changed
 * @param parts of the wish, each with how far it was met, measured
 * @param against what else moved by more than is clearly heard, and what stands in the way
 * @param changed what was turned
 */
public record Granted(Tone tone, List<Part> parts, List<String> against, List<Change> changed) {
    /**
     * One thing that was wished.
     *
     * @param wanted and reached: in the part's own unit
     * @param met whether it is met to within what is just heard
     */
    public record Part(String wish, double wanted, double reached, String unit, boolean met) {}

    /** One setting, from and to. */
    public record Change(ControlPlace place, double from, double to) {}

    public Granted {
        parts = List.copyOf(parts);
        against = List.copyOf(against);
        changed = List.copyOf(changed);
    }

    public boolean isMet() { return parts.stream().allMatch(Part::met); }
}
