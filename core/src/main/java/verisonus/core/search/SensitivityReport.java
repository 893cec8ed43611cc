package verisonus.core.search;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.concurrent.Callable;
import java.util.concurrent.ExecutorService;
import java.util.function.DoubleFunction;
import verisonus.core.compare.GapAttribute;
import verisonus.core.compare.JndScale;
import verisonus.core.rig.Block;
import verisonus.core.rig.Control;
import verisonus.core.rig.ControlNames;
import verisonus.core.rig.ControlPlace;
import verisonus.core.rig.GearKind;
import verisonus.core.rig.Tone;
import verisonus.core.search.colour.Features;
import verisonus.core.simulate.AfterClipping;
import verisonus.core.simulate.stages.Quality;
import verisonus.core.work.Parallel;

/**
 * How far each control can move, alone, before the change counts as heard, until |change| = 1 with
 * |change|² = (colour, dB RMS)² + (envelope / 1.5 dB)²; and which pairs can be traded for each other.
 */
final class SensitivityReport {
    private static final List<String> PARTS = GapAttribute.BANDS.stream().map(GapAttribute::playersWords).toList();
    private static final double CLOSE = 0.45;
    private static final int MOST_TIES = 5;
    private static final int ROUNDS = 3;
    private static final double LEAST_REACH = 0.02;

    private final Objective objective;
    private final ExecutorService workers;
    private final double[] weight;

    SensitivityReport(Objective objective, ExecutorService workers, double[] weight) {
        this.objective = objective;
        this.workers = workers;
        this.weight = weight;
    }

    record Found(List<Tolerance> tolerances, List<ControlTrade> ties) {}

    /** A change per step of the control's track, every entry in just-noticeable differences; squares add up. */
    private record Change(double[] colour, float[] motion) {
        double size() {
            return Math.sqrt(dot(this));
        }

        double dot(Change o) {
            double sum = 0;
            for (int i = 0; i < colour.length; i++) sum += colour[i] * o.colour[i];
            for (int i = 0; i < Math.min(motion.length, o.motion.length); i++) sum += motion[i] * o.motion[i];
            return sum;
        }
    }

    private record Reach(double low, double high, String why, Change perStep) {}

    Found of(Objective.Point point, Tone tone) {
        List<Reach> knobs = knobs(point);
        List<ControlPlace> searched = point.knobs().places();
        List<Tolerance> out = new ArrayList<>();
        Map<ControlPlace, Change> changes = new LinkedHashMap<>();
        for (Block block : tone.blocks()) {
            if (!block.on()) continue;
            for (Control c : block.model().turnable()) {
                ControlPlace place = ControlPlace.of(block, c.name());
                int index = searched.indexOf(place);
                if (index >= 0) {
                    Reach r = knobs.get(index);
                    changes.put(place, r.perStep);
                    out.add(new Tolerance(block.id(), c.name(), block.get(c.name()), c.valueAt(r.low / 10),
                            c.valueAt(r.high / 10), r.why));
                } else if (!c.isChoice() && mentioned(block, c)) {
                    linear(block, c, changes, out);
                }
            }
        }
        return new Found(out, ties(changes));
    }

    private static boolean mentioned(Block block, Control c) {
        return block.settings().containsKey(c.name()) && !c.name().equals(ControlNames.LEVEL);
    }

    private List<Reach> knobs(Objective.Point point) {
        Features base = objective.at(point.knobs(), point.curve(), Quality.DRAFT).heard().features();
        List<Callable<Reach>> work = new ArrayList<>();
        for (int i = 0; i < point.knobs().count(); i++) {
            int index = i;
            work.add(() -> reach(point, index, base));
        }
        return Parallel.all(work, workers);
    }

    private Reach reach(Objective.Point point, int index, Features base) {
        double value = point.knobs().values()[index];
        DoubleFunction<Change> changed = v -> change(base,
                objective.at(point.knobs().moved(index, v), point.curve(), Quality.DRAFT).heard().features());
        double step = value > 5 ? -0.5 : 0.5;
        Change near = changed.apply(value + step);
        Change perStep = scaled(near, 1 / step);
        double slope = Math.max(1e-3, perStep.size());
        return new Reach(edge(value, -1, slope, changed), edge(value, 1, slope, changed), why(near), perStep);
    }

