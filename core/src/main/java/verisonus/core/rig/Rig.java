package verisonus.core.rig;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;

/**
 * The gear that the player owns.
 *
 * @param guitars in the player's words
 * @param counts how many of each model; a model that is not there is not owned
 * @param scales the scale a device shows, by model, where it is not {@link DeviceScale#TENS}
 * @param mostBlocks how many blocks a tone may have
 * @param once kinds of which a tone may hold one only
 * @param practical what a model costs, weighs and takes to set up, where the player has said so
 * @param mixLaws how a model's mix control works, where it is not the usual {@link MixLaw#HELD}
 */
public record Rig(List<String> guitars, Map<String, Integer> counts, Map<String, DeviceScale> scales, int mostBlocks,
        Set<GearKind> once, Map<String, Practical> practical, Map<String, MixLaw> mixLaws) {
    /** The practical side of a piece of gear. */
    public record Practical(double price, double weightKg, double setupMinutes) {
        public static final Practical UNKNOWN = new Practical(0, 0, 0);

        public Practical {
            if (price < 0 || weightKg < 0 || setupMinutes < 0) {
                throw new IllegalArgumentException("price, weight and minutes are 0 or more");
            }
        }
    }

    /** Gear without limits by kind and with nothing practical known. */
    public Rig(List<String> guitars, Map<String, Integer> counts, Map<String, DeviceScale> scales, int mostBlocks) {
        this(guitars, counts, scales, mostBlocks, Set.of(), Map.of(), Map.of());
    }

    public Rig {
        once = Set.copyOf(once);
        Map<String, Practical> known = new HashMap<>(practical);
        known.values().removeIf(Practical.UNKNOWN::equals);
        practical = Map.copyOf(known);
        guitars = List.copyOf(guitars);
        counts = Map.copyOf(counts);
        scales = Map.copyOf(scales);
        Map<String, MixLaw> unusual = new HashMap<>(mixLaws);
        unusual.values().removeIf(MixLaw.HELD::equals);
        mixLaws = Map.copyOf(unusual);
        if (mostBlocks < 1) throw new IllegalArgumentException("limit of " + mostBlocks + " blocks");
    }

    /** One of every model there is. */
    public static Rig everything() {
        Map<String, Integer> one = new HashMap<>();
        for (Model m : Gear.MODELS) one.put(m.name(), 1);
        return new Rig(List.of(), one, Map.of(), 32);
    }

    public boolean has(Model model) {
        return counts.getOrDefault(model.name(), 0) > 0;
    }

    /** Models of a kind that the player owns. */
    public List<Model> owned(GearKind kind) {
        return Gear.of(kind).stream().filter(this::has).toList();
    }

    /** The same rig with another number of a model. */
    public Rig counting(Model model, int count) {
        Map<String, Integer> next = new HashMap<>(counts);
        next.put(model.name(), Math.max(0, count));
        return new Rig(guitars, next, scales, mostBlocks, once, practical, mixLaws);
    }

    public Rig scaling(Model model, DeviceScale scale) {
        Map<String, DeviceScale> next = new HashMap<>(scales);
        next.put(model.name(), scale);
        return new Rig(guitars, counts, next, mostBlocks, once, practical, mixLaws);
    }

    public Rig knowing(Model model, Practical what) {
        Map<String, Practical> next = new HashMap<>(practical);
        next.put(model.name(), what);
        return new Rig(guitars, counts, scales, mostBlocks, once, next, mixLaws);
    }

    /** The same rig with another law of a model's mix control. */
    public Rig mixing(Model model, MixLaw law) {
        Map<String, MixLaw> next = new HashMap<>(mixLaws);
        next.put(model.name(), law);
        return new Rig(guitars, counts, scales, mostBlocks, once, practical, next);
    }

    public MixLaw mixLaw(Model model) {
        return mixLaws.getOrDefault(model.name(), MixLaw.HELD);
    }

    /** The player's own device of a model: on, with defaults, its mix working as the player said. */
    public Block device(Model model) {
        return as(Block.of(model.name()));
    }

    /** A block as the player's own device of its model would hold it. */
    public Block as(Block block) {
        boolean other = block.model().find(MixLaw.CONTROL).isPresent() && MixLaw.of(block) != mixLaw(block.model());
        if (!other) return block;
        double wetDb = MixLaw.of(block).wetDb(block.get(ControlNames.MIX));
        MixLaw own = mixLaw(block.model());
        return block.with(MixLaw.CONTROL, own.ordinal()).with(ControlNames.MIX, own.percentFor(wetDb));
    }

    public Rig limited(int blocks, Set<GearKind> onceOnly) {
        return new Rig(guitars, counts, scales, blocks, onceOnly, practical, mixLaws);
    }

    public Rig withGuitars(List<String> names) {
        return new Rig(names, counts, scales, mostBlocks, once, practical, mixLaws);
    }

    public Practical practical(Model model) {
        return practical.getOrDefault(model.name(), Practical.UNKNOWN);
    }

    /** A value as the player's own device shows it. */
    public String display(Model model, Control control, double value) {
        return scale(model).display(control, value);
    }

    /** The scale that the player's device of a model shows. */
    public DeviceScale scale(Model model) {
        return scales.getOrDefault(model.name(), DeviceScale.TENS);
    }

    /** Two values of a control as a range, the unit named once: "65 – 122 Hz". */
    public String displayRange(Model model, Control control, double low, double high) {
        String from = display(model, control, low);
        String to = display(model, control, high);
        int unit = to.indexOf(' ');
        boolean shared = unit > 0 && from.endsWith(to.substring(unit));
        return (shared ? from.substring(0, from.indexOf(' ')) : from) + " – " + to;
    }
}
