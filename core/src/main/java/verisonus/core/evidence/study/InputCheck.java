package verisonus.core.evidence.study;

import java.util.OptionalDouble;
import verisonus.core.evidence.notes.TuningEstimator;
import verisonus.core.sound.Decibels;
import verisonus.core.sound.SoftestTenth;
import verisonus.core.sound.Sound;
import verisonus.core.work.Figures;

/**
 * Is an input fit to record from? A few seconds of hard playing and of rest are enough.
 *
 * @param verdict what to do about the level
 * @param peakDbfs highest sample
 * @param noiseDbfs level of the softest tenth, what lies under the playing
 * @param centsOff tuning against 440 Hz, empty where no pitch was steady enough
 */
public record InputCheck(Fitness verdict, double peakDbfs, double noiseDbfs, OptionalDouble centsOff) {
    /** What the level is like. */
    public enum Fitness {
        SILENT("nothing arrives: check the cable, the guitar's volume and the chosen input"),
        LOW(
                "too low: turn the input up until hard playing peaks between −18 and −6 dBFS"),
        GOOD(
                "good: hard playing stays clear of full scale"),
        HOT(
                "hot: turn the input down a little, hard playing comes near full scale"),
        CLIPPED(
                "clipped: turn the input down or switch its pad on; it cannot be mended later");

        private final String words;

        Fitness(String words) {
            this.words = words;
        }

        public String words() {
            return words;
        }
    }

    private static final double RINGING_DBFS = -45;
    private static final double OUT_OF_TUNE_CENTS = 5;

    public static InputCheck of(Sound heard) {
        float[] x = heard.mid();
        double peak = Decibels.fromAmplitude(heard.peak());
        int full = 0;
        for (float v : x) if (Math.abs(v) > 0.995) full++;
        Fitness verdict = full > 2
                ? Fitness.CLIPPED
                : peak > -3 ? Fitness.HOT : peak > -24 ? Fitness.GOOD : peak > -65 ? Fitness.LOW : Fitness.SILENT;
        OptionalDouble cents = OptionalDouble.empty();
        if (verdict != Fitness.SILENT && heard.durationS() >= 2) {
            var tuning = TuningEstimator.estimate(heard).value();
            if (tuning.isPresent()) cents = OptionalDouble.of(tuning.get().offsetCents());
        }
        return new InputCheck(verdict, peak, SoftestTenth.db(x, heard.rateHz()), cents);
    }

    public boolean isInTune() { return centsOff.isEmpty() || Math.abs(centsOff.getAsDouble()) <= OUT_OF_TUNE_CENTS; }

    private static String minus(String pattern, double db) {
        return Figures.read(pattern, db);
    }

    /** "good …; noise −71 dBFS; 3 cents flat". */
    public String words() {
        StringBuilder out = new StringBuilder(verdict.words());
        if (verdict == Fitness.SILENT) return out.toString();
        out.append(minus("; peak %.0f dBFS", peakDbfs));
        // While strings ring the noise beneath them cannot be read.
        out.append(noiseDbfs < RINGING_DBFS
                ? minus("; noise %.0f dBFS", noiseDbfs)
                : "; rest for a moment to read the noise");
        centsOff.ifPresent(c -> out.append(Math.abs(c) <= OUT_OF_TUNE_CENTS
                ? "; in tune"
                : Figures.of("; %.0f cents %s: tune first", Math.abs(c), c > 0 ? "sharp" : "flat")));
        return out.toString();
    }
}
