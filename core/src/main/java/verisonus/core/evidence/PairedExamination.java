package verisonus.core.evidence;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.OptionalDouble;
import verisonus.core.fault.Progress;
import verisonus.core.sound.Decibels;
import verisonus.core.sound.Sound;

/**
 * Examines a region with the dry take of the same performance beside it: the way from take to recording shows repeats and a
 * tail that the recording alone hides, and the absence of both. Where the take is of another performance, nothing is gained.
 *
 * @param evidence what was found
 * @param gained topics that rest on the take
 */
public record PairedExamination(Evidence evidence, List<String> gained) {
    private static final int FIRST_MS = 60;
    private static final int LAST_MS = 1300;
    /** A repeat stands at least this far over what is around it. */
    private static final double STANDS_OUT = 12;
    private static final int HOP_MS = 40;
    /** A tail stands this far over what spreads to both sides. */
    private static final double OVER_SPREAD = 1.6;
    private static final int SHORTEST_TAIL_MS = 160;
    private static final double SOFTEST_TAIL_DB = -24;

    public PairedExamination {
        gained = List.copyOf(gained);
    }

    public static PairedExamination of(Sound region, Sound take, Progress progress) {
        Evidence alone = Examination.of(region, progress);
        Optional<PairedResponse> response = PairedResponse.of(region, take);
        if (response.isEmpty()) return new PairedExamination(alone, List.of());
        List<String> gained = new ArrayList<>();
        Finding<EchoReading> echo = echo(alone.echo(), response.get(), gained);
        Finding<ReverbReading> reverb = reverb(alone.reverb(), response.get(), echo, gained);
        return new PairedExamination(alone.with(echo, reverb), gained);
    }

    private static Finding<EchoReading> echo(Finding<EchoReading> alone, PairedResponse r, List<String> gained) {
        double[] e = r.energy();
        int best = FIRST_MS;
        for (int m = FIRST_MS; m < LAST_MS; m++) if (e[m] > e[best]) best = m;
        double level = Decibels.fromPower(around(e, best) / e[0]);
        boolean there = around(e, best) > STANDS_OUT * 3 * surroundings(e, best) && level > -26;
        if (!there) {
            if (alone.isPresent()) return alone;
            gained.add("echo");
            return Finding.absent(0.95, "on the way from the dry take to the recording nothing comes back later");
        }
        if (alone.isPresent() && Math.abs(alone.value().orElseThrow().timeMs() - best) < 3) {
            gained.add("echo");
            return new Finding<>(alone.presence(), alone.value(), 0.98, alone.reason() + "; the dry take shows it too",
                    alone.plot());
        }
        if (alone.isPresent()) return alone;
        double second = 2 * best < e.length - 2 ? around(e, 2 * best) / around(e, best) : 0;
        boolean again = 2 * best < e.length - 60 && around(e, 2 * best) > STANDS_OUT * 3 * surroundings(e, 2 * best);
        gained.add("echo");
        return Finding.present(new EchoReading(best, again ? 100 * Math.min(1, Math.sqrt(second)) : 0, level, false),
                0.9,
                String.format(Locale.ROOT, "what the dry take plays comes back %d ms later", best));
    }

    private static double around(double[] e, int m) {
        return e[m - 1] + e[m] + e[m + 1];
    }

    /** Median energy of a millisecond from 5 to 40 ms beside. */
    private static double surroundings(double[] e, int m) {
        double[] v = new double[72];
        int n = 0;
        for (int d = 5; d <= 40; d++) {
            if (m - d > 0) v[n++] = e[m - d];
            if (m + d < e.length) v[n++] = e[m + d];
        }
        double[] s = Arrays.copyOf(v, n);
        Arrays.sort(s);
        return n == 0 ? 0 : s[n / 2] + 1e-15;
    }

    /** Straight fall of the tail in decibels, read between its beginning and the floor; its energy against the direct. */
    private static Finding<ReverbReading> reverb(Finding<ReverbReading> alone, PairedResponse r,
            Finding<EchoReading> echo, List<String> gained) {
        // Repeats spread like a tail of their own: with them the two cannot be told apart.
        if (echo.isPresent()) return alone;
        double[] excess = new double[r.energy().length / HOP_MS];
        int last = 0;
        double tail = 0;
        for (int t = 0; t < excess.length; t++) {
            double after = typical(r.energy(), t * HOP_MS);
            double spread = typical(r.before(), t * HOP_MS);
            excess[t] = Decibels.fromPower(Math.max(after - spread, 1e-20));
            boolean clear = t > 0 && after > OVER_SPREAD * spread;
            if (clear) {
                last = t;
                tail += HOP_MS * (after - spread);
            } else if (t > last + 3) {
                break;
            }
        }
        double level = Decibels.fromPower(tail + 1e-20) - Decibels.fromPower(r.energy()[0]);
        if (last * HOP_MS < SHORTEST_TAIL_MS || level < SOFTEST_TAIL_DB) {
            if (alone.isPresent()) return alone;
            gained.add("reverb");
            return Finding.absent(0.9, "on the way from the dry take to the recording nothing rings on");
        }
        int first = 1;
        for (int t = 1; t < Math.min(8, last); t++) if (excess[t] > excess[first]) first = t;
        double slope = StraightLine.through(excess, first, last).slope() * 1000 / HOP_MS;
        if (slope > -8) return alone;
        gained.add("reverb");
        return Finding.present(
                new ReverbReading(-60 / slope, OptionalDouble.empty(), OptionalDouble.of(level)),
                0.85, String.format(Locale.ROOT, "the way from the dry take to the recording rings on for %d ms",
                        last * HOP_MS));
    }

    /** Typical energy of a millisecond over one hop: single repeats do not count. */
    private static double typical(double[] e, int from) {
        double[] v = Arrays.copyOfRange(e, from, Math.min(e.length, from + HOP_MS));
        Arrays.sort(v);
        // Of noise-like energies the median is 0.69 of the mean.
        return v[v.length / 2] / 0.69;
    }
}
