package verisonus.core.rig;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Stream;

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
 * @param units devices that the player calls by names of their own; counted, scaled and known like models, by those names
 */
public record Rig(List<String> guitars, Map<String, Integer> counts, Map<String, DeviceScale> scales, int mostBlocks,
        Set<GearKind> once, Map<String, Practical> practical, Map<String, MixLaw> mixLaws,
        List<Unit> units) {
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
        this(guitars, counts, scales, mostBlocks, Set.of(), Map.of(), Map.of(), List.of());
    }

    public Rig {
        once = Set.copyOf(once);
        Map<String, Practical> known = new HashMap<>(practical);
        known.values().removeIf(Practical.UNKNOWN::equals);
        practical = Map.copyOf(known);
        units = List.copyOf(units);
        if (units.stream().map(Unit::name).distinct().count() < units.size())
            throw new IllegalArgumentException("two devices of one name");
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
        return all(kind).filter(this::has).toList();
    }

    /** Models of a kind, owned or not, each followed by the player's own devices that are one of it. */
    public Stream<Model> all(GearKind kind) {
        return Gear.of(kind).stream().flatMap(m -> Stream.concat(Stream.of(m), devicesOf(m)));
    }

    private Stream<Model> devicesOf(Model base) {
        return units.stream().filter(u -> u.base().equals(base.name())).map(Unit::model);
    }

    /** What the player owns that sounds as a shipped model does: the model itself, or a device of the player's own that is one of it. */
    public Optional<Model> ownedAs(Model base) {
        return Stream.concat(Stream.of(base), devicesOf(base)).filter(this::has).findFirst();
    }

    /** Whether it is owned, under whatever name. */
    public boolean holds(Model base) {
        return ownedAs(base).isPresent();
    }

    /** How many are owned; of a shipped model that is not owned by its own name, of the player's devices that are one of it. */
    public int count(Model model) {
        int named = counts.getOrDefault(model.name(), 0);
        return named > 0 ? named : devicesOf(model).mapToInt(m -> counts.getOrDefault(m.name(), 0)).sum();
    }

    /** A block on the player's own device, where the player has its model under another name only. */
    public Block own(Block block) {
        return has(block.model())
                ? block
                : ownedAs(block.model()).map(block::exchangedFor).orElse(block);
    }

    /** A model or one of the player's own devices, by name. */
    public Optional<Model> find(String name) {
        return unit(name).map(Unit::model).or(() -> Gear.find(name));
    }

    /** The player's own device of this name. */
    public Optional<Unit> unit(String name) {
        return units.stream().filter(u -> u.name().equals(name)).findFirst();
    }

    /** The same rig with a device of the player's own, in place of the one of its name, one of it where there was none. */
    public Rig with(Unit unit) {
        List<Unit> next = new ArrayList<>(units);
        next.removeIf(u -> u.name().equals(unit.name()));
        next.add(unit);
        Map<String, Integer> counted = new HashMap<>(counts);
        counted.putIfAbsent(unit.name(), 1);
        return new Rig(guitars, counted, scales, mostBlocks, once, practical, mixLaws, next);
    }

    /** The same rig without a device of the player's own. */
    public Rig without(Unit unit) {
        Map<String, Integer> counted = new HashMap<>(counts);
        counted.remove(unit.name());
        return new Rig(guitars, counted, scales, mostBlocks, once, practical, mixLaws,
                units.stream().filter(u -> !u.equals(unit)).toList());
    }

    /** The same rig with another number of a model. */
    public Rig counting(Model model, int count) {
        Map<String, Integer> next = new HashMap<>(counts);
        next.put(model.name(), Math.max(0, count));
        return new Rig(guitars, next, scales, mostBlocks, once, practical, mixLaws, units);
    }

    public Rig scaling(Model model, DeviceScale scale) {
        Map<String, DeviceScale> next = new HashMap<>(scales);
        next.put(model.name(), scale);
        return new Rig(guitars, counts, next, mostBlocks, once, practical, mixLaws, units);
    }

    public Rig knowing(Model model, Practical what) {
        Map<String, Practical> next = new HashMap<>(practical);
        next.put(model.name(), what);
        return new Rig(guitars, counts, scales, mostBlocks, once, next, mixLaws, units);
    }

    /** The same rig with another law of a model's mix control. */
    public Rig mixing(Model model, MixLaw law) {
        Map<String, MixLaw> next = new HashMap<>(mixLaws);
        next.put(model.name(), law);
        return new Rig(guitars, counts, scales, mostBlocks, once, practical, next, units);
    }

    public MixLaw mixLaw(Model model) {
        return mixLaws.getOrDefault(model.name(), MixLaw.HELD);
    }

    /** The player's own device of a model, by whatever name: on, with defaults, its mix working as the player said. */
    public Block device(Model model) {
        return as(own(Block.of(model)));
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
        return new Rig(guitars, counts, scales, blocks, onceOnly, practical, mixLaws, units);
    }

    public Rig withGuitars(List<String> names) {
        return new Rig(names, counts, scales, mostBlocks, once, practical, mixLaws, units);
    }

    public Practical practical(Model model) {
        return practical.getOrDefault(model.name(), Practical.UNKNOWN);
    }

    /** A value as the player's own device shows it. */
    public String display(Model model, Control control, double value) {
        Optional<Unit.Reading> own = reading(model, control);
        if (own.isPresent()) return own.get().shown(value);
        boolean turns = control.unit().equals("0-10");
        return scale(model).display(control, turns ? position(model, control, value) : value);
    }

    /** The scale that the player's own device has for a control, where the player has described it. */
    public Optional<Unit.Reading> reading(Model model, Control control) {
        return unit(model.name()).flatMap(u -> u.reading(control.name()));
    }

    /** Where a control from 0 to 10 stands on the player's own device, 0 to 10 along its track. */
    public double position(Model model, Control control, double value) {
        return reading(model, control).map(r -> r.position(value))
                .orElseGet(() -> unit(model.name()).map(u -> u.device(control.name(), value)).orElse(value));
    }

    /** The value that stands at a position of the player's own device, held within what the control reaches. */
    public double valueAt(Model model, Control control, double position) {
        return control.clamp(reading(model, control).map(r -> r.valueAt(position))
                .orElseGet(() -> unit(model.name()).map(u -> u.model(control.name(), position)).orElse(position)));
    }

    /** What a block's control is called on the player's own device. */
    public String label(Block block, String control) {
        return unit(block.model().name()).flatMap(u -> Optional.ofNullable(u.labels().get(control)))
                .orElseGet(() -> block.label(control));
    }

    /** The scale that the player's device of a model shows. */
    public DeviceScale scale(Model model) {
        return scales.getOrDefault(model.name(), DeviceScale.TENS);
    }

    /** Two values of a control as a range, the unit named once: "65 – 122 Hz". */
    public String displayRange(Model model, Control control, double low, double high) {
        String from = display(model, control, low);
        String to = display(model, control, high);
        if (from.equals(to)) return from;
        int unit = to.indexOf(' ');
        boolean shared = unit > 0 && from.endsWith(to.substring(unit));
        return (shared ? from.substring(0, from.indexOf(' ')) : from) + " – " + to;
    }
}
