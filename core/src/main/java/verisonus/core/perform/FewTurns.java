package verisonus.core.perform;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.OptionalDouble;
import verisonus.core.compare.HeardChange;
import verisonus.core.evidence.study.AloneBars;
import verisonus.core.rig.Block;
import verisonus.core.rig.Control;
import verisonus.core.rig.ControlNames;
import verisonus.core.rig.ControlPlace;
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
 * The few turns of a tone that bring it nearest to a recording: found one after the other by rendering, the most promising controls of
 * each round followed to their best place. Loudness is taken out.
 *
 * @param turns the one that helps most first; empty where nothing helps that is heard
 * @param beforeJnd how far the recording lies from the tone
 * @param afterJnd how far with the turns made
 * @param sameTake whether the recording is of the very take, so that course as well as colour could be compared
 */
public record FewTurns(List<Turn> turns, double beforeJnd, double afterJnd, boolean sameTake) {
    private static final double PART_S = 5;
    private static final int MOST_TURNS = 3;
    private static final double[] STEPS = {-0.4, -0.25, -0.06, 0.06, 0.25, 0.4};
    /** Every control is tried so far to either side; the most promising ones are followed. */
    private static final double FIRST_STEP = 0.14;
    private static final int FOLLOWED = 3;
    private static final int FINER = 4;
    private static final double WORTH_JND = 0.15;

    /** One control. */
    public record Turn(ControlPlace place, double from, double to) {}

    public FewTurns {
        turns = List.copyOf(turns);
    }

    /** The tone with them made. */
    public Tone on(Tone tone) {
        Tone out = tone;
        for (Turn t : turns) out = out.with(out.find(t.place.block()).orElseThrow().with(t.place.control(), t.to));
        return out;
    }

    /**
     * @param take the player's dry take, as the tone was derived on it
     * @param recorded what it shall come near to: the take through something else, or its phrase played again
     * @throws InputFault where the recording plays something else
     */
    public static FewTurns towards(Tone tone, Sound take, Sound recorded, Progress progress) {
        return towards(tone, take, recorded, OptionalDouble.empty(), progress);
    }

    /** @param atS where the player laid the take, seconds from the recording's start; empty: looked for */
    public static FewTurns towards(Tone tone, Sound take, Sound recorded, OptionalDouble atS, Progress progress) {
        Hearing rig = Hearing.of(take, recorded, atS);
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
                if (value(next, p) != was) turns.add(new Turn(p, value(tone, p), value(next, p)));
            }
            as = next;
            gap = best;
            if (gap < WORTH_JND) break;
        }
        return new FewTurns(turns, before, gap, rig.same);
    }

    /**
     * How far tones lie from a recording.
     *
     * @param far in the order of the tones: JND of the very take, else dB of colour, for another hand moves otherwise
     */
    public record Apart(boolean sameTake, List<Double> far) {
        public Apart {
            far = List.copyOf(far);
        }

        public String unit() {
            return sameTake ? "JND" : "dB of colour";
        }
    }

    /**
     * How far tones lie from a recording, in their order.
     *
     * @throws InputFault where the recording plays something else than the take
     */
    public static Apart apart(List<Tone> tones, Sound take, Sound recorded, Progress progress) {
        return apart(tones, take, recorded, OptionalDouble.empty(), progress);
    }

    /** @param atS where the player laid the take, seconds from the recording's start; empty: looked for */
    public static Apart apart(List<Tone> tones, Sound take, Sound recorded, OptionalDouble atS, Progress progress) {
        Hearing rig = Hearing.of(take, recorded, atS);
        List<Double> out = new ArrayList<>();
        for (Tone t : tones) {
            progress.step((double) out.size() / tones.size(), "playing " + t.name());
            out.add(rig.apart(t));
        }
        return new Apart(rig.same, out);
    }

    /** The recording, and how far a tone lies from it. */
    private record Hearing(HeardChange.Moments recorded, Sound dry, boolean same) {
        static Hearing of(Sound take, Sound recorded, OptionalDouble atS) {
            MatchedTake laid = MatchedTake.of(recorded, take, atS);
            if (!laid.same())
                throw new InputFault("the recording", "it plays another phrase than the take",
                        "send the take through the rig, play its phrase again, or mark a part that the take plays");
            if (laid.pairing() == Pairing.PLAYED_AGAIN && AloneBars.of(recorded).hasOthers())
                throw new InputFault("the recording",
                        "others play in it, and their colour would be taken for the guitar's",
                        "mark a part in which the guitar stands alone");
            LoudestPart part = LoudestPart.of(laid.sound(), PART_S);
            return new Hearing(HeardChange.Moments.of(part.cut(laid.reference())), part.cut(laid.sound()),
                    laid.pairing() == Pairing.SAME_PERFORMANCE);
        }

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
            for (Control c : b.model().turnable()) {
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
