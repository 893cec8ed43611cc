package verisonus.core.evidence.gear;

import verisonus.core.evidence.level.SpectrumEstimator;
import verisonus.core.evidence.level.SpectrumReading;
import verisonus.core.evidence.signs.Finding;
import verisonus.core.work.Figures;

/**
 * Has it gone through a loudspeaker? A guitar speaker falls by 20 dB and more an octave above 4 to 5 kHz; pickups and amps do
 * not. A sound that falls like this and is sent through a cabinet again is dulled twice. Reads the spectrum alone.
 *
 * <p>A method of our own, without a published source. Known error: a dry take whose highs fall by themselves, as from dark
 * pickups or a stand-in's strings, reads as through a loudspeaker; it therefore never decides by itself what a recording is for.
 *
 * <p>Units: dB an octave. Errors: none thrown; with others around the guitar unknown.
 */
public final class CabinetEstimator {
    private static final double STEEP_DB = -19;
    private static final double SHALLOW_DB = -14;

    private CabinetEstimator() {}

    /**
     * @param companyShare how likely something else plays: cymbals hide a fall
     */
    public static Finding<CabinetReading> estimate(SpectrumReading s, double companyShare) {
        double[] hz = s.bandCentresHz();
        if (s.levelAt(12500) > s.levelAt(3150) - 12 && companyShare > 0.6) {
            return Finding.unknown("what else plays fills the highs");
        }
        double steepest = 0;
        for (double from : new double[]{3150, 4000, 5000}) {
            double twice = s.levelAt(2 * from);
            if (twice <= -SpectrumEstimator.RANGE_DB + 1) continue;
            steepest = Math.min(steepest, twice - s.levelAt(from));
        }
        double from = corner(s, hz);
        String reason = Figures.of("above %.0f Hz the highs fall %.0f dB an octave", from, -steepest);
        if (steepest < STEEP_DB) {
            return Finding.present(new CabinetReading(-steepest, from),
                    Math.clamp(0.6 - (steepest - STEEP_DB) / 25, 0.6,
                            0.95),
                    reason);
        }
        if (steepest > SHALLOW_DB)
            return Finding.absent(Math.clamp(0.6 + (steepest - SHALLOW_DB) / 25, 0.6, 0.95), reason);
        return Finding.unknown(reason + ", as a dark pickup or a bright speaker would make it");
    }

    /** Where the highs leave the level from 1 to 2.5 kHz by 10 dB. */
    private static double corner(SpectrumReading s, double[] hz) {
        double middle = (s.levelAt(1000) + s.levelAt(1600) + s.levelAt(2500)) / 3;
        for (int b = 0; b < hz.length; b++) if (hz[b] > 2400 && s.levelDb()[b] < middle - 10) return hz[b];
        return 16000;
    }
}
