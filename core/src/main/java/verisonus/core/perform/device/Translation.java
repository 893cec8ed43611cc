package verisonus.core.perform.device;

import java.util.List;
import verisonus.core.rig.Tone;

/**
 * A tone on another device.
 *
 * @param tone what is set there
 * @param changes what stands for what, and what had to go, in words, in the order in which it was given up
 * @param gapJnd how far it lies from the tone it stands for, loudness left out
 * @param merelyJnd the same with the settings only carried over
 */
public record Translation(Tone tone, List<Change> changes, double gapJnd, double merelyJnd) {
    /**
     * One thing that is other there.
     *
     * @param block id in the tone
     * @param words what became of it
     * @param priceJnd how far that alone moved the tone
     */
    public record Change(String block, String words, double priceJnd) {}

    public Translation {
        changes = List.copyOf(changes);
    }
}
