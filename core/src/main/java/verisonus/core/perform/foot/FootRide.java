package verisonus.core.perform.foot;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.function.DoubleFunction;
import java.util.function.DoubleUnaryOperator;
import verisonus.core.evidence.replay.RiddenLevel;
import verisonus.core.evidence.replay.RiddenSpeed;
import verisonus.core.evidence.study.AloneBars;
import verisonus.core.rig.Block;
import verisonus.core.rig.Control;
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
 * What somebody rode while the record was made, as instructions for a foot: a curve that was read ({@link RiddenLevel},
 * {@link RiddenSpeed}), bent into as few straight moves as keep within a decibel and a half, or a tenth of the speed, of it
 * (D. H. Douglas, T. K. Peucker, 1973).
 *
 * @param what "repeats", "guitar" or "speed"
 * @param scale what its moves are told in
 * @param place the control that does it in the tone; empty where it is the level of all, or where nothing in the tone sways
 * @param moves in time order; where none is, the foot rests
 */
public record FootRide(String what, Scale scale, Optional<ControlPlace> place, List<Move> moves) {
    private static final double KEEPS_WITHIN_DB = 1.5;
    private static final double LEAST_MOVE_DB = 2;
    private static final double SHORTEST_S = 6;
    /** Of a turning loudspeaker's two speeds. */
    private static final double BETWEEN_SLOW_AND_FAST_HZ = 2.3;

    /** What moves are told in, and how much of a move is one. */
    public enum Scale {
        /** Level against the middle of the record. */
        DB("%+.1f dB", KEEPS_WITHIN_DB, LEAST_MOVE_DB) {
            @Override
            double even(double value) {
                return value;
            }
        },
        /** Speed; ratios count alike. */
        HZ("%.2f Hz", Math.log(1.1), Math.log(1.15)) {
            @Override
            double even(double value) {
                return Math.log(value);
            }
        };

        private final String form;
        private final double keepsWithin;
        private final double least;

        Scale(String form, double keepsWithin, double least) {
            this.form = form;
            this.keepsWithin = keepsWithin;
            this.least = least;
        }

        /** A value where equal steps are heard as equal. */
        abstract double even(double value);

        public String words(double value) {
            return Figures.of(form, value);
        }
    }

