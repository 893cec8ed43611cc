package verisonus.bench.band;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.stream.LongStream;
import verisonus.core.sound.Sound;
import verisonus.core.take.Alignment;
import verisonus.core.take.Pairing;
import verisonus.core.take.PhraseOdds;

/**
 * Fits what {@link PhraseOdds} weighs its signs by (logistic regression; both answers count alike): right takes that were laid where they
 * belong against takes that only share harmony, tempo or notes. {@link WrongTakesReport} looks at other songs.
 */
final class PhraseOddsTraining {
    private static final int ROUNDS = 6000;
    private static final double RATE = 0.5;
    private static final double RIDGE = 0.003;
    private static final double IN_PLACE_S = 0.15;

    private PhraseOddsTraining() {}

    private record Row(double[] signs, boolean right) {}

    /** @param args first and last seed */
    public static void main(String[] args) {
        List<Row> rows = LongStream.rangeClosed(Long.parseLong(args[0]), Long.parseLong(args[1])).parallel().boxed()
                .flatMap(seed -> rows(HarmonySong.of(seed)).stream()).toList();
        System.out.println(text(fitted(rows)));
    }

    private static List<Row> rows(HarmonySong song) {
        List<Row> out = new ArrayList<>();
        for (Map.Entry<HarmonySong.Take, Sound> e : song.takes().entrySet()) {
            float[] mix = song.mix().mid();
            Alignment a = Alignment.find(mix, e.getValue().mid(), song.mix().rateHz());
            boolean right = e.getKey().isRight();
            double atS = (double) a.offsetSamples() / song.mix().rateHz();
            boolean inPlace = a.pairing() == Pairing.PLAYED_AGAIN && right
                    && Math.abs(atS - song.beginS().getOrDefault(e.getKey(), Double.NaN)) < IN_PLACE_S;
            if (right && !inPlace) continue;
            out.add(new Row(PhraseOdds.signs(mix, e.getValue().mid(), song.mix().rateHz(), a.offsetSamples(),
                    a.likeness()), right));
        }
        return out;
    }

    /** Weights of the signs, then of nothing. */
    private static double[] fitted(List<Row> rows) {
        int n = rows.getFirst().signs.length;
        double[] mean = new double[n];
        double[] spread = new double[n];
        for (int i = 0; i < n; i++) {
            int column = i;
            mean[i] = rows.stream().mapToDouble(r -> r.signs[column]).average().orElse(0);
            double m = mean[i];
            spread[i] = Math.sqrt(rows.stream().mapToDouble(r -> Math.pow(r.signs[column] - m, 2)).average().orElse(1));
        }
        double share = rows.stream().filter(Row::right).count() / (double) rows.size();
        double[] w = new double[n + 1];
        for (int round = 0; round < ROUNDS; round++) {
            double[] slope = new double[n + 1];
            for (Row r : rows) {
                double sum = w[n];
                for (int i = 0; i < n; i++) sum += w[i] * (r.signs[i] - mean[i]) / spread[i];
                double off = (1 / (1 + Math.exp(-sum)) - (r.right ? 1 : 0)) * 0.5 / (r.right ? share : 1 - share)
                        / rows.size();
                for (int i = 0; i < n; i++) slope[i] += off * (r.signs[i] - mean[i]) / spread[i];
                slope[n] += off;
            }
            for (int i = 0; i <= n; i++) w[i] -= RATE * (slope[i] + (i < n ? RIDGE * w[i] : 0));
        }
        double[] out = new double[n + 1];
        out[n] = w[n];
        for (int i = 0; i < n; i++) {
            out[i] = w[i] / spread[i];
            out[n] -= out[i] * mean[i];
        }
        return out;
    }

    private static String text(double[] v) {
        return String.join(", ", Arrays.stream(v).mapToObj(x -> String.format(Locale.ROOT, "%.3f", x)).toList());
    }
}
