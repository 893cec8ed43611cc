package verisonus.bench;

import java.util.ArrayList;
import java.util.List;
import java.util.SplittableRandom;
import java.util.stream.IntStream;
import verisonus.core.evidence.Examination;
import verisonus.core.sound.Bands;
import verisonus.core.sound.Sound;
import verisonus.core.work.Figures;
import verisonus.core.work.Progress;
import verisonus.demo.Mixes;

/** Does the trust of a band follow how far the guitar leads there, in mixes with drums and bass? */
record TrustReport(long first) {
    private static final int MIXES = 16;

    private record Pair(boolean aside, double trust, double leadDb) {}

    String text() {
        List<List<Pair>> all = IntStream.range(0, MIXES).parallel().mapToObj(this::pairs).toList();
        StringBuilder out = new StringBuilder();
        for (boolean aside : new boolean[]{false, true}) {
            double[] each = all.stream().filter(p -> p.get(0).aside == aside).mapToDouble(TrustReport::correlation)
                    .sorted()
                    .toArray();
            List<Pair> pooled = all.stream().flatMap(List::stream).filter(p -> p.aside == aside).toList();
            out.append(Figures.of(
                    "trust, guitar %-14s correlation with its lead: median mix %.2f  worst %.2f  pooled %.2f%n",
                    aside ? "off the middle" : "in the middle", each[each.length / 2], each[0], correlation(pooled)));
        }
        return out.toString();
    }

    private List<Pair> pairs(int i) {
        Mixes.Mix m = Mixes.mix(first + i);
        double pan = i % 2 == 0
                ? 0
                : (0.4 + 0.5 * new SplittableRandom(first + i).nextDouble()) * (i % 4 == 1 ? 1 : -1);
        double angle = Math.PI / 4 * (1 + pan);
        int n = Math.min(m.guitar().frames(), m.rest().frames());
        float[] g = m.guitar().mid();
        float[] l = m.rest().channel(0).clone();
        float[] r = m.rest().channel(m.rest().channels().length - 1).clone();
        for (int k = 0; k < n; k++) {
            l[k] += (float) (Math.cos(angle) * 1.414 * g[k]);
            r[k] += (float) (Math.sin(angle) * 1.414 * g[k]);
        }
        double[] trust = Examination.of(Sound.stereo(l, r, m.guitar().rateHz()), Progress.NONE).spectrum().trust();
        Bands bands = Bands.thirds(50, 16000);
        double[] own = bands.longTermPower(g, m.guitar().rateHz());
        double[] rest = bands.longTermPower(m.rest().mid(), m.guitar().rateHz());
        List<Pair> out = new ArrayList<>();
        for (int b = 0; b < trust.length; b++) {
            out.add(new Pair(i % 2 == 1, trust[b],
                    Math.clamp(10 * Math.log10((own[b] + 1e-12) / (rest[b] + 1e-12)), -20,
                            20)));
        }
        return out;
    }

    private static double correlation(List<Pair> p) {
        double n = p.size();
        double x = p.stream().mapToDouble(Pair::trust).average().orElse(0);
        double y = p.stream().mapToDouble(Pair::leadDb).average().orElse(0);
        double xy = p.stream().mapToDouble(v -> (v.trust - x) * (v.leadDb - y)).sum() / n;
        double xx = p.stream().mapToDouble(v -> Math.pow(v.trust - x, 2)).sum() / n;
        double yy = p.stream().mapToDouble(v -> Math.pow(v.leadDb - y, 2)).sum() / n;
        return xy / Math.sqrt(xx * yy + 1e-12);
    }
}
