package verisonus.core.evidence.study;

import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.stream.IntStream;
import verisonus.core.evidence.signs.Network;
import verisonus.core.evidence.signs.Signs;
import verisonus.core.sound.Sound;

/**
 * Where does the guitar stand alone? {@link AloneFeatures} are weighed by three {@link Network}s, trained in {@code bench} on made-up
 * songs and solos, to the log-odds of a guitar that plays by itself; two further ones weigh the course of these ({@link AloneCourse}).
 * A held keyboard or a lead voice with nothing else beside the guitar is the weak part. Input: any; of less than a quarter second nothing
 * is said.
 *
 * @param logOdds by quarter second, natural logarithm, −5 to 5
 * @param sounds whether the quarter second is within {@value #QUIET_DB} dB of the recording's loud ones
 */
public record AloneBars(double[] logOdds, boolean[] sounds) {
    /** From here on the guitar is alone, sure enough to be measured. */
    public static final double ALONE = 1;
    /** A stretch that has begun goes on down to here. */
    public static final double STILL = -0.5;
    /** From here on it is said without doubt. */
    public static final double SURELY = 2;
    /** Down from here something else is heard; between, nothing is held against the guitar. */
    private static final double OTHERS = -1;
    private static final double QUIET_DB = 30;
    private static final double BARE_SHARE = 0.9;
    private static final double BARE = 1.5;
    private static final double COMPANY = 0.5;
    private static final double SOME_COMPANY = 0.3;
    private static final double SHORTEST_S = 1.5;
    /** Energy under the lowest string against the middle that no guitar alone has. */
    private static final double BASS_DB = -10;
    private static final List<Network> MOMENT = networks(AloneCourse.OF_A_MOMENT, AloneFeatures.SIGN_NAMES);
    private static final List<Network> COURSE = networks(AloneCourse.OF_THE_COURSE, AloneCourse.SIGN_NAMES);

    private static List<Network> networks(List<String> files, List<String> signs) {
        return files.stream().map(f -> Network.beside(AloneBars.class, f, signs)).toList();
    }

    public static AloneBars of(Sound sound) {
        AloneFeatures f = AloneFeatures.of(sound.withoutEmptySide());
        int n = f.levelDb().length;
        double[] odds = AloneCourse.logOdds(COURSE, AloneCourse.rows(AloneCourse.logOdds(MOMENT, f.rows())));
        for (int i = 0; i < n; i++) {
            Signs<AloneSign> s = f.now().get(i);
            if (Math.min(s.get(AloneSign.SUB_NOW), s.get(AloneSign.SUB_ABOUT)) > BASS_DB)
                odds[i] = Math.min(odds[i], OTHERS);
        }
        double top = Arrays.stream(f.levelDb()).sorted().skip((long) (0.95 * Math.max(0, n - 1))).findFirst().orElse(0);
        boolean[] sounds = new boolean[n];
        int sounding = 0;
        int bare = 0;
        for (int i = 0; i < n; i++) {
            sounds[i] = f.levelDb()[i] > top - QUIET_DB;
            if (sounds[i]) sounding++;
            if (sounds[i] && f.isBare(i)) bare++;
        }
        // Without anything under or over a guitar from end to end, and most of it like one alone, all of it is.
        if (bare >= BARE_SHARE * sounding && median(odds, sounds) >= BARE)
            for (int i = 0; i < n; i++) odds[i] = Math.max(odds[i], BARE);
        return new AloneBars(odds, sounds);
    }

    private static double median(double[] odds, boolean[] sounds) {
        double[] v = IntStream.range(0, odds.length).filter(i -> sounds[i]).mapToDouble(i -> odds[i]).sorted()
                .toArray();
        return v.length == 0 ? 0 : v[v.length / 2];
    }

    /** Share of the sounding quarter seconds in which something else is heard; 0 where nothing could be asked. */
    public double company() {
        int sounding = 0;
        int others = 0;
        for (int i = 0; i < sounds.length; i++) {
            if (!sounds[i]) continue;
            sounding++;
            if (logOdds[i] < OTHERS) others++;
        }
        return sounding == 0 ? 0 : (double) others / sounding;
    }

    /** Whether more sounds there than the guitar. */
    public boolean hasOthers() {
        return company() > COMPANY;
    }

    /**
     * What of a recording with others should be studied: the longest stretch in which the guitar stands alone; empty where hardly
     * anybody else plays, or it never does for {@value #SHORTEST_S} s.
     */
    public Optional<Excerpt> worthStudying() {
        if (company() < SOME_COMPANY) return Optional.empty();
        int best = 0;
        int at = 0;
        int start = 0;
        int heard = 0;
        for (int i = 0; i < sounds.length; i++) {
            if (sounds[i] && logOdds[i] <= (heard == 0 ? ALONE : STILL)) {
                start = i + 1;
                heard = 0;
            } else if (sounds[i]) {
                if (heard == 0) start = i;
                heard++;
                if (i + 1 - start > best) {
                    best = i + 1 - start;
                    at = start;
                }
            }
        }
        double step = AloneFeatures.STEP_S;
        return best * step < SHORTEST_S
                ? Optional.empty()
                : Optional.of(new Excerpt(at * step, (at + best) * step));
    }

    /** Mean log-odds of a stretch; 0 outside. */
    public double logOdds(double fromS, double toS) {
        int from = Math.clamp((int) (fromS / AloneFeatures.STEP_S), 0, logOdds.length);
        int to = Math.clamp((int) Math.ceil(toS / AloneFeatures.STEP_S), from, logOdds.length);
        return Arrays.stream(logOdds, from, to).average().orElse(0);
    }

    /** Likelihood that the guitar is alone at a moment, 0 to 1. */
    public double likelihoodAt(double atS) {
        if (logOdds.length == 0) return 1;
        return 1 / (1 + Math.exp(-logOdds[Math.clamp((int) (atS / AloneFeatures.STEP_S), 0, logOdds.length - 1)]));
    }
}
