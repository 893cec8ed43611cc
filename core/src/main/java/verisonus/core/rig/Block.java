package verisonus.core.rig;

import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Optional;

/**
 * A model in a chain with its settings.
 *
 * @param id unique within its tone
 * @param model what it is
 * @param on false: the signal passes as if the block were not there
 * @param settings value by control name; a control that is not there has its default
 * @param impulse the measured response of a block that needs one
 */
public record Block(String id, Model model, boolean on, Map<String, Double> settings, Optional<Impulse> impulse) {
    /** A block that has no measured response. */
    public Block(String id, Model model, boolean on, Map<String, Double> settings) {
        this(id, model, on, settings, Optional.empty());
    }

    public Block {
        settings.forEach((name, value) -> {
            Control c = model.control(name);
            if (!(value >= c.minimum() - 1e-9 && value <= c.maximum() + 1e-9)) {
                throw new IllegalArgumentException(
                        id + " " + name + " " + value + " is outside " + c.minimum() + " to " + c.maximum());
            }
        });
        settings = java.util.Collections.unmodifiableMap(new LinkedHashMap<>(settings));
    }

    /** A block that is on, with defaults, named by its kind. */
    public static Block of(String model) {
        return of(Gear.model(model));
    }

    /** The same, of any model, such as a device of the player's own. */
    public static Block of(Model model) {
        return new Block(model.kind().word(), model, true, Map.of());
    }

    public double get(String control) {
        Control c = model.control(control);
        return settings.getOrDefault(control, c.defaultValue());
    }

    /** A setting's name as a player would say it: an equalizer's filter is called by where it works. */
    public String label(String control) {
        if (model.kind() != GearKind.EQUALIZER) return control;
        if (control.equals(ControlNames.LOW_SHELF)) return "below " + at("low corner");
        if (control.equals(ControlNames.HIGH_SHELF)) return "above " + at("high corner");
        if (!control.startsWith("peak ")) return control;
        String[] word = control.split(" ", -1);
        String place = "at " + at(ControlNames.peakFrequency(Integer.parseInt(word[1])));
        return word.length == 2 ? place : place + ", " + word[2];
    }

    private String at(String frequency) {
        return model.control(frequency).display(get(frequency));
    }

    /** The same block with one control moved; the value is held within the control's range. */
    public Block with(String control, double value) {
        Map<String, Double> next = new LinkedHashMap<>(settings);
        next.put(control, model.control(control).clamp(value));
        return new Block(id, model, on, next, impulse);
    }

    public Block switched(boolean nowOn) {
        return new Block(id, model, nowOn, settings, impulse);
    }

    /** The same block under another id. */
    public Block named(String newId) {
        return new Block(newId, model, on, settings, impulse);
    }

    public Block with(Impulse response) {
        return new Block(id, model, on, settings, Optional.of(response));
    }

    /** Another model in this place: settings of the same name and range go over. */
    public Block exchangedFor(Model other) {
        Map<String, Double> kept = new LinkedHashMap<>();
        settings.forEach((name, value) -> other.find(name)
                .filter(c -> value >= c.minimum() && value <= c.maximum()
                        && c.unit().equals(model.control(name).unit()))
                .ifPresent(_ -> kept.put(name, value)));
        return new Block(id, other, on, kept, impulse);
    }
}
