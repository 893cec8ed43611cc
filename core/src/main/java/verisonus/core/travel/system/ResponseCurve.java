package verisonus.core.travel.system;

import java.util.Arrays;

/**
 * Level by frequency, as measured or modelled: straight between its points on a logarithmic axis.
 *
 * @param hz frequencies, ascending
 * @param levelDb level at each; outside the first and last it falls by {@value #FALL_DB_PER_OCTAVE} dB an octave
 */
public record ResponseCurve(double[] hz, double[] levelDb) {
    static final double FALL_DB_PER_OCTAVE = 18;

    public ResponseCurve {
        if (hz.length < 2 || hz.length != levelDb.length) {
            throw new IllegalArgumentException(hz.length + " frequencies, " + levelDb.length + " levels");
        }
        for (int i = 0; i < hz.length; i++) {
            if (!(hz[i] > 0 && Double.isFinite(hz[i]) && Double.isFinite(levelDb[i])))
                throw new IllegalArgumentException("no number at point " + (i + 1));
            if (i > 0 && !(hz[i] > hz[i - 1]))
                throw new IllegalArgumentException("frequencies do not ascend at " + hz[i]);
        }
        hz = hz.clone();
        levelDb = levelDb.clone();
    }

    /** Frequencies and levels in turn. */
    public static ResponseCurve of(double... pairs) {
        double[] hz = new double[pairs.length / 2];
        double[] db = new double[hz.length];
        for (int i = 0; i < hz.length; i++) {
            hz[i] = pairs[2 * i];
            db[i] = pairs[2 * i + 1];
        }
        return new ResponseCurve(hz, db);
    }

    /** Level at a frequency, dB. */
    public double levelDbAt(double frequencyHz) {
        int last = hz.length - 1;
        if (frequencyHz <= hz[0]) return levelDb[0] - FALL_DB_PER_OCTAVE * octaves(frequencyHz, hz[0]);
        if (frequencyHz >= hz[last]) return levelDb[last] - FALL_DB_PER_OCTAVE * octaves(hz[last], frequencyHz);
        int i = Arrays.binarySearch(hz, frequencyHz);
        if (i >= 0) return levelDb[i];
        int right = -i - 1;
        double share = octaves(hz[right - 1], frequencyHz) / octaves(hz[right - 1], hz[right]);
        return (1 - share) * levelDb[right - 1] + share * levelDb[right];
    }

    private static double octaves(double from, double to) {
        return Math.log(to / from) / Math.log(2);
    }

    @Override
    public double[] hz() {
        return hz.clone();
    }

    @Override
    public double[] levelDb() {
        return levelDb.clone();
    }

    @Override
    public boolean equals(Object o) {
        return o instanceof ResponseCurve c && Arrays.equals(hz, c.hz) && Arrays.equals(levelDb, c.levelDb);
    }

    @Override
    public int hashCode() {
        return 31 * Arrays.hashCode(hz) + Arrays.hashCode(levelDb);
    }
}
