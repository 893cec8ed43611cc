package verisonus.core.capture.passes;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import verisonus.core.rig.Control;
import verisonus.core.rig.ControlNames;
import verisonus.core.rig.Face;
import verisonus.core.rig.Gear;
import verisonus.core.rig.GearKind;
import verisonus.core.rig.Model;

/**
 * A control of the player's device: the word that stands on it, what stands round it, and which control of a simulated model it is like.
 *
 * @param label the device's own word
 * @param means name of a model's control
 */
public record Knob(String label, Face face, String means) {
    /** Round a control of which nothing else is said. */
    public static final Face TENS = Face.ruled(0, 10, 0, "");
    /** Words that stand on devices, in the order in which they are tried, and the controls of models that they may mean. */
    private static final Map<String, List<String>> MEANINGS = meanings();

    private static Map<String, List<String>> meanings() {
        Map<String, List<String>> out = new LinkedHashMap<>();
        List<String> dirt = List.of(ControlNames.DRIVE, ControlNames.GAIN);
        for (String w : List.of("gain", "drive", "distortion", "fuzz", "dirt", "overdrive")) out.put(w, dirt);
        out.put("sustain", List.of(ControlNames.DRIVE, ControlNames.THRESHOLD));
        out.put("tone", List.of(ControlNames.TONE, ControlNames.TREBLE, ControlNames.HIGH_CUT));
        out.put("filter", List.of(ControlNames.TONE, ControlNames.HIGH_CUT));
        for (String w : List.of("volume", "level", "output", "vol"))
            out.put(w, List.of(ControlNames.LEVEL, ControlNames.MASTER, ControlNames.MIX));
        for (String w : List.of("delay", "time")) out.put(w, List.of(ControlNames.TIME, ControlNames.DECAY));
        for (String w : List.of("repeats", "feedback", "regeneration")) out.put(w, List.of(ControlNames.FEEDBACK));
        for (String w : List.of("mix", "blend", "effect")) out.put(w, List.of(ControlNames.MIX));
        for (String w : List.of("rate", "speed")) out.put(w, List.of(ControlNames.RATE, ControlNames.SPEED));
        for (String w : List.of("depth", "intensity", "width")) out.put(w, List.of(ControlNames.DEPTH));
        for (String w : List.of("decay", "dwell", "length")) out.put(w, List.of(ControlNames.DECAY));
        out.put("middle", List.of(ControlNames.MID));
        out.put("treble", List.of(ControlNames.TREBLE, ControlNames.TONE));
        out.put("compression", List.of(ControlNames.THRESHOLD, ControlNames.RATIO));
        return out;
    }

    /**
     * A control as said: "gain", "sustain=drive", "sustain=drive 0..10", "delay 20..600 ms"; what it means is found by its word where nothing
     * else is said.
     *
     * @throws IllegalArgumentException in words, where it means nothing that devices of the kind have, or its scale is none
     */
    public static Knob said(String words, GearKind kind) {
        String t = words.strip();
        int equals = t.indexOf('=');
        String head = equals < 0 ? t : t.substring(0, equals).strip();
        String rest = equals < 0 ? "" : t.substring(equals + 1).strip();
        String scaled = equals < 0 ? head : rest;
        int begin = scaleAt(scaled);
        Face face = begin < 0 ? TENS : Face.typed(scaled.substring(begin).strip());
        String word = begin < 0 ? scaled : scaled.substring(0, begin).strip();
        String label = equals < 0 ? word : head;
        if (label.isEmpty()) throw new IllegalArgumentException("\"" + words + "\" names no control");
        return new Knob(label, face, equals < 0 || word.isEmpty() ? guessed(label, kind) : known(word, kind));
    }

    /** Where a scale begins in what was said: at the word that holds its ends or marks. */
    private static int scaleAt(String said) {
        int range = said.indexOf("..");
        int words = said.indexOf('|');
        int inside = range < 0 ? words : words < 0 ? range : Math.min(range, words);
        if (inside < 0) return -1;
        return said.lastIndexOf(' ', inside) + 1;
    }

    private static String guessed(String label, GearKind kind) {
        String word = label.toLowerCase(java.util.Locale.ROOT);
        if (has(kind, word)) return word;
        Optional<String> meant = MEANINGS.getOrDefault(word, List.of()).stream().filter(m -> has(kind, m)).findFirst();
        return meant.orElseThrow(() -> new IllegalArgumentException("what \"" + label + "\" does is not known: write "
                + label + "=CONTROL with one of " + controls(kind)));
    }

    private static String known(String control, GearKind kind) {
        if (!has(kind, control))
            throw new IllegalArgumentException("\"" + control + "\" is no control of a " + kind.word() + ": it has "
                    + controls(kind));
        return control;
    }

    private static boolean has(GearKind kind, String control) {
        return Gear.of(kind).stream().anyMatch(m -> m.find(control).filter(c -> !c.isChoice()).isPresent());
    }

    private static String controls(GearKind kind) {
        return Gear.of(kind).stream().map(Model::controls).flatMap(List::stream).filter(c -> !c.isChoice())
                .map(Control::name).distinct().collect(Collectors.joining(", "));
    }
}
