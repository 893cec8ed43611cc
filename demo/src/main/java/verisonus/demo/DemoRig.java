package verisonus.demo;

import java.util.List;
import java.util.Map;
import verisonus.core.rig.ControlNames;
import verisonus.core.rig.DeviceScale;
import verisonus.core.rig.Dial;
import verisonus.core.rig.Gear;
import verisonus.core.rig.Model;
import verisonus.core.rig.Rig;
import verisonus.core.rig.Unit;

/**
 * The gear of the rehearsal room above the bakery; one device shows 0-100, one clock positions, and a second echo goes by its owner's name,
 * its time known at three places. The amp has a tremolo of its own, the one modulation unit two programs.
 */
final class DemoRig {
    private DemoRig() {}

    /** Its time goes from nothing to ten in half steps; it has no saturation in its loop. */
    private static Unit repeats() {
        Model echo = Gear.model("clean echo");
        return Unit.of("attic repeats", echo, Map.of(ControlNames.DRIVE, Unit.Reach.fixed(0)), List.of())
                .labelled(Map.of(ControlNames.TIME, "delay", ControlNames.FEEDBACK, "again"))
                .dialled(Map.of(ControlNames.TIME,
                        Dial.typed("0..10/0.5; 2 = 150; 5 = 330; 9 = 700", echo.control(ControlNames.TIME))));
    }

    static Rig rig() {
        return new Rig(List.of("single-coil guitar, three pickups", "humbucker guitar, two pickups"),
                Map.ofEntries(Map.entry("mid-hump overdrive", 1), Map.entry("chiming edge", 1),
                        Map.entry("mid-forward crunch", 1), Map.entry("tight saturated", 1),
                        Map.entry("2×12 open", 1), Map.entry("4×12 closed", 1), Map.entry("dynamic microphone", 1),
                        Map.entry("ribbon microphone", 1), Map.entry("condenser microphone", 1),
                        Map.entry("parametric equalizer", 1), Map.entry("four-stage phaser", 1),
                        Map.entry("wide chorus", 1), Map.entry("bias tremolo", 1), Map.entry("clean echo", 1),
                        Map.entry("plain hall", 1)),
                Map.of("mid-hump overdrive", DeviceScale.CLOCK, "tight saturated", DeviceScale.HUNDREDS), 9)
                .with(repeats());
    }
}
