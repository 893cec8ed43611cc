package verisonus.core.advise;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import verisonus.core.evidence.Evidence;
import verisonus.core.evidence.echo.EchoReading;
import verisonus.core.evidence.movement.ModulationReading;
import verisonus.core.evidence.signs.Finding;
import verisonus.core.evidence.space.ReverbReading;
import verisonus.core.rig.Block;
import verisonus.core.rig.Control;
import verisonus.core.rig.ControlNames;
import verisonus.core.rig.GearKind;
import verisonus.core.rig.MixLaw;

/**
 * Moves on echo, space and movement that stand in the chain: what was read in both says how far each control is off, so nothing
 * has to be tried.
 */
final class EffectMoves {
    private final NextMoves.Question question;
    private final MoveJudge judge;
    private final List<Move> found = new ArrayList<>();

    EffectMoves(NextMoves.Question question, MoveJudge judge) {
        this.question = question;
        this.judge = judge;
    }

    /** One for each control that reference and tone both speak of. */
    List<Move> all() {
        found.clear();
        Evidence wanted = question.wanted();
        Evidence now = judge.now();
        in(GearKind.ECHO).ifPresent(b -> both(wanted.echo(), now.echo(), (w, e) -> echo(b, w, e)));
        in(GearKind.REVERB).ifPresent(b -> both(wanted.reverb(), now.reverb(), (w, r) -> space(b, w, r)));
        in(GearKind.MODULATION)
                .ifPresent(b -> both(wanted.modulation(), now.modulation(), (w, m) -> movement(b, w, m)));
        return List.copyOf(found);
    }

    private interface Pair<T> {
        void take(T wanted, T now);
    }

    private static <T> void both(Finding<T> wanted, Finding<T> now, Pair<T> then) {
        if (wanted.value().isPresent() && now.value().isPresent()) then.take(wanted.value().get(), now.value().get());
    }

    private Optional<Block> in(GearKind kind) {
        return question.tone().main().stream().filter(b -> b.on() && b.model().kind() == kind).findFirst();
    }

    private void echo(Block b, EchoReading w, EchoReading e) {
        turned(b, "mix", mixed(b, w.levelDb() - e.levelDb()), judge.now().repeating(
                set(new EchoReading(e.timeMs(), e.feedbackPercent(), w.levelDb(), e.pingPong()))));
        turned(b, "feedback", b.get(ControlNames.FEEDBACK) + w.feedbackPercent() - e.feedbackPercent(),
                judge.now().repeating(
                        set(new EchoReading(e.timeMs(), w.feedbackPercent(), e.levelDb(), e.pingPong()))));
        turned(b, "time", b.get(ControlNames.TIME) * w.timeMs() / e.timeMs(), judge.now().repeating(
                set(new EchoReading(w.timeMs(), e.feedbackPercent(), e.levelDb(), e.pingPong()))));
    }

    private void space(Block b, ReverbReading w, ReverbReading r) {
        turned(b, "decay", b.get(ControlNames.DECAY) * w.decayS() / r.decayS(),
                judge.now().spacious(set(new ReverbReading(w.decayS(), r.preDelayMs(), r.levelDb()))));
        if (w.levelDb().isEmpty() || r.levelDb().isEmpty()) return;
        turned(b, "mix", mixed(b, w.levelDb().getAsDouble() - r.levelDb().getAsDouble()),
                judge.now().spacious(set(new ReverbReading(r.decayS(), r.preDelayMs(), w.levelDb()))));
    }

    private void movement(Block b, ModulationReading w, ModulationReading m) {
        // A rotary has speeds in place of a rate.
        if (b.model().find(ControlNames.RATE).isPresent()) {
            ifBoth(w.rateHz(), m.rateHz(), (wanted, now) -> turned(b, "rate", b.get(ControlNames.RATE) * wanted / now,
                    judge.now().moving(set(new ModulationReading(m.kind(), w.rateHz(), m.depthPercent())))));
        }
        if (w.kind() != m.kind()) return;
        ifBoth(w.depthPercent(), m.depthPercent(),
                (wanted, now) -> turned(b, "depth", b.get(ControlNames.DEPTH) + wanted - now,
                        judge.now().moving(set(new ModulationReading(m.kind(), m.rateHz(), w.depthPercent())))));
    }

    private interface Figures {
        void take(double wanted, double now);
    }

    private static void ifBoth(OptionalDouble wanted, OptionalDouble now, Figures then) {
        if (wanted.isPresent() && now.isPresent()) then.take(wanted.getAsDouble(), now.getAsDouble());
    }

    private static double mixed(Block b, double louderDb) {
        MixLaw law = MixLaw.of(b);
        return law.percentFor(law.wetDb(b.get(ControlNames.MIX)) + louderDb);
    }

    private static <T> Finding<T> set(T value) {
        return Finding.present(value, 1, "set so");
    }

    private void turned(Block b, String control, double to, Evidence after) {
        Optional<Control> c = b.model().find(control);
        if (c.isEmpty() || question.locked().holds(b.id(), control)) return;
        double value = c.get().clamp(to);
        found.add(judge.judged(question.tone().with(b.with(control, value)), b.id() + " " + control,
                List.of(new Move.Turn(b.id(), control, b.get(control), value)), after));
    }
}
