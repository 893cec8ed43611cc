package verisonus.core.evidence.level;

import java.util.Arrays;
import verisonus.core.evidence.dirt.SaturationReading;
import verisonus.core.evidence.signs.Finding;
import verisonus.core.sound.LevelCurve;
import verisonus.core.sound.Sound;
import verisonus.core.work.Figures;

/**
 * What was done to the level besides playing.
 *
 * @param gate whether something shuts between notes: the level falls from playing to the floor faster than a string can
 * @param compressor whether the level is held narrower than the dirt explains
 */
public record LevelControl(Finding<Double> gate, Finding<Double> compressor) {
    private static final int RATE_HZ = 16000;
    private static final double SHUT_DB = 40;

    public static LevelControl of(Sound sound, DynamicsReading dynamics, Finding<SaturationReading> dirt) {
        double[] level = LevelCurve.of(sound.atRate(RATE_HZ).mid(), 80, 80);
        return new LevelControl(gate(level), compressor(dynamics, dirt));
    }

    /** Falls by more than {@value #SHUT_DB} dB within 60 ms that end in a floor: value, how many. */
    private static Finding<Double> gate(double[] level) {
        double top = Arrays.stream(level).max().orElse(-200);
        if (top < Sound.SILENT_DBFS) return Finding.unknown("silent");
        int shuts = 0;
        int pauses = 0;
        for (int t = 12; t + 6 < level.length; t++) {
            double now = Arrays.stream(level, t, t + 6).max().orElse(0);
            double before = Arrays.stream(level, t - 12, t - 8).max().orElse(0);
            boolean low = now < top - 50;
            if (low && level[t - 1] >= top - 50) pauses++;
            if (low && before - now > SHUT_DB && before > top - 30) {
                shuts++;
                t += 20;
            }
        }
        if (pauses == 0) return Finding.unknown("no pause in which a gate could shut");
        String why = Figures.of("%d of %d pauses begin within 60 ms", Math.min(shuts, pauses), pauses);
        if (shuts >= Math.max(2, pauses / 2)) return Finding.present((double) shuts, 0.8, why);
        return Finding.absent(0.75, why);
    }

    /** Value: how many dB narrower than clean playing of this dirt usually spans. */
    private static Finding<Double> compressor(DynamicsReading d, Finding<SaturationReading> dirt) {
        if (dirt.value().isEmpty()) return Finding.unknown("the dirt is not known, which narrows the level too");
        double expected = 22 - 14 * dirt.value().get().index();
        double narrower = expected - d.envelopeSpreadDb();
        String why = Figures.of("loud to soft spans %.0f dB; this dirt alone leaves about %.0f",
                d.envelopeSpreadDb(), expected);
        if (dirt.value().get().index() > 0.5) return Finding.unknown("dirt does the same: " + why);
        if (narrower > 8) return Finding.present(narrower, 0.6, why);
        if (narrower < 3) return Finding.absent(0.65, why);
        return Finding.unknown(why);
    }
}
