package verisonus.bench.ears;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Random;
import java.util.Set;
import verisonus.core.compare.GapAttribute;
import verisonus.core.trial.blind.StoppingRule;
import verisonus.core.trial.rate.Picking;
import verisonus.core.trial.rate.RatingResult;
import verisonus.core.trial.rate.RatingTrial;
import verisonus.core.trial.step.OwnSteps;
import verisonus.core.trial.step.StepSearch;
import verisonus.core.trial.step.ToldApart;
import verisonus.core.trial.train.Lesson;
import verisonus.core.trial.train.Skill;

/** How well answers by ear are judged, with listeners whose ears are known. */
final class TrialReport {
    private static final int LISTENERS = 100_000;

    private TrialReport() {}

    /** @param args which figures; all without */
    public static void main(String[] args) {
        Set<String> only = Set.of(args);
        part(only, "sequential", TrialReport::sequential);
        part(only, "steps", TrialReport::steps);
        part(only, "own", TrialReport::own);
        part(only, "rating", TrialReport::rating);
        part(only, "picking", TrialReport::picking);
        part(only, "lesson", TrialReport::lesson);
    }

    static void part(Set<String> only, String name, Runnable figures) {
        if (!only.isEmpty() && !only.contains(name)) return;
        long started = System.nanoTime();
        figures.run();
        System.out.printf(Locale.ROOT, "  (%s: %.1f s)%n", name, (System.nanoTime() - started) / 1e9);
    }

    private static void sequential() {
        for (int most : new int[]{12, 20, 30, 60, 100}) {
            Random random = new Random(most);
            double[] said = new double[2];
            double answers = 0;
            double[] knows = {0.5, 0.75};
            for (int k = 0; k < 2; k++) {
                for (int i = 0; i < LISTENERS; i++) {
                    StoppingRule rule = new StoppingRule(most, true);
                    int right = 0;
                    int of = 0;
                    Optional<Boolean> told = Optional.empty();
                    while (told.isEmpty()) {
                        if (random.nextDouble() < knows[k]) right++;
                        of++;
                        told = rule.decided(right, of);
                    }
                    if (told.get()) said[k]++;
                    if (k == 0) answers += of;
                }
            }
            System.out.printf(Locale.ROOT,
                    "sequential, at most %d: one who guesses is said to tell %.2f %%, one who tells"
                            + " three of four is missed %.2f %%; %.1f answers on average%n",
                    most, 100 * said[0] / LISTENERS,
                    100 - 100 * said[1] / LISTENERS, answers / LISTENERS);
        }
    }

    private static void steps() {
        Random random = new Random(5);
        List<Double> off = new ArrayList<>();
        double bias = 0;
        double count = 0;
        int n = 400;
        for (int i = 0; i < n; i++) {
            double step = Math.exp(Math.log(0.3) + random.nextDouble() * Math.log(10));
            SimulatedListener listener = new SimulatedListener(step, random);
            StepSearch s = StepSearch.begin(0.1, 12);
            while (!s.isEnded()) s = s.answered(s.next(), listener.tells(s.next()));
            double log = Math.log(s.step() / step);
            bias += log / n;
            count += s.answers().size() / (double) n;
            off.add(Math.abs(Math.exp(log) - 1));
        }
        off.sort(null);
        long within = off.stream().filter(v -> v <= 0.15).count();
        System.out.printf(Locale.ROOT,
                "own step by search, %d listeners of another law: bias %.1f %%, median off %.1f %%,"
                        + " nine of ten within %.0f %%, within 15 %%: %.0f %%; %.0f answers%n",
                n, 100 * (Math.exp(bias) - 1),
                100 * off.get(n / 2), 100 * off.get(9 * n / 10), 100.0 * within / n, count);
    }

    private static void own() {
        Random random = new Random(6);
        int right = 0;
        int verdicts = 0;
        List<Double> off = new ArrayList<>();
        for (int i = 0; i < 400; i++) {
            double factor = Math.exp(0.5 * random.nextGaussian());
            SimulatedListener listener = new SimulatedListener(factor, random);
            List<ToldApart> told = new ArrayList<>();
            for (int t = 0; t < 8; t++) {
                double jnd = 0.4 + 2.4 * random.nextDouble();
                int r = 0;
                for (int k = 0; k < 16; k++) if (listener.tells(jnd)) r++;
                told.add(new ToldApart(GapAttribute.BITE, jnd, r, 16));
            }
            double found = OwnSteps.of(told).find(GapAttribute.BITE).orElseThrow().factor();
            off.add(Math.abs(found / factor - 1));
            // A verdict: would this listener tell a difference of one standard step three times of four?
            if (Math.abs(Math.log(factor)) < 0.1) continue;
            verdicts++;
            if (found < 1 == factor < 1) right++;
        }
        off.sort(null);
        System.out.printf(Locale.ROOT,
                "own steps from eight blind trials of 16: median off %.1f %%, within 15 %%: %.0f %%;"
                        + " hears better or worse than usual, said right: %d of %d%n",
                100 * off.get(off.size() / 2),
                100.0 * off.stream().filter(v -> v <= 0.15).count() / off.size(), right, verdicts);
    }

