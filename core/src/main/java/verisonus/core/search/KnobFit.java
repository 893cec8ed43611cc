package verisonus.core.search;

import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.Callable;
import java.util.concurrent.ExecutorService;
import org.hipparchus.linear.Array2DRowRealMatrix;
import org.hipparchus.linear.ArrayRealVector;
import org.hipparchus.linear.LUDecomposition;
import org.hipparchus.linear.RealMatrix;
import verisonus.core.rig.ControlPlace;
import verisonus.core.rig.Locks;
import verisonus.core.simulate.stages.Quality;
import verisonus.core.work.Parallel;
import verisonus.core.work.Progress;

/**
 * Moves the knobs downhill: Levenberg-Marquardt with finite differences (D. W. Marquardt, SIAM J. Appl. Math. 1963). The
 * curve of the linear part is held within a Jacobian and chosen anew at every accepted point. Columns are independent
 * renders and run on the workers handed in.
 */
public final class KnobFit {
    private static final double STEP = 0.4;
    private static final double MOST_MOVE = 3;
    private static final double STOP_GAIN = 0.001;

    private final Objective objective;
    private final Locks locked;
    private final Reach reach;
    private final ExecutorService workers;
    private final Progress progress;

    /**
     * How far a knob is turned; one that stands further out already may stay there.
     *
     * @param most and {@code 10 − most} at the other end
     */
    record Reach(double most) {
        static final Reach WHOLE = new Reach(10);
        /** Where other playing is compared, what lies further out explains the playing. */
        static final Reach MODERATE = new Reach(8);

        private double held(double from, double to) {
            return Math.clamp(to, Math.min(from, 10 - most), Math.max(from, most));
        }
    }

    KnobFit(Objective objective, Locks locked, ExecutorService workers, Progress progress, Reach reach) {
        this.objective = objective;
        this.reach = reach;
        this.locked = locked;
        this.workers = workers;
        this.progress = progress;
    }

    Objective.Point improve(Objective.Point start, int iterations, Quality quality) {
        Objective.Point best = start;
        double damping = 0.01;
        for (int i = 0; i < iterations; i++) {
            if (progress.cancelled()) return best;
            double before = best.score();
            int[] free = freeKnobs(best.knobs());
            if (free.length == 0) return best;
            double[][] columns = jacobian(best, free, quality);
            boolean moved = false;
            for (int round = 0; round < 2 && !moved; round++) {
                Objective.Point tried = bestOfTwoSteps(best, free, columns, damping, quality);
                if (tried.score() < best.score()) {
                    best = tried;
                    damping = Math.max(1e-5, damping / 5);
                    moved = true;
                } else {
                    damping *= 36;
                }
            }
            if (!moved || before - best.score() < STOP_GAIN * before) return best;
        }
        return best;
    }

    /** A bold and a careful step, rendered side by side. */
    private Objective.Point bestOfTwoSteps(Objective.Point from, int[] free, double[][] columns, double damping,
            Quality quality) {
        List<Callable<Objective.Point>> steps = new ArrayList<>();
        for (double d : new double[]{damping, 6 * damping}) {
            steps.add(() -> objective.at(from.knobs().at(stepped(from, free, columns, d)), quality));
        }
        List<Objective.Point> points = Parallel.all(steps, workers);
        return points.get(0).score() <= points.get(1).score() ? points.get(0) : points.get(1);
    }

    private int[] freeKnobs(Knobs knobs) {
        List<ControlPlace> places = knobs.places();
        return java.util.stream.IntStream.range(0, knobs.count()).filter(i -> !locked.holds(places.get(i))).toArray();
    }

    private double[][] jacobian(Objective.Point at, int[] free, Quality quality) {
        List<Callable<double[]>> columns = new ArrayList<>();
        for (int index : free) {
            columns.add(() -> {
                double value = at.knobs().values()[index];
                double step = value > 5 ? -STEP : STEP;
                double[] r = objective.at(at.knobs().moved(index, value + step), at.curve(), quality).residuals();
                double[] column = new double[r.length];
                for (int i = 0; i < r.length; i++) column[i] = (r[i] - at.residuals()[i]) / step;
                return column;
            });
        }
        return Parallel.all(columns, workers).toArray(new double[0][]);
    }

    private double[] stepped(Objective.Point at, int[] free, double[][] columns, double damping) {
        int n = free.length;
        RealMatrix normal = new Array2DRowRealMatrix(n, n);
        double[] gradient = new double[n];
        for (int i = 0; i < n; i++) {
            for (int j = i; j < n; j++) {
                double v = dot(columns[i], columns[j]);
                normal.setEntry(i, j, v);
                normal.setEntry(j, i, v);
            }
            gradient[i] = -dot(columns[i], at.residuals());
        }
        double mean = normal.getTrace() / n;
        for (int i = 0; i < n; i++) normal.addToEntry(i, i, damping * (normal.getEntry(i, i) + 0.1 * mean) + 1e-9);
        double[] move = new LUDecomposition(normal).getSolver().solve(new ArrayRealVector(gradient, false)).toArray();
        double[] values = at.knobs().values().clone();
        for (int i = 0; i < n; i++)
            values[free[i]] = reach.held(values[free[i]],
                    values[free[i]] + Math.clamp(move[i], -MOST_MOVE, MOST_MOVE));
        return values;
    }

    private static double dot(double[] a, double[] b) {
        double sum = 0;
        for (int i = 0; i < a.length; i++) sum += a[i] * b[i];
        return sum;
    }
}
