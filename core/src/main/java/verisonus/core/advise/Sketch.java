package verisonus.core.advise;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import verisonus.core.compare.GapAttribute;
import verisonus.core.compare.GapLedger;
import verisonus.core.compare.GapRow;
import verisonus.core.compare.Verdict;
import verisonus.core.evidence.study.AloneBars;
import verisonus.core.evidence.study.Course;
import verisonus.core.evidence.study.Passage;
import verisonus.core.evidence.study.PassageFinder;
import verisonus.core.search.Derivation;
import verisonus.core.sound.Sound;
import verisonus.core.take.Pairing;
import verisonus.core.work.Figures;

/**
 * Is a derived tone more than a sketch, and what would help it most? A sketch is what can be had from a recording in which others play
 * most of the time, from a take of other playing, or from less than {@value #SHORT_S} s.
 *
 * @param is whether it is one
 * @param helps what would make it better, the most helpful first; three at most
 */
public record Sketch(boolean is, List<String> helps) {
    /** More than a sketch, and nothing to add. */
    public static final Sketch NONE = new Sketch(false, List.of());
    private static final double SHORT_S = 3;
    private static final double STEP_S = 0.05;
    private static final int MOST = 3;

    public Sketch {
        helps = List.copyOf(helps);
    }

    /**
     * Judges a derivation.
     *
     * @param recording the whole of it
     * @param fromS start of what was studied, seconds into the recording
     * @param toS its end
     */
    public static Sketch of(Sound recording, double fromS, double toS, Derivation derived) {
        return of(recording, fromS, toS, derived.pairing(), derived.gap(), derived.verdict());
    }

    static Sketch of(Sound recording, double fromS, double toS, Pairing pairing, GapLedger gap, Verdict verdict) {
        List<String> helps = new ArrayList<>();
        boolean others = AloneBars.of(recording.slice(fromS, toS)).hasOthers();
        boolean other = pairing == Pairing.OTHER_PLAYING;
        boolean brief = toS - fromS < SHORT_S;
        if (others)
            helps.add(alone(recording, fromS, toS).map(
                    p -> Figures.of("derive from %.1f to %.1f s, where the guitar stands alone", p.fromS(), p.toS()))
                    .orElse("the guitar never stands alone in this recording: another of the same tone, in which it does, "
                            + "would tell most"));
        if (other)
            helps.add(
                    "play the phrase of the recording into the take, or if it does, say where in the recording it begins: "
                            + "then notes are compared with notes");
        if (brief)
            helps.add(
                    Figures.of("mark a longer passage: %.1f s show neither echo nor space nor movement", toS - fromS));
        boolean open = gap.find(GapAttribute.COLOUR_LEFT_OPEN).map(GapRow::audibility).orElse(0.0) > Verdict.NEAR_JND;
        if (open && !brief) helps.add("a second take, or more of the guitar alone, would settle the colour");
        if (verdict.unjudged().contains("space") && !brief && !others)
            helps.add("a passage in which a note is stopped and the rest rings out would show echo and space");
        return new Sketch(others || other || brief, helps.subList(0, Math.min(MOST, helps.size())));
    }

    /** The same where nobody's guitar stood in for the player's: it is a sketch whatever else is known. */
    public Sketch ofStandIn() {
        List<String> out = new ArrayList<>(
                List.of("record a dry take of your own guitar, best of the same phrase: a stand-in"
                        + " played here"));
        helps.stream().filter(h -> !h.startsWith("play the phrase")).forEach(out::add);
        return new Sketch(true, out.subList(0, Math.min(MOST, out.size())));
    }

    /** The best stretch of the guitar alone that is not what was studied. */
    private static Optional<Passage> alone(Sound recording, double fromS, double toS) {
        return PassageFinder.in(Course.of(recording, (int) Math.max(50, recording.durationS() / STEP_S))).stream()
                .filter(p -> p.purpose() == Passage.Purpose.CORE_TONE)
                .filter(p -> p.toS() - p.fromS() < 0.9 * (toS - fromS) || p.fromS() >= toS || p.toS() <= fromS)
                .findFirst();
    }
}
