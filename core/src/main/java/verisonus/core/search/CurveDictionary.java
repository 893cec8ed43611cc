package verisonus.core.search;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import verisonus.core.rig.Block;
import verisonus.core.rig.ControlNames;
import verisonus.core.rig.ControlPlace;
import verisonus.core.rig.GearKind;
import verisonus.core.rig.Impulse;
import verisonus.core.rig.Locks;
import verisonus.core.rig.Model;
import verisonus.core.rig.Tone;
import verisonus.core.rig.Voice;
import verisonus.core.search.colour.Features;
import verisonus.core.simulate.loudspeaker.ImpulseCharacter;
import verisonus.core.simulate.loudspeaker.LoudspeakerCurve;

/**
 * Every cabinet, microphone, position, distance and presence the rig allows, and every measured response offered, as level curves
 * over the compared bands.
 */
final class CurveDictionary {
    /** One choice of all that follows the last clipper; without a microphone the cabinet is a measured response. */
    record Entry(Optional<Block> cabinet, Optional<Block> microphone, double presence) {
        String cabinetName() {
            return cabinet.map(c -> c.impulse().map(Impulse::name).orElse(c.model().name())).orElse("no cabinet");
        }
    }

    private static final double HABIT = 0.05;
    /** What a weighed claim asks of another choice, dB². */
    private static final double AGAINST_CLAIM = 0.12;
    private static final double[] POSITIONS = {0, 15, 30, 45, 60, 80, 100};
    private static final double[] DISTANCES = {2, 5, 10, 20, 40};
    private static final double[] PRESENCES = {1, 3, 5, 7, 9};
    /** What evidence from other hands or other playing can bear. */
    private static final double[] MODERATE_PRESENCES = {3, 5, 7};

    private final double[] hz = Features.LEVEL_BANDS.centresHz();
    private final List<Entry> entries = new ArrayList<>();
    private final List<double[]> curves = new ArrayList<>();
    private final Wishes wishes;
    private final double habit;

    /** Locked controls ("microphone/position") keep their value in the earlier tone. */
    CurveDictionary(SearchOptions options) {
        this(options, PRESENCES);
    }

    /** The same without the ends of the presence control, for a take that is not of the very performance. */
    static CurveDictionary moderate(SearchOptions options) {
        return new CurveDictionary(options, MODERATE_PRESENCES);
    }

    private CurveDictionary(SearchOptions options, double[] allPresences) {
        wishes = options.wishes();
        habit = options.school().values() == SearchOptions.Values.MODERATE ? 4 * HABIT : HABIT;
        Locks fixed = options.locked();
        Tone earlier = options.earlier().orElse(new Tone("none", List.of()));
        double kept = earlier.first(GearKind.AMP).map(a -> a.get(ControlNames.PRESENCE)).orElse(5.0);
        boolean turns = options.allowed(GearKind.AMP).isEmpty() || options.allowed(GearKind.AMP).stream()
                .anyMatch(m -> !m.control(ControlNames.PRESENCE).isFixed());
        double[] presences = turns && wishes.track() == SearchOptions.Track.DRY
                ? values(fixed, new ControlPlace("amp", ControlNames.PRESENCE), kept, allPresences)
                : new double[]{5};
        List<double[]> lifts = new ArrayList<>();
        for (double p : presences) lifts.add(over(h -> LoudspeakerCurve.presenceDb(p, h)));
        if (wishes.track() == SearchOptions.Track.THROUGH_AMP_AND_CABINET) {
            add(new Entry(Optional.empty(), Optional.empty(), 5), new double[hz.length]);
            return;
        }
        if (wishes.direct()) {
            for (int p = 0; p < presences.length; p++)
                add(new Entry(Optional.empty(), Optional.empty(), presences[p]), lifts.get(p));
            return;
        }
        List<Block> cabinets = options(options, earlier, GearKind.CABINET);
        for (Block microphone : options(options, earlier, GearKind.MICROPHONE)) {
            for (double position : values(fixed, new ControlPlace("microphone", ControlNames.POSITION),
                    microphone.get(ControlNames.POSITION), POSITIONS)) {
                for (double distance : values(fixed, new ControlPlace("microphone", ControlNames.DISTANCE),
                        microphone.get(ControlNames.DISTANCE), DISTANCES)) {
                    Block placed = microphone.with(ControlNames.POSITION, position).with(ControlNames.DISTANCE,
                            distance);
                    double[] heard = over(h -> LoudspeakerCurve.microphoneDb(placed, h));
                    for (Block cabinet : cabinets) add(cabinet, Optional.of(placed), heard, presences, lifts);
                }
            }
        }
        if (fixed.touches("cabinet") || fixed.touches("microphone")) return;
        for (Impulse i : wishes.impulses()) {
            Block box = Block.of("impulse response").with(i);
            double[] response = ImpulseCharacter.of(i).levelDb();
            for (int p = 0; p < presences.length; p++) {
                add(new Entry(Optional.of(box), Optional.empty(), presences[p]), sum(response, lifts.get(p)));
            }
        }
    }

