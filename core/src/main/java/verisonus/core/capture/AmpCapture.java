package verisonus.core.capture;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.ExecutorService;
import verisonus.core.evidence.Evidence;
import verisonus.core.evidence.Examination;
import verisonus.core.evidence.signs.Presence;
import verisonus.core.rig.Block;
import verisonus.core.rig.Gear;
import verisonus.core.rig.GearKind;
import verisonus.core.rig.Locks;
import verisonus.core.rig.Model;
import verisonus.core.rig.Rig;
import verisonus.core.rig.Tone;
import verisonus.core.search.Derivation;
import verisonus.core.search.SearchOptions;
import verisonus.core.search.ToneSearch;
import verisonus.core.search.Wishes;
import verisonus.core.simulate.CaptureSignal;
import verisonus.core.sound.Sound;
import verisonus.core.work.InputFault;
import verisonus.core.work.Progress;

/**
 * Which simulated amp comes nearest to a real one: what the real one made of the {@link CaptureSignal} at a few control positions
 * is searched for with every voicing, and the voicing that needs the smallest differences is taken. Where a real control stands
 * and where the simulated one must stand to sound so, on average over the recordings, is its offset.
 */
public final class AmpCapture {
    private static final int BUDGET = 110;
    private static final int KEPT = 2;

    /**
     * What the amp made of what was played.
     *
     * @param positions of its controls, 0 to 10, by the names of the simulated ones
     * @param played what went in, the {@link CaptureSignal} or a dry take of one's own
     */
    public record Recording(Map<String, Double> positions, Sound played, Sound sound) {
        public Recording {
            positions = Map.copyOf(positions);
        }

        /** Of the test signal. */
        public Recording(Map<String, Double> positions, Sound sound) {
            this(positions, CaptureSignal.make(), sound);
        }

        /** "gain=3, treble=5" by the simulated controls' names, each 0 to 10; empty where something else is said. */
        public static Optional<Map<String, Double>> positions(String words) {
            Map<String, Double> out = new HashMap<>();
            Model any = Gear.of(GearKind.AMP).get(0);
            for (String part : words.isBlank() ? new String[0] : words.split(",", -1)) {
                String[] pair = part.strip().split("\\s*[= ]\\s*", 2);
                boolean known = pair.length == 2 && any.find(pair[0]).filter(c -> c.unit().equals("0-10")).isPresent();
                if (!known || !pair[1].matches("\\d+(\\.\\d+)?") || Double.parseDouble(pair[1]) > 10)
                    return Optional.empty();
                out.put(pair[0], Double.parseDouble(pair[1]));
            }
            return Optional.of(out);
        }

        /** Whether no loudspeaker is heard in it: a direct output. */
        public boolean isDirect() {
            Evidence e = Examination.of(sound, Examination.Depth.STEADY, Progress.NONE);
            return e.circumstances().cabinet().presence() == Presence.ABSENT;
        }
    }

    /**
     * What was found.
     *
     * @param voicing nearest model
     * @param offsets what to add to a position of the real control to set the simulated one, by control
     * @param errorJnd mean distance of the best fit, just-noticeable differences
     * @param spectrumDb mean distance of the spectra
     * @param others other voicings with their mean distance, nearest first
     * @param fits the best tone of each recording
     */
    public record Captured(Model voicing, Map<String, Double> offsets, double errorJnd, double spectrumDb,
            Map<String, Double> others, List<Tone> fits) {}

    private AmpCapture() {}

    public static Captured of(List<Recording> recordings, ExecutorService workers, Progress progress) {
        return of(recordings, Gear.of(GearKind.AMP), BUDGET, workers, progress);
    }

    static Captured of(List<Recording> recordings, List<Model> voicings, int budget, ExecutorService workers,
            Progress progress) {
        if (recordings.isEmpty()) throw new IllegalArgumentException("no recording to capture from");
        Map<Recording, Boolean> direct = new HashMap<>();
        for (Recording r : recordings) direct.put(r, r.isDirect());
        List<Fit> nearest = new ArrayList<>();
        for (Model v : voicings) {
            progress.step(0.6 * nearest.size() / voicings.size(), "trying " + v.name());
            nearest.add(new Fit(v, List
                    .of(fitted(recordings.get(0), v, direct.getOrDefault(recordings.get(0), false), budget, workers))));
        }
        nearest.sort(Comparator.comparingDouble(Fit::errorJnd));
        List<Fit> whole = new ArrayList<>();
        for (Fit f : nearest.subList(0, KEPT)) {
            progress.step(0.6 + 0.2 * whole.size(), "fitting " + f.voicing.name());
            List<Derivation> fits = new ArrayList<>(f.derivations);
            for (Recording r : recordings.subList(1, recordings.size())) {
                fits.add(fitted(r, f.voicing, direct.getOrDefault(r, false), budget, workers));
            }
            whole.add(new Fit(f.voicing, fits));
        }
        Fit best = whole.stream().min(Comparator.comparingDouble(Fit::errorJnd)).orElseThrow();
        Map<String, Double> others = new LinkedHashMap<>();
        for (Fit f : nearest) if (!f.voicing.equals(best.voicing)) others.put(f.voicing.name(), f.errorJnd());
        double spectrum = best.derivations.stream().flatMapToDouble(d -> d.gap().spectrumRmsDb().stream()).average()
                .orElseThrow(() -> new InputFault("the recordings", "nothing in them stands out of the noise",
                        "record the amp louder, or the room quieter"));
        return new Captured(best.voicing, offsets(recordings, best.derivations), best.errorJnd(), spectrum, others,
                best.derivations.stream().map(Derivation::tone).toList());
    }

    /** What a voicing came to, recording by recording. */
    private record Fit(Model voicing, List<Derivation> derivations) {
        double errorJnd() {
            return derivations.stream().mapToDouble(d -> d.gap().scoreJnd()).average().orElseThrow();
        }
    }

    private static Derivation fitted(Recording r, Model voicing, boolean direct, int budget,
            ExecutorService workers) {
        Map<String, Integer> counts = new HashMap<>(Map.of(voicing.name(), 1, "parametric equalizer", 1));
        for (GearKind k : List.of(GearKind.CABINET, GearKind.MICROPHONE))
            for (Model m : Gear.of(k)) counts.put(m.name(), 1);
        Rig rig = new Rig(List.of(), counts, Map.of(), 9);
        Block start = Block.of(voicing);
        for (Map.Entry<String, Double> p : r.positions.entrySet()) start = start.with(p.getKey(), p.getValue());
        SearchOptions options = SearchOptions.defaults().withRig(rig).keeping(new Tone("start", List.of(start)),
                Locks.NONE).withBudget(budget, 1).wishing(direct ? Wishes.NONE.takenDirectly() : Wishes.NONE);
        return new ToneSearch(r.sound, r.played, options, workers, Progress.NONE).run();
    }

    private static Map<String, Double> offsets(List<Recording> recordings, List<Derivation> fits) {
        Map<String, Double> sum = new LinkedHashMap<>();
        Map<String, Integer> n = new HashMap<>();
        for (int i = 0; i < recordings.size(); i++) {
            Block amp = fits.get(i).tone().first(GearKind.AMP).orElseThrow();
            recordings.get(i).positions.forEach((control, value) -> {
                sum.merge(control, amp.get(control) - value, Double::sum);
                n.merge(control, 1, Integer::sum);
            });
        }
        sum.replaceAll((control, v) -> v / n.getOrDefault(control, 1));
        return sum;
    }
}
