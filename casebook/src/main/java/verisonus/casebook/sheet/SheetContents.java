package verisonus.casebook.sheet;

import java.util.List;
import java.util.Set;
import verisonus.core.rig.DeviceScale;

/**
 * What goes into a sheet beside what to set.
 *
 * @param parts chosen ones
 * @param scales on which each setting stands a second time, beside the player's own: for whoever sets it up on another device
 */
public record SheetContents(Set<SheetPart> parts, List<DeviceScale> scales) {
    /** Everything, in the player's own scales. */
    public static final SheetContents ALL = new SheetContents(SheetPart.all(), List.of());

    public SheetContents {
        parts = Set.copyOf(parts);
        scales = List.copyOf(scales);
    }

    public SheetContents with(Set<SheetPart> chosen) {
        return new SheetContents(chosen, scales);
    }

    public SheetContents beside(List<DeviceScale> others) {
        return new SheetContents(parts, others);
    }
}
