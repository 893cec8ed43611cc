package verisonus.core.travel.trim;

import java.util.List;
import verisonus.core.rig.Tone;
import verisonus.core.travel.NamedBand;

/**
 * The smallest change of a tone that brings it back on a playback system, rendered and measured there.
 *
 * @param systems ids of the systems it is for
 * @param steps what is turned, what helps most first; empty where nothing that can be turned is worth it
 * @param off blocks that are switched off, as a simulated cabinet before a real one
 * @param tone the tone with all of it
 * @param beforeDb change of colour without the trim: RMS over the bands that can be brought back, and over systems
 * @param afterDb the same with it, measured on the trimmed tone
 * @param left bands that stay more than 1.5 dB off on some system, in words
 * @param within2Db how many of the systems are within 2 dB with it
 */
public record Trim(List<String> systems, List<TrimStep> steps, List<String> off, Tone tone, double beforeDb,
        double afterDb, List<NamedBand> left, int within2Db) {
    /** What an equalizer that a trim puts at the chain's end is called. */
    public static final String EQUALIZER_ID = "trim";

    public Trim {
        systems = List.copyOf(systems);
        steps = List.copyOf(steps);
        off = List.copyOf(off);
        left = List.copyOf(left);
    }

    public boolean isEmpty() { return steps.isEmpty() && off.isEmpty(); }
}
