package verisonus.core.trial.blind;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/**
 * A blind trial under way or ended.
 *
 * @param order drawn and sealed before the first answer
 * @param rule when it ends
 * @param answers what was said in each trial that counts: true for "the record" or "the first is the record"
 * @param leftOut places in the order that do not count, because the sound stopped there: rising, from 0
 */
public record BlindTrial(SealedOrder order, StoppingRule rule, List<Boolean> answers, List<Integer> leftOut) {
    public BlindTrial {
        answers = List.copyOf(answers);
        leftOut = List.copyOf(leftOut);
        if (answers.size() > rule.most()) throw new IllegalArgumentException("more answers than trials");
    }

    public static BlindTrial begin(TrialForm form, StoppingRule rule, long seed) {
        return new BlindTrial(new SealedOrder(form, rule.most(), seed), rule, List.of(), List.of());
    }

    /** Where in the order the answer of this number stands, or the next one where there is none yet. */
    private int place(int answer) {
        int place = answer;
        for (int out : leftOut) if (out <= place) place++;
        return place;
    }

    /** How many answers were right so far. */
    public int right() {
        int n = 0;
        for (int i = 0; i < answers.size(); i++) if (answers.get(i) == order.isRecord(place(i))) n++;
        return n;
    }

    /** How many count so far. */
    public int of() {
        return answers.size();
    }

    public boolean isEnded() { return decided().isPresent(); }

    private Optional<Boolean> decided() {
        return rule.decided(right(), of());
    }

    /** Whether in the trial that is next X is the record, or the record stands first; not for the listener's eyes. */
    public boolean isRecordNext() {
        return order.isRecord(place(of()));
    }

    /** With one more answer. @throws IllegalStateException where it has ended */
    public BlindTrial answered(boolean record) {
        if (isEnded()) throw new IllegalStateException("the trial has ended");
        List<Boolean> next = new ArrayList<>(answers);
        next.add(record);
        return new BlindTrial(order, rule, next, leftOut);
    }

    /** Without the one that is under way, of which the listener did not hear all: the order goes on after it. */
    public BlindTrial leavingOut() {
        List<Integer> out = new ArrayList<>(leftOut);
        out.add(place(of()));
        return new BlindTrial(order, rule, answers, out);
    }

    /** What it came to; empty while it goes on. */
    public Optional<TrialResult> result() {
        return decided().map(told -> TrialResult.of(this, told));
    }
}
