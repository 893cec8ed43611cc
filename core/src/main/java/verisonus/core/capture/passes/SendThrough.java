package verisonus.core.capture.passes;

import java.util.OptionalDouble;
import java.util.SplittableRandom;
import verisonus.core.rig.GearKind;
import verisonus.core.simulate.CaptureSignal;
import verisonus.core.sound.Sound;

/**
 * The file that is sent through a device: pass after pass a marker by which it is found again, for what repeats or rings a
 * tick alone, plucked strings from soft to hard, for what moves a steady noise; between passes a pause to turn. The same each time.
 *
 * @param passes how many, the bypassed one included
 * @param pauseS time to turn, s
 */
public record SendThrough(GearKind kind, int passes, double pauseS) {
    private static final int RATE_HZ = Sound.WORKING_RATE_HZ;
    /** Silence before the first pass, s: some recorders begin late. */
    private static final double LEAD_S = 2;
    private static final double MARKER_S = 0.25;
    private static final double GAP_S = 0.35;
    /** Of what repeats or rings: until the marker has died, and until a short tick has whose repeats stand alone, s. */
    private static final double MARKER_DIES_S = 1.6;
    private static final double TICK_S = 0.03;
    private static final double TICK_DIES_S = 3;
    /** Of the capture signal, from middling to hard and down to soft, s. */
    private static final double PLUCKED_FROM_S = 1.4;
    private static final double PLUCKED_S = 5;
    private static final double NOISE_S = 8;
    private static final double LONG_REST_S = 1.5;
    private static final double SHORT_REST_S = 0.6;
    /** Peak of the marker and level of the noise against full scale. */
    private static final double MARKER_PEAK = 0.35;
    private static final double NOISE_PEAK = 0.35;
    /** Correlation from which on something is the tick again, darkened and bent as repeats are. */
    private static final double LIKE_THE_TICK = 0.35;
    private static final double FADE_S = 0.01;
    private static final float[] MARKER = noise(7, MARKER_S, MARKER_PEAK);
    private static final float[] PLUCKED = CaptureSignal.make().slice(PLUCKED_FROM_S, PLUCKED_FROM_S + PLUCKED_S)
            .mid();
    private static final float[] TICK = noise(5, TICK_S, 0.7);
    private static final float[] NOISE = noise(11, NOISE_S, NOISE_PEAK);

    public SendThrough {
        if (passes < 1) throw new IllegalArgumentException("no pass");
        if (!(pauseS >= 1 && pauseS <= 120)) throw new IllegalArgumentException("a pause of " + pauseS + " s");
    }

    /** Noise that falls with frequency as music does, faded at both ends. */
    private static float[] noise(long seed, double seconds, double peak) {
        SplittableRandom random = new SplittableRandom(seed);
        float[] out = new float[(int) (seconds * RATE_HZ)];
        double smooth = 0;
        double most = 1e-9;
        for (int i = 0; i < out.length; i++) {
            double white = 2 * random.nextDouble() - 1;
            smooth += 0.2 * (white - smooth);
            double fade = Math.min(1, Math.min(i, out.length - 1 - i) / (FADE_S * RATE_HZ));
            out[i] = (float) (fade * (smooth + 0.15 * white));
            most = Math.max(most, Math.abs(out[i]));
        }
        for (int i = 0; i < out.length; i++) out[i] *= (float) (peak / most);
        return out;
    }

    static float[] marker() {
        return MARKER.clone();
    }

    /** One pass from its marker's beginning to the end of its rest. */
    float[] pass() {
        float[] out = new float[passFrames()];
        System.arraycopy(MARKER, 0, out, 0, MARKER.length);
        if (lingers()) System.arraycopy(TICK, 0, out, tickFrom(), TICK.length);
        System.arraycopy(PLUCKED, 0, out, pluckedFrom(), PLUCKED.length);
        if (moves()) System.arraycopy(NOISE, 0, out, noiseFrom(), NOISE.length);
        return out;
    }

    boolean moves() {
        return kind == GearKind.MODULATION;
    }

    boolean lingers() {
        return kind == GearKind.ECHO || kind == GearKind.REVERB;
    }

    private int tickFrom() {
        return (int) ((MARKER_S + (lingers() ? MARKER_DIES_S : GAP_S)) * RATE_HZ);
    }

    int pluckedFrom() {
        return tickFrom() + (lingers() ? (int) (TICK_DIES_S * RATE_HZ) : 0);
    }

    /**
     * From the tick to its first repeat, s, as the tick is found again in a pass of what repeats; empty where it is not.
     *
     * <p>Shorter than the tick itself no repeat is told from it.
     */
    OptionalDouble repeatS(float[] pass) {
        BurstPlace found = BurstPlace.earliest(pass, TICK, tickFrom() + (int) (1.1 * TICK.length), pluckedFrom());
        return found.likeness() < LIKE_THE_TICK
                ? OptionalDouble.empty()
                : OptionalDouble.of((found.exactly() - tickFrom()) / RATE_HZ);
    }

    /** From where on a pass is compared. */
    int comparedFrom() {
        return tickFrom();
    }

    int pluckedTo() {
        return pluckedFrom() + PLUCKED.length;
    }

    int noiseFrom() {
        return pluckedTo() + (int) (GAP_S * RATE_HZ);
    }

    int noiseTo() {
        return noiseFrom() + (moves() ? NOISE.length : 0);
    }

    int passFrames() {
        int end = moves() ? noiseTo() : pluckedTo();
        return end + (int) ((lingers() ? LONG_REST_S : SHORT_REST_S) * RATE_HZ);
    }

    /** Where a pass begins in the file, samples at the working rate. */
    int passAt(int pass) {
        return (int) (LEAD_S * RATE_HZ) + pass * (passFrames() + (int) (pauseS * RATE_HZ));
    }

    /** Where a pass begins in the file, s. */
    public double passAtS(int pass) {
        return passAt(pass) / (double) RATE_HZ;
    }

    /** From where on the controls may be turned for a pass, s. */
    public double turnFromS(int pass) {
        return pass == 0 ? 0 : passAtS(pass) - pauseS;
    }

    /** The whole file, mono. */
    public Sound signal() {
        float[] out = new float[passAt(passes - 1) + passFrames()];
        float[] pass = pass();
        for (int p = 0; p < passes; p++) System.arraycopy(pass, 0, out, passAt(p), pass.length);
        return Sound.mono(out, RATE_HZ);
    }

}
