package verisonus.desktop.desk;

import java.util.Optional;
import java.util.OptionalDouble;
import verisonus.casebook.store.DerivedTone;
import verisonus.casebook.store.Region;
import verisonus.core.rig.Rig;
import verisonus.core.sound.Sound;
import verisonus.core.take.MatchedTake;

/**
 * The open case as it was when work on it was asked for: what background work rests on, however long it takes.
 *
 * @param sounds of this case; {@link Sounds#NONE} while they are still being read
 * @param rig the gear that the player owns
 */
public record CaseAsItStands(OpenCase open, Sounds sounds, Rig rig) {
    public long caseId() {
        return open.entry().id();
    }

    public Optional<DerivedTone> tone() {
        return open.tone();
    }

    public Optional<Region> region() {
        return open.region();
    }

    /** The studied part of the reference. */
    public Optional<Sound> wanted() {
        return open.region().flatMap(r -> sounds.reference().map(s -> s.slice(r.fromS(), r.toS())));
    }

    /** The case's take laid under its reference: where the player laid it, else where it is found. */
    public MatchedTake matched(Sound reference, Sound di) {
        return MatchedTake.of(reference, di, open.laidS());
    }

    /** Where the player laid the take, from the beginning of the studied region on; empty: it is looked for. */
    public OptionalDouble laidS() {
        return open.region().isEmpty() ? OptionalDouble.empty() : open.laidS(open.region().get().fromS());
    }
}