    /**
     * One move.
     *
     * @param fromS when it begins on the record, seconds
     * @param toS when it ends
     * @param from level there against the middle of the record, dB, or speed, Hz
     * @param to the same after it
     * @param fromValue of the control, in its own unit; the same as the level or speed where there is no control
     * @param toValue after it
     */
    public record Move(double fromS, double toS, double from, double to, double fromValue, double toValue) {
        /** For the player; {@code shown} says a value as the player's device shows it. */
        public String words(DoubleFunction<String> shown) {
            return Figures.of("%.1f to %.1f s: %s from %s to %s", fromS, toS, to > from ? "up" : "down",
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
     * @param atS where its player laid it, seconds from the reference's start; empty: looked for
     * @param tone the derived tone
     * @return empty where nothing was, or where it cannot be followed
     * @throws InputFault where the part is short, or others play in it, or the take plays something else
     */
    public static List<FootRide> read(Sound reference, Sound di, OptionalDouble atS, Tone tone,
            Progress progress) {
        if (reference.durationS() < SHORTEST_S)
            throw new InputFault("the record",
                    Figures.of("%.1f s are too short to follow a hand", reference.durationS()),
                    "mark six seconds or more in which the guitar stands alone");
        progress.step(0, "laying your take under the record");
        MatchedTake laid = MatchedTake.of(reference, di, atS);
        if (!laid.same())
            throw new InputFault("the take",
                    "it plays something else than the record, so that what a hand did cannot be"
                            + " told from what was played",
                    "record the same phrase");
        if (AloneBars.of(reference).hasOthers())
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
                .ifPresent(r -> out.add(levels("guitar", r, Optional.empty())));
        progress.step(0.6, "following the speed");
        RiddenSpeed.of(laid.reference(), dry)
                .ifPresent(r -> out.add(speeds(r, tone.first(GearKind.MODULATION).filter(Block::on))));
        progress.step(0.8, "following the repeats");
        tone.first(GearKind.ECHO).filter(Block::on).ifPresent(echo -> RiddenLevel
                .ofRepeats(laid.reference(), dry, echo.get(ControlNames.TIME))
                .ifPresent(r -> out.add(levels("repeats", r, Optional.of(echo)))));
        return out;
    }

    /** The same on a time axis that began this much earlier. */
    public FootRide later(double seconds) {
        return new FootRide(what, scale, place, moves.stream().map(m -> new Move(m.fromS + seconds, m.toS + seconds,
                m.from, m.to, m.fromValue, m.toValue)).toList());
    }

    private static boolean isEffect(Block b) {
        return switch (b.model().kind()) {
            case ECHO, REVERB, MODULATION -> true;
            default -> false;
        };
    }

    /** @param echo whose mix follows the curve, its own value at the middle; empty for a bare level */
    static FootRide levels(String what, RiddenLevel ridden, Optional<Block> echo) {
        return new FootRide(what, Scale.DB, echo.map(e -> ControlPlace.of(e, ControlNames.MIX)),
                moves(ridden.atS(), ridden.db(), Scale.DB, db -> echo
                        .map(e -> MixLaw.of(e).percentFor(MixLaw.of(e).wetDb(e.get(ControlNames.MIX)) + db))
                        .orElse(db)));
    }

    /** @param movement whose rate follows, or whose two speeds do; empty where none sways in the tone */
    static FootRide speeds(RiddenSpeed ridden, Optional<Block> movement) {
        Optional<Control> rate = movement.flatMap(b -> b.model().find(ControlNames.RATE)
                .or(() -> b.model().find(ControlNames.SPEED)));
        return new FootRide("speed", Scale.HZ, rate.map(c -> ControlPlace.of(movement.orElseThrow(), c.name())),
                moves(ridden.atS(), ridden.hz(), Scale.HZ, hz -> rate.map(c -> value(c, hz)).orElse(hz)));
    }

    private static double value(Control c, double hz) {
        if (c.isChoice()) return hz > BETWEEN_SLOW_AND_FAST_HZ ? 1 : 0;
        return c.clamp(hz);
    }

    private static List<Move> moves(List<Double> atS, List<Double> values, Scale scale, DoubleUnaryOperator control) {
        List<Integer> corners = new ArrayList<>(List.of(0));
        corners(atS, values, scale, 0, atS.size() - 1, corners);
        corners.add(atS.size() - 1);
        List<Move> out = new ArrayList<>();
        for (int i = 0; i + 1 < corners.size(); i++) {
            int a = corners.get(i);
            int b = corners.get(i + 1);
            double from = values.get(a);
            double to = values.get(b);
            if (Math.abs(scale.even(to) - scale.even(from)) < scale.least) continue;
            out.add(new Move(atS.get(a), atS.get(b), from, to, control.applyAsDouble(from), control.applyAsDouble(to)));
        }
        return out;
    }

    /** Adds what must stand between two corners, in order. */
    private static void corners(List<Double> atS, List<Double> values, Scale scale, int from, int to,
            List<Integer> into) {
        int furthest = -1;
        double most = scale.keepsWithin;
        double start = scale.even(values.get(from));
        double end = scale.even(values.get(to));
        for (int i = from + 1; i < to; i++) {
            double share = (atS.get(i) - atS.get(from)) / (atS.get(to) - atS.get(from));
            double off = Math.abs(scale.even(values.get(i)) - start - share * (end - start));
            if (off > most) {
                most = off;
                furthest = i;
            }
        }
        if (furthest < 0) return;
        corners(atS, values, scale, from, furthest, into);
        into.add(furthest);
        corners(atS, values, scale, furthest, to, into);
    }
}
