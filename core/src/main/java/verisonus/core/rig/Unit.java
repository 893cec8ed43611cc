package verisonus.core.rig;

import java.util.ArrayList;
import java.util.HashMap;
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
 * @param dials what stands round a control of whatever unit, and how it turns, where the player has said so
 */
public record Unit(Model model, String base, Map<String, String> labels, Map<String, Turning> turnings,
        Map<String, Dial> dials) {
    public Unit {
        dials = Map.copyOf(dials);
        labels = Map.copyOf(labels);
        turnings = Map.copyOf(turnings);
    }

    /** Share of a model's range under which a scale that was named turns nothing, as where its pairs were mistyped. */
    private static final double LEAST_REACH = 0.01;
    private static final double TRACK = 10;

    /** How far a control goes on a device; where both ends are one it has none and stands there. */
    public record Reach(double from, double to) {
        public static Reach fixed(double at) {
            return new Reach(at, at);
        }

        /** How far a control that a device has, or has not, goes on it. */
        public static Reach of(Control control) {
            return control.isFixed() ? fixed(control.defaultValue()) : new Reach(control.minimum(), control.maximum());
        }
    }

    /**
     * A device that is one of a model.
     *
     * @param reaches by control; one that is not there goes as far as the model's
     * @param afterDb for an amp or a drive, what it does after its last clipper beside its model, by third octave ({@link Voice.Learnt}); else empty
     * @throws IllegalArgumentException where the name is a model's, or a control is none of the model's
     */
    public static Unit of(String name, Model base, Map<String, Reach> reaches, List<Double> afterDb) {
        if (name.isBlank() || Gear.find(name).isPresent())
            throw new IllegalArgumentException("a device of one's own needs a name of its own, not \"" + name + "\"");
        reaches.keySet().forEach(base::control);
        List<Control> controls = new ArrayList<>();
        for (Control c : base.controls())
            controls.add(Optional.ofNullable(reaches.get(c.name())).map(r -> c.within(r.from, r.to)).orElse(c));
        Voice voice = afterDb.isEmpty() ? base.voice() : new Voice.Learnt(base.voice(), afterDb);
        return new Unit(new Model(name, voice, base.about(), controls), base.name(), Map.of(), Map.of(), Map.of());
    }

    public Unit turning(Map<String, Turning> how) {
        return new Unit(model, base, labels, how, dials);
    }

    public Unit labelled(Map<String, String> words) {
        return new Unit(model, base, words, turnings, dials);
    }

    /** The same with other reaches of some controls; whatever was said of how those turn goes. */
    public Unit reaching(Map<String, Reach> reaches) {
        Model whole = Gear.model(base);
        Map<String, Turning> turns = new HashMap<>(turnings);
        Map<String, Dial> scales = new HashMap<>(dials);
        turns.keySet().removeAll(reaches.keySet());
        scales.keySet().removeAll(reaches.keySet());
        reaches.keySet().forEach(whole::control);
        List<Control> controls = model.controls().stream()
                .map(c -> Optional.ofNullable(reaches.get(c.name()))
                        .map(r -> whole.control(c.name()).within(r.from, r.to)).orElse(c))
                .toList();
        return new Unit(new Model(model.name(), model.voice(), model.about(), controls), base, labels, turns, scales);
    }

    /**
     * The same with these scales and no others; what a scale does not reach, the device does not, and where one goes the control reaches
     * as far as the model's.
     *
     * @throws IllegalArgumentException where a control is none of the model's, or its scale reaches none of its range
     */
    public Unit dialled(Map<String, Dial> scales) {
        Map<String, Turning> others = new HashMap<>(turnings);
        others.keySet().removeAll(scales.keySet());
        List<Control> controls = new ArrayList<>();
        Model whole = Gear.model(base);
        scales.keySet().forEach(whole::control);
        for (Control c : model.controls()) {
            Optional<Dial> dial = Optional.ofNullable(scales.get(c.name()));
            Control without = dials.containsKey(c.name()) ? whole.control(c.name()) : c;
            controls.add(dial.map(d -> reached(whole.control(c.name()), d)).orElse(without));
        }
        return new Unit(new Model(model.name(), model.voice(), model.about(), controls), base, labels, others, scales);
    }

    private static Control reached(Control whole, Dial dial) {
        double[] reach = dial.reach(whole);
        if (whole.position(reach[1]) - whole.position(reach[0]) < LEAST_REACH)
            throw new IllegalArgumentException("the scale of " + whole.name() + " turns next to nothing");
        return whole.within(reach[0], reach[1]);
    }

    /** The scale of a control where it has one of its own, with the model's control that it turns. */
    Optional<Reading> reading(String control) {
        return Optional.ofNullable(dials.get(control)).map(d -> new Reading(d, Gear.model(base).control(control)));
    }

    /** A scale and what it turns. */
    public record Reading(Dial dial, Control control) {
        /** A value as the device shows it. */
        public String shown(double value) {
            return dial.face().shown(dial.mark(control, value));
        }

        /** The value at a mark of the device. */
        public double value(double mark) {
            return dial.value(control, mark);
        }

        double position(double value) {
            return TRACK * dial.face().share(dial.mark(control, value));
        }

        double valueAt(double position) {
            Face f = dial.face();
            return dial.value(control, f.from() + position / TRACK * (f.to() - f.from()));
        }
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
