package verisonus.core.evidence;

import java.util.Locale;
import java.util.OptionalDouble;
import verisonus.core.sound.Sound;

/**
 * Does something move the sound to and fro? Sway of the level common to all bands speaks for tremolo, opposed between lows and
 * highs for harmonic tremolo, sway of the pitch for vibrato; a restless pitch and level without one rate for a moving comb
 * (chorus, flanger, phaser), whose kind is a guess. Input: mono mid, 3 s or more.
 */
public final class ModulationEstimator {
    private static final double SLOWEST_HZ = 1.5;
    private static final double FASTEST_HZ = 10;

    private ModulationEstimator() {}

    /**
     * What decisions rest on.
     *
     * @param common sway of the level in all bands together, dB a second
     * @param opposed sway of the lows against the highs
     * @param pitch sway of the pitch, cents a hop
     * @param restlessPitch median size of the change of pitch, cents a hop
     * @param restlessLevel median size of the slope of the level, dB a second
     * @param binSlope median slope of the strongest bins, dB a second
     * @param rise slope that the level exceeds a sixth of the time, away from notes' beginnings, dB a second
     */
    record Figures(Swing common, Swing opposed, Swing pitch, double restlessPitch, double restlessLevel,
            double binSlope,
            double rise) {
        double vibratoCents() {
            return pitch.rateHz() <= 0 ? 0 : pitch.amplitude() / LevelMovement.HOP_S / (2 * Math.PI * pitch.rateHz());
        }
    }

    /** The figures of a recording in one line, for reports. */
    public static String figures(Sound sound) {
        Figures f = measured(sound);
        return String.format(Locale.ROOT,
                "am %.2fHz %.2f %.0f  op %.2fHz %.2f %.0f  fm %.2fHz %.2f %.1fc  rp %.2f rl %.1f bs %.0f rise %.0f",
                f.common.rateHz(), f.common.share(), f.common.amplitude(), f.opposed.rateHz(), f.opposed.share(),
                f.opposed.amplitude(), f.pitch.rateHz(), f.pitch.share(), f.vibratoCents(), f.restlessPitch,
                f.restlessLevel, f.binSlope, f.rise);
    }

    private static Figures measured(Sound sound) {
        float[] x = sound.atRate(LevelMovement.RATE_HZ).mid();
        LevelMovement level = LevelMovement.of(x);
        PitchMovement pitch = PitchMovement.of(x);
        double hop = LevelMovement.HOP_S;
        return new Figures(Swing.of(level.common(), hop, SLOWEST_HZ, FASTEST_HZ),
                Swing.of(level.opposed(), hop, SLOWEST_HZ, FASTEST_HZ), Swing.of(pitch.cents(), hop, 2, 9),
                Swing.medianSize(pitch.cents()), Swing.medianSize(level.common()), pitch.binSlope(),
                Swing.quantile(level.common(), 5 / 6.0));
    }

    public static Finding<ModulationReading> estimate(Sound sound) {
        if (sound.durationS() < 3) return Finding.unknown("too short to see a movement come round");
        return decide(measured(sound));
    }

    private static Finding<ModulationReading> decide(Figures f) {
        if (f.pitch.share() > 0.6 && f.vibratoCents() > 8 && f.opposed.amplitude() < 40) {
            return steady(ModulationReading.Kind.VIBRATO, f.pitch, OptionalDouble.empty(),
                    "the pitch of all partials sways together");
        }
        boolean opposed = f.opposed.share() > 0.35 && f.opposed.amplitude() > 60 && f.opposed.rateHz() > 2.2
                && (f.pitch.share() > 0.3 || f.opposed.amplitude() > 1.6 * f.common.amplitude());
        if (opposed) {
            return steady(ModulationReading.Kind.HARMONIC_TREMOLO, f.opposed, OptionalDouble.empty(),
                    "lows and highs sway against each other");
        }
        boolean together = f.common.share() > 0.42 && f.common.amplitude() > 50 && f.common.rateHz() > 2.2
                && f.opposed.amplitude() < 0.75 * f.common.amplitude() + 25
                // Stabs that are stopped in rhythm only fall; a tremolo brings the level back up within a note.
                && f.rise > 0.35 * f.common.amplitude();
        if (together) {
            return steady(ModulationReading.Kind.TREMOLO, f.common, OptionalDouble.of(depthPercent(f.common)),
                    "the level of all bands sways together");
        }
        // Fast muted playing is as restless as a comb; where the level itself is restless the recording cannot tell.
        if (f.binSlope > 75 && f.restlessLevel < 38 && f.restlessPitch > 0.05) {
            ModulationReading.Kind kind = f.restlessPitch > 0.22
                    ? ModulationReading.Kind.CHORUS
                    : ModulationReading.Kind.PHASER;
            return Finding.present(new ModulationReading(kind, OptionalDouble.empty(), OptionalDouble.empty()), 0.6,
                    "partials rise and fall against each other, without one rate; the kind is a guess");
        }
        if (f.restlessPitch > 0.08 && f.binSlope > 30) {
            return Finding.unknown("partials are restless: a slow sweep, a room or fast playing would do that");
        }
        return Finding.absent(0.75,
                "neither level nor pitch sways at a steady rate; a faint, slow sweep would not show");
    }

    private static Finding<ModulationReading> steady(ModulationReading.Kind kind, Swing s, OptionalDouble depth,
            String why) {
        return Finding.present(new ModulationReading(kind, OptionalDouble.of(s.rateHz()), depth),
                Math.clamp(0.6 + 0.4 * s.share(), 0, 0.95), why);
    }

    /** Peak-to-peak swing of the level as a share of the gain; what note beginnings hide makes it read a sixth low. */
    private static double depthPercent(Swing s) {
        double peakToPeakDb = 1.2 * s.amplitude() / (Math.PI * s.rateHz());
        return 100 * (1 - Math.pow(10, -peakToPeakDb / 20));
    }
}
