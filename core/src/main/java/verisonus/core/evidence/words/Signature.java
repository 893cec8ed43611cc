package verisonus.core.evidence.words;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;

/**
 * What several recordings of one sound have in common: what stays is the signature, what differs belongs to the recording.
 *
 * @param rows one attribute each
 * @param follow number of the recording that lies nearest to what is common to all
 * @param distance of each recording from it, mean over attributes, in steps that are clearly heard
 */
public record Signature(List<Row> rows, int follow, double[] distance) {
    /**
     * One attribute over the recordings.
     *
     * @param values by recording; NaN where it cannot be read
     * @param common median of what can be read
     * @param spread from the least to the most
     */
    public record Row(Trait trait, double[] values, double common, double spread) {
        /** Whether it stays within what is hardly heard. */
        public boolean isConstant() {
            return spread <= 1.5 * trait.step();
        }
    }

    public Signature {
        rows = List.copyOf(rows);
    }

    /** @param recordings traits of two or more */
    public static Signature over(List<Map<Trait, Double>> recordings) {
        if (recordings.size() < 2) throw new IllegalArgumentException("a signature needs two recordings");
        List<Row> rows = new ArrayList<>();
        double[] distance = new double[recordings.size()];
        int[] counted = new int[recordings.size()];
        for (Trait t : Trait.values()) {
            double[] values = recordings.stream().mapToDouble(r -> r.getOrDefault(t, Double.NaN)).toArray();
            double[] read = java.util.Arrays.stream(values).filter(v -> !Double.isNaN(v)).sorted().toArray();
            if (read.length < 2) continue;
            double common = read.length % 2 == 1
                    ? read[read.length / 2]
                    : 0.5 * (read[read.length / 2 - 1] + read[read.length / 2]);
            rows.add(new Row(t, values, common, read[read.length - 1] - read[0]));
            for (int i = 0; i < values.length; i++) {
                if (Double.isNaN(values[i])) continue;
                distance[i] += Math.min(4, Math.abs(values[i] - common) / t.step());
                counted[i]++;
            }
        }
        int follow = 0;
        for (int i = 0; i < distance.length; i++) {
            distance[i] = counted[i] == 0 ? Double.MAX_VALUE : distance[i] / counted[i];
            if (distance[i] < distance[follow]) follow = i;
        }
        return new Signature(rows, follow, distance);
    }
}