    /** Where the change is one just-noticeable difference on one side: a guess from the slope, mended by renders. */
    private static double edge(double value, int side, double slope, DoubleFunction<Change> changed) {
        double room = side < 0 ? value : 10 - value;
        double far = Math.min(room, 1 / slope);
        for (int round = 0; round < ROUNDS && far > LEAST_REACH; round++) {
            double there = changed.apply(value + side * far).size();
            if (there < 1 && far >= room) break;
            if (Math.abs(there - 1) < 0.1) break;
            far = Math.min(room, Math.max(LEAST_REACH, far * Math.clamp(1 / Math.max(1e-3, there), 0.3, 3)));
        }
        return value + side * far;
    }

    private static Change scaled(Change c, double by) {
        double[] colour = c.colour.clone();
        float[] motion = c.motion.clone();
        for (int i = 0; i < colour.length; i++) colour[i] *= by;
        for (int i = 0; i < motion.length; i++) motion[i] *= (float) by;
        return new Change(colour, motion);
    }

    private Change change(Features base, Features moved) {
        double[] d = new double[base.levelDb().length];
        for (int b = 0; b < d.length; b++) d[b] = moved.levelDb()[b] - base.levelDb()[b];
        int frames = base.envelopeDb().length;
        int bands = Features.ENVELOPE_BANDS.count();
        float[] motion = new float[frames * bands];
        float unit = (float) (JndScale.SPREAD_DB * Math.sqrt(Math.max(1, motion.length)));
        for (int t = 0; t < frames; t++) {
            for (int b = 0; b < bands; b++)
                motion[t * bands + b] = (moved.envelopeDb()[t][b] - base.envelopeDb()[t][b]) / unit;
        }
        return new Change(weighted(d), motion);
    }

    /** Weighted so that squares add to the mean square over trusted bands, loudness taken out. */
    private double[] weighted(double[] d) {
        double mean = 0;
        double total = 0;
        for (int b = 0; b < d.length; b++) {
            mean += weight[b] * d[b];
            total += weight[b];
        }
        double[] out = new double[d.length];
        for (int b = 0; b < d.length; b++) out[b] = Math.sqrt(weight[b] / total) * (d[b] - mean / total);
        return out;
    }

    /** What a musician hears of it first. */
    private String why(Change c) {
        double colour = 0;
        double motion = 0;
        for (double v : c.colour) colour += v * v;
        for (float v : c.motion) motion += v * v;
        return motion > colour ? "touch" : strongest(c.colour);
    }

    /** The part of the sound that changes most: bands of the ledger, in words. */
    private static String strongest(double[] d) {
        double[] hz = Features.LEVEL_BANDS.centresHz();
        double[] sum = new double[GapAttribute.BANDS.size()];
        int[] count = new int[sum.length];
        for (int b = 0; b < d.length; b++) {
            int g = group(hz[b]);
            sum[g] += d[b] * d[b];
            count[g]++;
        }
        int best = 0;
        for (int g = 1; g < sum.length; g++)
            if (sum[g] / Math.max(1, count[g]) > sum[best] / Math.max(1, count[best])) best = g;
        return PARTS.get(best);
    }

    private static int group(double hz) {
        int g = 0;
        while (g < GapAttribute.BANDS.size() - 1 && hz >= GapAttribute.BANDS.get(g).toHz()) g++;
        return g;
    }

