package verisonus.core.rig;

import java.util.List;
import java.util.Map;

/**
 * The gear that the player owns.
 *
 * @param guitars in the player's words
 * @param counts how many of each model; a model that is not there is not owned
 * @param scales the scale a device shows, by model: "0-10", "0-100" or "clock"
 * @param mostBlocks how many blocks a tone may have
 */
public record Rig(List<String> guitars, Map<String, Integer> counts, Map<String, String> scales, int mostBlocks) {
    public Rig {
        guitars = List.copyOf(guitars);
        counts = Map.copyOf(counts);
        scales = Map.copyOf(scales);
        if (mostBlocks < 1) throw new IllegalArgumentException("limit of " + mostBlocks + " blocks");
    }

    /** One of every model there is. */
    public static Rig everything() {
        Map<String, Integer> one = new java.util.HashMap<>();
        for (Model m : Gear.MODELS) one.put(m.name(), 1);
        return new Rig(List.of(), one, Map.of(), 32);
    }

    public boolean has(Model model) {
        return counts.getOrDefault(model.name(), 0) > 0;
    }

    /** Models of a kind that the player owns. */
    public List<Model> owned(Kind kind) {
        return Gear.of(kind).stream().filter(this::has).toList();
    }

    /** A value as the player's own device shows it. */
    public String display(Model model, Control control, double value) {
        String scale = scales.getOrDefault(model.name(), "0-10");
        if (!control.unit().equals("0-10") || scale.equals("0-10")) return control.display(value);
        if (scale.equals("0-100")) return String.format(java.util.Locale.ROOT, "%.0f", value * 10);
        return clock(value / 10);
    }

    /** Two values of a control as a range, the unit named once: "65 – 122 Hz". */
    public String displayRange(Model model, Control control, double low, double high) {
        String from = display(model, control, low);
        String to = display(model, control, high);
        int unit = to.indexOf(' ');
        boolean shared = unit > 0 && from.endsWith(to.substring(unit));
        return (shared ? from.substring(0, from.indexOf(' ')) : from) + " – " + to;
    }

    /** Clock positions: 7:00 is 0 %, 12:00 half way, 17:00 full. */
    static String clock(double share) {
        int minutes = (int) Math.round((7 + 10 * share) * 12) * 5;
        return String.format(java.util.Locale.ROOT, "%d:%02d", minutes / 60, minutes % 60);
    }
}
