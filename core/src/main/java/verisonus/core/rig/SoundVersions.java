package verisonus.core.rig;

import java.util.Map;
import java.util.TreeMap;

/**
 * Which edition of each model's sound this program has. A kept tone names those it was made with, so that a changed simulation is said
 * instead of heard. Whoever changes how a model sounds raises its number here; a test that knows every model's response asks for it.
 */
public final class SoundVersions {
    private static final int FIRST = 1;
    /** Models whose sound has been changed since they first shipped. */
    private static final Map<String, Integer> RAISED = Map.of();

    private SoundVersions() {}

    /** Of a device of the player's own: that of the model that it is one of. */
    public static int of(Model model) {
        return RAISED.getOrDefault(Gear.baseOf(model).name(), FIRST);
    }

    /** By name of the models in a tone. */
    public static Map<String, Integer> of(Tone tone) {
        Map<String, Integer> out = new TreeMap<>();
        for (Block b : tone.blocks()) out.put(Gear.baseOf(b.model()).name(), of(b.model()));
        return out;
    }
}
