package verisonus.core.evidence.replay;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.OptionalInt;
import java.util.function.DoublePredicate;
import verisonus.core.sound.Sound;

/**
 * Explains a recording by a dry replay of it: a steady colour, a strength for each note, one rate at which notes die away, tails, and
 * repeats where their time is known. Parts are fitted by multiplicative updates for the Itakura-Saito divergence (C. Févotte, N. Bertin,
 * J.-L. Durrieu, "Nonnegative matrix factorization with the Itakura-Saito divergence", Neural Computation 2009), tails as in the
 * convolutive transfer function of R. Talmon, I. Cohen, S. Gannot (IEEE TASLP 2009); a cell in which something else is much louder
 * counts as four times too loud at the most, so that a drum does not rule. Input: both of one phrase, 3 s or more.
 */
final class DirectFit {
    /** Parts of the model: the note itself, tails of five lengths, three repeats. */
    private static final double[] TAILS_S = {0.25, 0.5, 1, 2, 4};
    private static final int TAIL_LATE = 3;
    static final int DIRECT = 0;
    static final int FIRST_COPY = 1 + TAILS_S.length;
    private static final int COPIES = 3;

    private static final int BROADS = 3;
    private static final double[] BROAD_EDGES_HZ = {400, 1300};
    private static final int ROUNDS = 3;
    private static final int UPDATES = 14;
    private static final double LOUDEST_RATIO = 4;
    private static final double MOST_COLOUR = 1.8;
    private static final double MOST_STRENGTH = 2;
    private static final double MOST_SUSTAIN = 4;
    private static final double SUSTAINED_S = 1.5;
    private static final int ATTACK_FRAMES = 14;
    private static final double KEPT = 0.7;

    final int frames;
    final float[] floor;
    /** The recording with the floor added. */
    final float[][] recording;
    final int[] starts;
    final int[] noteOf;
    final int[] since;
    /** The note itself, the floor left out. */
    final float[][] direct;
    /** Everything explained, the floor added. */
    final float[][] model;
    /** Share by band and part. */
    final double[][] share = new double[Channels.BANDS][FIRST_COPY + COPIES];
    /** Nothing is learnt or asked outside of these. */
    final boolean[] asked;

    /** Whether tails are among what may explain; where they may not, they are left for others to find. */
    enum Tails {
        FITTED,
        LEFT
    }

    private final Tails tails;
    private final float[][] replay;
    private final double[] colour = new double[Channels.COUNT];
    private final double[][] strength;
    private final double[] sustain = new double[BROADS];
    private float[][][] parts = new float[0][][];

    /**
     * @param recording mono or stereo, of which the middle is taken
     * @param replay the dry tone played on a take of the same phrase, in time with the recording to within 80 ms
     * @param window which seconds are asked
     */
    DirectFit(Sound recording, Sound replay, Tails tails, DoublePredicate window) {
        this.tails = tails;
        float[] x = recording.atRate(Channels.RATE_HZ).mid();
        float[] y = replay.atRate(Channels.RATE_HZ).withFrames(x.length).mid();
        float[][] heard = Channels.powers(x);
        floor = Channels.floors(heard);
        NoteWarp warp = NoteWarp.of(heard, floor, Channels.powers(y));
        this.replay = warp.powers();
        starts = warp.starts();
        frames = heard[0].length;
        this.recording = heard;
        for (int k = 0; k < heard.length; k++) for (int t = 0; t < frames; t++) heard[k][t] += floor[k];
        noteOf = new int[frames];
        since = new int[frames];
        asked = new boolean[frames];
        for (int t = 0; t < frames; t++) asked[t] = window.test((double) t / Channels.FRAMES_A_SECOND);
        int n = -1;
        for (int t = 0; t < frames; t++) {
            while (n + 1 < starts.length && starts[n + 1] <= t) n++;
            noteOf[t] = n;
            since[t] = n < 0 ? frames : t - starts[n];
        }
        strength = new double[starts.length + 1][BROADS];
        direct = new float[Channels.COUNT][frames];
        model = new float[Channels.COUNT][frames];
        for (double[] s : share) Arrays.fill(s, 0.05);
        for (double[] s : share) {
            s[DIRECT] = 1;
            if (tails == Tails.LEFT) Arrays.fill(s, 1, FIRST_COPY, 0);
        }
        Arrays.fill(colour, scale());
        fit(OptionalInt.empty());
    }

