package verisonus.core.rig;

import java.util.List;
import java.util.Optional;

/**
 * A kind of gear that can be simulated.
 *
 * @param name in generic words, as tones name it
 * @param voice how it sounds
 * @param about one sentence: how it sounds, what it is for
 * @param controls in the order in which they are shown
 */
public record Model(String name, Voice voice, String about, List<Control> controls) {
    public Model {
        controls = List.copyOf(controls);
    }

    public GearKind kind() {
        return voice.kind();
    }

    /** Controls that there are to turn: a device of the player's own may lack some of its model's. */
    public List<Control> turnable() {
        return controls.stream().filter(c -> !c.isFixed()).toList();
    }

    public Optional<Control> find(String control) {
        return controls.stream().filter(c -> c.name().equals(control)).findFirst();
    }

    /** The control of this name. @throws IllegalArgumentException where the model has none */
    public Control control(String control) {
        return find(control).orElseThrow(() -> new IllegalArgumentException(name + " has no control " + control));
    }
}
