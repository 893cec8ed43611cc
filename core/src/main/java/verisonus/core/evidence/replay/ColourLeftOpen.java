package verisonus.core.evidence.replay;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.OptionalDouble;
import verisonus.core.sound.Sound;
import verisonus.core.sound.Stft;

/**
 * How far could the colour still be off elsewhere in the song? A short passage is matched more closely than it deserves: its chords are
 * met, not the tone. Where the pieces of a passage disagree about what differs, their mean is worth as much as its standard error says;
 * twice that is given, dB over six bands from 80 Hz to 8 kHz. Both sounds are of one phrase, in time; loudness does not matter.
 */
public final class ColourLeftOpen {
    private static final double[] EDGES_HZ = {80, 160, 400, 1000, 2000, 4000, 8000};
    private static final double PIECE_S = 0.9;
    private static final int MOST_PIECES = 24;
    private static final double QUIET_DB = 25;
    private static final int SIZE = 4096;
    /** Two standard errors hold nineteen of twenty. */
    private static final double ERRORS = 2;

    private ColourLeftOpen() {}

    /** Twice the standard error, dB; empty where fewer than two pieces sound in both. */
    public static OptionalDouble db(Sound reference, Sound candidate) {
        double lengthS = Math.min(reference.durationS(), candidate.durationS());
        int pieces = Math.clamp((int) (lengthS / PIECE_S), 0, MOST_PIECES);
        if (pieces < 2) return OptionalDouble.empty();
        List<double[]> wanted = new ArrayList<>();
        List<double[]> has = new ArrayList<>();
        double loudest = 0;
        for (int i = 0; i < pieces; i++) {
            wanted.add(bands(reference.slice(i * lengthS / pieces, (i + 1) * lengthS / pieces)));
            has.add(bands(candidate.slice(i * lengthS / pieces, (i + 1) * lengthS / pieces)));
            loudest = Math.max(loudest, Arrays.stream(wanted.get(i)).sum());
        }
        List<double[]> apart = new ArrayList<>();
        for (int i = 0; i < pieces; i++) {
            double level = Arrays.stream(wanted.get(i)).sum();
            if (level > loudest * Math.pow(10, -QUIET_DB / 10) && Arrays.stream(has.get(i)).sum() > 0)
                apart.add(difference(wanted.get(i), has.get(i)));
        }
        return apart.size() < 2 ? OptionalDouble.empty() : OptionalDouble.of(ERRORS * standardError(apart));
    }

    private static double[] bands(Sound s) {
        double[] out = new double[EDGES_HZ.length - 1];
        Stft stft = new Stft(SIZE, SIZE / 2);
        float[] x = s.frames() < SIZE ? Arrays.copyOf(s.mid(), SIZE) : s.mid();
        double width = (double) s.rateHz() / SIZE;
        for (float[] frame : stft.power(x)) {
            for (int b = 0; b < out.length; b++) {
                int to = (int) Math.min(frame.length, EDGES_HZ[b + 1] / width);
                for (int k = (int) Math.ceil(EDGES_HZ[b] / width); k < to; k++) out[b] += frame[k];
            }
        }
        return out;
    }

    /** By band, dB, less what all have in common. */
    private static double[] difference(double[] wanted, double[] has) {
        double[] out = new double[wanted.length];
        double floor = 1e-6 * Arrays.stream(wanted).sum();
        double gain = Arrays.stream(wanted).sum() / Arrays.stream(has).sum();
        for (int b = 0; b < out.length; b++) out[b] = 10 * Math.log10((wanted[b] + floor) / (gain * has[b] + floor));
        double mean = Arrays.stream(out).average().orElse(0);
        for (int b = 0; b < out.length; b++) out[b] -= mean;
        return out;
    }

    /** Of the mean over the pieces, root of mean square over the bands. */
    private static double standardError(List<double[]> apart) {
        int n = apart.size();
        double sum = 0;
        for (int b = 0; b < apart.get(0).length; b++) {
            int band = b;
            double mean = apart.stream().mapToDouble(d -> d[band]).average().orElse(0);
            sum += apart.stream().mapToDouble(d -> (d[band] - mean) * (d[band] - mean)).sum() / (n - 1) / n;
        }
        return Math.sqrt(sum / apart.get(0).length);
    }
}
