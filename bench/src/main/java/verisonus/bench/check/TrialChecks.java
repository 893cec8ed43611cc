package verisonus.bench.check;

import java.util.List;
import java.util.Optional;
import java.util.SplittableRandom;
import verisonus.core.trial.blind.BinomialStatistics;
import verisonus.core.trial.blind.StoppingRule;
import verisonus.core.trial.step.StepSearch;

/** Odds and intervals of trials, and what a step search says of its own error. */
final class TrialChecks {
    private static final int LISTENERS = 400;
    private static final int LONGEST = 16;

    private TrialChecks() {}

    static List<Figure> all() {
        return List.of(chance(), sequential(), interval(), covered(0.6), covered(1), covered(2.2));
    }

    /** Pascal's triangle, term by term. */
    private static double pascal(int right, int of) {
        double[] row = {1};
        for (int n = 0; n < of; n++) {
            double[] next = new double[row.length + 1];
            for (int k = 0; k < row.length; k++) {
                next[k] += row[k] / 2;
                next[k + 1] += row[k] / 2;
            }
            row = next;
        }
        double sum = 0;
        for (int k = right; k <= of; k++) sum += row[k];
        return sum;
    }

    private static Figure chance() {
        Figure f = new Figure("trial: chance, fixed number", "Pascal's triangle", "", 1e-9);
        for (int of = 1; of <= 60; of++)
            for (int right = 0; right <= of; right++) f.add(BinomialStatistics.chance(right, of), pascal(right, of));
        return f;
    }

    private static Figure sequential() {
        Figure f = new Figure("trial: chance, sequential", "every way of guessing, walked", "", 1e-9);
        for (int most = 8; most <= LONGEST; most += 4) {
            StoppingRule rule = new StoppingRule(most, true);
            for (int of = 1; of <= most; of++) {
                for (int right = 0; right <= of; right++) {
                    if (ends(rule, right, of) && reached(rule, right, of) && rule.decided(right, of).orElseThrow())
                        f.add(rule.chance(right, of), walked(rule, right, of));
                }
            }
        }
        return f;
    }

    private static boolean ends(StoppingRule rule, int right, int of) {
        return rule.decided(right, of).isPresent();
    }

    /** Whether any order of answers comes there without ending before. */
    private static boolean reached(StoppingRule rule, int right, int of) {
        for (int way = 0; way < 1 << of; way++)
            if (Integer.bitCount(way) == right && first(rule, way, of) == of) return true;
        return false;
    }

    private static int first(StoppingRule rule, int way, int of) {
        int right = 0;
        for (int n = 1; n <= of; n++) {
            right += way >> (n - 1) & 1;
            if (ends(rule, right, n)) return n;
        }
        return of + 1;
    }

    private static double walked(StoppingRule rule, int wanted, int of) {
        long as = 0;
        for (int way = 0; way < 1 << of; way++) {
            int right = 0;
            for (int n = 1; n <= of; n++) {
                right += way >> (n - 1) & 1;
                Optional<Boolean> end = rule.decided(right, n);
                boolean last = n == of;
                if (end.isEmpty() && !last) continue;
                boolean sooner = end.isPresent() && end.get() && n < rule.most();
                if (sooner || last && n == rule.most() && right >= wanted) as++;
                break;
            }
        }
        return as / (double) (1L << of);
    }

    private static Figure interval() {
        Figure f = new Figure("trial: share of right answers, 95 %", "bisection on Pascal's triangle at p", "", 1e-6);
        for (int of : new int[]{5, 12, 16, 40}) {
            for (int right = 0; right <= of; right++) {
                double[] said = BinomialStatistics.interval(right, of, 0.95);
                int k = right;
                int n = of;
                f.add(said[0], right == 0 ? 0 : root(p -> tail(k, n, p) - 0.025));
                f.add(said[1], right == of ? 1 : root(p -> tail(k + 1, n, p) - 0.975));
            }
        }
        return f;
    }

    private static double tail(int from, int of, double p) {
        double sum = 0;
        for (int k = from; k <= of; k++) {
            double term = 1;
            for (int i = 0; i < k; i++) term *= (of - i) / (double) (i + 1) * p;
            sum += term * Math.pow(1 - p, of - k);
        }
        return sum;
    }

    private static double root(java.util.function.DoubleUnaryOperator rising) {
        double low = 0;
        double high = 1;
        for (int i = 0; i < 80; i++) {
            double middle = (low + high) / 2;
            if (rising.applyAsDouble(middle) < 0) low = middle;
            else high = middle;
        }
        return low;
    }

    /** Listeners whose answers turn right as steeply as this: how many steps lie within what is said, of 100; 68 is promised. */
    private static Figure covered(double steepness) {
        Figure f = new Figure("trial: own step within its factor, slope " + steepness,
                "simulated listeners, 68 promised",
                "of 100", 100);
        SplittableRandom random = new SplittableRandom(91);
        int held = 0;
        for (int i = 0; i < LISTENERS; i++) {
            double truth = 0.03 * Math.pow(8, random.nextDouble());
            StepSearch s = StepSearch.begin(0.01, 0.5);
            while (!s.isEnded()) {
                double step = s.next();
                s = s.answered(step, random.nextDouble() < right(step / truth, steepness));
            }
            if (Math.abs(Math.log(s.step() / truth)) <= Math.log(s.factor())) held++;
        }
        // Too few is wrong; more than promised is modest.
        f.add(Math.min(68, 100.0 * held / LISTENERS), 68);
        return f.allowing(8);
    }

    /** Φ by summing its density, with one slip in fifty. */
    private static double right(double steps, double steepness) {
        double z = 0.6744897501960817 * Math.pow(steps, steepness);
        double sum = 0.5;
        int n = 2000;
        for (int i = 0; i < n; i++) {
            double x = z * (i + 0.5) / n;
            sum += Math.exp(-x * x / 2) / Math.sqrt(2 * Math.PI) * z / n;
        }
        return 0.01 + 0.98 * Math.min(1, sum);
    }
}
