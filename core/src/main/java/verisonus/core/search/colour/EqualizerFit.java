package verisonus.core.search.colour;

import java.util.ArrayList;
import java.util.List;
import org.hipparchus.linear.Array2DRowRealMatrix;
import org.hipparchus.linear.ArrayRealVector;
import org.hipparchus.linear.LUDecomposition;
import org.hipparchus.linear.RealMatrix;
import verisonus.core.compare.GapAttribute;
import verisonus.core.compare.JndScale;
import verisonus.core.rig.Block;
import verisonus.core.rig.ControlNames;
import verisonus.core.simulate.EqualizerCurve;
import verisonus.core.sound.Biquad;

/**
 * Fits the equalizer to a wanted level curve: greedily up to four peaks and two shelves, each the one that takes most
 * error away, all gains refitted after each (orthogonal matching pursuit; Y. C. Pati, R. Rezaiifar, P. S. Krishnaprasad,
 * 1993), with a ridge so that a decibel must buy something.
 */
public final class EqualizerFit {
    private static final double RATE = 48000;
    private static final double MOST_DB = 12;
    private static final double WORTH_DB2 = 0.02;
    /** Less is not heard and not worth a control. */
    private static final double LEAST_DB = 0.3;
    /** A little over a sixth of an octave. */
    private static final double APART = 0.13;

    private static final double[] LOW_CUTS_HZ = {20, 60, 90, 130};
    private static final double[] HIGH_CUTS_HZ = {20000, 10000, 7500, 5500, 4200, 3200};
    /** Mean square that a cut must take away. */
    private static final double CUT_DB2 = 0.3;

    private enum Shape {
        LOW,
        PEAK,
        HIGH
    }

    private record Filter(Shape shape, double hz, double q) {
        double unitDb(double at) {
            return switch (shape) {
                case LOW -> Biquad.lowShelf(hz, 1, RATE).gainDbAt(at, RATE);
                case PEAK -> Biquad.peak(hz, 1, q, RATE).gainDbAt(at, RATE);
                case HIGH -> Biquad.highShelf(hz, 1, RATE).gainDbAt(at, RATE);
            };
        }
    }

    private static final int MOST_FILTERS = 6;
    private static final int FEW_FILTERS = 4;
    /** A filter whose absence changes no band of the ledger by more than this is dropped, JND. */
    private static final double UNHEARD = 0.5;

    private final double[] hz = Features.LEVEL_BANDS.centresHz();
    private final double[] weight;
    private final double ridge;
    private final boolean cutOnly;
    private final EmptyBands empty;
    private final int most;
    private final List<Boolean> raisable = new ArrayList<>();
    private final List<Filter> candidates = new ArrayList<>();
    private final List<double[]> shapes = new ArrayList<>();

    /**
     * @param broad only wide filters, for a wanted curve that is known roughly
     * @param empty where nothing is raised
     */
    public EqualizerFit(double[] weight, double ridge, boolean cutOnly, boolean broad, EmptyBands empty) {
        this(weight, ridge, cutOnly, broad, empty, MOST_FILTERS);
    }

    /** Four filters at the most, and none that is not heard: for a curve that was read through other hands and another guitar. */
    public static EqualizerFit ofFew(double[] weight, double ridge, boolean cutOnly, EmptyBands empty) {
        return new EqualizerFit(weight, ridge, cutOnly, false, empty, FEW_FILTERS);
    }

    private EqualizerFit(double[] weight, double ridge, boolean cutOnly, boolean broad, EmptyBands empty, int most) {
        this.most = most;
        this.empty = empty;
        double total = 0;
        for (double w : weight) total += w;
        this.weight = weight.clone();
        for (int b = 0; b < weight.length; b++) this.weight[b] /= total;
        this.ridge = ridge;
        this.cutOnly = cutOnly;
        for (double corner : new double[]{80, 120, 180, 260, 380}) add(new Filter(Shape.LOW, corner, 1));
        for (double corner : new double[]{1800, 2500, 3500, 5000, 7000}) add(new Filter(Shape.HIGH, corner, 1));
        for (double centre : hz) {
            for (double q : broad ? new double[]{0.5, 0.7} : new double[]{0.7, 1.4, 2.8})
                add(new Filter(Shape.PEAK, centre, q));
        }
    }

