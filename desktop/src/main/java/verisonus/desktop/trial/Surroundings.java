package verisonus.desktop.trial;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import verisonus.core.evidence.guided.GuidedIsolation;
import verisonus.core.sound.Sound;
import verisonus.core.take.MatchedTake;
import verisonus.core.trial.Candidate;
import verisonus.core.trial.MatchedSounds;
import verisonus.core.trial.open.Bed;
import verisonus.core.trial.open.InTheMix;
import verisonus.core.work.InputFault;
import verisonus.desktop.desk.CaseAsItStands;

/**
 * What stands round the guitar in a comparison, with all that it is made of.
 *
 * @param here the case at the time of asking
 * @param bpm its tempo, for a made bed
 */
record Surroundings(Around around, Optional<CaseAsItStands> here, Optional<Double> bpm) {
    /** The same with something round it: the band for what has none, or a bed under all. */
    MatchedSounds round(List<Candidate> sounds, List<Candidates.Offer> offers, Passage passage) {
        MatchedSounds alone = MatchedSounds.of(sounds);
        return switch (around) {
            case ALONE -> alone;
            case BAND -> here.flatMap(c -> c.sounds().backing())
                    .map(b -> withBand(sounds, offers, passage, passage.asHeard(b))).orElse(alone);
            case REST -> here.filter(c -> c.sounds().di().isPresent())
                    .map(c -> withBand(sounds, offers, passage, passage.asHeard(rest(c)))).orElse(alone);
            case BED -> bpm.map(beats -> withBed(alone, beats)).orElse(alone);
        };
    }

    private static MatchedSounds withBand(List<Candidate> sounds, List<Candidates.Offer> offers, Passage passage,
            Sound band) {
        Sound record = sounds.getFirst().sound();
        Sound rest = passage.ofRecord(band);
        List<Candidate> out = new ArrayList<>();
        for (int i = 0; i < sounds.size(); i++) {
            Candidate c = sounds.get(i);
            out.add(offers.get(i).band()
                    ? c
                    : new Candidate(c.name(), InTheMix.of(InTheMix.asInTheRecord(c.sound(), rest, record), rest, 0)));
        }
        return MatchedSounds.of(out);
    }

    /** The record without what the take says is the guitar's, on the record's time axis. */
    private static Sound rest(CaseAsItStands c) {
        Sound record = c.sounds().reference().orElseThrow();
        MatchedTake laid = c.matched(record, c.sounds().di().orElseThrow());
        if (!laid.same())
            throw new InputFault("the take", "it plays something else than the record, so nothing tells what is the"
                    + " guitar's", "play the record's phrase, or add the band as a file");
        return GuidedIsolation.rest(laid.reference(), laid.sound()).atRate(Sound.WORKING_RATE_HZ);
    }

    private static MatchedSounds withBed(MatchedSounds alone, double bpm) {
        Sound under = new Bed(bpm, 0).under(alone.first());
        return MatchedSounds.of(alone.candidates().stream()
                .map(c -> new Candidate(c.name(), InTheMix.of(c.sound(), under, 0))).toList());
    }
}
