package verisonus.core.search.colour;

import verisonus.core.evidence.level.SpectrumReading;

/** How much each compared band counts: by its trust, and little where the reference has next to nothing. */
public final class BandWeights {
    private static final double LEAST = 0.03;

    private BandWeights() {}

    /** @param levelDb of the reference by compared band */
    public static double[] of(SpectrumReading spectrum, double[] levelDb) {
        double[] hz = Features.LEVEL_BANDS.centresHz();
        double top = java.util.Arrays.stream(levelDb).max().orElse(0);
        double[] out = new double[hz.length];
        for (int b = 0; b < out.length; b++) {
            double there = Math.clamp((levelDb[b] - top + 55) / 10, LEAST, 1);
            out[b] = Math.max(LEAST, trustAt(spectrum, hz[b]) * there);
        }
        return out;
    }

    private static double trustAt(SpectrumReading s, double hz) {
        int best = 0;
        for (int i = 1; i < s.bandCentresHz().length; i++) {
            if (Math.abs(Math.log(s.bandCentresHz()[i] / hz)) < Math.abs(Math.log(s.bandCentresHz()[best] / hz)))
                best = i;
        }
        return s.trust()[best];
    }
}
