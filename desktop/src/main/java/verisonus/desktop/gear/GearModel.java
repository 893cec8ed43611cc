package verisonus.desktop.gear;

import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import verisonus.casebook.store.DerivedTone;
import verisonus.core.plan.RigCheck;
import verisonus.core.rig.Control;
import verisonus.core.rig.DeviceScale;
import verisonus.core.rig.Dial;
import verisonus.core.rig.Gear;
import verisonus.core.rig.GearKind;
import verisonus.core.rig.MixLaw;
import verisonus.core.rig.Model;
import verisonus.core.rig.Rig;
import verisonus.core.rig.Unit;
import verisonus.core.rig.Voice;
import verisonus.core.work.Figures;
import verisonus.desktop.desk.Desk;

/** The player's gear: each change is kept at once and can be undone. */
public final class GearModel {
    private final Desk desk;

    public GearModel(Desk desk) {
        this.desk = desk;
    }

    public Rig rig() {
        return desk.book().rig();
    }

    public void count(Model model, int count) {
        keep(rig().counting(model, count));
    }

    public void scale(Model model, DeviceScale scale) {
        keep(rig().scaling(model, scale));
    }

    public void mixLaw(Model model, MixLaw law) {
        keep(rig().mixing(model, law));
    }

    public void practical(Model model, Rig.Practical what) {
        keep(rig().knowing(model, what));
    }

    /** @return whether the number makes sense */
    public boolean mostBlocks(int blocks) {
        if (blocks < 1) return false;
        keep(rig().limited(blocks, rig().once()));
        return true;
    }

    public void once(GearKind kind, boolean only) {
        Set<GearKind> next = new HashSet<>(rig().once());
        if (only) {
            next.add(kind);
        } else {
            next.remove(kind);
        }
        keep(rig().limited(rig().mostBlocks(), next));
    }

    /**
     * Gives one of a model a name of its own; it is counted by that name from then on.
     *
     * @return whether the name can be used: no model and no other device has it
     */
    public boolean own(Model base, String name) {
        String own = name.strip();
        if (own.isEmpty() || rig().find(own).isPresent()) return false;
        Unit unit = Unit.of(own, base, Map.of(), List.of());
        Rig with = rig().with(unit).scaling(unit.model(), rig().scale(base)).knowing(unit.model(),
                rig().practical(base));
        keep(with.counting(base, rig().counts().getOrDefault(base.name(), 1) - 1));
        return true;
    }

    /** Says whether a device has a control: one that it has not stands where the model's starts. */
    public void has(Unit unit, Control control, boolean there) {
        Control whole = Gear.model(unit.base()).control(control.name());
        Unit.Reach reach = there ? Unit.Reach.of(whole) : Unit.Reach.fixed(whole.defaultValue());
        keep(rig().with(unit.reaching(Map.of(control.name(), reach))));
    }

    /**
     * What stands round a control and how it turns, as {@link Dial#typed} reads it; nothing: as on the model.
     *
     * @return what is wrong with it; empty where it is kept
     */
    public String dial(Unit unit, Control control, String words) {
        Map<String, Dial> dials = new HashMap<>(unit.dials());
        dials.remove(control.name());
        try {
            if (!words.isBlank())
                dials.put(control.name(), Dial.typed(words, Gear.model(unit.base()).control(control.name())));
            keep(rig().with(unit.dialled(dials)));
            return "";
        } catch (IllegalArgumentException e) {
            return String.valueOf(e.getMessage());
        }
    }

    /** What the device calls a control; nothing: as the model does. */
    public void label(Unit unit, Control control, String words) {
        Map<String, String> labels = new HashMap<>(unit.labels());
        if (words.isBlank()) labels.remove(control.name());
        else labels.put(control.name(), words.strip());
        keep(rig().with(unit.labelled(labels)));
    }

    /** Takes a device of the player's own out of the list; tones that hold it keep it. */
    public void forget(Unit unit) {
        keep(rig().without(unit));
    }

    /** One guitar a line, in the player's words. */
    public void guitars(String lines) {
        keep(rig().withGuitars(lines.lines().map(String::strip).filter(l -> !l.isEmpty()).toList()));
    }

    private void keep(Rig rig) {
        if (rig.equals(rig())) return;
        desk.book().keepRig(rig);
        desk.refresh();
    }

    /** Whether the open case's tone can be set up, and what it takes; empty where there is no tone. */
    public Optional<String> check() {
        return desk.open().get().flatMap(o -> o.tone()).map(DerivedTone::tone).map(t -> words(RigCheck.of(t, rig())));
    }

    private static String words(RigCheck c) {
        List<String> out = new java.util.ArrayList<>();
        out.add(c.faults().isEmpty()
                ? "The open case's tone can be set up on this gear."
                : "Against the open case's tone: "
                        + String.join("; ", c.faults()) + ".");
        if (c.price() > 0) out.add(Figures.of("Worth %.0f.", c.price()));
        if (c.weightKg() > 0) out.add(Figures.of("%.1f kg to carry.", c.weightKg()));
        if (c.setupMinutes() > 0) out.add(Figures.of("%.0f minutes to set up.", c.setupMinutes()));
        return String.join(" ", out);
    }

    public Desk desk() {
        return desk;
    }
}
