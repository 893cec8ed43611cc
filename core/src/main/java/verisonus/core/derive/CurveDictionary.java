package verisonus.core.derive;

import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import verisonus.core.rig.Block;
import verisonus.core.rig.Kind;
import verisonus.core.rig.Model;
import verisonus.core.rig.Rig;
import verisonus.core.rig.Tone;
import verisonus.core.simulate.LoudspeakerCurve;

/** Every cabinet, microphone, position, distance and presence the rig allows, as level curves over the compared bands. */
final class CurveDictionary {
    /** One choice of all that follows the last clipper. */
    record Entry(Block cabinet, Block microphone, double presence) {}

    private static final double HABIT = 0.05;
    private static final double[] POSITIONS = {0, 15, 30, 45, 60, 80, 100};
    private static final double[] DISTANCES = {2, 5, 10, 20, 40};
    private static final double[] PRESENCES = {1, 3, 5, 7, 9};

    private final List<Entry> entries = new ArrayList<>();
    private final List<double[]> curves = new ArrayList<>();

    /** @param fixed names of controls ("microphone/position") that keep their value in {@code earlier} */
    CurveDictionary(Rig rig, Tone earlier, Set<String> fixed) {
        List<Block> cabinets = options(rig, earlier, fixed, Kind.CABINET);
        List<Block> microphones = options(rig, earlier, fixed, Kind.MICROPHONE);
        for (Block cabinet : cabinets) {
            for (Block microphone : microphones) {
                for (double position : values(fixed, "microphone/position", microphone.get("position"), POSITIONS)) {
                    for (double distance : values(fixed, "microphone/distance", microphone.get("distance"),
                            DISTANCES)) {
                        Block placed = microphone.with("position", position).with("distance", distance);
                        double kept = earlier.first(Kind.AMP).map(a -> a.get("presence")).orElse(5.0);
                        for (double presence : values(fixed, "amp/presence", kept, PRESENCES))
                            add(new Entry(cabinet, placed, presence));
                    }
                }
            }
        }
    }

    private static List<Block> options(Rig rig, Tone earlier, Set<String> fixed, Kind kind) {
        boolean locked = fixed.stream().anyMatch(f -> f.startsWith(kind.word() + "/"));
        if (locked && earlier.first(kind).isPresent()) return List.of(earlier.first(kind).get());
        List<Block> out = new ArrayList<>();
        // A measured response is searched only once one has been chosen.
        for (Model m : rig.owned(kind)) if (!m.name().equals("impulse response")) out.add(Block.of(m.name()));
        return out;
    }

    private static double[] values(Set<String> fixed, String name, double kept, double[] all) {
        return fixed.contains(name) ? new double[]{kept} : all;
    }

    private void add(Entry e) {
        entries.add(e);
        curves.add(curve(e));
    }

    static double[] curve(Entry e) {
        double[] hz = Features.LEVEL_BANDS.centresHz();
        double[] out = new double[hz.length];
        for (int b = 0; b < hz.length; b++) {
            out[b] = LoudspeakerCurve.cabinetDb(e.cabinet, hz[b]) + LoudspeakerCurve.microphoneDb(e.microphone, hz[b])
                    + LoudspeakerCurve.presenceDb(e.presence, hz[b]);
        }
        return out;
    }

    /**
     * What an unusual choice must earn, dB²: nothing in the middle, most at the ends of presence and position. Breaks ties
     * the way a player would, who starts from moderate settings.
     */
    double habit(int k) {
        Entry e = entries.get(k);
        double presence = (e.presence - 5) / 4;
        double position = (e.microphone.get("position") - 35) / 65;
        double distance = Math.log(e.microphone.get("distance") / 8) / Math.log(5);
        return HABIT * (presence * presence + position * position + distance * distance);
    }

    int size() {
        return entries.size();
    }

    Entry entry(int k) {
        return entries.get(k);
    }

    double[] curve(int k) {
        return curves.get(k);
    }
}
