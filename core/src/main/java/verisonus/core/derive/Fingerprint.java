package verisonus.core.derive;

import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;
import verisonus.core.rig.Tone;
import verisonus.core.simulate.Quality;
import verisonus.core.simulate.Renderer;
import verisonus.core.sound.Sound;

/**
 * What a tone makes of plucked strings from soft to hard ({@link CaptureSignal}), so that tones can be told apart by what they do
 * rather than by what they are called.
 *
 * @param colourDb change of the spectrum by sixth octave, smoothed, loudness taken out
 * @param heldBack how far it holds the playing back, 0 to 1 ({@link Driven})
 * @param spreadDb how far its bands lie apart between loud and soft, mean over bands
 */
public record Fingerprint(double[] colourDb, double heldBack, double spreadDb) {
    private static final double SECONDS = 2.2;
    /** Steps that weigh alike when tones are compared. */
    private static final double COLOUR_STEP_DB = 3;
    private static final double HELD_STEP = 0.12;
    private static final double SPREAD_STEP_DB = 2.5;
    private static final Sound SIGNAL = CaptureSignal.make().slice(1.4, 1.4 + SECONDS);
    private static final Map<Tone, Fingerprint> MEASURED = new ConcurrentHashMap<>();

    /** Measured once for each tone. */
    public static Fingerprint of(Tone tone) {
        return MEASURED.computeIfAbsent(tone, Fingerprint::measure);
    }

    /** What is played for the fingerprints of tones. */
    static float[] signal() {
        return SIGNAL.mid();
    }

    private static Fingerprint measure(Tone tone) {
        float[] played = Renderer.renderMono(tone, SIGNAL.mid(), Quality.DRAFT);
        return between(SIGNAL.mid(), played);
    }

    /** What made this of that; with other playing only roughly so. */
    static Fingerprint between(float[] dry, float[] played) {
        Features a = Features.of(dry, 0, Renderer.RATE_HZ);
        Features b = Features.of(played, 0, Renderer.RATE_HZ);
        double[] colour = new double[a.levelDb().length];
        for (int i = 0; i < colour.length; i++) colour[i] = b.levelDb()[i] - a.levelDb()[i];
        colour = Objective.smoothed(colour);
        double mean = java.util.Arrays.stream(colour).average().orElse(0);
        for (int i = 0; i < colour.length; i++) colour[i] -= mean;
        double held = Driven.of(Sound.mono(dry, Renderer.RATE_HZ), Sound.mono(played, Renderer.RATE_HZ));
        return new Fingerprint(colour, held, spread(b) - spread(a));
    }

    private static double spread(Features f) {
        double sum = 0;
        for (double[] band : f.percentilesDb()) sum += (band[4] - band[1]) / f.percentilesDb().length;
        return sum;
    }

    /** How unlike two are: root of the mean of squares, each in steps that weigh alike. */
    public double distance(Fingerprint other) {
        double colour = 0;
        for (int i = 0; i < colourDb.length; i++)
            colour += Math.pow((colourDb[i] - other.colourDb[i]) / COLOUR_STEP_DB, 2) / colourDb.length;
        double held = Math.pow((heldBack - other.heldBack) / HELD_STEP, 2);
        double spread = Math.pow((spreadDb - other.spreadDb) / SPREAD_STEP_DB, 2);
        return Math.sqrt((colour + held + spread) / 3);
    }

    /** Of these tones the ones most like this, the nearest first. */
    public List<StartingTone> nearest(List<StartingTone> tones, int most) {
        return tones.stream().sorted(Comparator.comparingDouble(t -> of(t.tone()).distance(this))).limit(most).toList();
    }
}
