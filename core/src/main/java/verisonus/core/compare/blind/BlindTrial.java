package verisonus.core.compare.blind;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/**
 * A blind trial under way or ended.
 *
 * @param order drawn and sealed before the first answer
 * @param rule when it ends
 * @param answers what was said in each trial: true for "the record" or "the first is the record"
 */
public record BlindTrial(SealedOrder order, StoppingRule rule, List<Boolean> answers) {
    public BlindTrial {
        answers = List.copyOf(answers);
        if (answers.size() > rule.most()) throw new IllegalArgumentException("more answers than trials");
    }

    public static BlindTrial begin(TrialForm form, StoppingRule rule, long seed) {
        return new BlindTrial(new SealedOrder(form, rule.most(), seed), rule, List.of());
    }

    /** How many answers were right so far. */
    public int right() {
        int n = 0;
        for (int i = 0; i < answers.size(); i++) if (answers.get(i) == order.isRecord(i)) n++;
        return n;
    }

    public int of() {
        return answers.size();
    }

    public boolean isEnded() { return decided().isPresent(); }

    private Optional<Boolean> decided() {
        return rule.decided(right(), of());
    }

    /** Whether in the trial that is next X is the record, or the record stands first; not for the listener's eyes. */
    public boolean isRecordNext() {
        return order.isRecord(of());
    }

    /** With one more answer. @throws IllegalStateException where it has ended */
    public BlindTrial answered(boolean record) {
        if (isEnded()) throw new IllegalStateException("the trial has ended");
        List<Boolean> next = new ArrayList<>(answers);
        next.add(record);
        return new BlindTrial(order, rule, next);
    }

    /** What it came to; empty while it goes on. */
    public Optional<TrialResult> result() {
        return decided().map(told -> TrialResult.of(this, told));
    }
}
