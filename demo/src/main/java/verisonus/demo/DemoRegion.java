package verisonus.demo;

import java.util.Map;
import verisonus.core.sound.Sound;

/**
 * Which part of a case's record is studied, whether the case ships derived, and what was heard of it where.
 *
 * @param heard words by playback system
 */
record DemoRegion(double fromS, double toS, boolean derived, Map<String, String> heard) {
    static DemoRegion of(Recipe recipe) {
        return switch (recipe) {
            case GLASS_HARBOUR -> new DemoRegion(0.3, 11.5, true,
                    Map.of("car", "boomy under the narrator, the chime is still there", "phone",
                            "thin, but the repeats carry it"));
            case LANTERN_STREET -> new DemoRegion(0.2, 13.5, true,
                    Map.of("monitors", "the sway is gentler than on headphones", "car",
                            "boomy, the sway gets lost beside the road"));
            // Left for the newcomer to derive.
            case SALT_AND_STATIC -> new DemoRegion(0.2, 4.8, false, Map.of());
            case WINTER_KIOSK -> new DemoRegion(0.2, 2.3, true,
                    Map.of("stage", "tight; the thump is gone and not missed", "phone", "only the pick is left"));
            case SLOW_COMET -> new DemoRegion(0.2, 16.5, true,
                    Map.of("stage", "sits well behind the bell", "guitar-cabinet",
                            "dull until the simulated cabinet is off"));
        };
    }

    Sound cut(Sound reference) {
        return reference.slice(fromS, toS);
    }
}
