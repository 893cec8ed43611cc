package verisonus.core.take;

import verisonus.core.sound.Sound;
import verisonus.core.work.InputFault;

/**
 * A take looked for in a recording: in the middle of it and, where others cover the guitar there, in what the sides differ by and in each
 * side alone.
 *
 * @param alignment where it was found, as well as it was
 * @param view the mono sound in which it was
 */
public record SeenTake(Alignment alignment, float[] view) {
    private static final double LEAST_UNDER_S = 0.5;

    /** @param di dry guitar, mono, at the recording's rate */
    public static SeenTake in(Sound recording, float[] di) {
        SeenTake best = seen(recording.mid(), di, recording.rateHz());
        if (!recording.isStereo() || best.alignment.isSure()) return best;
        for (float[] view : new float[][]{recording.side(), recording.channel(0), recording.channel(1)}) {
            SeenTake next = seen(view, di, recording.rateHz());
            boolean found = next.alignment.pairing().isSamePhrase();
            boolean before = best.alignment.pairing().isSamePhrase();
            if (found && !before || found == before && next.alignment.likeness() > best.alignment.likeness())
                best = next;
        }
        return best;
    }

    /**
     * The same for a take that the player laid: where it begins on the recording's time axis, before it where negative.
     *
     * @param atS seconds
     * @throws InputFault where it would hardly play in the recording
     */
    public static SeenTake told(Sound recording, float[] di, double atS) {
        double fromS = Math.max(0, atS);
        double toS = Math.min(recording.durationS(), atS + (double) di.length / recording.rateHz());
        if (!(toS - fromS >= LEAST_UNDER_S))
            throw new InputFault("the take", "where it was laid it does not play in the part that is studied",
                    "study a part that it plays in, or lay it elsewhere");
        int offset = (int) Math.round(atS * recording.rateHz());
        SeenTake best = told(recording.mid(), di, recording.rateHz(), offset);
        if (!recording.isStereo() || best.alignment.sharp()) return best;
        for (float[] view : new float[][]{recording.side(), recording.channel(0), recording.channel(1)}) {
            SeenTake next = told(view, di, recording.rateHz(), offset);
            if (next.alignment.likeness() > best.alignment.likeness()) best = next;
        }
        return best;
    }

    private static SeenTake told(float[] view, float[] di, int rateHz, int offset) {
        return new SeenTake(Alignment.told(view, di, rateHz, offset), view);
    }

    private static SeenTake seen(float[] view, float[] di, int rateHz) {
        Alignment found = Alignment.find(view, di, rateHz);
        // One harmony is soon found to agree; whether it is one phrase is asked apart.
        boolean doubtful = found.pairing() == Pairing.PLAYED_AGAIN && !PhraseOdds.of(view, di, rateHz, found
                .offsetSamples(), found.likeness()).isOfThePhrase();
        return new SeenTake(
                doubtful ? new Alignment(Pairing.OTHER_PLAYING, 0, found.likeness(), false) : found, view);
    }

    /** The take laid under the recording, as long as it. */
    public float[] laid(float[] di, int rateHz) {
        return alignment.laid(view, di, rateHz);
    }
}