    private void add(Filter f) {
        candidates.add(f);
        raisable.add(!cutOnly && !empty.isLiftedBy(f::unitDb));
        double[] s = new double[hz.length];
        for (int b = 0; b < s.length; b++) s[b] = f.unitDb(hz[b]);
        shapes.add(centred(s));
    }

    private double[] centred(double[] v) {
        double mean = 0;
        for (int b = 0; b < v.length; b++) mean += weight[b] * v[b];
        double[] out = new double[v.length];
        for (int b = 0; b < v.length; b++) out[b] = v[b] - mean;
        return out;
    }

    private record Fitted(Block block, double error) {}

    /** The equalizer that comes nearest to this curve, dB by compared band; its loudness does not count. */
    public Block fit(double[] wanted) {
        Fitted best = filters(wanted);
        if (most != FEW_FILTERS) return best.block;
        // Where the ends of the spectrum are missing, a cut does what few filters cannot; each must be worth a control.
        for (double low : LOW_CUTS_HZ) {
            for (double high : HIGH_CUTS_HZ) {
                Block cuts = cut(low, high);
                double[] done = curve(cuts);
                double[] left = wanted.clone();
                for (int b = 0; b < left.length; b++) left[b] -= done[b];
                Fitted f = filters(left);
                double price = (low > LOW_CUTS_HZ[0] ? CUT_DB2 : 0) + (high < HIGH_CUTS_HZ[0] ? CUT_DB2 : 0);
                if (f.error + price < best.error)
                    best = new Fitted(f.block.with(ControlNames.LOW_CUT, low).with(ControlNames.HIGH_CUT, high),
                            f.error + price);
            }
        }
        return best.block;
    }

    private static Block cut(double lowHz, double highHz) {
        return Block.of("parametric equalizer").with(ControlNames.LOW_CUT, lowHz).with(ControlNames.HIGH_CUT, highHz);
    }

    private Fitted filters(double[] wanted) {
        double[] target = centred(wanted);
        List<Integer> chosen = new ArrayList<>();
        double[] gains = new double[0];
        double[] rest = target;
        double error = energy(rest);
        while (chosen.size() < most) {
            int next = best(rest, chosen);
            if (next < 0) break;
            chosen.add(next);
            double[] refitted = refit(target, chosen);
            double[] left = residual(target, chosen, refitted);
            if (error - energy(left) < WORTH_DB2) {
                chosen.remove(chosen.size() - 1);
                break;
            }
            gains = refitted;
            rest = left;
            error = energy(left);
        }
        double[] kept = most == FEW_FILTERS ? heardOnly(target, chosen, gains) : gains;
        return new Fitted(block(chosen, kept), energy(residual(target, chosen, kept)));
    }

    /** Drops the filter whose loss, the others fitted anew, is heard least, while that is not heard. */
    private double[] heardOnly(double[] target, List<Integer> chosen, double[] gains) {
        double[] now = gains;
        while (!chosen.isEmpty()) {
            int least = -1;
            double leastJnd = UNHEARD;
            double[] leastGains = now;
            for (int i = 0; i < chosen.size(); i++) {
                List<Integer> others = new ArrayList<>(chosen);
                others.remove(i);
                double[] refitted = others.isEmpty() ? new double[0] : refit(target, others);
                double jnd = jnd(residual(target, chosen, now), residual(target, others, refitted));
                if (jnd < leastJnd) {
                    leastJnd = jnd;
                    least = i;
                    leastGains = refitted;
                }
            }
            if (least < 0) break;
            chosen.remove(least);
            now = leastGains;
        }
        return now;
    }

    /** The largest change of a band of the ledger, JND. */
    private double jnd(double[] before, double[] after) {
        double most = 0;
        for (GapAttribute band : GapAttribute.BANDS) {
            double sum = 0;
            double total = 1e-9;
            for (int b = 0; b < hz.length; b++) {
                if (hz[b] < band.fromHz() || hz[b] >= band.toHz()) continue;
                sum += weight[b] * (after[b] - before[b]);
                total += weight[b];
            }
            most = Math.max(most, Math.abs(sum / total) / JndScale.bandDb(band.fromHz(), band.toHz()));
        }
        return most;
    }

