package verisonus.bench;

import java.util.ArrayList;
import java.util.List;
import java.util.SplittableRandom;
import java.util.stream.IntStream;
import verisonus.core.evidence.dirt.SaturationEstimator;
import verisonus.core.sound.Sound;
import verisonus.core.work.Figures;
import verisonus.demo.Takes;

/** Does the index rise with drive, within a performance and over performances, whatever clips and whatever comes after? */
record DriveReport(long first) {
    private static final int PERFORMANCES = 28;
    private static final double[] DRIVES_DB = {0, 4, 8, 12, 16, 20, 24, 28};

    private record Reading(int performance, int shape, boolean effects, double driveDb, double alone, double paired) {}

    String text() {
        List<Reading> all = IntStream.range(0, PERFORMANCES).parallel().boxed().flatMap(p -> readings(p).stream())
                .toList();
        StringBuilder out = new StringBuilder("drive: Kendall tau of the index, 28 performances, 8 drives\n");
        for (boolean paired : new boolean[]{false, true}) {
            double[] within = IntStream.range(0, PERFORMANCES)
                    .mapToDouble(p -> tau(all.stream().filter(r -> r.performance == p).toList(), paired)).sorted()
                    .toArray();
            out.append(Figures.of("%-14s within: median %.2f worst %.2f   across: all %.2f",
                    paired ? "with the take" : "alone", within[within.length / 2], within[0], tau(all, paired)));
            for (int shape = 0; shape < 4; shape++) {
                int s = shape;
                out.append(Figures.of("  shape %d %.2f", s,
                        tau(all.stream().filter(r -> r.shape == s).toList(), paired)));
            }
            out.append(Figures.of("  dry %.2f  with echo and reverb %.2f%n",
                    tau(all.stream().filter(r -> !r.effects).toList(), paired),
                    tau(all.stream().filter(Reading::effects).toList(), paired)));
        }
        return out.toString();
    }

    private List<Reading> readings(int p) {
        SplittableRandom random = new SplittableRandom(first * 31 + p);
        Takes.Style style = Takes.Style.values()[p % Takes.Style.values().length];
        Sound take = Takes.known(style, first + 5000 + p, 9).sound();
        int shape = random.nextInt(4);
        boolean speaker = random.nextInt(4) > 0;
        boolean effects = p % 2 == 1;
        double corner = 3000 + 3500 * random.nextDouble();
        double liftHz = 900 + 2500 * random.nextDouble();
        double lift = 7 * random.nextDouble();
        Effects.Echo echo = new Effects.Echo(250 + 250 * random.nextDouble(), 0.3, -9);
        List<Reading> out = new ArrayList<>();
        for (double drive : DRIVES_DB) {
            float[] x = Effects.clipped(take.mid(), drive, shape);
            if (speaker) x = Effects.speaker(x, corner, liftHz, lift);
            if (effects) x = Effects.reverb(echo.on(x), 1.2, 10, -12, new SplittableRandom(p));
            Sound recording = Sound.mono(x, Effects.RATE_HZ);
            out.add(new Reading(p, shape, effects, drive,
                    SaturationEstimator.estimate(recording).value().orElseThrow().index(),
                    SaturationEstimator.estimate(recording, take).value().orElseThrow().index()));
        }
        return out;
    }

    /** Kendall's tau-b between drive and index; pairs of equal drive do not count. */
    private static double tau(List<Reading> of, boolean paired) {
        double[] drive = of.stream().mapToDouble(Reading::driveDb).toArray();
        double[] index = of.stream().mapToDouble(r -> paired ? r.paired : r.alone).toArray();
        double sum = 0;
        double pairs = 0;
        for (int i = 0; i < drive.length; i++) {
            for (int j = i + 1; j < drive.length; j++) {
                if (drive[i] == drive[j]) continue;
                sum += Math.signum(drive[i] - drive[j]) * Math.signum(index[i] - index[j]);
                pairs++;
            }
        }
        return pairs == 0 ? 0 : sum / pairs;
    }
}
