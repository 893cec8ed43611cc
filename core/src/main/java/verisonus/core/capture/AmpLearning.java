package verisonus.core.capture;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import java.util.TreeSet;
import java.util.concurrent.Callable;
import java.util.concurrent.ExecutorService;
import java.util.stream.IntStream;
import verisonus.core.rig.Block;
import verisonus.core.rig.Control;
import verisonus.core.rig.ControlNames;
import verisonus.core.rig.GearKind;
import verisonus.core.rig.Model;
import verisonus.core.rig.Tone;
import verisonus.core.rig.Turning;
import verisonus.core.rig.Unit;
import verisonus.core.rig.Voice;
import verisonus.core.search.Fingerprint;
import verisonus.core.simulate.Renderer;
import verisonus.core.simulate.stages.Quality;
import verisonus.core.sound.Sound;
import verisonus.core.take.Alignment;
import verisonus.core.work.Parallel;
import verisonus.core.work.Progress;

/**
 * How a real amp turns. The nearest amp is found first ({@link AmpCapture}); then where it must stand for each recording is sought
 * together with the one curve that is left between them in all of them, so that a tone control is read from what it changes and not
 * from what the amp always does (alternating least squares). Input: recordings at two positions or more of each control that shall be
 * learnt. Output: a device of the player's own, each control with its turn and reach; what was never moved stands where it suits best.
 *
 * <p>Through a loudspeaker the curve holds what the chosen cabinet and microphone miss as well: the three belong together. Known error: see
 * the capture report in {@code bench}.
 */
public final class AmpLearning {
    /** Of what was played this much is listened to. */
    private static final double LISTENED_S = 7;
    private static final double[] STEPS = {1.6, 0.8, 0.4, 0.2};
    private static final int PASSES = 2;
    private static final Set<String> FOLLOWED_FROM_OWN = Set.of(ControlNames.BASS, ControlNames.MID,
            ControlNames.TREBLE,
            ControlNames.PRESENCE, ControlNames.TREBLE_CUT);
    /** A control strays this far from where the first fits saw it for the price of one step of colour. */
    private static final double STRAYS = 20;
    private static final double MOST_DB = 12;
    /** Beyond the outermost positions that were recorded it is taken on trust this far. */
    private static final double BEYOND = 1;

    /**
     * A learnt amp.
     *
     * @param loudspeaker the cabinet and microphone that go with it; none of a direct output
     * @param apart how unlike the learnt amp and the recordings are, one a recording, in steps of {@link Fingerprint}
     * @param before the same of the nearest amp with its offsets alone
     */
    public record Learnt(Unit unit, List<Block> loudspeaker, double[] apart, double[] before) {
        /** The amp as it stands at these positions of its own, through its loudspeaker. */
        public Tone at(Map<String, Double> positions) {
            Block amp = Block.of(unit.model());
            for (Map.Entry<String, Double> p : positions.entrySet()) {
                Control c = unit.model().control(p.getKey());
                Turning turn = unit.turnings().getOrDefault(p.getKey(), Turning.same());
                amp = amp.with(c.name(), turn.model(p.getValue()));
            }
            List<Block> blocks = new ArrayList<>(List.of(amp));
            blocks.addAll(loudspeaker);
            return new Tone(unit.name(), blocks);
        }
    }

    private final List<AmpCapture.Recording> recordings;
    private final List<float[]> played = new ArrayList<>();
    private final List<Fingerprint> wanted = new ArrayList<>();
    private final Model voicing;
    private final List<Block> loudspeaker;
    private final List<String> taught;
    /** Where the model's controls that nobody moved stand. */
    private final Map<String, Double> fixed = new TreeMap<>();
    /** By recording and taught control. */
    private final double[][] at;
    private final double[][] first;
    private double[] left;

