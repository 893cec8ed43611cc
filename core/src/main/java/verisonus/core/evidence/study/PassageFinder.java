package verisonus.core.evidence.study;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import verisonus.core.evidence.study.Passage.Purpose;
import verisonus.core.work.Figures;

/**
 * Where in a recording should one listen? Reads the {@link Course}: the guitar stands alone where {@link AloneBars} say
 * so for {@value #SHORTEST_CORE_S} s or more and notes begin; a clean tail follows the guitar's last note and falls without another; noise is heard
 * where the level stays at its floor. Three of each at most, the best first.
 */
public final class PassageFinder {
    private static final int MOST = 3;
    private static final double SHORTEST_CORE_S = 1.5;
    private static final double ALONE = likelihood(AloneBars.ALONE);
    private static final double STILL = likelihood(AloneBars.STILL);
    private static final double SURELY = likelihood(AloneBars.SURELY);
    private static final double LONGEST_CORE_S = 15;
    private static final double SHORTEST_TAIL_S = 0.7;
    /** A guitar is plucked; what sounds for longer than this without a beginning is held by a bow, a key or a breath, s. */
    private static final double LONGEST_NOTE_S = 3;
    /** A tail is the guitar's where it more likely than not stands alone in its first part, s. */
    private static final double FIRST_OF_A_TAIL_S = 1.5;
    private static final double LIKELY = 0.5;
    private static final double SHORTEST_NOISE_S = 0.4;

    private PassageFinder() {}

    private static double likelihood(double logOdds) {
        return 1 / (1 + Math.exp(-logOdds));
    }

    public static List<Passage> in(Course c) {
        List<Passage> out = new ArrayList<>();
        out.addAll(best(cores(c)));
        out.addAll(best(tails(c)));
        out.addAll(best(noises(c)));
        return out;
    }

    private static List<Passage> best(List<Passage> found) {
        return found.stream().sorted(Comparator.comparingDouble(p -> -p.score())).limit(MOST).toList();
    }

    private static double top(Course c) {
        float[] s = c.levelDb().clone();
        Arrays.sort(s);
        return s.length == 0 ? -90 : s[(int) (0.95 * (s.length - 1))];
    }

    private static List<Passage> cores(Course c) {
        List<Passage> out = new ArrayList<>();
        double top = top(c);
        int least = (int) Math.ceil(SHORTEST_CORE_S / c.stepS());
        int most = (int) (LONGEST_CORE_S / c.stepS());
        int start = -1;
        int quiet = 0;
        for (int t = 0; t <= c.alone().length; t++) {
            boolean sounds = t < c.alone().length && c.levelDb()[t] > top - 30;
            boolean alone = t < c.alone().length && (!sounds || c.alone()[t] > (start < 0 ? ALONE : STILL));
            quiet = sounds ? 0 : quiet + 1;
            boolean on = alone && quiet * c.stepS() < 1.0;
            if (on && start < 0 && sounds) start = t;
            if (start >= 0 && (!on || t - start >= most)) {
                int end = t - Math.max(0, quiet - 1);
                end = Math.min(end, c.alone().length);
                if (end - start >= least && mean(c.alone(), start, end) > LIKELY && isPlucked(c, start, end))
                    out.add(core(c, start, end));
                start = -1;
            }
        }
        return out;
    }

    private static boolean isPlucked(Course c, int from, int to) {
        double sum = 0;
        for (int t = from; t < to; t++) sum += c.beginnings()[t];
        return sum * LONGEST_NOTE_S >= (to - from) * c.stepS();
    }

    private static boolean isOfTheGuitar(Course c, int from) {
        int first = Math.max(1, (int) (FIRST_OF_A_TAIL_S / c.stepS()));
        return mean(c.alone(), from, Math.min(c.alone().length, from + first)) > LIKELY;
    }

    private static double mean(float[] v, int from, int to) {
        double sum = 0;
        for (int t = from; t < to; t++) sum += v[t];
        return sum / Math.max(1, to - from);
    }

    private static Passage core(Course c, int from, int to) {
        double alone = mean(c.alone(), from, to);
        double seconds = (to - from) * c.stepS();
        double score = Math.clamp(alone * Math.min(1, 0.5 + seconds / 16), 0, 1);
        return new Passage(Purpose.CORE_TONE, from * c.stepS(), to * c.stepS(), score, Figures.of(alone > SURELY
                ? "for %.1f s the guitar stands alone"
                : "for %.1f s the guitar probably stands alone; a held keyboard would hardly be noticed",
                seconds));
    }

    /** Falls of 12 dB or more in which no note begins. */
    private static List<Passage> tails(Course c) {
        List<Passage> out = new ArrayList<>();
        double top = top(c);
        float[] level = c.levelDb();
        int smooth = Math.max(1, (int) Math.round(0.08 / c.stepS()));
        for (int t = smooth; t < level.length; t++) {
            if (level[t] < top - 12) continue;
            int end = t;
            double low = level[t];
            while (end + 1 < level.length && level[end + 1] < low + 3 && level[end + 1] > top - 60) {
                end++;
                low = Math.min(low, level[end]);
            }
            double seconds = (end - t) * c.stepS();
            double fall = level[t] - low;
            if (seconds >= SHORTEST_TAIL_S && fall >= 12 && isOfTheGuitar(c, t)) {
                out.add(new Passage(Purpose.ECHO_TAIL, t * c.stepS(), (end + 1) * c.stepS(),
                        Math.clamp(0.3 + seconds / 4, 0, 1),
                        Figures.of("falls %.0f dB in %.1f s and no note begins: repeats and a space can be heard alone",
                                fall, seconds)));
            }
            if (end > t) t = end;
        }
        return out;
    }

    private static List<Passage> noises(Course c) {
        List<Passage> out = new ArrayList<>();
        double top = top(c);
        float[] sorted = c.levelDb().clone();
        Arrays.sort(sorted);
        double floor = Math.max(-89, sorted[(int) (0.02 * (sorted.length - 1))]);
        if (floor > top - 25) return out;
        int start = -1;
        for (int t = 0; t <= c.levelDb().length; t++) {
            boolean low = t < c.levelDb().length && c.levelDb()[t] < floor + 5 && c.levelDb()[t] < top - 25;
            if (low && start < 0) start = t;
            if (low || start < 0) continue;
            double seconds = (t - start) * c.stepS();
            if (seconds >= SHORTEST_NOISE_S) {
                out.add(new Passage(Purpose.NOISE, start * c.stepS(), t * c.stepS(),
                        Math.clamp(0.4 + seconds / 3, 0, 1),
                        Figures.of("stays within 5 dB of the lowest level, %.0f dB under the playing",
                                top - floor)));
            }
            start = -1;
        }
        return out;
    }
}