    static int broad(int channel) {
        double hz = Channels.CENTRE_HZ[channel];
        return hz < BROAD_EDGES_HZ[0] ? 0 : hz < BROAD_EDGES_HZ[1] ? 1 : 2;
    }

    /** Natural log by which the replay is to be raised as a whole. */
    private double scale() {
        float[] own = Channels.floors(replay);
        List<Double> ratios = new ArrayList<>();
        for (int k = 0; k < Channels.COUNT; k++) {
            for (int t = 0; t < frames; t += 2) {
                if (recording[k][t] > 20 * floor[k] && replay[k][t] > 20 * own[k])
                    ratios.add(Math.log(recording[k][t] / replay[k][t]));
            }
        }
        return ratios.isEmpty() ? 0 : median(ratios);
    }

    /** Fits again with repeats this many frames apart. */
    void fit(OptionalInt echoFrames) {
        double scale = colourMean();
        for (int round = 0; round < ROUNDS; round++) {
            renewDirect();
            parts = parts(echoFrames);
            update(echoFrames.isPresent());
            renewModel();
            if (round < ROUNDS - 1) learn(scale);
        }
    }

    private double colourMean() {
        return Arrays.stream(colour).average().orElse(0);
    }

    private void renewDirect() {
        for (int k = 0; k < Channels.COUNT; k++) {
            int b = broad(k);
            for (int t = 0; t < frames; t++) {
                int n = noteOf[t];
                double late = n < 0 ? 0 : Math.min(SUSTAINED_S, since[t] / (double) Channels.FRAMES_A_SECOND);
                double g = colour[k] + (n < 0 ? 0 : strength[n][b]) - sustain[b] * late;
                direct[k][t] = (float) (replay[k][t] * Math.exp(g));
            }
        }
    }

    private float[][][] parts(OptionalInt echoFrames) {
        float[][][] out = new float[FIRST_COPY + (echoFrames.isPresent() ? COPIES : 0)][][];
        out[DIRECT] = direct;
        for (int j = 0; j < TAILS_S.length; j++)
            out[1 + j] = tails == Tails.FITTED ? tail(TAILS_S[j], TAIL_LATE) : new float[Channels.COUNT][frames];
        for (int c = 0; echoFrames.isPresent() && c < COPIES; c++)
            out[FIRST_COPY + c] = copy((c + 1) * echoFrames.getAsInt());
        return out;
    }

    /** What the notes would leave behind in a space of this decay, of about the notes' own energy. */
    float[][] tail(double decayS, int lateFrames) {
        double keep = Math.pow(10, -6 / (decayS * Channels.FRAMES_A_SECOND));
        float[][] out = new float[Channels.COUNT][frames];
        for (int k = 0; k < Channels.COUNT; k++) {
            double e = 0;
            for (int t = 0; t < frames; t++) {
                e = keep * e + (t >= lateFrames ? (1 - keep) * direct[k][t - lateFrames] : 0);
                out[k][t] = (float) e;
            }
        }
        return out;
    }

    /** The notes later, spread over three frames. */
    float[][] copy(int later) {
        float[][] out = new float[Channels.COUNT][frames];
        for (int k = 0; k < Channels.COUNT; k++) {
            for (int t = Math.max(0, later - 1); t < frames; t++) {
                float v = 0;
                for (int d = -1; d <= 1; d++) {
                    int from = t - later + d;
                    if (from >= 0) v += (d == 0 ? 0.5f : 0.25f) * direct[k][from];
                }
                out[k][t] = v;
            }
        }
        return out;
    }

