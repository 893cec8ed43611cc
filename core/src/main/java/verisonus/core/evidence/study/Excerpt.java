package verisonus.core.evidence.study;

import verisonus.core.sound.Sound;

/**
 * The part of a long region that the closer questions are asked of, so that time and memory stay bounded: level, noise and
 * hum are read of the whole.
 *
 * @param fromS start, seconds from the region's start
 * @param toS end
 */
public record Excerpt(double fromS, double toS) {
    /** A region up to this long is examined whole. */
    public static final double LONGEST_S = 120;

    /** The whole of a short region; of a long one the stretch in which the guitar stands most alone and is heard. */
    public static Excerpt of(Sound sound) {
        if (sound.durationS() <= LONGEST_S) return new Excerpt(0, sound.durationS());
        Course c = Course.of(sound, (int) (sound.durationS() / 0.25));
        int n = c.levelDb().length;
        int span = (int) (LONGEST_S / c.stepS());
        float top = -90;
        for (float v : c.levelDb()) top = Math.max(top, v);
        double sum = 0;
        double best = -1;
        int from = 0;
        for (int t = 0; t < n; t++) {
            sum += worth(c, t, top);
            if (t >= span) sum -= worth(c, t - span, top);
            if (t >= span - 1 && sum > best) {
                best = sum;
                from = t - span + 1;
            }
        }
        double fromS = Math.clamp(from * c.stepS(), 0, sound.durationS() - LONGEST_S);
        return new Excerpt(fromS, fromS + LONGEST_S);
    }

    private static double worth(Course c, int t, float top) {
        return c.levelDb()[t] < top - 30 ? 0 : 0.2 + c.alone()[t];
    }

    public Sound cut(Sound sound) {
        return sound.slice(fromS, toS);
    }
}
