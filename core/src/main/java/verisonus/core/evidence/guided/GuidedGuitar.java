package verisonus.core.evidence.guided;

import verisonus.core.evidence.level.SpectrumEstimator;
import verisonus.core.evidence.level.SpectrumReading;
import verisonus.core.sound.Bands;
import verisonus.core.sound.Sound;

/**
 * The guitar of a recording in which it never stands alone, as well as a take of the same phrase tells it: what is isolated, with the
 * colour that the reading of its third octaves says it has. Good for what is steady or wide in time (colour, envelopes over 50 ms); its
 * attacks and tails are the mask's.
 *
 * @param sound as long as the recording, in one channel, at 22050 Hz; nothing where the take does not play
 * @param reading its third octaves, and how far each may be off
 */
public record GuidedGuitar(Sound sound, GuidedReading reading) {
    /** Rests are heard as rests: nobody listens to this. */
    private static final double LEAST = 0.01;
    /** What a band was masked by is not raised beyond this. */
    private static final double MOST_DB = 12;

    /** @param take in time with the recording, of which no more is asked than the take plays */
    public static GuidedGuitar of(Sound recording, Sound take) {
        LaidSpectra.Part part = LaidSpectra.Part.of(recording, take);
        LaidSpectra laid = part.laid();
        float[][] sparing = GuidedSplit.of(laid, GuidedSplit.Setting.SPARING);
        float[][] thorough = GuidedSplit.of(laid, GuidedSplit.Setting.THOROUGH);
        GuidedReading reading = GuidedReading.of(GuidedParts.of(laid, thorough, sparing));
        // What is left of others fills rests and gaps, and passes for dirt; a guitar aside has little of it.
        Sound heard = GuidedIsolation.of(laid, laid.aside() ? sparing : thorough, LEAST);
        Sound guitar = coloured(Sound.mono(heard.mid(), heard.rateHz()), reading.levelDb());
        float[] whole = new float[(int) Math.ceil(recording.durationS() * LaidSpectra.RATE_HZ)];
        int from = (int) (part.fromS() * LaidSpectra.RATE_HZ);
        System.arraycopy(guitar.mid(), 0, whole, from, Math.min(guitar.frames(), whole.length - from));
        return new GuidedGuitar(Sound.mono(whole, LaidSpectra.RATE_HZ), reading);
    }

    /** Its colour, each band trusted as far as it could be read. */
    public SpectrumReading spectrum() {
        Bands bands = Bands.thirds(50, 16000);
        double[] hz = bands.centresHz();
        double[] trust = new double[hz.length];
        for (int b = 0; b < trust.length; b++) trust[b] = reading.trust(hz[b]);
        return SpectrumEstimator.reading(hz,
                bands.longTermPower(sound.atRate(Sound.WORKING_RATE_HZ).mid(), Sound.WORKING_RATE_HZ), trust);
    }

    private static Sound coloured(Sound sound, double[] wantedDb) {
        double[] has = GuidedParts.thirdsDb(sound);
        double[] gain = new double[has.length];
        for (int b = 0; b < gain.length; b++) gain[b] = Math.clamp(wantedDb[b] - has[b], -MOST_DB, MOST_DB);
        int frames = LaidSpectra.frames().powers(sound.mid()).length;
        float[] row = new float[LaidSpectra.frames().size() / 2 + 1];
        for (int k = 0; k < row.length; k++) row[k] = (float) Math.pow(10, at(gain, k) / 20);
        float[][] all = new float[frames][];
        java.util.Arrays.fill(all, row);
        return LaidSpectra.frames().through(sound, all);
    }

    /** Between the bands' centres on a straight line over the logarithm of frequency. */
    private static double at(double[] gain, int bin) {
        double hz = Math.max(1, bin) * (double) LaidSpectra.RATE_HZ / LaidSpectra.frames().size();
        double place = Math.clamp(10 * Math.log10(hz / ThirdBands.LOWEST_HZ), 0, gain.length - 1.001);
        int b = (int) place;
        return gain[b] * (1 - place + b) + gain[b + 1] * (place - b);
    }
}
