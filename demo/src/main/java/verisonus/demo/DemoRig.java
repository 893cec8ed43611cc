package verisonus.demo;

import java.util.List;
import java.util.Map;
import verisonus.core.rig.DeviceScale;
import verisonus.core.rig.Rig;

/**
 * The gear of the rehearsal room above the bakery; one device shows 0-100, one clock positions. The amp has a tremolo of its own, the one
 * modulation unit two programs.
 */
final class DemoRig {
    private DemoRig() {}

    static Rig rig() {
        return new Rig(List.of("single-coil guitar, three pickups", "humbucker guitar, two pickups"),
                Map.ofEntries(Map.entry("mid-hump overdrive", 1), Map.entry("chiming edge", 1),
                        Map.entry("mid-forward crunch", 1), Map.entry("tight saturated", 1),
                        Map.entry("2×12 open", 1), Map.entry("4×12 closed", 1), Map.entry("dynamic microphone", 1),
                        Map.entry("ribbon microphone", 1), Map.entry("condenser microphone", 1),
                        Map.entry("parametric equalizer", 1), Map.entry("four-stage phaser", 1),
                        Map.entry("wide chorus", 1), Map.entry("bias tremolo", 1), Map.entry("clean echo", 1),
                        Map.entry("plain hall", 1)),
                Map.of("mid-hump overdrive", DeviceScale.CLOCK, "tight saturated", DeviceScale.HUNDREDS), 9);
    }
}
