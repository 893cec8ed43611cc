package verisonus.core.travel.system;

import java.util.Arrays;

/**
 * Level by frequency, as measured or modelled: straight between its points on a logarithmic axis.
 *
 * @param hz frequencies, ascending
 * @param levelDb level at each
 * @param outside what is taken to be outside the first and the last
 */
public record ResponseCurve(double[] hz, double[] levelDb, Outside outside) {
    /** Most loudspeakers end like this: a closed box by 12, a vented one by 24. */
    public static final double FALL_DB_PER_OCTAVE = 18;

    /** What nobody measured. */
    public enum Outside {
        /** It falls by {@value #FALL_DB_PER_OCTAVE} dB an octave. */
        FALLS,
        /** It stays as at the last point. */
        HOLDS
    }

    /** One that falls outside its points. */
    public ResponseCurve(double[] hz, double[] levelDb) {
        this(hz, levelDb, Outside.FALLS);
    }

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

    /** The same points with something else outside them. */
    public ResponseCurve withOutside(Outside what) {
        return new ResponseCurve(hz, levelDb, what);
    }

    /**
     * Mean power between two frequencies, equal shares an octave: what a band of pink noise there would keep. Every point between them
     * counts, however narrow what it shows.
     */
    public double meanPower(double lowHz, double highHz) {
        double sum = 0;
        double from = lowHz;
        double power = Math.pow(10, levelDbAt(from) / 10);
        for (int i = 0; i <= hz.length; i++) {
            double to = i < hz.length ? Math.clamp(hz[i], lowHz, highHz) : highHz;
            if (to <= from) continue;
            double next = Math.pow(10, levelDbAt(to) / 10);
            // Straight in dB on a logarithmic axis is exponential in power: its mean is the logarithmic one.
            double mean = Math.abs(next - power) < 1e-9 * power ? power : (next - power) / Math.log(next / power);
            sum += mean * octaves(from, to);
            from = to;
            power = next;
        }
        return sum / octaves(lowHz, highHz);
    }

    /** Level at a frequency, dB. */
    public double levelDbAt(double frequencyHz) {
        int last = hz.length - 1;
        double fall = outside == Outside.FALLS ? FALL_DB_PER_OCTAVE : 0;
        if (frequencyHz <= hz[0]) return levelDb[0] - fall * octaves(frequencyHz, hz[0]);
        if (frequencyHz >= hz[last]) return levelDb[last] - fall * octaves(hz[last], frequencyHz);
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
        return o instanceof ResponseCurve c && Arrays.equals(hz, c.hz) && Arrays.equals(levelDb, c.levelDb)
                && outside == c.outside;
    }

    @Override
    public int hashCode() {
        return 31 * Arrays.hashCode(hz) + Arrays.hashCode(levelDb);
    }
}
