package verisonus.core.capture;

import java.util.ArrayList;
import java.util.List;
import verisonus.core.sound.Bands;
import verisonus.core.sound.RealFft;
import verisonus.core.sound.Sound;

/**
 * What a take does not show of an amp yet: registers in which no note was played, strengths that are missing, bands in which hardly
 * anything went in.
 *
 * @param notes registers that are missing
 * @param strengths kinds of strokes that are missing
 * @param bands parts of the spectrum that are missing
 */
public record CaptureCoverage(List<String> notes, List<String> strengths, List<String> bands) {
    private static final int FRAME = 4096;
    private static final double AUDIBLE_DB = -45;
    private static final double CLEAR_PITCH = 0.55;
    private static final int LEAST_FRAMES = 4;
    private static final int LEAST_STROKES = 2;
    private static final double RISE_DB = 2.5;
    private static final double[] REGISTERS_HZ = {70, 120, 220, 420, 900};
    private static final String[] REGISTERS = {"low strings", "middle strings", "high strings",
            "high notes above 420 Hz"};
    private static final double[] EDGES_HZ = {80, 200, 500, 1250, 3000, 6000};
    private static final String[] BANDS = {"80 to 200 Hz", "200 to 500 Hz", "500 Hz to 1.25 kHz", "1.25 to 3 kHz",
            "3 to 6 kHz"};
    /** A band this far under the strongest tells nothing of how the amp treats it. */
    private static final double EMPTY_DB = -48;

    public CaptureCoverage {
        notes = List.copyOf(notes);
        strengths = List.copyOf(strengths);
        bands = List.copyOf(bands);
    }

    /** @param played dry */
    public static CaptureCoverage of(Sound played) {
        Sound s = played.atRate(Sound.WORKING_RATE_HZ);
        float[] x = s.mid();
        double[] level = new double[Math.max(0, x.length / FRAME)];
        double top = -200;
        for (int f = 0; f < level.length; f++) {
            level[f] = levelDb(x, f * FRAME, FRAME);
            top = Math.max(top, level[f]);
        }
        return new CaptureCoverage(notes(x, level, top), strengths(level, top), bands(x));
    }

    private static double levelDb(float[] x, int from, int n) {
        double sum = 1e-15;
        for (int i = from; i < from + n; i++) sum += (double) x[i] * x[i];
        return 10 * Math.log10(sum / n);
    }

    private static List<String> notes(float[] x, double[] level, double top) {
        int[] heard = new int[REGISTERS.length];
        for (int f = 0; f < level.length; f++) {
            if (level[f] < top + AUDIBLE_DB) continue;
            double hz = pitchHz(x, f * FRAME);
            for (int r = 0; r < REGISTERS.length; r++) {
                if (hz >= REGISTERS_HZ[r] && hz < REGISTERS_HZ[r + 1]) heard[r]++;
            }
        }
        List<String> out = new ArrayList<>();
        for (int r = 0; r < REGISTERS.length; r++) if (heard[r] < LEAST_FRAMES) out.add(REGISTERS[r]);
        return out;
    }

    /** Lag at which the frame is most like itself; 0 where it is not like itself at any. */
    private static double pitchHz(float[] x, int from) {
        RealFft fft = new RealFft(2 * FRAME);
        float[] a = new float[2 * FRAME];
        System.arraycopy(x, from, a, 0, FRAME);
        fft.forward(a);
        float[] b = a.clone();
        for (int k = 3; k < b.length; k += 2) b[k] = -b[k];
        RealFft.multiply(a, b);
        fft.inverse(a);
        int shortest = (int) (Sound.WORKING_RATE_HZ / REGISTERS_HZ[REGISTERS.length]);
        int longest = (int) (Sound.WORKING_RATE_HZ / REGISTERS_HZ[0]);
        double most = 0;
        for (int lag = shortest; lag <= longest; lag++) most = Math.max(most, alike(a, lag));
        if (most < CLEAR_PITCH) return 0;
        // The shortest lag that is nearly as good is the pitch; its multiples are as good.
        for (int lag = shortest + 1; lag < longest; lag++) {
            double here = alike(a, lag);
            if (here > 0.9 * most && here >= alike(a, lag - 1) && here >= alike(a, lag + 1))
                return (double) Sound.WORKING_RATE_HZ / lag;
        }
        return 0;
    }

    private static double alike(float[] correlation, int lag) {
        return correlation[lag] / (correlation[0] + 1e-12) * FRAME / (FRAME - lag);
    }

    private static List<String> strengths(double[] level, double top) {
        int soft = 0;
        int middle = 0;
        int hard = 0;
        for (int f = 1; f + 1 < level.length; f++) {
            // A stroke may fall on two frames.
            double peak = Math.max(level[f], level[f + 1]);
            if (peak < level[f - 1] + RISE_DB || peak < top + AUDIBLE_DB) continue;
            f++;
            if (peak > top - 6) {
                hard++;
            } else if (peak > top - 16) {
                middle++;
            } else {
                soft++;
            }
        }
        List<String> out = new ArrayList<>();
        if (soft < LEAST_STROKES) out.add("soft strokes, 16 dB or more under the hardest");
        if (middle < LEAST_STROKES) out.add("strokes of middle strength");
        if (hard < LEAST_STROKES) out.add("hard strokes");
        return out;
    }

    private static List<String> bands(float[] x) {
        Bands thirds = Bands.thirds(EDGES_HZ[0], EDGES_HZ[EDGES_HZ.length - 1]);
        double[] db = Bands.levelsDb(thirds.longTermPower(x, Sound.WORKING_RATE_HZ), 100);
        double[] hz = thirds.centresHz();
        double top = java.util.Arrays.stream(db).max().orElse(0);
        List<String> out = new ArrayList<>();
        for (int b = 0; b < BANDS.length; b++) {
            double most = -200;
            for (int i = 0; i < hz.length; i++)
                if (hz[i] >= EDGES_HZ[b] * 0.98 && hz[i] < EDGES_HZ[b + 1]) most = Math.max(most, db[i]);
            if (most < top + EMPTY_DB) out.add(BANDS[b]);
        }
        return out;
    }

    public boolean isComplete() { return notes.isEmpty() && strengths.isEmpty() && bands.isEmpty(); }

    /** "not covered yet: high notes above 420 Hz; soft strokes …". */
    public String words() {
        if (isComplete()) return "notes, strengths and bands are covered";
        List<String> all = new ArrayList<>(notes);
        all.addAll(strengths);
        bands.forEach(b -> all.add("anything from " + b));
        return "not covered yet: " + String.join("; ", all);
    }
}
