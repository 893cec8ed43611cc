package verisonus.core.compare;

import java.util.ArrayList;
import java.util.List;
import verisonus.core.evidence.Evidence;
import verisonus.core.evidence.guided.ThroughOthers;
import verisonus.core.evidence.signs.Finding;
import verisonus.core.evidence.signs.Presence;
import verisonus.core.work.Figures;

/**
 * How near a tone is, said so that nobody is told more than was measured.
 *
 * @param words one sentence
 * @param near whether no difference that the gear makes, none in width and none that the passage leaves open is over
 *     {@value #NEAR_JND} JND, no effect of the record is missing and nothing that matters stayed unjudged
 * @param missing effects that are on the record, or plainly something of their kind, and not in the tone
 * @param unjudged what could be neither found nor ruled out
 */
public record Verdict(String words, boolean near, List<String> missing, List<String> unjudged) {
    public static final double NEAR_JND = 1.5;
    private static final double FAR_JND = 4;
    private static final double SURE = 0.6;
    private static final String COLOUR_AMONG_OTHERS = "colour and dirt among the others";

    public Verdict {
        missing = List.copyOf(missing);
        unjudged = List.copyOf(unjudged);
    }

    /** Of two recordings, by what was found in each. */
    public static Verdict between(Evidence reference, Evidence candidate, GapLedger gap) {
        List<String> missing = new ArrayList<>();
        List<String> unjudged = new ArrayList<>();
        judge("echo", reference.echo(), candidate.echo(), missing, unjudged);
        judge("space", reference.reverb(), candidate.reverb(), missing, unjudged);
        judge("movement", reference.modulation(), candidate.modulation(), missing, unjudged);
        if (ThroughOthers.areThere(reference) && !ThroughOthers.areThere(candidate)) unjudged.add(COLOUR_AMONG_OTHERS);
        return of(gap, missing, unjudged);
    }

    private static void judge(String what, Finding<?> reference, Finding<?> candidate, List<String> missing,
            List<String> unjudged) {
        boolean there = reference.isPresent() && reference.confidence() >= SURE;
        if (there && candidate.presence() == Presence.ABSENT) missing.add(what);
        else if (reference.presence() == Presence.UNKNOWN || there && !candidate.isPresent()) unjudged.add(what);
    }

    public static Verdict of(GapLedger gap, List<String> missing, List<String> unjudged) {
        double most = gap.scoreJnd();
        double open = gap.find(GapAttribute.COLOUR_LEFT_OPEN).map(GapRow::audibility).orElse(0.0);
        double wider = gap.find(GapAttribute.REST_SIDES).filter(r -> !gap.wantedSo().contains(r.attribute()))
                .map(r -> -r.difference() / r.jnd()).orElse(0.0);
        boolean near = gap.isMeasured() && most <= NEAR_JND && missing.isEmpty() && unjudged.isEmpty()
                && open <= NEAR_JND
                && Math.abs(wider) <= NEAR_JND;
        List<String> parts = new ArrayList<>();
        if (most > NEAR_JND) {
            String what = gap.rows().stream().filter(gap::counts).findFirst().map(r -> r.attribute().playersWords())
                    .orElse("");
            parts.add(Figures.of(most > FAR_JND ? "still far off: %s, %.1f JND" : "off by what is heard: %s, %.1f JND",
                    what, most));
        }
        boolean named = gap.rows().stream().filter(gap::counts).findFirst()
                .filter(r -> r.attribute() == GapAttribute.REST_SIDES).isPresent();
        if (Math.abs(wider) > NEAR_JND && !named)
            parts.add("the record stands " + (wider > 0 ? "wider" : "narrower") + " than this tone");
        if (open > NEAR_JND) parts.add("the passage leaves the colour open; a longer one would tell");
        if (!missing.isEmpty()) parts.add("missing: " + String.join(", ", missing));
        if (!unjudged.isEmpty()) parts.add("could not be judged: " + String.join(", ", unjudged) + "; listen for it");
        if (parts.isEmpty() && !near) parts.add("nothing of the reference could be measured");
        String words = parts.isEmpty()
                ? Figures.of("near: no difference of the gear's over %.1f JND", NEAR_JND)
                : String.join("; ", parts);
        return new Verdict(words, near, missing, unjudged);
    }
}
