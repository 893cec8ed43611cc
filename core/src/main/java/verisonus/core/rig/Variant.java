package verisonus.core.rig;

import java.util.ArrayList;
import java.util.Collections;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;

/**
 * The same chain for another part of the music. Only what differs from the tone it belongs to is kept, so that a change of the tone
 * reaches all its variants.
 *
 * @param name as rhythm, lead, clean or the player's own word
 * @param settings values that differ, by place
 * @param switches blocks that are on or off other than in the tone, by id
 */
public record Variant(String name, Map<ControlPlace, Double> settings, Map<String, Boolean> switches) {
    public Variant {
        if (name.isBlank()) throw new IllegalArgumentException("a variant needs a name");
        settings = Collections.unmodifiableMap(new LinkedHashMap<>(settings));
        switches = Collections.unmodifiableMap(new LinkedHashMap<>(switches));
    }

    /** One that differs in nothing yet. */
    public Variant(String name) {
        this(name, Map.of(), Map.of());
    }

    /**
     * What a changed tone has other than the tone it was made from.
     *
     * @throws IllegalArgumentException where the two do not hold the same blocks: what only a variant needs stands in the tone too,
     *         switched off
     */
    public static Variant between(String name, Tone base, Tone changed) {
        Map<ControlPlace, Double> settings = new LinkedHashMap<>();
        Map<String, Boolean> switches = new LinkedHashMap<>();
        for (Block c : changed.blocks()) {
            Block b = base.find(c.id()).filter(x -> x.model().equals(c.model())).orElseThrow(
                    () -> new IllegalArgumentException("the tone holds no " + c.model().name() + " called " + c.id()));
            if (b.on() != c.on()) switches.put(c.id(), c.on());
            for (Control k : c.model().turnable()) {
                if (Math.abs(b.get(k.name()) - c.get(k.name())) > 1e-9)
                    settings.put(ControlPlace.of(c, k.name()), c.get(k.name()));
            }
        }
        return new Variant(name, settings, switches);
    }

    /** The tone with what differs; places that it no longer has are passed over, see {@link #lost}. */
    public Tone on(Tone base) {
        Tone out = base.named(name);
        for (Map.Entry<String, Boolean> s : switches.entrySet())
            if (out.find(s.getKey()).isPresent())
                out = out.with(out.find(s.getKey()).orElseThrow().switched(s.getValue()));
        for (Map.Entry<ControlPlace, Double> s : settings.entrySet()) {
            Block b = out.find(s.getKey().block()).orElse(null);
            if (b != null && b.model().find(s.getKey().control()).isPresent())
                out = out.with(b.with(s.getKey().control(), s.getValue()));
        }
        return out;
    }

    /** What it sets that the tone no longer has, in words. */
    public List<String> lost(Tone base) {
        List<String> out = new ArrayList<>();
        for (ControlPlace p : settings.keySet())
            if (base.find(p.block()).flatMap(b -> b.model().find(p.control())).isEmpty()) out.add(p.toString());
        for (String id : switches.keySet()) if (base.find(id).isEmpty()) out.add(id);
        return out;
    }

    public Variant named(String newName) {
        return new Variant(newName, settings, switches);
    }

    /** How many settings and switches it changes. */
    public int differences() {
        return settings.size() + switches.size();
    }
}
