package verisonus.core.rig;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/**
 * A device of the player's own, by the name the player gives it: which model it is, which of that model's controls it has and how far
 * they go, what they are called on it and how they turn. Tones name it, the search turns what it has, sheets show its own positions.
 *
 * @param model named as the player says; sounds as its kind of model does
 * @param base name of the model that it is one of
 * @param labels what the device calls a control, where it is another word than the model's
 * @param turnings how a control from 0 to 10 turns, where it is not as the model's
 */
public record Unit(Model model, String base, Map<String, String> labels, Map<String, Turning> turnings) {
    public Unit {
        labels = Map.copyOf(labels);
        turnings = Map.copyOf(turnings);
    }

    /** How far a control goes on a device; where both ends are one it has none and stands there. */
    public record Reach(double from, double to) {
        public static Reach fixed(double at) {
            return new Reach(at, at);
        }
    }

    /**
     * A device that is one of a model.
     *
     * @param reaches by control; one that is not there goes as far as the model's
     * @param afterDb for an amp, what it does after its last clipper beside its model, by third octave ({@link Voice.LearntAmp}); else empty
     * @throws IllegalArgumentException where the name is a model's, or a control is none of the model's
     */
    public static Unit of(String name, Model base, Map<String, Reach> reaches, List<Double> afterDb) {
        if (name.isBlank() || Gear.find(name).isPresent())
            throw new IllegalArgumentException("a device of one's own needs a name of its own, not \"" + name + "\"");
        reaches.keySet().forEach(base::control);
        List<Control> controls = new ArrayList<>();
        for (Control c : base.controls())
            controls.add(Optional.ofNullable(reaches.get(c.name())).map(r -> c.within(r.from, r.to)).orElse(c));
        Voice voice = afterDb.isEmpty() ? base.voice() : new Voice.LearntAmp(Voice.Amp.of(base.voice()), afterDb);
        return new Unit(new Model(name, voice, base.about(), controls), base.name(), Map.of(), Map.of());
    }

    public Unit turning(Map<String, Turning> how) {
        return new Unit(model, base, labels, how);
    }

    public Unit labelled(Map<String, String> words) {
        return new Unit(model, base, words, turnings);
    }

    public String name() {
        return model.name();
    }

    /** Its own position of a value of the model's. */
    double device(String control, double value) {
        return Optional.ofNullable(turnings.get(control)).map(t -> t.device(value)).orElse(value);
    }

    /** The model's value for one of its own positions. */
    double model(String control, double position) {
        return Optional.ofNullable(turnings.get(control)).map(t -> t.model(position)).orElse(position);
    }
}