    private AmpLearning(List<AmpCapture.Recording> recordings, AmpCapture.Captured nearest) {
        this.recordings = recordings;
        voicing = nearest.voicing();
        taught = recordings.stream().flatMap(r -> r.positions().keySet().stream())
                .collect(java.util.stream.Collectors.toCollection(TreeSet::new)).stream().toList();
        Tone clearest = nearest.fits().get(0);
        loudspeaker = clearest.blocks().stream().filter(b -> b.on()
                && (b.model().kind() == GearKind.CABINET || b.model().kind() == GearKind.MICROPHONE)).toList();
        for (Control c : voicing.controls()) {
            if (taught.contains(c.name())) continue;
            double[] seen = nearest.fits().stream().mapToDouble(t -> t.first(GearKind.AMP).orElseThrow().get(c.name()))
                    .sorted().toArray();
            fixed.put(c.name(), seen[seen.length / 2]);
        }
        at = new double[recordings.size()][taught.size()];
        for (int r = 0; r < at.length; r++) {
            for (int k = 0; k < taught.size(); k++) {
                double own = recordings.get(r).positions().getOrDefault(taught.get(k), 5.0);
                // What a tone control always does is in the curve that is left: it starts where the real one stands.
                double offset = FOLLOWED_FROM_OWN.contains(taught.get(k))
                        ? 0
                        : nearest.offsets().getOrDefault(taught.get(k), 0.0);
                at[r][k] = Math.clamp(own + offset, 0, 10);
            }
            hear(recordings.get(r));
        }
        first = Arrays.stream(at).map(double[]::clone).toArray(double[][]::new);
        left = new double[wanted.get(0).colourDb().length];
    }

    /**
     * @param name that the player gives it
     * @throws IllegalArgumentException without a recording, or where the name is a model's
     */
    public static Learnt of(String name, List<AmpCapture.Recording> recordings, ExecutorService workers,
            Progress progress) {
        AmpCapture.Captured nearest = AmpCapture.of(telling(recordings), workers, progress.part(0, 0.7));
        return of(name, recordings, nearest, workers, progress.part(0.7, 1));
    }

    /** Enough to tell which amp it is: with the least, the most and a middling gain. */
    private static List<AmpCapture.Recording> telling(List<AmpCapture.Recording> all) {
        if (all.size() < 4) return all;
        List<AmpCapture.Recording> byGain = all.stream().sorted(Comparator.comparingDouble(
                (AmpCapture.Recording r) -> r.positions().getOrDefault(ControlNames.GAIN, 5.0))).toList();
        return List.of(byGain.get(byGain.size() / 2), byGain.getFirst(), byGain.getLast());
    }

    static Learnt of(String name, List<AmpCapture.Recording> recordings, AmpCapture.Captured nearest,
            ExecutorService workers, Progress progress) {
        AmpLearning learning = new AmpLearning(recordings, nearest);
        double[] before = learning.apart(workers);
        for (int pass = 0; pass < PASSES; pass++) {
            for (double step : STEPS) {
                progress.step((pass + (1 - step / 2)) / PASSES, "following " + String.join(" and ", learning.taught));
                learning.left(workers);
                learning.turn(step, workers);
            }
        }
        return learning.learnt(name, before, workers);
    }

    private void hear(AmpCapture.Recording r) {
        float[] in = r.played().atRate(Sound.WORKING_RATE_HZ).mid();
        float[] out = r.sound().atRate(Sound.WORKING_RATE_HZ).mid();
        int late = Alignment.find(out, in, Sound.WORKING_RATE_HZ).offsetSamples();
        int from = Math.max(0, -late);
        int n = Math.min((int) (LISTENED_S * Sound.WORKING_RATE_HZ), Math.min(in.length - from,
                out.length - Math.max(0, late)));
        float[] dry = Arrays.copyOfRange(in, from, from + n);
        played.add(dry);
        wanted.add(Fingerprint.between(dry, Arrays.copyOfRange(out, from + late, from + late + n)));
    }

    private Block amp(double[] positions) {
        Block out = Block.of(voicing);
        for (Map.Entry<String, Double> f : fixed.entrySet()) out = out.with(f.getKey(), f.getValue());
        for (int k = 0; k < positions.length; k++) out = out.with(taught.get(k), positions[k]);
        return out;
    }

    private Fingerprint heard(int recording, double[] positions) {
        return heard(recording, amp(positions));
    }

    private Fingerprint heard(int recording, Block amp) {
        List<Block> blocks = new ArrayList<>(List.of(amp));
        blocks.addAll(loudspeaker);
        float[] dry = played.get(recording);
        return Fingerprint.between(dry, Renderer.renderMono(new Tone("learning", blocks), dry, Quality.DRAFT));
    }

    private double[] apart(ExecutorService workers) {
        List<Callable<Double>> work = new ArrayList<>();
        for (int r = 0; r < at.length; r++) {
            int i = r;
            work.add(() -> wanted.get(i).distance(heard(i, at[i])));
        }
        return Parallel.all(work, workers).stream().mapToDouble(Double::doubleValue).toArray();
    }

