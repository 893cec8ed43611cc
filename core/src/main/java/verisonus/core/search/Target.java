package verisonus.core.search;

import java.util.List;
import verisonus.core.evidence.level.SpectrumReading;
import verisonus.core.search.colour.BandWeights;
import verisonus.core.search.colour.Features;
import verisonus.core.sound.Sound;

/**
 * What the search aims at in the spectrum.
 *
 * @param levelDb wanted level by compared band: of the reference, or what several recordings have in common
 * @param weight how much each band counts: by its trust, less where the recordings differ, where little is there, where bass and
 *     kick need room, and not at all where a difference is wanted
 */
record Target(double[] levelDb, double[] weight) {
    private static final double LEAST = 0.03;
    /** Recordings that differ by this much in a band halve its weight. */
    private static final double DIFFER_DB = 3;
    private static final double ROOM_BELOW_HZ = 150;

    static Target of(float[] wanted, SpectrumReading spectrum, SearchOptions options) {
        double[] level = Features.of(wanted, 0, Sound.WORKING_RATE_HZ).levelDb();
        double[] weight = BandWeights.of(spectrum, level);
        List<double[]> all = new java.util.ArrayList<>(List.of(centred(level, weight)));
        for (Sound s : options.wishes().others()) {
            float[] x = s.atRate(Sound.WORKING_RATE_HZ).mid();
            all.add(centred(Features.of(x, 0, Sound.WORKING_RATE_HZ).levelDb(), weight));
        }
        double[] hz = Features.LEVEL_BANDS.centresHz();
        double[] aim = new double[level.length];
        for (int b = 0; b < level.length; b++) {
            double mean = 0;
            for (double[] one : all) mean += one[b] / all.size();
            double spread = 0;
            for (double[] one : all) spread += (one[b] - mean) * (one[b] - mean) / all.size();
            aim[b] = mean;
            weight[b] /= 1 + spread / (DIFFER_DB * DIFFER_DB);
            boolean room = options.school().lows() == SearchOptions.Lows.ROOM_FOR_BASS && hz[b] < ROOM_BELOW_HZ;
            if (room || isWantedSo(hz[b], options)) weight[b] = Math.min(weight[b], LEAST / 3);
        }
        return new Target(aim, weight);
    }

    private static boolean isWantedSo(double hz, SearchOptions options) {
        return options.wishes().wantedSo().stream().anyMatch(a -> hz >= a.fromHz() && hz < a.toHz());
    }

    private static double[] centred(double[] level, double[] weight) {
        double mean = 0;
        double total = 0;
        for (int b = 0; b < level.length; b++) {
            mean += weight[b] * level[b];
            total += weight[b];
        }
        double[] out = level.clone();
        for (int b = 0; b < out.length; b++) out[b] -= mean / total;
        return out;
    }
}
