package verisonus.core.advise;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import verisonus.core.compare.GapAttribute;
import verisonus.core.compare.GapLedger;
import verisonus.core.compare.GapRow;
import verisonus.core.evidence.Evidence;
import verisonus.core.evidence.Examination;
import verisonus.core.evidence.notes.PlayedNote;
import verisonus.core.rig.Tone;
import verisonus.core.simulate.Renderer;
import verisonus.core.simulate.stages.Quality;
import verisonus.core.sound.Sound;
import verisonus.core.work.Figures;
import verisonus.core.work.Progress;

/**
 * How much of a difference is the hand's: the same tone played from two or more takes differs by the playing alone.
 *
 * @param floorJnd by attribute of the ledger, how far takes lie apart at the same settings; less than that is not the gear's
 * @param differences in what the hand did, take against take, in words
 */
public record PlayingShare(Map<GapAttribute, Double> floorJnd, List<String> differences) {
    private static final double ATTACK_MS = 3;
    private static final double SPREAD_DB = 1.5;
    private static final double TIMING_MS = 6;
    private static final double FALL_DB_PER_S = 6;
    private static final double TOGETHER_MS = 90;

    public PlayingShare {
        floorJnd = Map.copyOf(floorJnd);
        differences = List.copyOf(differences);
    }

    /** @param takes of the same phrase, two or more */
    public static PlayingShare of(Tone tone, List<Sound> takes, Progress progress) {
        if (takes.size() < 2) throw new IllegalArgumentException("one take shows no spread");
        List<Evidence> heard = new ArrayList<>();
        List<Evidence> dry = new ArrayList<>();
        for (Sound t : takes) {
            progress.step((double) heard.size() / takes.size(), "playing take " + (heard.size() + 1));
            Sound played = Renderer.render(tone, t, Optional.of(t), Quality.SEARCH, Progress.NONE);
            heard.add(Examination.of(played, Examination.Depth.TONE, Progress.NONE));
            dry.add(Examination.of(t, Examination.Depth.CONTROL, Progress.NONE));
        }
        Map<GapAttribute, Double> floor = new LinkedHashMap<>();
        int pairs = 0;
        for (int i = 0; i < heard.size(); i++) {
            for (int j = i + 1; j < heard.size(); j++, pairs++) {
                for (GapRow r : GapLedger.between(heard.get(i), heard.get(j)).rows())
                    floor.merge(r.attribute(), r.audibility(), Double::sum);
            }
        }
        int n = pairs;
        floor.replaceAll((_, v) -> v / n);
        List<String> words = new ArrayList<>();
        for (int i = 1; i < dry.size(); i++) words.addAll(differences(dry.get(0), dry.get(i), i + 1));
        return new PlayingShare(floor, words);
    }

    /** Which rows of a ledger the playing alone explains. */
    public boolean explains(GapRow row) {
        return row.audibility() <= floorJnd.getOrDefault(row.attribute(), 0.0);
    }

    /** What the hand did otherwise in one take than in another: pick attack, dynamics, timing, muting. */
    static List<String> differences(Evidence a, Evidence b, int take) {
        List<String> out = new ArrayList<>();
        if (a.dynamics().attackMs().isPresent() && b.dynamics().attackMs().isPresent()) {
            double d = b.dynamics().attackMs().getAsDouble() - a.dynamics().attackMs().getAsDouble();
            if (Math.abs(d) > ATTACK_MS)
                out.add(said(take, "picks %s: notes rise in %.0f ms %s", d < 0 ? "harder" : "softer", d));
        }
        double spread = b.dynamics().envelopeSpreadDb() - a.dynamics().envelopeSpreadDb();
        if (Math.abs(spread) > SPREAD_DB)
            out.add(said(take, "plays %s: loud to soft %.0f dB %s", spread < 0 ? "more evenly" : "with more dynamics",
                    spread));
        double timing = timingMs(a, b);
        if (timing > TIMING_MS)
            out.add(Figures.of("take %d: notes come %.0f ms apart from take 1's",
                    take, timing));
        if (a.dynamics().sustainDbPerS().isPresent() && b.dynamics().sustainDbPerS().isPresent()) {
            double d = b.dynamics().sustainDbPerS().getAsDouble() - a.dynamics().sustainDbPerS().getAsDouble();
            if (Math.abs(d) > FALL_DB_PER_S)
                out.add(said(take, "%s: notes fall %.0f dB a second %s", d < 0 ? "mutes more" : "lets ring", d));
        }
        return out;
    }

    private static String said(int take, String pattern, String how, double by) {
        return "take " + take + " " + Figures.of(pattern, how, Math.abs(by), by < 0 ? "less" : "more");
    }

    /** RMS distance of notes that lie near each other, a steady lag taken out. */
    private static double timingMs(Evidence a, Evidence b) {
        List<Double> apart = new ArrayList<>();
        for (PlayedNote n : a.circumstances().played()) {
            b.circumstances().played().stream().mapToDouble(m -> 1000 * (m.atS() - n.atS()))
                    .filter(d -> Math.abs(d) < TOGETHER_MS).boxed()
                    .min(java.util.Comparator.comparingDouble(Math::abs)).ifPresent(apart::add);
        }
        if (apart.size() < 4) return 0;
        double mean = apart.stream().mapToDouble(Double::doubleValue).average().orElse(0);
        return Math.sqrt(apart.stream().mapToDouble(d -> (d - mean) * (d - mean)).average().orElse(0));
    }
}
