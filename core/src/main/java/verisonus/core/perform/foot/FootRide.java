package verisonus.core.perform.foot;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.DoubleFunction;
import verisonus.core.evidence.replay.RiddenLevel;
import verisonus.core.evidence.study.AloneBars;
import verisonus.core.rig.Block;
import verisonus.core.rig.ControlNames;
import verisonus.core.rig.ControlPlace;
import verisonus.core.rig.GearKind;
import verisonus.core.rig.MixLaw;
import verisonus.core.rig.Tone;
import verisonus.core.simulate.Renderer;
import verisonus.core.simulate.stages.Quality;
import verisonus.core.sound.Sound;
import verisonus.core.take.MatchedTake;
import verisonus.core.work.Figures;
import verisonus.core.work.InputFault;
import verisonus.core.work.Progress;

/**
 * What somebody rode while the record was made, as instructions for a foot: a curve that was read ({@link RiddenLevel}), bent into as
 * few straight moves as keep within a decibel and a half of it (D. H. Douglas, T. K. Peucker, 1973).
 *
 * @param what "repeats" or "guitar"
 * @param place the control that does it in the tone; empty where it is the level of all
 * @param moves in time order; where none is, the foot rests
 */
public record FootRide(String what, Optional<ControlPlace> place, List<Move> moves) {
    private static final double KEEPS_WITHIN_DB = 1.5;
    private static final double LEAST_MOVE_DB = 2;
    private static final double SHORTEST_S = 6;
    private static final double COMPANY = 0.5;

    /**
     * One move.
     *
     * @param fromS when it begins on the record, seconds
     * @param toS when it ends
     * @param fromDb level there against the middle of the record
     * @param toDb level after it
     * @param fromValue of the control, in its own unit; the same as the level where there is no control
     * @param toValue after it
     */
    public record Move(double fromS, double toS, double fromDb, double toDb, double fromValue, double toValue) {
        /** For the player; {@code shown} says a value as the player's device shows it. */
        public String words(DoubleFunction<String> shown) {
            return Figures.of("%.1f to %.1f s: %s from %s to %s", fromS, toS, toDb > fromDb ? "up" : "down",
                    shown.apply(fromValue), shown.apply(toValue));
        }
    }

    public FootRide {
        moves = List.copyOf(moves);
    }

    /**
     * What was ridden, read off a record with a take of the same phrase.
     *
     * @param reference the part of the record in which the guitar stands alone
     * @param di the player's dry take
     * @param tone the derived tone
     * @return empty where nothing was, or where it cannot be followed
     * @throws InputFault where the part is short, or others play in it, or the take plays something else
     */
    public static List<FootRide> read(Sound reference, Sound di, Tone tone, Progress progress) {
        if (reference.durationS() < SHORTEST_S)
            throw new InputFault("the record",
                    Figures.of("%.1f s are too short to follow a hand", reference.durationS()),
                    "mark six seconds or more in which the guitar stands alone");
        progress.step(0, "laying your take under the record");
        MatchedTake laid = MatchedTake.of(reference, di);
        if (!laid.same())
            throw new InputFault("the take",
                    "it plays something else than the record, so that what a hand did cannot be"
                            + " told from what was played",
                    "record the same phrase");
        if (AloneBars.of(reference).company() > COMPANY)
            throw new InputFault("the record",
                    "others play in that part, and what they do to its level would be taken for"
                            + " a hand's doing",
                    "mark a part in which the guitar stands alone");
        progress.step(0.2, "playing it without effects");
        Sound dry = Renderer.render(new Tone("dry", tone.blocks().stream().map(b -> isEffect(b) ? b.switched(false) : b)
                .toList()), laid.sound(), Quality.SEARCH, Progress.NONE);
        List<FootRide> out = new ArrayList<>();
        progress.step(0.4, "following the level");
        RiddenLevel.ofGuitar(laid.reference(), dry)
                .ifPresent(r -> out.add(new FootRide("guitar", Optional.empty(), moves(r, Optional.empty()))));
        progress.step(0.7, "following the repeats");
        tone.first(GearKind.ECHO).filter(Block::on).ifPresent(echo -> RiddenLevel
                .ofRepeats(laid.reference(), dry, echo.get(ControlNames.TIME))
                .ifPresent(r -> out.add(new FootRide("repeats", Optional.of(ControlPlace.of(echo, ControlNames.MIX)),
                        moves(r, Optional.of(echo))))));
        return out;
    }

    /** The same on a time axis that began this much earlier. */
    public FootRide later(double seconds) {
        return new FootRide(what, place, moves.stream().map(m -> new Move(m.fromS + seconds, m.toS + seconds, m.fromDb,
                m.toDb, m.fromValue, m.toValue)).toList());
    }

    private static boolean isEffect(Block b) {
        return switch (b.model().kind()) {
            case ECHO, REVERB, MODULATION -> true;
            default -> false;
        };
    }

    /** @param echo whose mix follows the curve, its own value at the middle; empty for a bare level */
    static List<Move> moves(RiddenLevel ridden, Optional<Block> echo) {
        List<Integer> corners = new ArrayList<>(List.of(0));
        corners(ridden, 0, ridden.atS().size() - 1, corners);
        corners.add(ridden.atS().size() - 1);
        List<Move> out = new ArrayList<>();
        for (int i = 0; i + 1 < corners.size(); i++) {
            int a = corners.get(i);
            int b = corners.get(i + 1);
            double from = ridden.db().get(a);
            double to = ridden.db().get(b);
            if (Math.abs(to - from) < LEAST_MOVE_DB) continue;
            out.add(new Move(ridden.atS().get(a), ridden.atS().get(b), from, to, value(echo, from), value(echo, to)));
        }
        return out;
    }

    private static double value(Optional<Block> echo, double db) {
        return echo.map(e -> MixLaw.of(e).percentFor(MixLaw.of(e).wetDb(e.get(ControlNames.MIX)) + db)).orElse(db);
    }

    /** Adds what must stand between two corners, in order. */
    private static void corners(RiddenLevel r, int from, int to, List<Integer> into) {
        int furthest = -1;
        double most = KEEPS_WITHIN_DB;
        for (int i = from + 1; i < to; i++) {
            double share = (r.atS().get(i) - r.atS().get(from)) / (r.atS().get(to) - r.atS().get(from));
            double straight = r.db().get(from) + share * (r.db().get(to) - r.db().get(from));
            if (Math.abs(r.db().get(i) - straight) > most) {
                most = Math.abs(r.db().get(i) - straight);
                furthest = i;
            }
        }
        if (furthest < 0) return;
        corners(r, from, furthest, into);
        into.add(furthest);
        corners(r, furthest, to, into);
    }
}
