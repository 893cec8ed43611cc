package verisonus.casebook.sheet;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import verisonus.casebook.store.DerivedTone;
import verisonus.casebook.store.Goal;
import verisonus.core.compare.GapAttribute;
import verisonus.core.compare.GapRow;
import verisonus.core.compare.Verdict;
import verisonus.core.search.Derivation;
import verisonus.core.work.Figures;
import verisonus.core.work.Sentence;

/** How near a tone is, in a player's words; what is missing or could not be told is part of it. */
final class Nearness {
    private Nearness() {}

    static String of(DerivedTone t) {
        List<String> out = new ArrayList<>(List.of(line(t)));
        out.addAll(open(t));
        return String.join(" ", out);
    }

    /** How near it is by what was measured, in one line. */
    static String line(DerivedTone t) {
        return (t.remarks().sketch().is() ? "A sketch. " : "") + byGap(t);
    }

    /** What is missing, what stays open, what could not be told: a sentence each. */
    static List<String> open(DerivedTone t) {
        List<String> out = new ArrayList<>();
        List<String> missing = t.missing();
        if (!missing.isEmpty()) out.add("On the record and not in the tone: " + String.join(", ", missing) + ".");
        if (sides(t) > Verdict.NEAR_JND) out.add("The record stands wider than this tone.");
        else if (sides(t) < -Verdict.NEAR_JND) out.add("The record stands narrower than this tone.");
        leftOpen(t).ifPresent(db -> out
                .add(Figures.of("The passage leaves the colour open by up to %.0f dB: a longer one would tell.", db)));
        if (t.remarks().unjudged().contains(Derivation.OWN_GUITAR))
            out.add("Your own guitar has not been heard through it: a stand-in played.");
        List<String> unjudged = t.remarks().unjudged().stream().filter(u -> !u.equals(Derivation.OWN_GUITAR)).toList();
        // Where not even the colour is known there is nothing to listen for: what plays there is not the guitar.
        if (!unjudged.isEmpty() && !unjudged.contains(Derivation.COLOUR)) {
            out.add(Sentence.begun(Sentence.listed(unjudged.stream().map(u -> "the " + u).toList()))
                    + " could not be judged: listen "
                    + Sentence.listed(unjudged.stream().map(Nearness::where).distinct().toList()) + ".");
        }
        return out;
    }

    /** How much wider the record is, in just-noticeable differences; 0 where that could not be measured. */
    private static double sides(DerivedTone t) {
        return t.gap().find(GapAttribute.REST_SIDES).map(r -> -r.difference() / r.jnd()).orElse(0.0);
    }

    /** How far off the colour could be elsewhere, dB, where that would be heard. */
    private static Optional<Double> leftOpen(DerivedTone t) {
        return t.gap().find(GapAttribute.COLOUR_LEFT_OPEN).filter(r -> r.audibility() > Verdict.NEAR_JND)
                .map(GapRow::candidate);
    }

    private static String where(String topic) {
        return switch (topic) {
            case "echo" -> "to what follows a stopped note";
            case "space" -> "to the tails";
            default -> "to held notes";
        };
    }

    private static String byGap(DerivedTone t) {
        if (t.isOwn()) return "A tone of your own: there is no record to compare it with.";
        if (!t.gap().isMeasured())
            return (t.remarks().unjudged().contains(Derivation.COLOUR)
                    ? "A usual tone, for others cover the guitar: how"
                    : "How")
                    + " near it is could not be measured.";
        long off = t.off();
        Goal goal = t.remarks().goal();
        if (goal != Goal.EXACT) {
            return off == 0
                    ? "Near enough for " + goal.words() + "."
                    : Figures.of("%d %s further off than %s allows.", off,
                            off == 1 ? "difference is" : "differences are", goal.words());
        }
        boolean whole = !t.remarks().sketch().is() && t.missing().isEmpty() && t.remarks().unjudged().isEmpty()
                && leftOpen(t).isEmpty();
        if (off == 0 && Math.abs(sides(t)) > Verdict.NEAR_JND)
            return "But for the width, what could be measured is as near as can be heard.";
        if (off == 0) return whole ? "As near as can be heard." : "What could be measured is as near as can be heard.";
        String what = off == 1 ? "1 difference" : off + " differences";
        boolean close = t.gap().scoreJnd() < 2.5 && t.missing().isEmpty();
        String asFar = whole ? "Close" : "Close in what could be measured";
        String word = close ? asFar : t.gap().scoreJnd() < 5 ? "On the way" : "Far off";
        return word + ": most listeners hear " + what + ".";
    }
}
