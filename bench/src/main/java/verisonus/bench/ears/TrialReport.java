package verisonus.bench.ears;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Random;
import java.util.Set;
import verisonus.core.compare.GapAttribute;
import verisonus.core.compare.HeardChange;
import verisonus.core.rig.Block;
import verisonus.core.rig.Control;
import verisonus.core.rig.ControlPlace;
import verisonus.core.rig.GearKind;
import verisonus.core.rig.Model;
import verisonus.core.rig.Rig;
import verisonus.core.rig.Tone;
import verisonus.core.rig.Voice;
import verisonus.core.simulate.Renderer;
import verisonus.core.simulate.stages.Quality;
import verisonus.core.sound.Biquad;
import verisonus.core.sound.LoudnessMeter;
import verisonus.core.sound.Sound;
import verisonus.core.travel.MonoLoss;
import verisonus.core.travel.NamedBand;
import verisonus.core.trial.Candidate;
import verisonus.core.trial.MatchedSounds;
import verisonus.core.trial.blind.StoppingRule;
import verisonus.core.trial.layers.LayerMasking;
import verisonus.core.trial.layers.SecondChain;
import verisonus.core.trial.layers.TakesApart;
import verisonus.core.trial.open.Bed;
import verisonus.core.trial.rate.Picking;
import verisonus.core.trial.rate.RatingResult;
import verisonus.core.trial.rate.RatingTrial;
import verisonus.core.trial.setup.Nudge;
import verisonus.core.trial.step.OwnSteps;
import verisonus.core.trial.step.StepSearch;
import verisonus.core.trial.step.ToldApart;
import verisonus.core.trial.train.Lesson;
import verisonus.core.trial.train.Skill;
import verisonus.core.work.InputFault;
import verisonus.core.work.Progress;
import verisonus.demo.Takes;

/** Figures of everything that is answered by ear: each with listeners, mixes and rigs whose truth is known. */
final class TrialReport {
    private static final int LISTENERS = 100_000;

    private TrialReport() {}

    public static void main(String[] args) {
        Set<String> only = Set.of(args);
        part(only, "loudness", TrialReport::loudness);
        part(only, "sequential", TrialReport::sequential);
        part(only, "steps", TrialReport::steps);
        part(only, "own", TrialReport::own);
        part(only, "rating", TrialReport::rating);
        part(only, "picking", TrialReport::picking);
        part(only, "lesson", TrialReport::lesson);
        part(only, "masking", TrialReport::masking);
        part(only, "takes", TrialReport::takes);
        part(only, "second", TrialReport::secondChain);
        part(only, "nudge", TrialReport::nudge);
        part(only, "long", TrialReport::longSong);
    }

    private static void part(Set<String> only, String name, Runnable figures) {
        if (!only.isEmpty() && !only.contains(name)) return;
        long started = System.nanoTime();
        figures.run();
        System.out.printf(Locale.ROOT, "  (%s: %.1f s)%n", name, (System.nanoTime() - started) / 1e9);
    }

    private static Tone tone(int n) {
        List<Block> blocks = new ArrayList<>();
        for (GearKind k : List.of(GearKind.AMP, GearKind.CABINET, GearKind.MICROPHONE)) {
            List<Model> all = Rig.everything().owned(k).stream()
                    .filter(m -> m.voice() != Voice.Cabinet.IMPULSE_RESPONSE).toList();
            blocks.add(Block.of(all.get(n % all.size()).name()));
        }
        return new Tone("tone " + n, blocks);
    }

    private static Sound take(int n, int hand, double seconds) {
        Takes.Style[] styles = Takes.Style.values();
        return Takes.performed(styles[n % styles.length], 300 + n, hand, Takes.Guitar.SINGLE_COIL, seconds).sound();
    }

    private static Sound played(Tone t, Sound di) {
        return Renderer.render(t, di, Quality.FINAL, Progress.NONE);
    }

