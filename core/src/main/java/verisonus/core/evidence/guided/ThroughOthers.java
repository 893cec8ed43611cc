package verisonus.core.evidence.guided;

import java.util.Optional;
import verisonus.core.evidence.Evidence;
import verisonus.core.evidence.level.LevelControl;
import verisonus.core.evidence.signs.Finding;
import verisonus.core.sound.Sound;
import verisonus.core.take.Pairing;

/**
 * What a recording shows of a guitar that others play with, by a take of the same phrase: its colour as the take tells it, and nothing of
 * its dirt, for others are dirty too.
 *
 * @param evidence the recording's, with what is the guitar's own
 * @param guitar what it was read from
 */
public record ThroughOthers(Evidence evidence, GuidedGuitar guitar) {
    private static final double COMPANY = 0.5;

    /** Whether more sounds in it than the guitar. */
    public static boolean areThere(Evidence recording) {
        return recording.circumstances().company().probability() > COMPANY;
    }

    /**
     * What a recording shows of a guitar that others cover where no take of its phrase tells it from them: nothing of its colour, its
     * dirt, its level and its effects, for what is heard of those may be theirs. Empty where the guitar can be told, by itself or by the take.
     */
    public static Optional<Evidence> covering(Evidence recording, Pairing pairing) {
        if (pairing != Pairing.OTHER_PLAYING || !areThere(recording)) return Optional.empty();
        String why = "others play with it, and no take of its phrase tells it from them";
        return Optional.of(recording.coloured(recording.spectrum().untrusted())
                .controlled(new LevelControl(Finding.unknown(why), Finding.unknown(why)))
                .with(Finding.unknown(why), Finding.unknown(why), Finding.unknown(why), Finding.unknown(why)));
    }

    /**
     * Empty where the guitar stands alone, and where the take is of the very performance (which tells more by itself) or plays something
     * else.
     *
     * @param first of the whole recording
     * @param take in time with it
     */
    public static Optional<ThroughOthers> of(Evidence first, Sound recording, Sound take, Pairing pairing) {
        if (pairing != Pairing.PLAYED_AGAIN || !areThere(first)) return Optional.empty();
        GuidedGuitar guitar = GuidedGuitar.of(recording, take);
        return Optional.of(new ThroughOthers(first.coloured(guitar.spectrum())
                .saturated(Finding.unknown("others play with it, and are as dirty as they are")), guitar));
    }
}
