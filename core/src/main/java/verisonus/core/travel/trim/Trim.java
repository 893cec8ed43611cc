package verisonus.core.travel.trim;

import java.util.List;
import verisonus.core.rig.Block;
import verisonus.core.rig.Control;
import verisonus.core.rig.ControlPlace;
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

    /** Whether it was solved for this tone as it is now. */
    public boolean isFor(Tone now) {
        List<Block> own = tone.blocks().stream()
                .filter(b -> !b.id().equals(EQUALIZER_ID) || now.find(EQUALIZER_ID).isPresent()).toList();
        if (own.size() != now.blocks().size()) return false;
        for (int i = 0; i < own.size(); i++) if (!isSame(own.get(i), now.blocks().get(i))) return false;
        return true;
    }

    private boolean isSame(Block trimmed, Block now) {
        if (!trimmed.id().equals(now.id()) || !trimmed.model().equals(now.model())) return false;
        if (trimmed.on() != (now.on() && !off.contains(now.id()))) return false;
        for (Control c : now.model().turnable()) {
            ControlPlace place = ControlPlace.of(now, c.name());
            double was = steps.stream().filter(s -> s.place().equals(place)).mapToDouble(TrimStep::from).findFirst()
                    .orElse(trimmed.get(c.name()));
            if (Math.abs(was - now.get(c.name())) > 1e-9) return false;
        }
        return true;
    }

    public boolean isEmpty() { return steps.isEmpty() && off.isEmpty(); }
}
