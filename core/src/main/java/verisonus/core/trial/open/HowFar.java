package verisonus.core.trial.open;

import java.util.ArrayList;
import java.util.EnumSet;
import java.util.List;
import java.util.OptionalDouble;
import java.util.Set;
import verisonus.core.compare.GapAttribute;
import verisonus.core.compare.GapLedger;
import verisonus.core.compare.GapRow;
import verisonus.core.evidence.Evidence;
import verisonus.core.evidence.Examination;
import verisonus.core.evidence.study.AloneBars;
import verisonus.core.sound.Sound;
import verisonus.core.take.Pairing;
import verisonus.core.trial.MatchedSounds;
import verisonus.core.work.Progress;

/**
 * How far sounds lie from the first of them in colour and dirt, and in dynamics where the same hand plays: the most audible difference.
 * Echo, space and movement are left to the ear; to tell them takes the take and the chain that it went through.
 *
 * @param jnd in the order of the sounds; empty where nothing tells the guitar from what plays with it
 */
public record HowFar(List<OptionalDouble> jnd) {
    private static final double SAME_JND = 0.7;
    private static final double JUST_HEARD_JND = 1.5;
    private static final double CLEARLY_HEARD_JND = 3;
    private static final double ANOTHER_JND = 5;

    /** Beside the bands; dynamics count for nothing where another hand plays, see {@link GapLedger#counts}. */
    private static final Set<GapAttribute> READ = EnumSet.of(GapAttribute.SATURATION, GapAttribute.CREST,
            GapAttribute.LOUD_TO_SOFT, GapAttribute.ATTACK);

    public HowFar {
        jnd = List.copyOf(jnd);
    }

    /** @param pairing whether the same hand plays in the first as in the others */
    public static HowFar of(MatchedSounds sounds, Pairing pairing, Progress progress) {
        List<OptionalDouble> out = new ArrayList<>(List.of(OptionalDouble.of(0)));
        Sound first = sounds.first();
        boolean covered = AloneBars.of(first).hasOthers();
        Evidence aim = Examination.of(first, Examination.Depth.TONE, Progress.NONE);
        for (int i = 1; i < sounds.candidates().size(); i++) {
            progress.step((double) i / sounds.candidates().size(), sounds.candidates().get(i).name());
            if (covered) {
                out.add(OptionalDouble.empty());
                continue;
            }
            GapLedger gap = GapLedger.between(aim,
                    Examination.of(sounds.sound(i), Examination.Depth.TONE, Progress.NONE), pairing);
            out.add(gap.isMeasured()
                    ? gap.rows().stream().filter(r -> gap.counts(r) && isRead(r.attribute()))
                            .mapToDouble(GapRow::audibility).max()
                    : OptionalDouble.empty());
        }
        return new HowFar(out);
    }

    private static boolean isRead(GapAttribute a) {
        return a.isBand() || READ.contains(a);
    }

    /** A distance in colour and dirt as a listener would put it. */
    public static String words(double jnd) {
        if (jnd < SAME_JND) return "alike";
        if (jnd < JUST_HEARD_JND) return "just heard";
        if (jnd < CLEARLY_HEARD_JND) return "clearly heard";
        return jnd < ANOTHER_JND ? "another colour" : "far";
    }
}
