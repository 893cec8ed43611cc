package verisonus.bench.band;

import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.stream.LongStream;
import verisonus.core.evidence.guided.GuidedIsolation;
import verisonus.core.evidence.guided.GuidedParts;
import verisonus.core.evidence.guided.GuidedReading;
import verisonus.core.sound.Sound;
import verisonus.core.take.MatchedTake;

/** How well a guitar's third octaves are read inside a band, and how well it is heard through it, with a take of the same phrase. */
final class GuidedReport {
    private static final double THERE_DB = 25;
    private static final double[] LEVELS_DB = {0, -6};

    private GuidedReport() {}

    /** @param rawDb error of the mix as it is; errorDb of the reading; gainDb of the isolation */
    private record Row(BandMix.Place place, double rawDb, double[] partsDb, double errorDb, int bands, int readable,
            double readableDb, double restDb, double gainDb) {}

    /** @param args first and last seed; "parts" for each part as well */
    public static void main(String[] args) {
        long from = Long.parseLong(args[0]);
        long to = Long.parseLong(args[1]);
        for (double level : LEVELS_DB) {
            List<Optional<Row>> all = LongStream.rangeClosed(from, to).parallel()
                    .mapToObj(seed -> row(BandMix.of(seed, level))).toList();
            List<Row> rows = all.stream().flatMap(Optional::stream).toList();
            System.out.printf("guitar %+.0f dB: %d mixes, the phrase not found in %d%n", level, all.size(),
                    all.size() - rows.size());
            print("all", rows);
            for (BandMix.Place p : BandMix.Place.values())
                print(p.name(), rows.stream().filter(r -> r.place == p).toList());
        }
    }

    private static void print(String what, List<Row> rows) {
        if (rows.isEmpty()) return;
        double[] errors = rows.stream().mapToDouble(Row::errorDb).sorted().toArray();
        System.out.printf(
                "  %-7s raw %.2f  parts %s  reading %.2f mean, %.2f at 90 %%  readable %.0f %% at %.2f, others %.2f"
                        + "  isolation %+.1f dB mean, %+.1f least, worse than raw %d%n",
                what, mean(rows, 'r'),
                Arrays.toString(java.util.stream.IntStream.range(0, GuidedParts.COUNT)
                        .mapToObj(i -> String.format("%.2f", rows.stream().mapToDouble(r -> r.partsDb[i]).average()
                                .orElse(0)))
                        .toArray()),
                mean(rows, 'e'), errors[(int) (0.9 * (errors.length - 1))],
                100.0 * rows.stream().mapToInt(Row::readable).sum() / rows.stream().mapToInt(Row::bands).sum(),
                mean(rows, 't'), mean(rows, 'o'), mean(rows, 'g'),
                rows.stream().mapToDouble(Row::gainDb).min().orElse(0),
                rows.stream().filter(r -> r.gainDb < 0).count());
    }

    private static double mean(List<Row> rows, char what) {
        return rows.stream().mapToDouble(r -> switch (what) {
            case 'r' -> r.rawDb;
            case 'e' -> r.errorDb;
            case 't' -> r.readableDb;
            case 'o' -> r.restDb;
            default -> r.gainDb;
        }).filter(Double::isFinite).average().orElse(0);
    }

    private static Optional<Row> row(BandMix m) {
        Optional<Sound> take = laid(m);
        if (take.isEmpty()) return Optional.empty();
        GuidedParts parts = GuidedParts.of(m.mix(), take.get());
        GuidedReading reading = GuidedReading.of(parts);
        double[] truth = GuidedParts.thirdsDb(m.guitar());
        double top = Arrays.stream(truth).max().orElseThrow();
        boolean[] there = new boolean[truth.length];
        boolean[] readable = new boolean[truth.length];
        boolean[] not = new boolean[truth.length];
        int bands = 0;
        int told = 0;
        for (int b = 0; b < truth.length; b++) {
            there[b] = truth[b] > top - THERE_DB;
            readable[b] = there[b] && reading.isReadable(b);
            not[b] = there[b] && !readable[b];
            if (there[b]) bands++;
            if (readable[b]) told++;
        }
        double[] each = new double[GuidedParts.COUNT];
        for (int i = 0; i < each.length; i++) each[i] = error(parts.levelDb()[i], truth, there, there);
        return Optional.of(new Row(m.place(), error(parts.recordingDb(), truth, there, there), each,
                error(reading.levelDb(), truth, there, there), bands, told,
                error(reading.levelDb(), truth, readable, there), error(reading.levelDb(), truth, not, there),
                isolation(m, take.get())));
    }

    static Optional<Sound> laid(BandMix m) {
        MatchedTake laid = MatchedTake.of(m.mix(), m.take());
        return laid.same() ? Optional.of(laid.sound()) : Optional.empty();
    }

    /** RMS over some bands, the mean level over all that are there taken out. */
    private static double error(double[] read, double[] truth, boolean[] over, boolean[] there) {
        double mean = 0;
        int n = 0;
        for (int b = 0; b < truth.length; b++) {
            if (there[b]) {
                mean += read[b] - truth[b];
                n++;
            }
        }
        double sum = 0;
        int m = 0;
        for (int b = 0; b < truth.length; b++) {
            if (over[b]) {
                sum += Math.pow(read[b] - truth[b] - mean / n, 2);
                m++;
            }
        }
        return m == 0 ? Double.NaN : Math.sqrt(sum / m);
    }

    private static double isolation(BandMix m, Sound take) {
        Sound heard = GuidedIsolation.of(m.mix(), take);
        Sound truth = m.guitar().atRate(heard.rateHz());
        return ratioDb(truth, heard) - ratioDb(truth, m.mix().atRate(heard.rateHz()));
    }

    /** Scale-invariant signal-to-distortion ratio over both sides (J. Le Roux et al., ICASSP 2019), dB. */
    private static double ratioDb(Sound wanted, Sound heard) {
        double xy = 0;
        double xx = 1e-12;
        for (int c = 0; c < wanted.channels().length; c++) {
            for (int i = 0; i < wanted.frames(); i++) {
                xy += (double) wanted.channel(c)[i] * heard.channel(c)[i];
                xx += (double) wanted.channel(c)[i] * wanted.channel(c)[i];
            }
        }
        double signal = 1e-12;
        double noise = 1e-12;
        for (int c = 0; c < wanted.channels().length; c++) {
            for (int i = 0; i < wanted.frames(); i++) {
                double s = xy / xx * wanted.channel(c)[i];
                signal += s * s;
                noise += (heard.channel(c)[i] - s) * (heard.channel(c)[i] - s);
            }
        }
        return 10 * Math.log10(signal / noise);
    }
}
