package verisonus.core.evidence;

import java.util.List;
import java.util.Locale;
import java.util.OptionalDouble;
import verisonus.core.evidence.ModulationReading.Kind;
import verisonus.core.sound.Sound;

/**
 * Does something move the sound to and fro? {@link MovementFeatures} (sway of the level, of lows against highs, of pitch, of
 * sides, of single bands) are weighed by a {@link Network} to the probability of each kind; the rate is that of the sway which
 * the kind is known by. A comb's kind and rate are the weak part. Input: mono or stereo, 3 s or more.
 */
public final class ModulationEstimator {
    /** Answers of the network, in its order; the first stands for nothing. */
    private static final List<Kind> KINDS = List.of(Kind.TREMOLO, Kind.HARMONIC_TREMOLO, Kind.VIBRATO, Kind.CHORUS,
            Kind.FLANGER, Kind.PHASER, Kind.ROTARY);
    private static final Network ALONE = Network.named("movement-alone.csv");
    private static final Network PAIRED = Network.named("movement-paired.csv");
    /** Movement and none both less likely than this: the recording cannot tell. */
    private static final double SURE = 0.7;
    private static final double LIKELY = 0.62;
    private static final double RISES = 0.35;

    private ModulationEstimator() {}

    public static Finding<ModulationReading> estimate(Sound sound) {
        if (sound.durationS() < 3) return Finding.unknown("too short to see a movement come round");
        return decide(MovementFeatures.of(sound), ALONE);
    }

    /** With the dry take of the same performance, whose sound comes {@code lagS} earlier. */
    static Finding<ModulationReading> estimate(Sound sound, Sound take, double lagS) {
        return decide(MovementFeatures.between(sound, take, lagS), PAIRED);
    }

    private static Finding<ModulationReading> decide(MovementFeatures f, Network network) {
        double[] p = network.probabilities(f.values());
        if (p[0] >= SURE) {
            return Finding.absent(p[0],
                    "neither level nor pitch nor single bands sway at a steady rate; a faint, slow sweep would not show");
        }
        if (1 - p[0] < SURE) {
            return Finding.unknown("something is restless, as fast playing, a room or a slow sweep would make it");
        }
        int best = 0;
        double comb = 0;
        for (int k = 0; k < KINDS.size(); k++) {
            if (p[k + 1] > p[best + 1]) best = k;
            if (KINDS.get(k).isMovingComb()) comb += p[k + 1];
        }
        if (comb > 0.5 && !KINDS.get(best).isMovingComb()) {
            for (int k = 0; k < KINDS.size(); k++) if (KINDS.get(k).isMovingComb() && p[k + 1] > comb / 3) best = k;
        }
        Kind kind = KINDS.get(best);
        // Notes that are stopped in rhythm only fall; a tremolo brings the level back up within a note.
        if (kind == Kind.TREMOLO && f.rise() < RISES * f.common().amplitude()) {
            return Finding.unknown("the level sways, but only falls: stopped notes would do that");
        }
        // Of a comb the family is what is stated; its kind is called likely in words.
        double confidence = kind.isMovingComb() ? comb : p[best + 1];
        if (confidence < LIKELY) return Finding.unknown("something sways, but the kind cannot be told");
        return Finding.present(new ModulationReading(kind, rate(kind, f), depth(kind, f)), confidence, reason(kind, f));
    }

    private static OptionalDouble rate(Kind kind, MovementFeatures f) {
        return switch (kind) {
            case TREMOLO -> OptionalDouble.of(f.common().rateHz());
            case HARMONIC_TREMOLO -> OptionalDouble.of(f.opposed().rateHz());
            case VIBRATO -> OptionalDouble.of(f.pitch().rateHz());
            case ROTARY -> OptionalDouble.of(f.common().share() > f.pitch().share()
                    ? f.common().rateHz()
                    : f.pitch().rateHz());
            // Bands sway at multiples of a sweep's rate as much as at the rate itself: it is not stated.
            case CHORUS, FLANGER, PHASER -> OptionalDouble.empty();
        };
    }

    private static OptionalDouble depth(Kind kind, MovementFeatures f) {
        return switch (kind) {
            case TREMOLO -> OptionalDouble.of(depthPercent(f.common(), 1));
            case HARMONIC_TREMOLO -> OptionalDouble.of(depthPercent(f.opposed(), 0.5));
            default -> OptionalDouble.empty();
        };
    }

    /** Peak-to-peak swing of the level as a share of the gain; what note beginnings hide makes it read a sixth low. */
    private static double depthPercent(Swing s, double share) {
        double peakToPeakDb = 1.2 * share * s.amplitude() / (Math.PI * Math.max(0.1, s.rateHz()));
        return 100 * (1 - Math.pow(10, -peakToPeakDb / 20));
    }

    private static String reason(Kind kind, MovementFeatures f) {
        return switch (kind) {
            case TREMOLO -> said("the level of all bands sways together, %.0f dB a second at the steepest", f.common()
                    .amplitude());
            case HARMONIC_TREMOLO -> said("lows and highs sway against each other, %.0f dB a second at the steepest",
                    f.opposed().amplitude());
            case VIBRATO -> said("the pitch of all partials sways together, %.0f cents to either side",
                    MovementFeatures.cents(f.pitch()));
            case ROTARY -> "level and pitch sway together, the highs more than the lows";
            case CHORUS, FLANGER, PHASER ->
                "partials rise and fall against each other within notes; the kind is a guess";
        };
    }

    private static String said(String pattern, double figure) {
        return String.format(Locale.ROOT, pattern, figure);
    }
}
