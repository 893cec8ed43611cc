package verisonus.demo;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.SplittableRandom;
import verisonus.core.sound.Biquad;
import verisonus.core.sound.Sound;

/**
 * Plays a phrase on an instrument: nobody plays twice alike, so timing and strength waver by the seed of the take.
 *
 * @param timingMs standard deviation of each note's start
 * @param strength standard deviation of each note's strength, 0 to 1
 * @param seed of the take
 */
record Player(double timingMs, double strength, long seed) {
    private static final double NOISE_DBFS = -84;

    /** The instrument's output, straight from the pickup. */
    Sound play(List<Note> phrase, Instrument instrument, double lengthS) {
        int rate = Sound.WORKING_RATE_HZ;
        SplittableRandom random = new SplittableRandom(seed);
        float[] out = new float[(int) (lengthS * rate)];
        List<Note> taken = wavered(phrase, random);
        for (int s = 0; s < instrument.openMidi().length; s++) addString(s, taken, instrument, random, out);
        new Biquad.Section(Biquad.lowPass(instrument.resonanceHz(), instrument.resonanceQ(), rate)).process(out, 0,
                out.length);
        new Biquad.Section(Biquad.highPass(35, 0.7, rate)).process(out, 0, out.length);
        double top = 0;
        for (float v : out) top = Math.max(top, Math.abs(v));
        float gain = (float) (instrument.peak() / top);
        double noise = Math.pow(10, NOISE_DBFS / 20);
        for (int i = 0; i < out.length; i++) out[i] = (float) (gain * out[i] + noise * random.nextGaussian());
        return Sound.mono(out, rate);
    }

    private List<Note> wavered(List<Note> phrase, SplittableRandom random) {
        List<Note> out = new ArrayList<>();
        for (Note n : phrase) {
            double start = Math.max(0, n.startS() + random.nextGaussian() * timingMs / 1000);
            double hard = Math.clamp(n.strength() + random.nextGaussian() * strength, 0.15, 1);
            out.add(new Note(start, n.lengthS(), n.string(), n.fret(), hard, n.muted()));
        }
        out.sort(Comparator.comparingDouble(Note::startS));
        return out;
    }

    private static void addString(int string, List<Note> phrase, Instrument instrument, SplittableRandom random,
            float[] out) {
        List<Note> mine = phrase.stream().filter(n -> n.string() == string).toList();
        PluckedString s = new PluckedString(Sound.WORKING_RATE_HZ, instrument.pickupAt());
        int next = 0;
        double stopS = Double.MAX_VALUE;
        for (int i = 0; i < out.length; i++) {
            double t = (double) i / Sound.WORKING_RATE_HZ;
            if (next < mine.size() && t >= mine.get(next).startS()) {
                Note n = mine.get(next++);
                s.pluck(instrument.hz(n), n.strength(), n.muted(), random);
                stopS = n.startS() + n.lengthS();
            }
            if (t >= stopS) {
                s.stop();
                stopS = Double.MAX_VALUE;
            }
            if (next > 0) out[i] += s.next();
        }
    }
}
