package verisonus.core.take;

import java.util.OptionalDouble;
import verisonus.core.sound.Sound;

/**
 * A dry take laid under a reference.
 *
 * @param reference the part of the recording that is heard, mono or stereo, at the simulation's rate
 * @param sound the take: where it plays the same phrase as long as that part and in time with it, else as it is
 * @param pairing what it plays against that part
 */
public record MatchedTake(Sound reference, Sound sound, Pairing pairing) {
    /** Whether it plays the same phrase, by whatever hand. */
    public boolean same() {
        return pairing.isSamePhrase();
    }

    public static MatchedTake of(Sound reference, Sound di) {
        return of(reference, di, OptionalDouble.empty(), Double.MAX_VALUE);
    }

    /** @param atS where the player says that the take begins, seconds on the reference's time axis; empty: looked for */
    public static MatchedTake of(Sound reference, Sound di, OptionalDouble atS) {
        return of(reference, di, atS, Double.MAX_VALUE);
    }

    /** A take whose place is known: its first sample stands this long after the reference's, before it where negative. */
    public static MatchedTake at(Sound reference, Sound di, double startS, Pairing pairing) {
        Sound wanted = reference.atRate(Sound.WORKING_RATE_HZ);
        float[] laid = Alignment.shifted(di.atRate(Sound.WORKING_RATE_HZ).mid(),
                (int) Math.round(startS * Sound.WORKING_RATE_HZ), wanted.frames());
        return new MatchedTake(wanted, Sound.mono(laid, Sound.WORKING_RATE_HZ), pairing);
    }

    /** The same of a part of at most this length, from where the reference is liveliest; of other playing all of the reference. */
    public static MatchedTake of(Sound reference, Sound di, OptionalDouble atS, double longestS) {
        Sound wanted = reference.atRate(Sound.WORKING_RATE_HZ);
        float[] x = di.atRate(Sound.WORKING_RATE_HZ).mid();
        SeenTake seen = atS.isPresent() ? SeenTake.told(wanted, x, atS.getAsDouble()) : SeenTake.in(wanted, x);
        Alignment a = seen.alignment();
        boolean same = a.pairing().isSamePhrase();
        float[] laid = same ? seen.laid(x, Sound.WORKING_RATE_HZ) : x;
        Sound take = Sound.mono(laid, Sound.WORKING_RATE_HZ);
        double whole = same ? wanted.durationS() : take.durationS();
        if (whole <= longestS) return new MatchedTake(wanted, take, a.pairing());
        SearchSegment s = SearchSegment.of(same ? wanted.mid() : laid, Sound.WORKING_RATE_HZ, longestS);
        double from = (double) s.from() / Sound.WORKING_RATE_HZ;
        return new MatchedTake(same ? wanted.slice(from, from + longestS) : wanted,
                take.slice(from, from + longestS), a.pairing());
    }
}
