package verisonus.core.take;

import java.util.Optional;
import verisonus.core.sound.Sound;

/**
 * The part of a long recording in which a take of its phrase plays, with what rings on behind it: nothing else of the recording can be held
 * against the take, and asking it only takes time.
 *
 * @param fromS and {@code toS}: seconds of the recording
 */
public record PlayedPart(double fromS, double toS) {
    private static final double BEFORE_S = 2;
    /** As long as most spaces and repeats are heard behind the last note. */
    private static final double BEHIND_S = 4;
    /** A part that saves less than this is not worth losing what the rest tells. */
    private static final double LEAST_SAVED_S = 8;

    /** Whether the take is so much shorter that it is worth looking where it plays before anything else. */
    public static boolean maySave(Sound recording, Sound take) {
        return take.durationS() + BEFORE_S + BEHIND_S < recording.durationS() - LEAST_SAVED_S;
    }

    /** Empty where the take is not of its phrase, or plays in nearly all of it. */
    public static Optional<PlayedPart> of(SeenTake seen, Sound recording, Sound take) {
        if (!seen.alignment().pairing().isSamePhrase()) return Optional.empty();
        double beginS = (double) seen.alignment().offsetSamples() / recording.rateHz();
        double fromS = Math.max(0, beginS - BEFORE_S);
        double toS = Math.min(recording.durationS(), beginS + take.durationS() + BEHIND_S);
        return toS - fromS > recording.durationS() - LEAST_SAVED_S
                ? Optional.empty()
                : Optional.of(new PlayedPart(fromS, toS));
    }

    /** Where the take lies in the part. */
    public SeenTake in(SeenTake seen, int rateHz) {
        int from = (int) Math.round(fromS * rateHz);
        int to = Math.min(seen.view().length, (int) Math.round(toS * rateHz));
        Alignment a = seen.alignment();
        return new SeenTake(new Alignment(a.pairing(), a.offsetSamples() - from, a.likeness(), a.sharp()),
                java.util.Arrays.copyOfRange(seen.view(), from, to));
    }
}