    private int best(double[] rest, List<Integer> chosen) {
        int best = -1;
        double bestGain = 1e-6;
        for (int k = 0; k < candidates.size(); k++) {
            if (!allowed(candidates.get(k), chosen)) continue;
            double[] s = shapes.get(k);
            double dot = 0;
            double norm = ridge;
            for (int b = 0; b < rest.length; b++) {
                dot += weight[b] * s[b] * rest[b];
                norm += weight[b] * s[b] * s[b];
            }
            if (dot > 0 && !raisable.get(k)) continue;
            if (dot * dot / norm > bestGain) {
                bestGain = dot * dot / norm;
                best = k;
            }
        }
        return best;
    }

    private boolean allowed(Filter f, List<Integer> chosen) {
        List<Filter> same = chosen.stream().map(candidates::get).filter(k -> k.shape == f.shape).toList();
        // Two peaks in one place are one peak that is harder to set up.
        boolean apart = same.stream().allMatch(k -> Math.abs(Math.log(k.hz / f.hz)) > APART);
        return same.size() < (f.shape == Shape.PEAK ? 4 : 1) && apart;
    }

    private double[] refit(double[] target, List<Integer> chosen) {
        int n = chosen.size();
        RealMatrix normal = new Array2DRowRealMatrix(n, n);
        double[] right = new double[n];
        for (int i = 0; i < n; i++) {
            double[] si = shapes.get(chosen.get(i));
            for (int j = 0; j < n; j++) {
                double[] sj = shapes.get(chosen.get(j));
                double sum = i == j ? ridge : 0;
                for (int b = 0; b < target.length; b++) sum += weight[b] * si[b] * sj[b];
                normal.setEntry(i, j, sum);
            }
            for (int b = 0; b < target.length; b++) right[i] += weight[b] * si[b] * target[b];
        }
        double[] g = new LUDecomposition(normal).getSolver().solve(new ArrayRealVector(right, false)).toArray();
        for (int i = 0; i < n; i++)
            g[i] = Math.clamp(g[i], -MOST_DB, raisable.get(chosen.get(i)) ? MOST_DB : 0);
        return g;
    }

    private double[] residual(double[] target, List<Integer> chosen, double[] gains) {
        double[] out = target.clone();
        for (int i = 0; i < gains.length; i++) {
            double[] s = shapes.get(chosen.get(i));
            for (int b = 0; b < out.length; b++) out[b] -= gains[i] * s[b];
        }
        return out;
    }

    private double energy(double[] v) {
        double sum = 0;
        for (int b = 0; b < v.length; b++) sum += weight[b] * v[b] * v[b];
        return sum;
    }

    private Block block(List<Integer> chosen, double[] gains) {
        Block eq = Block.of("parametric equalizer");
        int peak = 0;
        for (int i = 0; i < chosen.size(); i++) {
            Filter f = candidates.get(chosen.get(i));
            double gain = Math.rint(gains[i] * 10) / 10;
            if (Math.abs(gain) < LEAST_DB) continue;
            eq = switch (f.shape) {
                case LOW -> eq.with(ControlNames.LOW_CORNER, f.hz).with(ControlNames.LOW_SHELF, gain);
                case HIGH -> eq.with(ControlNames.HIGH_CORNER, f.hz).with(ControlNames.HIGH_SHELF, gain);
                case PEAK -> {
                    String name = ControlNames.peak(++peak);
                    yield eq.with(name, gain).with(name + " frequency", Math.rint(f.hz)).with(name + " width", f.q);
                }
            };
        }
        return eq;
    }

    /** What an equalizer does by compared band, dB. */
    public double[] curve(Block eq) {
        double[] out = new double[hz.length];
        for (int b = 0; b < out.length; b++) out[b] = EqualizerCurve.gainDb(eq, hz[b], RATE);
        return out;
    }
}
