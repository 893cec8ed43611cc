package verisonus.demo;

import java.util.ArrayList;
import java.util.List;
import java.util.SplittableRandom;
import verisonus.core.sound.Sound;

/** Made-up mixes of a guitar with drums, a bass and a held keyboard chord, for measuring estimators. */
public final class Mixes {
    private static final double LENGTH_S = 10;

    private Mixes() {}

    /** A guitar and what plays with it, at like levels. */
    public record Mix(Sound guitar, Sound rest) {}

    /** The same seed gives the same mix. */
    public static Mix mix(long seed) {
        SplittableRandom random = new SplittableRandom(seed);
        Takes.Style style = Takes.Style.values()[random.nextInt(Takes.Style.values().length)];
        Takes.Take guitar = Takes.known(style, seed + 77, LENGTH_S);
        double beat = 60 / guitar.bpm();
        float[] drums = new float[guitar.sound().frames()];
        Drums kit = new Drums(drums, seed);
        for (int b = 0; (b + 1) * beat < LENGTH_S - 0.5; b++) {
            double at = 0.2 + b * beat;
            if (b % 2 == 0 || random.nextInt(4) == 0) kit.kick(at, 0.3);
            if (b % 2 == 1) kit.snare(at, 0.22);
            kit.hat(at, 0.1);
            kit.hat(at + beat / 2, 0.07);
        }
        List<Note> line = new ArrayList<>();
        for (double t = 0.2; t < LENGTH_S - 1; t += beat / 2) {
            line.add(new Note(t, beat / 2 * 0.9, random.nextInt(2), random.nextInt(6), 0.7, false));
        }
        float[] bass = new Player(5, 0.05, seed + 3).play(line, Instrument.BASS, LENGTH_S).mid();
        double guitarRms = guitar.sound().rms();
        double bassGain = guitarRms / (Sound.mono(bass, Sound.WORKING_RATE_HZ).rms() + 1e-9)
                * (0.7 + 0.6 * random.nextDouble());
        double drumGain = guitarRms / (Sound.mono(drums, Sound.WORKING_RATE_HZ).rms() + 1e-9)
                * (0.7 + 0.6 * random.nextDouble());
        float[] rest = new float[drums.length];
        float[] keys = keys(rest.length, random, guitarRms * 0.5);
        for (int i = 0; i < rest.length; i++) {
            rest[i] = (float) (drumGain * drums[i] + (i < bass.length ? bassGain * bass[i] : 0) + keys[i]);
        }
        return new Mix(guitar.sound(), Sound.mono(rest, Sound.WORKING_RATE_HZ));
    }

    private static float[] keys(int n, SplittableRandom random, double rms) {
        float[] out = new float[n];
        double root = 130.8 * Math.pow(2, random.nextInt(12) / 12.0);
        for (double step : new double[]{1, 1.26, 1.498}) {
            for (int k = 1; k < 8; k++) {
                double w = 2 * Math.PI * root * step * k / Sound.WORKING_RATE_HZ;
                for (int i = 0; i < n; i++) out[i] += (float) (Math.sin(w * i) / (k * k));
            }
        }
        double gain = rms / (Sound.mono(out, Sound.WORKING_RATE_HZ).rms() + 1e-9);
        for (int i = 0; i < n; i++) out[i] *= (float) gain;
        return out;
    }
}
