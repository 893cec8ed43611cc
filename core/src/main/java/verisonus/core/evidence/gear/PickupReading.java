package verisonus.core.evidence.gear;

import verisonus.core.evidence.dirt.SaturationReading;
import verisonus.core.evidence.level.SpectrumReading;
import verisonus.core.evidence.signs.Finding;
import verisonus.core.work.Figures;

/**
 * What kind of pickup it sounds like: evidence, not certainty, since amp and treble control do the same.
 *
 * @param bright single-coil-like; otherwise dark, humbucker-like
 * @param biteDb level at 2.5 to 5 kHz against 500 Hz to 1.25 kHz
 */
public record PickupReading(boolean bright, double biteDb) {
    /** From the spectrum; most is hidden by dirt and by a speaker. */
    public static Finding<PickupReading> estimate(SpectrumReading s, Finding<SaturationReading> dirt,
            Finding<CabinetReading> cabinet) {
        double driven = dirt.value().map(SaturationReading::index).orElse(1.0);
        if (driven > 0.55) return Finding.unknown("dirt hides the pickup");
        double bite = (s.levelAt(2500) + s.levelAt(3150) + s.levelAt(4000) + s.levelAt(5000)) / 4
                - (s.levelAt(500) + s.levelAt(630) + s.levelAt(800) + s.levelAt(1000) + s.levelAt(1250)) / 5;
        double limit = cabinet.isPresent() ? -19 : -15;
        double clear = Math.abs(bite - limit);
        if (clear < 2) return Finding.unknown("neither bright nor dark enough to say");
        return Finding.present(new PickupReading(bite > limit, bite), Math.clamp(0.5 + clear / 40 - 0.2 * driven, 0.35,
                0.75),
                Figures.of("%.0f dB at 2.5–5 kHz against the middle; amp and treble do the same", bite));
    }
}
