package verisonus.core.trial.train;

import java.time.Instant;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import verisonus.core.work.Figures;

/**
 * One answer in training.
 *
 * @param attribute what was asked about
 * @param size how large the change was
 */
public record Score(Instant at, Skill skill, String attribute, double size, boolean right) {
    private static final int RECENT = 12;
    private static final int FEWEST = 4;

    /** What the answers so far say of one skill or attribute, newest counted. */
    public record Standing(String what, int right, int of, double smallestRight) {
        public String words(boolean inDb) {
            String out = what + ": " + right + " of the last " + of;
            if (right == 0) return out;
            return out + Figures.of(inDb ? ", down to %.1f dB" : ", down to %.0f %% of the way", inDb
                    ? smallestRight
                    : 100 * smallestRight);
        }
    }

    /** By skill, then by attribute where enough was asked about it, in the order in which they came up. */
    public static Map<Skill, List<Standing>> standings(List<Score> all) {
        Map<Skill, List<Standing>> out = new LinkedHashMap<>();
        for (Skill s : Skill.values()) {
            List<Score> of = all.stream().filter(x -> x.skill == s).toList();
            if (of.isEmpty()) continue;
            List<Standing> list = new ArrayList<>();
            list.add(standing("all", of));
            Map<String, List<Score>> by = new LinkedHashMap<>();
            for (Score x : of) by.computeIfAbsent(x.attribute, _ -> new ArrayList<>()).add(x);
            by.forEach((a, scores) -> {
                if (scores.size() >= FEWEST) list.add(standing(a, scores));
            });
            out.put(s, list);
        }
        return out;
    }

    private static Standing standing(String what, List<Score> all) {
        List<Score> recent = all.subList(Math.max(0, all.size() - RECENT), all.size());
        int right = (int) recent.stream().filter(Score::right).count();
        double smallest = recent.stream().filter(Score::right).mapToDouble(Score::size).min().orElse(Double.NaN);
        return new Standing(what, right, recent.size(), smallest);
    }
}
