package verisonus.core.trial.blind;

import java.util.List;
import verisonus.core.sound.Sound;
import verisonus.core.trial.Candidate;
import verisonus.core.trial.MatchedSounds;
import verisonus.core.work.InputFault;

/**
 * The two passages of a trial, matched as {@link MatchedSounds} are.
 *
 * @param first the record
 * @param second mine
 * @param leftLu what is left between their loudnesses, LU
 */
public record MatchedPassages(Sound first, Sound second, double leftLu) {
    /** @throws InputFault where one is silent or too short, or both are the same */
    public static MatchedPassages of(Sound record, Sound mine) {
        MatchedSounds m = MatchedSounds.of(List.of(new Candidate("the record", record), new Candidate("mine", mine)));
        if (m.same(0, 1))
            throw new InputFault("the two passages", "they are the same: there is nothing to tell apart",
                    "choose another candidate");
        return new MatchedPassages(m.first(), m.sound(1), m.leftLu());
    }
}