    private void add(Block cabinet, Optional<Block> microphone, double[] heard, double[] presences,
            List<double[]> lifts) {
        double[] whole = sum(over(h -> LoudspeakerCurve.cabinetDb(cabinet, h)), heard);
        for (int p = 0; p < presences.length; p++) {
            add(new Entry(Optional.of(cabinet), microphone, presences[p]), sum(whole, lifts.get(p)));
        }
    }

    private static double[] sum(double[] a, double[] b) {
        double[] out = a.clone();
        for (int i = 0; i < out.length; i++) out[i] += b[i];
        return out;
    }

    private double[] over(java.util.function.DoubleUnaryOperator db) {
        return java.util.Arrays.stream(hz).map(db).toArray();
    }

    private static List<Block> options(SearchOptions options, Tone earlier, GearKind kind) {
        boolean locked = options.locked().touches(kind.word());
        if (locked && earlier.first(kind).isPresent()) return List.of(earlier.first(kind).get());
        List<Block> out = new ArrayList<>();
        for (Model m : options.allowed(kind)) {
            if (m.voice() != Voice.Cabinet.IMPULSE_RESPONSE) out.add(Block.of(m));
        }
        return out;
    }

    private static double[] values(Locks fixed, ControlPlace place, double kept, double[] all) {
        return fixed.holds(place) ? new double[]{kept} : all;
    }

    private void add(Entry e, double[] curve) {
        entries.add(e);
        curves.add(curve);
    }

    /** The curve of a choice that need not be in the dictionary. */
    static double[] curve(Block cabinet, Block microphone, double presence) {
        return java.util.Arrays.stream(Features.LEVEL_BANDS.centresHz())
                .map(h -> LoudspeakerCurve.cabinetDb(cabinet, h) + LoudspeakerCurve.microphoneDb(microphone, h)
                        + LoudspeakerCurve.presenceDb(presence, h))
                .toArray();
    }

    /**
     * What an unusual choice must earn, dB²: nothing in the middle, most at the ends of presence and position. Breaks ties
     * the way a player would, who starts from moderate settings; and what speaks against a claim must earn more.
     */
    double habit(int k) {
        Entry e = entries.get(k);
        double presence = (e.presence - 5) / 4;
        double out = presence * presence;
        if (e.microphone.isPresent()) {
            double position = (e.microphone.get().get(ControlNames.POSITION) - 35) / 65;
            double distance = Math.log(e.microphone.get().get(ControlNames.DISTANCE) / 8) / Math.log(5);
            out += position * position + distance * distance;
        }
        boolean against = e.cabinet.filter(c -> wishes.handicap(c.model()) > 1).isPresent()
                || e.microphone.filter(m -> wishes.handicap(m.model()) > 1).isPresent();
        return habit * out + (against ? AGAINST_CLAIM : 0);
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
