package verisonus.core.travel;

import java.util.Arrays;
import java.util.List;
import java.util.Optional;

/**
 * A way of hearing a recording, as a level curve against a loudspeaker that is flat at the listener's ear. The curves
 * are models of a kind of system, not of a product; a measured one takes their place where the player has it.
 *
 * @param id short name for the command line
 * @param name in plain words
 * @param hz frequencies of the curve, ascending
 * @param levelDb level at each; outside the first and last it falls by {@value #FALL_DB_PER_OCTAVE} dB an octave
 */
public record PlaybackSystem(String id, String name, double[] hz, double[] levelDb) {
    static final double FALL_DB_PER_OCTAVE = 18;

    /** The six systems most guitar tones have to live on. */
    public static final List<PlaybackSystem> ALL = List.of(
            system("monitors", "near-field monitors", 45, -3, 70, 0, 110, 1.5, 220, 1, 450, 0, 1000, 0, 3000, 0, 9000,
                    -0.5, 17000, -2),
            system("headphones", "closed headphones", 20, 1, 60, 3.5, 120, 3, 300, -1, 900, 0, 2000, 0.5, 3200, 2.5,
                    5200, -3, 8000, 2.5, 12000, -2, 17000, -7),
            system("stage", "stage full-range speaker", 55, -5, 80, -1, 120, 1.5, 250, 1, 700, -0.5, 1600, 1, 3500, 2.5,
                    7000, 0, 12000, -4, 16000, -9),
            system("guitar-cabinet", "guitar cabinet in a room", 70, -7, 95, 2, 140, 3.5, 350, -2, 900, 0, 1800, 2.5,
                    2800, 5.5, 4000, 2, 5000, -6, 6500, -18, 9000, -34),
            system("phone", "phone", 200, -26, 350, -14, 550, -5, 800, -1, 1500, 1.5, 3000, 3.5, 5000, 1, 8000, 0,
                    12000, -5, 15000, -11),
            system("car", "car", 35, 3, 55, 7.5, 90, 6.5, 150, 3.5, 260, 0, 500, -3, 1000, -0.5, 2500, -1, 5000, -2,
                    9000, -3.5, 15000, -9));

    public PlaybackSystem {
        if (hz.length < 2 || hz.length != levelDb.length) {
            throw new IllegalArgumentException(hz.length + " frequencies, " + levelDb.length + " levels");
        }
        for (int i = 1; i < hz.length; i++) {
            if (!(hz[i] > hz[i - 1])) throw new IllegalArgumentException("frequencies do not ascend at " + hz[i]);
        }
        hz = hz.clone();
        levelDb = levelDb.clone();
    }

    private static PlaybackSystem system(String id, String name, double... pairs) {
        double[] hz = new double[pairs.length / 2];
        double[] db = new double[hz.length];
        for (int i = 0; i < hz.length; i++) {
            hz[i] = pairs[2 * i];
            db[i] = pairs[2 * i + 1];
        }
        return new PlaybackSystem(id, name, hz, db);
    }

    public static Optional<PlaybackSystem> find(String id) {
        return ALL.stream().filter(s -> s.id.equals(id)).findFirst();
    }

    /** Level at a frequency, dB: straight between the points on a logarithmic axis. */
    public double levelDbAt(double frequencyHz) {
        double f = Math.log(frequencyHz) / Math.log(2);
        double first = Math.log(hz[0]) / Math.log(2);
        int last = hz.length - 1;
        if (f <= first) return levelDb[0] - FALL_DB_PER_OCTAVE * (first - f);
        double top = Math.log(hz[last]) / Math.log(2);
        if (f >= top) return levelDb[last] - FALL_DB_PER_OCTAVE * (f - top);
        int i = Arrays.binarySearch(hz, frequencyHz);
        if (i >= 0) return levelDb[i];
        int right = -i - 1;
        double a = Math.log(hz[right - 1]) / Math.log(2);
        double b = Math.log(hz[right]) / Math.log(2);
        double share = (f - a) / (b - a);
        return (1 - share) * levelDb[right - 1] + share * levelDb[right];
    }

    @Override
    public double[] hz() {
        return hz.clone();
    }

    @Override
    public double[] levelDb() {
        return levelDb.clone();
    }
}
