package verisonus.bench;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import verisonus.core.work.Figures;

/** Counts of hits and lists of errors by name, in the order in which the names first came up. */
public final class Tally {
    private final Map<String, int[]> shares = new LinkedHashMap<>();
    private final Map<String, List<Double>> errors = new LinkedHashMap<>();
    private final Map<String, List<double[]>> stated = new LinkedHashMap<>();

    public synchronized void share(String name, boolean hit) {
        int[] c = shares.computeIfAbsent(name, _ -> new int[2]);
        c[1]++;
        if (hit) c[0]++;
    }

    public synchronized void error(String name, double error) {
        errors.computeIfAbsent(name, _ -> new ArrayList<>()).add(Math.abs(error));
    }

    /** A finding that was stated with a confidence, and whether it was right. */
    public synchronized void stated(String name, double confidence, boolean right) {
        stated.computeIfAbsent(name, _ -> new ArrayList<>()).add(new double[]{confidence, right ? 1 : 0});
    }

    public String text() {
        StringBuilder out = new StringBuilder();
        new TreeMap<>(shares).forEach((name, c) -> {
            out.append(Figures.of("%-46s %4d of %4d  %3.0f %%%n", name, c[0], c[1],
                    100.0 * c[0] / c[1]));
        });
        new TreeMap<>(errors).forEach((name, all) -> {
            double[] e = all.stream().mapToDouble(Double::doubleValue).sorted().toArray();
            out.append(Figures.of("%-46s median %8.3f  90 %% %8.3f  worst %8.3f  (%d)%n", name,
                    e[e.length / 2], e[(int) (0.9 * (e.length - 1))], e[e.length - 1], e.length));
        });
        return out.append(reliability()).toString();
    }

    private String reliability() {
        StringBuilder out = new StringBuilder();
        new TreeMap<>(stated).forEach((name, all) -> {
            double gap = 0;
            out.append(Figures.of("%-24s", name));
            for (int bin = 0; bin < 5; bin++) {
                double low = new double[]{0, 0.5, 0.65, 0.8, 0.9}[bin];
                double high = new double[]{0.5, 0.65, 0.8, 0.9, 1.01}[bin];
                List<double[]> in = all.stream().filter(s -> s[0] >= low && s[0] < high).toList();
                if (in.isEmpty()) {
                    out.append("        –       ");
                    continue;
                }
                double said = in.stream().mapToDouble(s -> s[0]).average().orElse(0);
                double hit = in.stream().mapToDouble(s -> s[1]).average().orElse(0);
                gap += Math.abs(said - hit) * in.size() / all.size();
                out.append(Figures.of("  %.2f→%.2f (%d)", said, hit, in.size()));
            }
            out.append(Figures.of("   mean gap %.3f%n", gap));
        });
        return out.toString();
    }
}
