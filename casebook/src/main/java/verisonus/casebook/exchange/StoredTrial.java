package verisonus.casebook.exchange;

import java.util.List;
import verisonus.core.trial.blind.BlindTrial;
import verisonus.core.trial.step.ToldApart;

/**
 * A blind trial of a case.
 *
 * @param passage what was heard, on what, in words
 * @param told what it says about the listener's own steps: nothing where no difference of the two was known
 */
public record StoredTrial(long id, BlindTrial trial, String passage, List<ToldApart> told) {
    public StoredTrial {
        told = List.copyOf(told);
    }
}
