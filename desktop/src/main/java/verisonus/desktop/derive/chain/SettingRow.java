package verisonus.desktop.derive.chain;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import verisonus.casebook.sheet.ToneSheet;
import verisonus.casebook.store.DerivedTone;
import verisonus.core.rig.Block;
import verisonus.core.rig.Control;
import verisonus.core.rig.ControlPlace;
import verisonus.core.rig.GearKind;
import verisonus.core.rig.Rig;
import verisonus.core.search.Tolerance;

/**
 * One setting of the chain as the derive bench shows it.
 *
 * @param leads whether it is the first of its block
 * @param tolerance how far it can move unheard
 * @param earlier value in the tone before this one
 * @param measured whether it was set from the recording rather than searched for
 */
public record SettingRow(Block block, Control control, boolean leads, Optional<Tolerance> tolerance,
        Optional<Double> earlier, boolean locked, boolean measured) {
    /** Shares of a control's way: more than the first may be turned unheard where it rests, less than the second where it matters. */
    private static final double WIDE = 0.7;
    private static final double NARROW = 0.45;

    /** Every setting of a tone that says something, in signal order. */
    public static List<SettingRow> of(DerivedTone derived) {
        return of(derived, Set.of());
    }

    /** @param whole ids of blocks of which every setting is wanted */
    public static List<SettingRow> of(DerivedTone derived, Set<String> whole) {
        List<SettingRow> out = new ArrayList<>();
        for (Block b : derived.tone().blocks()) {
            boolean first = true;
            for (Control c : b.model().turnable()) {
                if (!whole.contains(b.id()) && !shown(b, c)) continue;
                Optional<Tolerance> tolerance = derived.tolerances().stream()
                        .filter(t -> t.block().equals(b.id()) && t.control().equals(c.name())).findFirst();
                Optional<Double> earlier = derived.earlier().flatMap(t -> t.find(b.id()))
                        .filter(e -> e.model().equals(b.model())).map(e -> e.get(c.name()));
                out.add(new SettingRow(b, c, first, tolerance, earlier, derived.locked().holds(b.id(), c.name()),
                        b.model().kind() == GearKind.ECHO && tolerance.isPresent()));
                first = false;
            }
        }
        return out;
    }

    /** An equalizer's filters and what is rarely moved are shown where they do something: all else always. */
    private static boolean shown(Block b, Control c) {
        if (ToneSheet.isUnused(b, c)) return false;
        if (c.rare() && b.get(c.name()) == c.defaultValue()) return false;
        return switch (b.model().kind()) {
            case EQUALIZER -> b.get(c.name()) != c.defaultValue() && !c.name().endsWith("corner")
                    && !c.name().endsWith("frequency") && !c.name().endsWith("width");
            default -> true;
        };
    }

    /** How locks name it. */
    public ControlPlace place() {
        return ControlPlace.of(block, control.name());
    }

    /** What the player's own device calls it. */
    public String label(Rig rig) {
        return rig.label(block, control.name());
    }

    public double value() {
        return block.get(control.name());
    }

    /** Place on the scale, 0 to 1. */
    public double position() {
        return control.position(value());
    }

    /** The value as the player's own device shows it. */
    public String display(Rig rig) {
        return rig.display(block.model(), control, value());
    }

    /** "3.5 – 5.2", empty where nothing is known. */
    public String range(Rig rig) {
        return tolerance.filter(_ -> isHeard())
                .map(t -> rig.displayRange(block.model(), control, t.low(), t.high())).orElse("");
    }

    /** What the value rests on. */
    public String reason() {
        if (locked) return "locked";
        return isHeard() ? tolerance.map(Tolerance::why).orElse("") : "not heard here";
    }

    /** What the value rests on, in a sentence. */
    public String reasonInFull() {
        if (isHeard()) return reason().isEmpty() ? control.about() : reason();
        return "not heard here, left as usual: " + control.about();
    }

    /**
     * Whether nobody need look at it: it stands where it usually stands, was not touched, and may be turned by most of its way
     * unheard.
     *
     * @param judged whether it was tried how far the settings of its block can be turned; else nothing rests
     */
    boolean isAtRest(boolean judged) {
        if (!judged || locked || value() != control.defaultValue()) return false;
        if (earlier.filter(e -> e != value()).isPresent()) return false;
        return tolerance.filter(t -> wayOf(t) < WIDE).isEmpty();
    }

    /** Whether it stands out: it can be turned by a small part of its way only before it is heard. */
    boolean matters() {
        return measured || tolerance.filter(t -> wayOf(t) < NARROW).isPresent();
    }

    private double wayOf(Tolerance t) {
        return control.position(t.high()) - control.position(t.low());
    }

    /** Whether turning it from end to end would change what is heard. */
    private boolean isHeard() {
        return tolerance.filter(t -> !t.isHeard(control)).isEmpty();
    }

    /** One step of the arrow keys, as a place on the scale. */
    public double stepped(int steps) {
        return control.valueAt(position() + steps * 0.01);
    }
}
