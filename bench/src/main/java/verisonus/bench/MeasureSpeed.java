package verisonus.bench;

import java.lang.management.ManagementFactory;
import java.lang.management.MemoryPoolMXBean;
import java.lang.management.MemoryType;
import java.util.LinkedHashMap;
import java.util.Locale;
import java.util.Map;
import verisonus.core.evidence.Examination;
import verisonus.core.evidence.study.Course;
import verisonus.core.sound.Sound;
import verisonus.core.work.Progress;
import verisonus.demo.Takes;

/** How fast one core measures, how the time is shared, and how much memory a long recording takes. */
final class MeasureSpeed {
    private MeasureSpeed() {}

    /** @param args length of the measured region in seconds (60), times (3), length of a long recording in minutes (10) */
    public static void main(String[] args) {
        double lengthS = args.length > 0 ? Double.parseDouble(args[0]) : 60;
        int times = args.length > 1 ? Integer.parseInt(args[1]) : 3;
        double minutes = args.length > 2 ? Double.parseDouble(args[2]) : 10;
        Sound region = repeated(Takes.known(Takes.Style.RIFF, 4, 20).sound(), lengthS);
        for (int i = 0; i < times; i++) once(region);
        Sound whole = repeated(Takes.known(Takes.Style.PATTERN, 6, 20).sound(), 60 * minutes);
        resetPeaks();
        long begin = System.nanoTime();
        int values = Course.of(whole, (int) (whole.durationS() / 0.05)).levelDb().length;
        System.out.printf(Locale.ROOT, "ribbons of %.0f minutes: %.2f s, %d values each%n", minutes, since(begin),
                values);
        begin = System.nanoTime();
        Examination.of(whole, Progress.NONE);
        System.out.printf(Locale.ROOT,
                "%.0f minutes measured in one go: %.1f s; peak of the heap %d MB, of which the sound"
                        + " %d MB%n",
                minutes, since(begin), peakMb(), (long) whole.frames() * 2 * 4 >> 20);
    }

    private static void once(Sound region) {
        Map<String, Double> shares = new LinkedHashMap<>();
        long[] last = {System.nanoTime()};
        String[] doing = {"begin"};
        long begin = last[0];
        Examination.of(region, (_, now) -> {
            shares.merge(doing[0], since(last[0]), Double::sum);
            doing[0] = now;
            last[0] = System.nanoTime();
        });
        double all = since(begin);
        System.out.printf(Locale.ROOT, "%.0f s of stereo measured in %.2f s: %.1f times real time%n",
                region.durationS(),
                all, region.durationS() / all);
        shares.forEach((name, s) -> System.out.printf(Locale.ROOT, "   %5.1f %%  %s%n", 100 * s / all, name));
    }

    private static double since(long nanos) {
        return (System.nanoTime() - nanos) / 1e9;
    }

    /** The take over and over, left and right a little apart. */
    private static Sound repeated(Sound take, double lengthS) {
        int n = (int) (lengthS * take.rateHz());
        float[] left = new float[n];
        float[] right = new float[n];
        for (int i = 0; i < n; i++) {
            left[i] = take.channel(0)[i % take.frames()];
            right[i] = 0.9f * take.channel(0)[(i + 37) % take.frames()];
        }
        return Sound.stereo(left, right, take.rateHz());
    }

    private static void resetPeaks() {
        System.gc();
        for (MemoryPoolMXBean pool : ManagementFactory.getMemoryPoolMXBeans()) pool.resetPeakUsage();
    }

    private static long peakMb() {
        return ManagementFactory.getMemoryPoolMXBeans().stream().filter(p -> p.getType() == MemoryType.HEAP)
                .mapToLong(p -> p.getPeakUsage().getUsed()).sum() >> 20;
    }
}
