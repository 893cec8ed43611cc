package verisonus.core.travel;

import java.util.ArrayList;
import java.util.List;
import verisonus.core.sound.Sound;

/**
 * What becomes of a band when both channels come out of one loudspeaker.
 *
 * @param changeDb against the mean of the two channels, {@value #ALL_DB} where nothing is left
 * @param cause why the channels do not add
 */
public record MonoLoss(NamedBand band, double changeDb, Cause cause) {
    /** What falls by as much is gone: further down lies only rounding. */
    public static final double ALL_DB = -60;

    /** What a recording of two channels loses on one loudspeaker, by band where it is heard; empty for one channel. */
    public static List<MonoLoss> of(Sound sound) {
        return sound.isStereo() ? of(PassageSpectra.of(sound), SideBySide.causeOf(sound)) : List.of();
    }

    static List<MonoLoss> of(PassageSpectra tone, Cause cause) {
        double[] sum = tone.power(1);
        double[] sides = tone.power(2);
        List<MonoLoss> out = new ArrayList<>();
        for (NamedBand n : NamedBand.values()) {
            if (PassageSpectra.isEmpty(n, sides)) continue;
            double change = Math.max(ALL_DB, 10 * Math.log10((PassageSpectra.bandPower(n, sum) + 1e-20)
                    / (PassageSpectra.bandPower(n, sides) + 1e-20)));
            if (change < -Journey.AUDIBLE_DB) out.add(new MonoLoss(n, change, cause));
        }
        return out;
    }

    /** Why two channels do not add. */
    public enum Cause {
        ONE_SIDE("only one side plays, and one loudspeaker gives each side half"),
        DOUBLED_TAKES("two takes, one a side"),
        MOVED_COPY("the same take on both sides, one of them later or swaying"),
        TURNED_PHASE("one side is turned in phase");

        private final String words;

        Cause(String words) {
            this.words = words;
        }

        public String words() {
            return words;
        }
    }
}
