package verisonus.core.capture.passes;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.OptionalInt;
import java.util.stream.Collectors;
import verisonus.core.rig.GearKind;

/**
 * How a device is played through: what its controls are and where they stand in each pass. Before the first of them the device is bypassed
 * once, so that levels and latency are those of the device and not of the cable.
 *
 * @param settings mark by label, a map a pass
 * @param checks index of the pass that is not learnt from but measured against; none where there are too few
 */
public record LearningPlan(GearKind kind, List<Knob> knobs, List<Map<String, Double>> settings, OptionalInt checks) {
    /** A control is played at these shares of its way, and in the middle. */
    private static final double LOW = 0.2;
    private static final double HIGH = 0.85;
    private static final double MIDDLE = 0.5;
    /** Where the pass stands that is only measured against: at nothing that was learnt. */
    private static final double[] BETWEEN = {0.35, 0.7, 0.62, 0.42};

    public LearningPlan {
        knobs = List.copyOf(knobs);
        settings = settings.stream().map(Map::copyOf).toList();
        if (knobs.stream().map(Knob::label).distinct().count() < knobs.size())
            throw new IllegalArgumentException("two controls are called the same");
        if (knobs.stream().map(Knob::means).distinct().count() < knobs.size())
            throw new IllegalArgumentException("two controls are like the same control of a model");
        if (settings.isEmpty()) throw new IllegalArgumentException("no pass is planned");
    }

    /** Every control low, in the middle and high while the others stand in the middle, and one pass in between to check. */
    public static LearningPlan usual(GearKind kind, List<Knob> knobs) {
        List<Map<String, Double>> out = new ArrayList<>();
        Map<String, Double> middle = new LinkedHashMap<>();
        for (Knob k : knobs) middle.put(k.label(), k.face().mark(MIDDLE));
        out.add(middle);
        for (Knob k : knobs) {
            for (double share : new double[]{LOW, HIGH}) {
                Map<String, Double> turned = new LinkedHashMap<>(middle);
                turned.put(k.label(), k.face().mark(share));
                out.add(turned);
            }
        }
        if (knobs.isEmpty()) return new LearningPlan(kind, knobs, out, OptionalInt.empty());
        Map<String, Double> between = new LinkedHashMap<>();
        for (int i = 0; i < knobs.size(); i++)
            between.put(knobs.get(i).label(), knobs.get(i).face().mark(BETWEEN[i % BETWEEN.length]));
        out.add(between);
        return new LearningPlan(kind, knobs, out, OptionalInt.of(out.size() - 1));
    }

    /** Passes that the sent file holds, the bypassed one included. */
    public int passes() {
        return settings.size() + 1;
    }

    /** Where a control stands in a setting; in the middle where nothing is said. */
    public double mark(int setting, Knob knob) {
        return settings.get(setting).getOrDefault(knob.label(), knob.face().mark(MIDDLE));
    }

    /** What the player does before a pass: "bypass", or where the controls go. */
    public String words(int pass) {
        if (pass == 0) return "bypass the device";
        return knobs.isEmpty()
                ? "switch the device on"
                : knobs.stream().map(k -> k.label() + " " + k.face().shown(mark(pass - 1, k)))
                        .collect(Collectors.joining(", "));
    }

    /** Only what changes against the pass before. */
    public String change(int pass) {
        if (pass < 2) return words(pass);
        List<String> turned = knobs.stream().filter(k -> mark(pass - 2, k) != mark(pass - 1, k))
                .map(k -> k.label() + " to " + k.face().shown(mark(pass - 1, k))).toList();
        return turned.isEmpty() ? "leave it" : String.join(", ", turned);
    }
}
