package verisonus.core.compare;

import java.util.ArrayList;
import java.util.List;
import java.util.OptionalDouble;
import verisonus.core.evidence.Evidence;
import verisonus.core.evidence.echo.EchoReading;
import verisonus.core.evidence.movement.ModulationReading;
import verisonus.core.evidence.signs.Finding;
import verisonus.core.evidence.signs.Presence;
import verisonus.core.evidence.space.ReverbReading;
import verisonus.core.work.Figures;

/**
 * Rows of the ledger about echo, space and movement. Where either side cannot be told there is no row; where one has what the
 * other surely has not, its level stands against next to nothing.
 */
final class EffectRows {
    private static final double NEXT_TO_NOTHING_DB = -30;
    /** That something is there at all is told less surely than how loud it is. */
    private static final double DOUBT = 3;
    private static final double SURE = 0.6;
    /** A movement that is there or not counts as clearly heard: two just-noticeable differences. */
    private static final double THERE_OR_NOT = 0.5;

    private EffectRows() {}

    static List<GapRow> of(Evidence reference, Evidence candidate) {
        List<GapRow> out = new ArrayList<>();
        echo(reference.echo(), candidate.echo(), out);
        if (areTold(reference.reverb(), candidate.reverb())) space(reference.reverb(), candidate.reverb(), out);
        if (areTold(reference.modulation(), candidate.modulation()))
            movement(reference.modulation(), candidate.modulation(), out);
        return out;
    }

    private static boolean areTold(Finding<?> a, Finding<?> b) {
        boolean none = !a.isPresent() && !b.isPresent();
        return !none && a.presence() != Presence.UNKNOWN && b.presence() != Presence.UNKNOWN && a.confidence() >= SURE
                && b.confidence() >= SURE;
    }

    private static void echo(Finding<EchoReading> ref, Finding<EchoReading> cand, List<GapRow> rows) {
        if (ref.value().isEmpty() && cand.value().isEmpty()) return;
        if (ref.value().isEmpty() || cand.value().isEmpty()) {
            double there = ref.value().or(cand::value).orElseThrow().levelDb();
            rows.add(lacking(GapAttribute.ECHO_LEVEL, there, ref.isPresent(), DOUBT * JndScale.ECHO_LEVEL_DB, "echo",
                    ref.isPresent() ? "add an echo" : "take the echo out or lower its mix"));
            return;
        }
        EchoReading a = ref.value().orElseThrow();
        EchoReading b = cand.value().orElseThrow();
        rows.add(new GapRow(GapAttribute.ECHO_TIME, "ms", a.timeMs(), b.timeMs(), JndScale.echoTimeMs(a.timeMs()),
                "echo",
                Figures.of("set the echo to %.0f ms", a.timeMs()), true));
        rows.add(new GapRow(GapAttribute.ECHO_LEVEL, "dB", a.levelDb(), b.levelDb(), JndScale.ECHO_LEVEL_DB, "echo",
                b.levelDb() < a.levelDb() ? "echo mix up" : "echo mix down", true));
        rows.add(new GapRow(GapAttribute.ECHO_REPEATS, "%", a.feedbackPercent(), b.feedbackPercent(),
                JndScale.FEEDBACK_POINTS,
                "echo", b.feedbackPercent() < a.feedbackPercent() ? "feedback up" : "feedback down", true));
    }

    private static void space(Finding<ReverbReading> ref, Finding<ReverbReading> cand, List<GapRow> rows) {
        if (ref.isPresent() != cand.isPresent()) {
            ReverbReading there = ref.value().or(cand::value).orElseThrow();
            there.levelDb().ifPresent(db -> rows.add(lacking(GapAttribute.SPACE_LEVEL, db, ref.isPresent(),
                    DOUBT * JndScale.SPACE_LEVEL_DB, "reverb",
                    ref.isPresent() ? "add a space" : "take the space out or lower its mix")));
            return;
        }
        ReverbReading a = ref.value().orElseThrow();
        ReverbReading b = cand.value().orElseThrow();
        rows.add(
                new GapRow(GapAttribute.SPACE_DECAY, "s", a.decayS(), b.decayS(), JndScale.decayS(a.decayS()), "reverb",
                        b.decayS() < a.decayS() ? "a longer decay" : "a shorter decay", true));
        if (a.levelDb().isEmpty() || b.levelDb().isEmpty()) return;
        double wanted = a.levelDb().getAsDouble();
        double has = b.levelDb().getAsDouble();
        rows.add(new GapRow(GapAttribute.SPACE_LEVEL, "dB", wanted, has, JndScale.SPACE_LEVEL_DB, "reverb",
                has < wanted ? "mix of the space up" : "mix of the space down", true));
    }

    private static void movement(Finding<ModulationReading> ref, Finding<ModulationReading> cand, List<GapRow> rows) {
        if (ref.isPresent() != cand.isPresent()) {
            ModulationReading there = ref.value().or(cand::value).orElseThrow();
            rows.add(another(ref.isPresent(), ref.isPresent()
                    ? "add a " + there.kind().words()
                    : "take the movement out or make it shallower"));
            return;
        }
        ModulationReading a = ref.value().orElseThrow();
        ModulationReading b = cand.value().orElseThrow();
        if (a.rateHz().isPresent() && b.rateHz().isPresent()) {
            double hz = a.rateHz().getAsDouble();
            rows.add(new GapRow(GapAttribute.MOVEMENT_RATE, "Hz", hz, b.rateHz().getAsDouble(), JndScale.movementHz(hz),
                    "modulation", Figures.of("set the rate to %.2f Hz", hz), true));
        }
        if (a.kind() == b.kind()) {
            depth(a.depthPercent(), b.depthPercent(), rows);
        } else if (!(a.kind().isMovingComb() && b.kind().isMovingComb())) {
            // Which comb it is, is a guess within a family; what sways the level and what sways the pitch are not alike.
            rows.add(another(true, "a " + a.kind().words() + " rather than a " + b.kind().words()));
        }
    }

    /** The reference's movement is there, 1, or not, 0, and the candidate has it the other way. */
    private static GapRow another(boolean inReference, String advice) {
        return new GapRow(GapAttribute.MOVEMENT, "there or not", inReference ? 1 : 0, inReference ? 0 : 1, THERE_OR_NOT,
                "modulation", advice, true);
    }

    private static void depth(OptionalDouble ref, OptionalDouble cand, List<GapRow> rows) {
        if (ref.isEmpty() || cand.isEmpty()) return;
        rows.add(new GapRow(GapAttribute.MOVEMENT_DEPTH, "%", ref.getAsDouble(), cand.getAsDouble(),
                JndScale.DEPTH_POINTS,
                "modulation", cand.getAsDouble() < ref.getAsDouble() ? "depth up" : "depth down", true));
    }

    private static GapRow lacking(GapAttribute attribute, double there, boolean inReference, double jnd, String stage,
            String advice) {
        return new GapRow(attribute, "dB", inReference ? there : NEXT_TO_NOTHING_DB,
                inReference ? NEXT_TO_NOTHING_DB : there, jnd, stage, advice, true);
    }
}