    private void update(boolean echoing) {
        int n = parts.length;
        for (double[] s : share) {
            if (!echoing) Arrays.fill(s, FIRST_COPY, s.length, 0);
            else for (int j = FIRST_COPY; j < s.length; j++) if (s[j] <= 0) s[j] = 0.05;
        }
        for (int pass = 0; pass < UPDATES; pass++) {
            renewModel();
            double[][] up = new double[Channels.BANDS][n];
            double[][] down = new double[Channels.BANDS][n];
            for (int k = 0; k < Channels.COUNT; k++) {
                int b = Channels.BAND[k];
                for (int t = 0; t < frames; t++) {
                    if (!asked[t]) continue;
                    double inverse = 1 / model[k][t];
                    double ratio = Math.min(recording[k][t] * inverse, LOUDEST_RATIO);
                    for (int j = 0; j < n; j++) {
                        double x = parts[j][k][t] * inverse;
                        up[b][j] += x * ratio;
                        down[b][j] += x;
                    }
                }
            }
            for (int b = 0; b < Channels.BANDS; b++) {
                for (int j = 0; j < n; j++)
                    share[b][j] *= Math.pow(Math.clamp(up[b][j] / (down[b][j] + 1e-12), 0.1, 10), KEPT);
            }
        }
    }

    private void renewModel() {
        for (int k = 0; k < Channels.COUNT; k++) {
            double[] s = share[Channels.BAND[k]];
            for (int t = 0; t < frames; t++) {
                double v = floor[k];
                for (int j = 0; j < parts.length; j++) v += s[j] * parts[j][k][t];
                model[k][t] = (float) v;
            }
        }
    }

    /** Power of the repeats in a cell. */
    float copies(int k, int t) {
        float v = 0;
        for (int j = FIRST_COPY; j < parts.length; j++) v += (float) share[Channels.BAND[k]][j] * parts[j][k][t];
        return v;
    }

    /** Whether a cell is mostly the note itself. */
    boolean isDirect(int k, int t) {
        return asked[t] && share[Channels.BAND[k]][DIRECT] * direct[k][t] > 0.5 * model[k][t];
    }

    private void learn(double scale) {
        for (int k = 0; k < Channels.COUNT; k++) {
            List<Double> off = new ArrayList<>();
            for (int t = 0; t < frames; t++) if (isDirect(k, t)) off.add(Math.log(recording[k][t] / model[k][t]));
            if (off.size() > 10)
                colour[k] = Math.clamp(colour[k] + median(off), scale - MOST_COLOUR, scale + MOST_COLOUR);
        }
        for (int n = 0; n < starts.length; n++) {
            for (int b = 0; b < BROADS; b++) {
                List<Double> off = new ArrayList<>();
                int to = Math.min(frames, starts[n] + ATTACK_FRAMES);
                for (int t = starts[n]; t < to && noteOf[t] == n; t++) {
                    for (int k = 0; k < Channels.COUNT; k++)
                        if (broad(k) == b && isDirect(k, t)) off.add(Math.log(recording[k][t] / model[k][t]));
                }
                if (off.size() > 5)
                    strength[n][b] = Math.clamp(strength[n][b] + KEPT * median(off), -MOST_STRENGTH, MOST_STRENGTH);
            }
        }
        learnSustain();
    }

    private void learnSustain() {
        for (int b = 0; b < BROADS; b++) {
            double n = 0;
            double x = 0;
            double y = 0;
            double xx = 0;
            double xy = 0;
            for (int k = 0; k < Channels.COUNT; k++) {
                if (broad(k) != b) continue;
                for (int t = 0; t < frames; t++) {
                    if (noteOf[t] < 0 || !isDirect(k, t)) continue;
                    double s = Math.min(SUSTAINED_S, since[t] / (double) Channels.FRAMES_A_SECOND);
                    double v = Math.clamp(Math.log(recording[k][t] / model[k][t]), -2.5, 2.5);
                    n++;
                    x += s;
                    y += v;
                    xx += s * s;
                    xy += s * v;
                }
            }
            double spread = n * xx - x * x;
            if (n < 50 || spread < 1e-6) continue;
            sustain[b] = Math.clamp(sustain[b] - 0.7 * (n * xy - x * y) / spread, -MOST_SUSTAIN, MOST_SUSTAIN);
        }
    }

    /** How strongly a note was raised in a broad band, natural log. */
    double strength(int note, int broad) {
        return note < 0 ? 0 : strength[note][broad];
    }

    static double median(List<Double> v) {
        double[] s = v.stream().mapToDouble(Double::doubleValue).sorted().toArray();
        return s.length % 2 == 1 ? s[s.length / 2] : 0.5 * (s[s.length / 2 - 1] + s[s.length / 2]);
    }
}