    /** Controls after the last clipper are curves: nothing is rendered. */
    private void linear(Block block, Control c, Map<ControlPlace, Change> changes, List<Tolerance> out) {
        double value = block.get(c.name());
        if (block.model().kind() == GearKind.ECHO) {
            out.add(echo(block, c));
            return;
        }
        if (block.model().kind() == GearKind.MODULATION || block.model().kind() == GearKind.REVERB
                || block.model().kind() == GearKind.GATE) {
            out.add(measured(block, c));
            return;
        }
        double position = c.position(value);
        DoubleFunction<Change> changed = p -> curveChange(block, block.with(c.name(), c.valueAt(p)));
        double step = position > 0.5 ? -0.05 : 0.05;
        Change perStep = scaled(changed.apply(position + step), 0.1 / step);
        changes.put(ControlPlace.of(block, c.name()), perStep);
        out.add(new Tolerance(block.id(), c.name(), value, c.valueAt(edgeOfCurve(position, -1, changed)),
                c.valueAt(edgeOfCurve(position, 1, changed)), strongest(perStep.colour)));
    }

    private static double edgeOfCurve(double position, int side, DoubleFunction<Change> changed) {
        double room = side < 0 ? position : 1 - position;
        if (changed.apply(position + side * room).size() < 1) return position + side * room;
        double near = 0;
        double far = room;
        for (int i = 0; i < 12; i++) {
            double middle = 0.5 * (near + far);
            if (changed.apply(position + side * middle).size() < 1) {
                near = middle;
            } else {
                far = middle;
            }
        }
        return position + side * near;
    }

    private Change curveChange(Block from, Block to) {
        double[] hz = Features.LEVEL_BANDS.centresHz();
        double[] d = new double[hz.length];
        for (int b = 0; b < d.length; b++) d[b] = AfterClipping.gainDb(to, hz[b]) - AfterClipping.gainDb(from, hz[b]);
        return new Change(weighted(d), new float[0]);
    }

    private static List<ControlTrade> ties(Map<ControlPlace, Change> changes) {
        List<ControlTrade> out = new ArrayList<>();
        List<ControlPlace> places = List.copyOf(changes.keySet());
        for (int i = 0; i < places.size(); i++) {
            for (int j = i + 1; j < places.size(); j++) {
                Change a = changes.getOrDefault(places.get(i), new Change(new double[0], new float[0]));
                Change b = changes.getOrDefault(places.get(j), a);
                double sizes = a.size() * b.size();
                if (sizes < 1e-6 || a.size() < 0.03 || b.size() < 0.03) continue;
                double cosine = a.dot(b) / sizes;
                double left = Math.sqrt(Math.max(0, 1 - cosine * cosine));
                if (left < CLOSE)
                    out.add(new ControlTrade(places.get(i), places.get(j), cosine > 0, a.size() / b.size(), left));
            }
        }
        out.sort(Comparator.comparingDouble(ControlTrade::leftJnd));
        return out.stream().limit(MOST_TIES).toList();
    }

    private static Tolerance echo(Block block, Control c) {
        double value = block.get(c.name());
        double reach = switch (c.name()) {
            case ControlNames.TIME -> JndScale.echoTimeMs(value);
            case ControlNames.FEEDBACK -> JndScale.FEEDBACK_POINTS;
            default -> JndScale.mixPoints(value);
        };
        return new Tolerance(block.id(), c.name(), value, c.clamp(value - reach), c.clamp(value + reach),
                "echo");
    }

    /** What was read off the recording moves by what is heard, or by how roughly it was read. */
    private static Tolerance measured(Block block, Control c) {
        double value = block.get(c.name());
        double reach = switch (c.name()) {
            case ControlNames.RATE -> JndScale.movementHz(value);
            case ControlNames.DECAY -> JndScale.decayS(value);
            case ControlNames.DEPTH -> JndScale.DEPTH_POINTS;
            case ControlNames.PRE_DELAY -> JndScale.PRE_DELAY_MS;
            case ControlNames.MIX -> JndScale.mixPoints(value);
            default -> 0.1 * (c.maximum() - c.minimum());
        };
        String why = switch (block.model().kind()) {
            case MODULATION -> "movement";
            case REVERB -> "space";
            default -> "pauses";
        };
        return new Tolerance(block.id(), c.name(), value, c.clamp(value - reach), c.clamp(value + reach), why);
    }
}
