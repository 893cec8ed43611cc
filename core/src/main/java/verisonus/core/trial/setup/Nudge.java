package verisonus.core.trial.setup;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import verisonus.core.compare.HeardChange;
import verisonus.core.rig.Block;
import verisonus.core.rig.Control;
import verisonus.core.rig.ControlNames;
import verisonus.core.rig.ControlPlace;
import verisonus.core.rig.Rig;
import verisonus.core.rig.Tone;
import verisonus.core.simulate.Renderer;
import verisonus.core.simulate.stages.Quality;
import verisonus.core.sound.Sound;
import verisonus.core.take.LoudestPart;
import verisonus.core.take.MatchedTake;
import verisonus.core.take.Pairing;
import verisonus.core.work.InputFault;
import verisonus.core.work.Progress;

/**
 * What to turn on a real rig that was set up from the page: its recording is taken for the tone with some controls set off, the ones
 * that explain it best are found, one after the other, by rendering, and turned back. A nudge is one control on the device and how far,
 * on the track of the simulated model or of the amp that was learnt.
 *
 * @param turns what to turn, the one that helps most first; empty where nothing helps that is heard
 * @param beforeJnd how far the recording lies from the tone, loudness taken out
 * @param afterJnd how far it would lie with the turns made
 * @param sameTake whether the recording is of the very take, so that course as well as colour could be compared
 */
public record Nudge(List<Turn> turns, double beforeJnd, double afterJnd, boolean sameTake) {
    private static final double PART_S = 5;
    private static final int MOST_TURNS = 3;
    private static final double[] STEPS = {-0.4, -0.25, -0.06, 0.06, 0.25, 0.4};
    /** Every control is tried so far to either side; the most promising ones are followed. */
    private static final double FIRST_STEP = 0.14;
    private static final int FOLLOWED = 3;
    private static final int FINER = 4;
    private static final double WORTH_JND = 0.15;
    private static final double ENOUGH_JND = 1;

    /** One control: the place it seems to stand at, and the one where it belongs. */
    public record Turn(ControlPlace place, double seemsAt, double belongsAt) {
        /** "amp treble: seems to stand at 6.2, turn it down to 5.0", in the device's own scale. */
        public String words(Tone tone, Rig rig) {
            Block b = tone.find(place.block()).orElseThrow();
            Control c = b.model().control(place.control());
            return String.format(Locale.ROOT, "%s %s: seems to stand at %s, turn it %s to %s", b.id(), b.label(c
                    .name()), rig.display(b.model(), c, seemsAt), belongsAt > seemsAt ? "up" : "down", rig.display(
                            b
                                    .model(),
                            c, belongsAt));
        }
    }

    public Nudge {
        turns = List.copyOf(turns);
    }

    /** Whether what is left cannot be told from the tone. */
    public boolean isEnough() {
        return beforeJnd < ENOUGH_JND;
    }

    /**
     * @param take the player's dry take, as the tone was derived on it
     * @param recorded the real rig, with the take sent through it or the phrase played again
     * @throws InputFault where the recording plays something else
     */
    public static Nudge of(Tone tone, Sound take, Sound recorded, Progress progress) {
        MatchedTake laid = MatchedTake.of(recorded, take);
        if (!laid.same())
            throw new InputFault("the recording of the rig", "it plays another phrase than the take",
                    "send the take through the rig, or play its phrase again");
        LoudestPart part = LoudestPart.of(laid.sound(), PART_S);
        Sound dry = part.cut(laid.sound());
        boolean same = laid.pairing() == Pairing.SAME_PERFORMANCE;
        Hearing rig = new Hearing(HeardChange.Moments.of(part.cut(laid.reference())), dry, same);
        double before = rig.apart(tone);
        Tone as = tone;
        double gap = before;
        List<Turn> turns = new ArrayList<>();
        for (int n = 0; n < MOST_TURNS; n++) {
            Tone next = as;
            double best = gap;
            List<ControlPlace> places = places(tone, turns);
            for (ControlPlace p : promising(as, places, rig, n, progress)) {
                Tone tried = best(as, p, rig);
                double g = rig.apart(tried);
                if (g < best) {
                    best = g;
                    next = tried;
                }
            }
            if (gap - best < WORTH_JND) break;
            for (ControlPlace p : places) {
                double was = value(as, p);
                if (value(next, p) != was) turns.add(new Turn(p, value(next, p), value(tone, p)));
            }
            as = next;
            gap = best;
            if (gap < WORTH_JND) break;
        }
        return new Nudge(turns, before, gap, same);
    }

