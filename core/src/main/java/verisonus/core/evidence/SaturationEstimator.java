package verisonus.core.evidence;

import java.io.BufferedReader;
import java.io.IOException;
import java.io.InputStream;
import java.io.InputStreamReader;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import org.jspecify.annotations.Nullable;
import verisonus.core.sound.Decibels;
import verisonus.core.sound.Sound;

/**
 * How driven is it? {@link SaturationFeatures}, standardised, with their squares, through a ridge regression to the drive
 * in dB. The weights were trained on phrases of a string model through soft, asymmetric and hard clippers, speaker filters,
 * echo and reverb ({@code bench}: SaturationTraining). Input: mono mid, 2 s or more. Silence: unknown.
 */
public final class SaturationEstimator {
    private static final Model MODEL = Model.read();
    private static final double CLIP = 3;

    private SaturationEstimator() {}

    /** Means and deviations of the features, and weights of each and of its square; the first weight stands alone. */
    record Model(double[] mean, double[] deviation, double[] weights) {
        private static Model read() {
            List<double[]> rows = new ArrayList<>();
            try (@Nullable
            InputStream in = SaturationEstimator.class.getResourceAsStream("saturation-weights.csv")) {
                if (in == null) throw new IllegalStateException("the weights of the saturation index are missing");
                BufferedReader lines = new BufferedReader(new InputStreamReader(in, StandardCharsets.US_ASCII));
                for (String line : lines.lines().filter(l -> !l.startsWith("#")).toList()) {
                    String[] cells = line.split(",", -1);
                    double[] row = new double[cells.length];
                    for (int i = 0; i < row.length; i++) row[i] = Double.parseDouble(cells[i]);
                    rows.add(row);
                }
            } catch (IOException e) {
                throw new UncheckedIOException(e);
            }
            return new Model(rows.get(0), rows.get(1), rows.get(2));
        }

        double driveDb(double[] features) {
            int n = features.length;
            double sum = weights[0];
            for (int i = 0; i < n; i++) {
                double z = Math.clamp((features[i] - mean[i]) / deviation[i], -CLIP, CLIP);
                sum += weights[1 + i] * z + weights[1 + n + i] * z * z;
            }
            return sum;
        }
    }

    public static Finding<SaturationReading> estimate(Sound sound) {
        if (sound.durationS() < 1) return Finding.unknown("too short to judge how driven it is");
        if (Decibels.fromAmplitude(sound.peak()) < Examination.SILENT_DBFS) return Finding.unknown("silent");
        double drive = Math.clamp(MODEL.driveDb(SaturationFeatures.of(sound)), -6, 40);
        SaturationReading reading = SaturationReading.ofDrive(drive);
        double crest = Decibels.fromAmplitude(sound.peak() / (sound.rms() + 1e-12));
        return Finding.present(reading, 0.7, String.format(Locale.ROOT,
                "how flat the peaks are (crest %.1f dB), how narrow the levels, how full the gaps between partials",
                crest));
    }
}
