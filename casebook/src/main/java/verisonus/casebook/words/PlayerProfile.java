package verisonus.casebook.words;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import verisonus.core.feel.TouchCurve;
import verisonus.core.work.Figures;

/**
 * How a player likes a tone to feel, as kept from one that felt right.
 *
 * @param outPerIn dB out for each dB played harder
 * @param droopDb how far a held tone sinks
 * @param breakUpDb strength under the hardest stroke from which it breaks up; empty where it is clean or always dirty
 */
public record PlayerProfile(double outPerIn, double droopDb, Optional<Double> breakUpDb) {
    private static final double ANSWER = 0.08;
    private static final double DROOP_DB = 1;
    private static final double BREAK_UP_DB = 4;

    public static PlayerProfile of(TouchCurve t) {
        return new PlayerProfile(t.outPerIn(), t.droopDb(), t.breakUpDb().isPresent()
                ? Optional.of(t.breakUpDb().getAsDouble())
                : Optional.empty());
    }

    /** How a tone feels against what the player likes; empty where it feels the same. */
    public List<String> against(TouchCurve t) {
        List<String> out = new ArrayList<>();
        double answer = t.outPerIn() - outPerIn;
        if (Math.abs(answer) > ANSWER) {
            out.add(Figures.of("answers %s than you like: %.2f dB out for each dB in, not %.2f",
                    answer > 0 ? "more openly" : "more flatly", t.outPerIn(), outPerIn));
        }
        double droop = t.droopDb() - droopDb;
        if (Math.abs(droop) > DROOP_DB) {
            out.add(Figures.of("%s than you like: a held tone sinks %.1f dB, not %.1f",
                    droop > 0 ? "softer" : "stiffer", t.droopDb(), droopDb));
        }
        if (breakUpDb.isPresent() && t.breakUpDb().isPresent()
                && Math.abs(t.breakUpDb().getAsDouble() - breakUpDb.get()) > BREAK_UP_DB) {
            out.add(Figures.of("breaks up %.0f dB under the hardest stroke, not %.0f",
                    -t.breakUpDb().getAsDouble(), -breakUpDb.get()));
        }
        return out;
    }
}