    /** The curve that is left in all recordings: the mean of what differs. */
    private void left(ExecutorService workers) {
        List<Callable<Fingerprint>> work = new ArrayList<>();
        for (int r = 0; r < at.length; r++) {
            int i = r;
            work.add(() -> heard(i, at[i]));
        }
        List<Fingerprint> now = Parallel.all(work, workers);
        double[] mean = new double[left.length];
        for (int r = 0; r < at.length; r++)
            for (int b = 0; b < mean.length; b++)
                mean[b] += (wanted.get(r).colourDb()[b] - now.get(r).colourDb()[b]) / at.length;
        for (int b = 0; b < mean.length; b++) mean[b] = Math.clamp(mean[b], -MOST_DB, MOST_DB);
        left = mean;
    }

    /** One step up or down of every control of every recording, where it comes nearer. */
    private void turn(double step, ExecutorService workers) {
        List<Callable<double[]>> work = new ArrayList<>();
        for (int r = 0; r < at.length; r++) {
            int i = r;
            work.add(() -> turned(i, step));
        }
        List<double[]> found = Parallel.all(work, workers);
        for (int r = 0; r < at.length; r++) at[r] = found.get(r);
    }

    private double[] turned(int r, double step) {
        double[] best = at[r].clone();
        double score = score(r, best);
        for (int k = 0; k < best.length; k++) {
            for (double move : new double[]{step, -step}) {
                double[] tried = best.clone();
                tried[k] = Math.clamp(tried[k] + move, 0, 10);
                double s = score(r, tried);
                if (s >= score) continue;
                score = s;
                best = tried;
                break;
            }
        }
        return best;
    }

    private double score(int r, double[] positions) {
        double d = wanted.get(r).less(left).distance(heard(r, positions));
        double strays = 0;
        for (int k = 0; k < positions.length; k++) strays += Math.pow((positions[k] - first[r][k]) / STRAYS, 2);
        return Math.sqrt(d * d + strays);
    }

    private Learnt learnt(String name, double[] before, ExecutorService workers) {
        Map<String, Turning> turnings = new LinkedHashMap<>();
        Map<String, Unit.Reach> reaches = new LinkedHashMap<>();
        for (int k = 0; k < taught.size(); k++) {
            Turning turn = turning(k);
            turnings.put(taught.get(k), turn);
            double low = turn.places().getFirst().device();
            double high = turn.places().getLast().device();
            reaches.put(taught.get(k), new Unit.Reach(turn.model(Math.max(0, low - BEYOND)),
                    turn.model(Math.min(10, high + BEYOND))));
        }
        fixed.forEach((control, value) -> reaches.put(control, Unit.Reach.fixed(value)));
        for (int r = 0; r < at.length; r++)
            for (int k = 0; k < taught.size(); k++)
                at[r][k] = turnings.getOrDefault(taught.get(k), Turning.same())
                        .model(recordings.get(r).positions().getOrDefault(taught.get(k), 5.0));
        left(workers);
        Unit unit = Unit.of(name, voicing, reaches, thirds(left)).turning(turnings);
        List<Callable<Double>> work = new ArrayList<>();
        for (int r = 0; r < at.length; r++) {
            int i = r;
            Block amp = Block.of(unit.model());
            for (int k = 0; k < taught.size(); k++) amp = amp.with(taught.get(k), at[i][k]);
            Block set = amp;
            work.add(() -> wanted.get(i).distance(heard(i, set)));
        }
        return new Learnt(unit, loudspeaker,
                Parallel.all(work, workers).stream().mapToDouble(Double::doubleValue).toArray(),
                before);
    }

    /** Where the model must stand for each position that was recorded, the mean of those recorded alike. */
    private Turning turning(int k) {
        Map<Double, List<Double>> seen = new TreeMap<>();
        for (int r = 0; r < at.length; r++)
            seen.computeIfAbsent(recordings.get(r).positions().getOrDefault(taught.get(k), 5.0), _ -> new ArrayList<>())
                    .add(at[r][k]);
        return new Turning(seen.entrySet().stream().map(e -> new Turning.Place(e.getKey(),
                hundredth(e.getValue().stream().mapToDouble(Double::doubleValue).average().orElseThrow()))).toList());
    }

    /** A curve by sixth octave at the third octaves in which a learnt amp keeps it. */
    private static List<Double> thirds(double[] sixths) {
        double[] hz = Fingerprint.centresHz();
        return Voice.Learnt.CENTRES_HZ.stream().map(c -> {
            int nearest = IntStream.range(0, hz.length).boxed()
                    .min(java.util.Comparator.comparingDouble(i -> Math.abs(Math.log(hz[i] / c)))).orElseThrow();
            return hundredth(sixths[nearest]);
        }).toList();
    }

    private static double hundredth(double v) {
        return Math.round(v * 100) / 100.0;
    }
}
