package verisonus.casebook.sheet;

import java.time.Duration;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import verisonus.casebook.store.LogEntry;
import verisonus.core.work.Figures;

/**
 * What a logbook says of the work: how long each step took, and what brought the tone nearer most. The time before a change
 * counts as spent on it; after a break of a quarter of an hour a new sitting begins.
 *
 * @param seconds by step, longest first
 * @param best the change that brought the tone nearest
 */
public record WorkDone(Map<String, Long> seconds, Optional<LogEntry> best) {
    private static final Duration BREAK = Duration.ofMinutes(15);
    private static final double WORTH_SAYING_JND = 0.1;

    /** @param entries newest first */
    public static WorkDone of(List<LogEntry> entries) {
        Map<String, Long> spent = new LinkedHashMap<>();
        for (int i = 0; i + 1 < entries.size(); i++) {
            Duration took = Duration.between(entries.get(i + 1).at(), entries.get(i).at());
            if (took.isNegative() || took.compareTo(BREAK) > 0) continue;
            spent.merge(step(entries.get(i).text()), took.toSeconds(), Long::sum);
        }
        Map<String, Long> sorted = new LinkedHashMap<>();
        spent.entrySet().stream().filter(e -> e.getValue() > 0)
                .sorted(Map.Entry.<String, Long>comparingByValue().reversed())
                .forEach(e -> sorted.put(e.getKey(), e.getValue()));
        Optional<LogEntry> best = entries.stream()
                .filter(e -> !e.undone() && e.gainedJnd().orElse(0) > WORTH_SAYING_JND)
                .max(Comparator.comparingDouble(e -> e.gainedJnd().orElse(0)));
        return new WorkDone(sorted, best);
    }

    private static String step(String text) {
        String first = text.split(" ", 2)[0].toLowerCase(Locale.ROOT);
        return switch (first) {
            case "added", "new", "renamed", "branched" -> "gathering";
            case "marked", "moved" -> "marking";
            case "measured" -> "measuring";
            case "derived" -> "deriving";
            case "kept" -> text.contains("trim") || text.contains("playback") ? "travelling" : "setting up";
            case "noted" -> "noting";
            case "began", "rated", "picked", "blind", "found", "gave" -> "comparing by ear";
            default -> "turning";
        };
    }

    /** In sentences. */
    public List<String> words() {
        List<String> out = new ArrayList<>();
        if (!seconds.isEmpty()) {
            List<String> parts = new ArrayList<>();
            seconds.forEach((step, s) -> parts.add(step + " " + (s >= 60
                    ? Figures.of("%d min", Math.round(s / 60.0))
                    : s + " s")));
            out.add("Time: " + String.join(", ", parts) + ".");
        }
        best.ifPresent(b -> out.add(Figures.of("Most was gained by: %s (%.1f → %.1f JND).", b.text(),
                b.gapBeforeJnd().orElse(0), b.gapAfterJnd().orElse(0))));
        return out;
    }
}
