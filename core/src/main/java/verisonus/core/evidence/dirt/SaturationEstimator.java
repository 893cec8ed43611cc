package verisonus.core.evidence.dirt;

import java.io.BufferedReader;
import java.io.IOException;
import java.io.InputStream;
import java.io.InputStreamReader;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import verisonus.core.evidence.signs.Finding;
import verisonus.core.evidence.signs.Network;
import verisonus.core.evidence.signs.Signs;
import verisonus.core.sound.Decibels;
import verisonus.core.sound.Sound;
import verisonus.core.work.Figures;

/**
 * How driven is it? {@link SaturationFeatures}, standardised, with their squares, through a ridge regression to the drive
 * in dB. The weights were trained on phrases of a string model through soft, asymmetric and hard clippers, speaker filters,
 * echo and reverb ({@code bench}: SaturationTraining). Input: mono mid, 2 s or more. Silence: unknown.
 *
 * <p>Ridge regression after A. Hoerl and R. Kennard, Technometrics 12, 1970. Units: dB into a soft clipper, index 0 to 1. Known error: the
 * recording alone orders drives well and places them within some 5 dB; loud and even playing reads as dirtier than it is.
 */
public final class SaturationEstimator {
    /** What the weights of a recording alone weigh, and those of a recording with its take. */
    public static final List<String> SIGNS = Signs.names(SaturationSign.class);
    public static final List<String> PAIRED_SIGNS = Stream
            .concat(SIGNS.stream(), Signs.names(SaturationSign.class, "AGAINST_TAKE")).toList();
    private static final Model MODEL = Model.read("saturation-weights.csv", SIGNS);
    private static final Model PAIRED = Model.read("saturation-paired.csv", PAIRED_SIGNS);
    private static final double CLIP = 3;
    private static final double FLAT_CREST_DB = 10;
    private static final double CREST_WEIGHT = 1.5;

    private SaturationEstimator() {}

    /** Means and deviations of the features, and weights of each and of its square; the first weight stands alone. */
    record Model(double[] mean, double[] deviation, double[] weights) {
        private static Model read(String file, List<String> signs) {
            List<double[]> rows = new ArrayList<>();
            List<String> named = List.of();
            try (@Nullable
            InputStream in = SaturationEstimator.class.getResourceAsStream(file)) {
                if (in == null) throw new IllegalStateException("the weights of the saturation index are missing");
                BufferedReader lines = new BufferedReader(new InputStreamReader(in, StandardCharsets.US_ASCII));
                for (String line : lines.lines().toList()) {
                    if (line.startsWith(Network.SIGNS))
                        named = List.of(line.substring(Network.SIGNS.length()).split(",", -1));
                    if (line.startsWith("#")) continue;
                    String[] cells = line.split(",", -1);
                    double[] row = new double[cells.length];
                    for (int i = 0; i < row.length; i++) row[i] = Double.parseDouble(cells[i]);
                    rows.add(row);
                }
            } catch (IOException e) {
                throw new UncheckedIOException(e);
            }
            if (!named.equals(signs))
                throw new IllegalStateException("the weights " + file + " are of other signs: " + named);
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
        if (Decibels.fromAmplitude(sound.peak()) < Sound.SILENT_DBFS) return Finding.unknown("silent");
        Signs<SaturationSign> heard = SaturationFeatures.of(sound);
        double drive = Math.clamp(MODEL.driveDb(heard.values()) + flattened(heard), -6, 45);
        SaturationReading reading = SaturationReading.ofDrive(drive);
        double crest = Decibels.fromAmplitude(sound.peak() / (sound.rms() + 1e-12));
        return Finding.present(reading, 0.7, Figures.of(
                "how flat the peaks are (crest %.1f dB), how narrow the levels, how full the gaps between partials",
                crest));
    }

    /** With the dry take of the same performance: what the clipper changed is read instead of guessed. */
    public static Finding<SaturationReading> estimate(Sound sound, Sound take) {
        if (sound.durationS() < 1 || Decibels.fromAmplitude(sound.peak()) < Sound.SILENT_DBFS) {
            return estimate(sound);
        }
        Signs<SaturationSign> heard = SaturationFeatures.of(sound);
        Signs<SaturationSign> played = SaturationFeatures.of(take);
        double drive = Math.clamp(PAIRED.driveDb(SaturationFeatures.against(heard, played)) + flattened(heard), -6, 45);
        return Finding.present(SaturationReading.ofDrive(drive), 0.85,
                Figures.of("peaks stand %.1f dB over the mean, %.1f dB in the dry take",
                        heard.get(SaturationSign.CREST),
                        played.get(SaturationSign.CREST)));
    }

    /** The crest goes on falling where all else has come to its end: it alone orders the heaviest drives. */
    private static double flattened(Signs<SaturationSign> signs) {
        return CREST_WEIGHT * Math.max(0, FLAT_CREST_DB - signs.get(SaturationSign.CREST));
    }
}
