package verisonus.core.work;

import java.util.ArrayList;
import java.util.List;
import java.util.stream.IntStream;

/** Values that never fall, as near to those that were found as can be in least squares. */
public final class Isotonic {
    private Isotonic() {}

    /** Neighbours that fall are joined at their mean (pool adjacent violators; M. Ayer et al., Annals of Mathematical Statistics 1955). */
    public static double[] rising(double[] found) {
        List<double[]> pools = new ArrayList<>();
        for (double v : found) {
            pools.add(new double[]{v, 1});
            while (pools.size() > 1 && pools.getLast()[0] < pools.get(pools.size() - 2)[0]) {
                double[] last = pools.removeLast();
                double[] before = pools.removeLast();
                double n = last[1] + before[1];
                pools.add(new double[]{(last[0] * last[1] + before[0] * before[1]) / n, n});
            }
        }
        return pools.stream().flatMapToDouble(p -> IntStream.range(0, (int) p[1]).mapToDouble(_ -> p[0])).toArray();
    }
}