    private static void rating() {
        Random random = new Random(7);
        int covered = 0;
        int rows = 0;
        int falsely = 0;
        int found = 0;
        int equal = 0;
        int apart = 0;
        for (int i = 0; i < 1000; i++) {
            double[] truth = {100, 15, 70, 70, 55, 35};
            RatingTrial t = RatingTrial.begin(List.of("a", "b", "c", "d"), 4, i);
            while (!t.isEnded()) {
                List<Integer> given = new ArrayList<>();
                for (int s : t.order(t.given().size()))
                    given.add((int) Math.clamp(Math.round(truth[s] + (s == 0
                            ? -Math.abs(3 * random.nextGaussian())
                            : 7 * random.nextGaussian())), 0, 100));
                t = t.rated(given);
            }
            RatingResult r = RatingResult.of(t);
            for (RatingResult.Row row : r.rows()) {
                int at = List.of("a", "b", "c", "d").indexOf(row.name());
                if (at < 0) continue;
                rows++;
                if (row.low() <= truth[at + 2] && row.high() >= truth[at + 2]) covered++;
            }
            equal++;
            if (!r.notToldApart().contains(new RatingResult.Pair("a", "b"))) falsely++;
            apart++;
            if (!r.notToldApart().contains(new RatingResult.Pair("a", "d"))) found++;
        }
        System.out.printf(Locale.ROOT,
                "rating, four rounds, spread 7 points: intervals hold the truth %.1f %%; equal ones"
                        + " said to differ %d of %d; 35 points apart told %d of %d%n",
                100.0 * covered / rows, falsely, equal,
                found, apart);
    }

    private static void picking() {
        Random random = new Random(8);
        int best = 0;
        int both = 0;
        double answers = 0;
        int n = 500;
        for (int i = 0; i < n; i++) {
            double[] likes = new double[5];
            for (int k = 0; k < likes.length; k++) likes[k] = 1.5 * random.nextGaussian();
            List<Picking.Measured> all = new ArrayList<>();
            double[] value = new double[16];
            for (int c = 0; c < 16; c++) {
                double[] x = new double[5];
                for (int k = 0; k < 5; k++) {
                    x[k] = random.nextGaussian();
                    value[c] += likes[k] * x[k];
                }
                all.add(new Picking.Measured("c" + c, x));
            }
            Picking p = Picking.begin(all, List.of("1", "2", "3", "4", "5"), i);
            while (!p.isEnded()) {
                int c = p.next();
                p = p.answered(c, random.nextDouble() < 1 / (1 + Math.exp(-1.5 * value[c])));
            }
            answers += p.said().size() / (double) n;
            Integer[] order = new Integer[16];
            for (int c = 0; c < 16; c++) order[c] = c;
            Arrays.sort(order, (a, b) -> Double.compare(value[b], value[a]));
            Set<Integer> quarter = Set.of(order[0], order[1], order[2], order[3]);
            List<Integer> two = p.order().subList(0, 2);
            if (two.contains(order[0])) best++;
            if (quarter.containsAll(two)) both++;
        }
        System.out.printf(Locale.ROOT,
                "picking among 16, %.0f answers: the best among the two %.0f %% (by chance 12 %%),"
                        + " both of the best quarter %.0f %% (by chance 5 %%)%n",
                answers, 100.0 * best / n, 100.0 * both / n);
    }

    private static void lesson() {
        Random random = new Random(9);
        List<Double> last = new ArrayList<>();
        int right = 0;
        int asked = 0;
        for (int i = 0; i < 200; i++) {
            Lesson l = new Lesson(MadeRigs.tone(i), List.of(Skill.BAND), List.of(), i);
            double step = 2.5;
            double sum = 0;
            for (int q = 0; q < 60; q++) {
                double p = 0.25 + 0.75 * (1 - Math.exp(-Math.pow(l.exercise().size() / step, 2)));
                boolean is = random.nextDouble() < p;
                if (q >= 30) {
                    asked++;
                    if (is) right++;
                    sum += l.size(Skill.BAND) / 30;
                }
                int rightAnswer = l.exercise().right();
                l.answer(is ? rightAnswer : (rightAnswer + 1) % 4);
            }
            last.add(sum);
        }
        last.sort(null);
        System.out.printf(Locale.ROOT,
                "training: difficulty settles where %.0f %% are right (missed ones come back, as large"
                        + " as they were); sizes 1.9 to 3.5 dB hold %.0f %% of lessons for a listener who needs about 2.5%n",
                100.0
                        * right / asked,
                100.0 * last.stream().filter(v -> v > 1.9 && v < 3.5).count() / last.size());
    }
}
