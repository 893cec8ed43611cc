package verisonus.core.advise;

import java.util.ArrayList;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.Callable;
import java.util.concurrent.ExecutorService;
import verisonus.core.compare.GapAttribute;
import verisonus.core.compare.GapLedger;
import verisonus.core.compare.GapRow;
import verisonus.core.evidence.Evidence;
import verisonus.core.evidence.Examination;
import verisonus.core.rig.Tone;
import verisonus.core.simulate.Renderer;
import verisonus.core.simulate.stages.Quality;
import verisonus.core.sound.Sound;
import verisonus.core.work.Parallel;
import verisonus.core.work.Progress;

/** By how much a move brings a tone nearer: from what would be found after it, or from a render of it. */
final class MoveJudge {
    private final NextMoves.Question question;
    private final Sound di;
    private final ExecutorService workers;
    private final Evidence now;
    private final GapLedger gap;

    MoveJudge(NextMoves.Question question, ExecutorService workers) {
        this.question = question;
        this.di = question.di().atRate(Sound.WORKING_RATE_HZ);
        this.workers = workers;
        now = question.reference().heard(question.tone(), rendered(question.tone()), Progress.NONE);
        gap = ledger(now);
    }

    /** What is found in the tone as it is. */
    Evidence now() {
        return now;
    }

    GapLedger gap() {
        return gap;
    }

    private Sound rendered(Tone t) {
        return Renderer.render(t, di, Optional.of(di), Quality.FINAL, Progress.NONE);
    }

    /** What is found after a control was turned: pitch, echo, space and movement stay. */
    Evidence turned(Tone t) {
        return Examination.of(rendered(t), Examination.Depth.CONTROL, Progress.NONE).behind(now);
    }

    private GapLedger ledger(Evidence candidate) {
        return question.reference().gap(candidate).wanting(question.wantedSo());
    }

    /** How much nearer this would be, JND; negative where it would be further away. */
    double gain(Evidence after) {
        return gap.distanceJnd() - ledger(after).distanceJnd();
    }

    /** A move with what would be found after it. */
    Move judged(Tone tone, String what, List<Move.Turn> turned, Evidence after) {
        GapLedger then = ledger(after);
        Map<GapAttribute, Double> rows = new EnumMap<>(GapAttribute.class);
        for (GapRow r : then.rows()) {
            gap.find(r.attribute()).ifPresent(b -> rows.put(r.attribute(), r.audibility() - b.audibility()));
        }
        return new Move(tone, what, turned, gap.distanceJnd() - then.distanceJnd(), rows);
    }

    /** The same moves, rendered and measured, in the same order. */
    List<Move> measured(List<Move> moves) {
        List<Callable<Move>> work = new ArrayList<>();
        for (Move m : moves) work.add(() -> judged(m.tone(), m.what(), m.turned(), turned(m.tone())));
        return Parallel.all(work, workers);
    }
}