    private static void loudness() {
        double worst = 0;
        for (int n = 0; n < 20; n++) {
            Sound a = played(tone(n), take(n, 1, 6));
            Sound b = played(tone(n + 3), take(n, 2, 7)).gained(n % 7 * 4 - 12);
            MatchedSounds m = MatchedSounds.of(List.of(new Candidate("a", a), new Candidate("b", b)));
            worst = Math.max(worst, Math.abs(LoudnessMeter.integratedLufs(m.sound(0)).orElseThrow()
                    - LoudnessMeter.integratedLufs(m.sound(1)).orElseThrow()));
        }
        System.out.printf(Locale.ROOT, "loudness after matching, 20 pairs: worst %.3f LU%n", worst);
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
            Lesson l = new Lesson(tone(i), List.of(Skill.BAND), List.of(), i);
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

    private static void masking() {
        int found = 0;
        int right = 0;
        int made = 10;
        int extra = 0;
        double before = 0;
        double after = 0;
        for (int n = 0; n < made; n++) {
            NamedBand covered = List.of(NamedBand.LOWS, NamedBand.LOW_MIDS, NamedBand.MIDS, NamedBand.UPPER_MIDS,
                    NamedBand.PRESENCE).get(n % 5);
            Sound voice = banded(played(tone(n), take(n, 1, 8)), covered, 8);
            // The other part is strong only where the first one shall be covered.
            Sound hider = banded(noise(n, 8), covered, 24);
            double lead = LoudnessMeter.integratedLufs(voice).orElseThrow();
            hider = hider.gained(lead + 8 - LoudnessMeter.integratedLufs(hider).orElseThrow());
            List<LayerMasking> all = LayerMasking.of(List.of(new Candidate("voice", voice), new Candidate("guitar",
                    hider)));
            Optional<LayerMasking> hit = all.stream().filter(m -> m.hidden().equals("voice") && m.band() == covered)
                    .findFirst();
            if (hit.isPresent()) {
                found++;
                if (all.stream().filter(m -> m.hidden().equals("voice")).findFirst().equals(hit)) right++;
                before += hit.get().share();
                double yield = hit.get().yieldDb();
                Sound less = banded(hider, covered, -yield - 1);
                after += LayerMasking.of(List.of(new Candidate("voice", voice), new Candidate("guitar", less))).stream()
                        .filter(m -> m.hidden().equals("voice") && m.band() == covered).mapToDouble(LayerMasking::share)
                        .max().orElse(0);
            }
            extra += (int) all.stream().filter(m -> m.hidden().equals("voice") && m.band() != covered).count();
        }
        System.out.printf(Locale.ROOT,
                "masking: covered band found in %d of %d, the first named in %d, other bands named"
                        + " beside it %d; share hidden %.2f, after the hider yields as said %.2f%n",
                found, made, right, extra,
                before / Math.max(1, found), after / Math.max(1, found));
        int said = 0;
        for (int n = 0; n < made; n++) {
            Sound a = banded(played(tone(n), take(n, 1, 8)), NamedBand.LOWS, -12);
            Sound b = banded(noise(n, 8), NamedBand.LOWS, 30);
            b = b.gained(LoudnessMeter.integratedLufs(a).orElseThrow() - 20 - LoudnessMeter.integratedLufs(b)
                    .orElseThrow());
            said += (int) LayerMasking.of(List.of(new Candidate("voice", a), new Candidate("guitar", b))).stream()
                    .filter(m -> m.hidden().equals("voice")).count();
        }
        System.out.printf(Locale.ROOT, "masking where nothing is covered: %d bands named in %d mixes%n", said, made);
    }

    private static Sound noise(int seed, double seconds) {
        Random random = new Random(seed);
        float[] x = new float[(int) (seconds * Sound.WORKING_RATE_HZ)];
        double brown = 0;
        for (int i = 0; i < x.length; i++) {
            brown = 0.96 * brown + 0.04 * random.nextGaussian();
            x[i] = (float) (0.3 * brown);
        }
        return Sound.mono(x, Sound.WORKING_RATE_HZ);
    }

    private static Sound banded(Sound s, NamedBand band, double db) {
        Biquad peak = Biquad.peak(Math.sqrt(band.fromHz() * band.toHz()), db, 1.1, s.rateHz());
        float[] x = s.mid().clone();
        new Biquad.Section(peak).process(x, 0, x.length);
        return Sound.mono(x, s.rateHz());
    }

    private static void takes() {
        int copies = 0;
        int falsely = 0;
        double spread = 0;
        int found = 0;
        for (int n = 0; n < 10; n++) {
            Sound a = take(n, 1, 8);
            Sound b = take(n, 2, 8);
            try {
                TakesApart t = TakesApart.of(a, b);
                if (t.isCopy()) falsely++;
                spread += t.spreadMs();
                found++;
                float[] late = new float[a.frames()];
                System.arraycopy(a.mid(), 0, late, 480, a.frames() - 480);
                if (TakesApart.of(a, Sound.mono(late, a.rateHz())).isCopy()) copies++;
            } catch (InputFault e) {
                System.out.println("  " + n + ": " + e.getMessage());
            }
        }
        System.out
                .printf(Locale.ROOT,
                        "takes: copies moved by 10 ms called copies %d of %d, second takes called copies %d;"
                                + " spread of the made hands %.1f ms%n",
                        copies, found, falsely, spread / Math.max(1, found));
    }

    private static void secondChain() {
        int inside = 0;
        int none = 0;
        double seconds = 0;
        SecondChain.Limits limits = SecondChain.Limits.USUAL;
        for (int n = 0; n < 10; n++) {
            Tone t = tone(n);
            Sound a = take(n, 1, 8);
            Sound b = take(n, 2, 8);
            long started = System.nanoTime();
            List<SecondChain> all = SecondChain.of(t, Rig.everything(), a, Optional.of(b), limits, Progress.NONE);
            seconds += (System.nanoTime() - started) / 1e9 / 10;
            if (all.isEmpty()) {
                none++;
                continue;
            }
            SecondChain s = all.getFirst();
            Sound left = played(t, a);
            Sound same = played(s.tone(), a);
            double colour = HeardChange.between(HeardChange.Moments.of(left), HeardChange.Moments.of(same)).colourDb();
            Sound right = played(s.tone(), b).gained(s.gainDb());
            int frames = Math.min(left.frames(), right.frames());
            double mono = MonoLoss.of(Sound.stereo(left.withFrames(frames).mid(), right.withFrames(frames).mid(), left
                    .rateHz())).stream().mapToDouble(MonoLoss::changeDb).min().orElse(0);
            boolean is = colour > limits.nearestDb() - 0.3 && colour < limits.furthestDb() + 0.3;
            if (is) inside++;
            System.out.printf(Locale.ROOT, "  %s: %s; whole take at final quality: colour %.1f dB, mono %.1f dB%n", t
                    .name(), s.words(), colour, mono);
        }
        System.out.printf(Locale.ROOT,
                "second chain: inside its limits on the whole take %d of %d, none found %d; %.1f s%n",
                inside, 10 - none, none, seconds);
    }

    private static void nudge() {
        Random random = new Random(10);
        for (boolean same : new boolean[]{true, false}) {
            int found = 0;
            int asked = 0;
            double off = 0;
            double was = 0;
            double before = 0;
            double after = 0;
            double seconds = 0;
            for (int n = 0; n < 10; n++) {
                Tone t = tone(n);
                Block amp = t.blocks().getFirst();
                List<Control> all = amp.model().controls().stream().filter(c -> !c.isChoice() && !c.rare())
                        .filter(c -> Set.of("gain", "bass", "mid", "treble", "presence").contains(c.name())).toList();
                Control c = all.get(random.nextInt(all.size()));
                double at = c.position(amp.get(c.name()));
                double by = (at > 0.5 ? -1 : 1) * (0.2 + 0.25 * random.nextDouble());
                Tone real = t.with(amp.with(c.name(), c.valueAt(at + by)));
                Sound recorded = played(real, take(n, same ? 1 : 2, 8)).gained(-6);
                long started = System.nanoTime();
                Nudge g = Nudge.of(t, take(n, 1, 8), recorded, Progress.NONE);
                seconds += (System.nanoTime() - started) / 1e9 / 10;
                asked++;
                before += g.beforeJnd();
                after += g.afterJnd();
                was += Math.abs(by);
                Optional<Nudge.Turn> hit = g.turns().stream().limit(1)
                        .filter(x -> x.place().equals(ControlPlace.of(amp, c.name()))).findFirst();
                if (hit.isPresent()) {
                    found++;
                    off += Math.abs(c.position(hit.get().seemsAt()) - at - by);
                }
            }
            System.out.printf(Locale.ROOT,
                    "nudge, %s: the control set off named first %d of %d, its place off by %.3f of"
                            + " the track (set off by %.2f); %.2f JND before, %.2f after; %.1f s%n",
                    same ? "take sent through" : "played again", found, asked, off / Math.max(1, found), was / asked,
                    before / asked, after
                            / asked,
                    seconds);
        }
    }

    private static void longSong() {
        Sound phrase = played(tone(0), take(0, 1, 8));
        int frames = 600 * Sound.WORKING_RATE_HZ;
        float[] x = new float[frames];
        for (int i = 0; i < frames; i++) x[i] = phrase.mid()[i % phrase.frames()];
        Sound song = Sound.stereo(x, x.clone(), Sound.WORKING_RATE_HZ);
        System.gc();
        long memory = Runtime.getRuntime().totalMemory() - Runtime.getRuntime().freeMemory();
        long started = System.nanoTime();
        MatchedSounds m = MatchedSounds.of(List.of(new Candidate("record", song.slice(200, 212)), new Candidate("mine",
                played(tone(1), take(0, 1, 12)))));
        double begun = (System.nanoTime() - started) / 1e9;
        long now = Runtime.getRuntime().totalMemory() - Runtime.getRuntime().freeMemory();
        started = System.nanoTime();
        Sound bed = new Bed(120, 0).under(song);
        System.out.printf(Locale.ROOT,
                "a twelve-second region of a ten-minute song: trial begins after %.2f s, %.0f MB on top"
                        + " of the song; a bed under all of it %.1f s (%.0f s long), %d sounds%n",
                begun, (now - memory) / 1e6,
                (System.nanoTime() - started) / 1e9, bed.durationS(), m.candidates().size());
    }
}