    /** The recording, and how far a tone lies from it. */
    private record Hearing(HeardChange.Moments recorded, Sound dry, boolean same) {
        double apart(Tone t) {
            HeardChange c = HeardChange.between(recorded,
                    HeardChange.Moments.of(Renderer.render(t, dry, Quality.SEARCH, Progress.NONE)));
            // Another hand moves otherwise from moment to moment; its long-term colour is the gear's.
            return same ? c.jnd() : c.colourDb();
        }
    }

    private static List<ControlPlace> promising(Tone as, List<ControlPlace> places, Hearing rig, int turn,
            Progress progress) {
        Map<ControlPlace, Double> gaps = new LinkedHashMap<>();
        for (ControlPlace p : places) {
            progress.step((turn + (double) gaps.size() / places.size()) / MOST_TURNS, "trying " + p);
            gaps.put(p, Math.min(rig.apart(moved(as, p, -FIRST_STEP)), rig.apart(moved(as, p, FIRST_STEP))));
        }
        return gaps.entrySet().stream().sorted(Map.Entry.comparingByValue()).limit(FOLLOWED).map(Map.Entry::getKey)
                .toList();
    }

    private static Tone best(Tone from, ControlPlace p, Hearing rig) {
        Tone best = from;
        double gap = rig.apart(from);
        for (double s : STEPS) {
            Tone tried = moved(from, p, s);
            double g = rig.apart(tried);
            if (g < gap) {
                gap = g;
                best = tried;
            }
        }
        double step = 0.07;
        for (int i = 0; i < FINER && best != from; i++, step /= 2) {
            for (double s : new double[]{-step, step}) {
                Tone tried = moved(best, p, s);
                double g = rig.apart(tried);
                if (g < gap) {
                    gap = g;
                    best = tried;
                }
            }
        }
        return best;
    }

    private static Tone moved(Tone t, ControlPlace p, double by) {
        Block b = t.find(p.block()).orElseThrow();
        Control c = b.model().control(p.control());
        double to = c.valueAt(Math.clamp(c.position(b.get(c.name())) + by, 0, 1));
        return t.with(b.with(c.name(), to));
    }

    private static double value(Tone t, ControlPlace p) {
        return t.find(p.block()).orElseThrow().get(p.control());
    }

    private static List<ControlPlace> places(Tone tone, List<Turn> turned) {
        List<ControlPlace> out = new ArrayList<>();
        for (Block b : tone.blocks()) {
            if (!b.on()) continue;
            for (Control c : b.model().controls()) {
                ControlPlace p = ControlPlace.of(b, c.name());
                if (isTurned(b, c) && turned.stream().noneMatch(t -> t.place.equals(p))) out.add(p);
            }
        }
        return out;
    }

    /** What a hand sets on a device and may set wrongly; loudness is taken out, so it cannot be found. */
    private static boolean isTurned(Block b, Control c) {
        if (c.isChoice() || c.rare()) return false;
        return switch (b.model().kind()) {
            case AMP -> switch (c.moves()) {
                case SATURATION, LOWS, MIDDLE, HIGHS -> true;
                default -> false;
            };
            case DRIVE -> c.moves() != Control.Attribute.LOUDNESS;
            case MICROPHONE -> c.name().equals(ControlNames.POSITION) || c.name().equals(ControlNames.DISTANCE);
            case ECHO, REVERB -> c.name().equals(ControlNames.MIX) || c.name().equals(ControlNames.FEEDBACK)
                    || c.name().equals(ControlNames.DECAY);
            default -> false;
        };
    }
}
