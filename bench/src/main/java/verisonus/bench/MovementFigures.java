package verisonus.bench;

import java.nio.file.Path;
import java.util.Locale;
import verisonus.core.evidence.ModulationEstimator;
import verisonus.core.evidence.ReverbEstimator;
import verisonus.core.sound.SoundReader;

/** Prints what the movement estimator sees in recordings: the figures its decisions rest on. */
final class MovementFigures {
    private MovementFigures() {}

    /** @param args audio files */
    public static void main(String[] args) {
        for (String a : args) {
            var s = SoundReader.read(Path.of(a)).sound();
            System.out.printf(Locale.ROOT, "%-22s %s%n", Path.of(a).getFileName(), ModulationEstimator.figures(s));
            System.out
                    .println("    tails" + ReverbEstimator.figures(s) + "  " + ReverbEstimator.estimate(s).presence());
        }
    }
}
