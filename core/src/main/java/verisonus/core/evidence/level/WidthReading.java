package verisonus.core.evidence.level;

import java.util.Arrays;
import verisonus.core.evidence.signs.Finding;
import verisonus.core.sound.Sound;
import verisonus.core.sound.Stft;
import verisonus.core.work.Figures;

/**
 * How a stereo guitar came to be wide.
 *
 * @param kind one of the ways
 * @param likeness mean correlation of the two sides' spectra, frame by frame
 */
public record WidthReading(Origin kind, double likeness) {
    /** Ways to be wide. */
    public enum Origin {
        NARROW("one guitar, as good as mono"),
        ASIDE("one guitar, off the middle"),
        WIDENED(
                "one performance, widened"),
        DOUBLED("two performances, left and right");

        private final String words;

        Origin(String words) {
            this.words = words;
        }

        public String words() {
            return words;
        }
    }

    private static final int SIZE = 2048;

    /** A widened take has the same partials at the same moment on both sides; two takes never quite. */
    public static Finding<WidthReading> estimate(Sound sound, StereoReading s) {
        if (!sound.isStereo() || s.sideToMidDb() < -25) {
            return Finding.present(new WidthReading(Origin.NARROW, 1), 0.95, "left and right are alike");
        }
        double balance = balanceDb(sound);
        if (Math.abs(balance) > 3 && s.correlation() > 0.9) {
            return Finding.present(new WidthReading(Origin.ASIDE, 1), 0.9,
                    Figures.of("one side is %.0f dB louder and the same", Math.abs(balance)));
        }
        double likeness = likeness(sound);
        String why = Figures.of("the sides' spectra agree %.2f from moment to moment, correlation %.2f",
                likeness, s.correlation());
        if (likeness > 0.93) {
            return Finding.present(new WidthReading(Origin.WIDENED, likeness),
                    Math.clamp(0.6 + 5 * (likeness - 0.93), 0.6,
                            0.9),
                    why);
        }
        if (likeness < 0.88) {
            return Finding.present(new WidthReading(Origin.DOUBLED, likeness),
                    Math.clamp(0.6 + 2 * (0.88 - likeness), 0.6,
                            0.9),
                    why);
        }
        return Finding.unknown(why);
    }

    private static double balanceDb(Sound sound) {
        double l = 1e-12;
        double r = 1e-12;
        for (int i = 0; i < sound.frames(); i++) {
            l += (double) sound.channel(0)[i] * sound.channel(0)[i];
            r += (double) sound.channel(1)[i] * sound.channel(1)[i];
        }
        return 10 * Math.log10(r / l);
    }

    private static double likeness(Sound sound) {
        Sound s = sound.atRate(22050);
        Stft stft = new Stft(SIZE, SIZE / 2);
        int frames = stft.frames(s.frames());
        double[] found = new double[frames];
        double[] level = new double[frames];
        float[] buffer = new float[SIZE];
        float[] a = new float[SIZE / 2 + 1];
        float[] b = new float[SIZE / 2 + 1];
        for (int t = 0; t < frames; t++) {
            stft.frame(s.channel(0), t, buffer, a);
            stft.frame(s.channel(1), t, buffer, b);
            double ab = 0;
            double aa = 1e-15;
            double bb = 1e-15;
            for (int k = 8; k < 400; k++) {
                double x = Math.sqrt(Math.sqrt(a[k]));
                double y = Math.sqrt(Math.sqrt(b[k]));
                ab += x * y;
                aa += x * x;
                bb += y * y;
            }
            found[t] = ab / Math.sqrt(aa * bb);
            level[t] = aa + bb;
        }
        double top = Arrays.stream(level).max().orElse(0);
        double[] loud = java.util.stream.IntStream.range(0, frames).filter(t -> level[t] > 0.1 * top)
                .mapToDouble(t -> found[t]).sorted().toArray();
        return loud.length == 0 ? 1 : loud[loud.length / 2];
    }
}
