package verisonus.core.evidence.movement;

import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import verisonus.core.evidence.notes.TempoReading;
import verisonus.core.evidence.signs.BandLevels;
import verisonus.core.evidence.signs.Finding;
import verisonus.core.evidence.signs.Network;
import verisonus.core.evidence.signs.Signs;
import verisonus.core.sound.Sound;
import verisonus.core.work.Figures;

/**
 * Does something move the sound to and fro? {@link ModulationFeatures} (sway of the level, of lows against highs, of pitch, of
 * sides, of single bands) are weighed by a {@link Network} to the probability of each kind; the rate is that of the sway which
 * the kind is known by, of a comb by {@link SweepRate}. A comb's kind is the weak part. Input: mono or stereo, 3 s or more.
 *
 * <p>What sways is looked for where level and pitch themselves are taken as signals (L. Atlas and S. Shamma, "Joint acoustic and
 * modulation frequency", EURASIP Journal on Applied Signal Processing, 2003). Units: Hz, share. Silence: unknown. Known error: of six
 * made movements five are found from the recording alone and four by their kind; none is found in seven plain ones.
 */
public final class ModulationEstimator {
    /** Answers of the network, in its order; the first stands for nothing. */
    private static final List<ModulationKind> KINDS = List.of(ModulationKind.TREMOLO, ModulationKind.HARMONIC_TREMOLO,
            ModulationKind.VIBRATO, ModulationKind.CHORUS,
            ModulationKind.FLANGER, ModulationKind.PHASER, ModulationKind.ROTARY);
    private static final Network ALONE = Network.beside(ModulationEstimator.class, "movement-alone.csv",
            Signs.names(ModulationSign.class));
    private static final Network PAIRED = Network.beside(ModulationEstimator.class, "movement-paired.csv",
            Signs.names(ModulationSign.class));
    /** Movement and none both less likely than this: the recording cannot tell. */
    private static final double SURE = 0.7;
    /**
     * The network's own probabilities hold for its kind of cases. Through effects and instruments of other makers two thirds of the
     * combs that it was sure of were there, most of the sways of level and pitch, and a "no" missed the slow and faint ones.
     */
    private static final double MOST_COMB = 0.7;
    private static final double MOST_SWAY = 0.9;
    private static final double MOST_ABSENT = 0.88;
    private static final double LIKELY = 0.62;
    /** Playing in rhythm explains a third of the level's sway at its rate and less, a tremolo four fifths. */
    private static final double MOST_OF_IT = 0.6;
    private static final double[] BEATS = {0.5, 1, 1.5, 2, 3, 4, 6, 8};
    private static final double IN_TIME = 0.012;
    private static final double RISES = 0.35;
    /**
     * By what factor a sway of the level reads too low: notes' beginnings hide some. Lows and highs, which sway twice as far
     * against each other, lose about half again where they overlap.
     */
    private static final double HIDDEN = 1.2;

    private ModulationEstimator() {}

    public static Finding<ModulationReading> estimate(Sound sound) {
        if (sound.durationS() < 3) return Finding.unknown("too short to see a movement come round");
        return decide(ModulationFeatures.of(sound), ALONE, true);
    }

    /** The same, knowing the beat: a level that sways in time with it is playing, unless the sway is most of what the level does. */
    public static Finding<ModulationReading> estimate(Sound sound, Finding<TempoReading> tempo) {
        if (sound.durationS() < 3) return Finding.unknown("too short to see a movement come round");
        ModulationFeatures f = ModulationFeatures.of(sound);
        Finding<ModulationReading> found = decide(f, ALONE, true);
        Optional<Swing> level = found.value().flatMap(m -> levelSway(m.kind(), f));
        boolean playing = level.filter(s -> s.share() < MOST_OF_IT).isPresent() && tempo.value()
                .filter(t -> keepsTime(level.get().rateHz(), t.bpm())).isPresent();
        return playing
                ? Finding.unknown("the level sways in time with the beat, as playing in rhythm does")
                : found;
    }

    private static Optional<Swing> levelSway(ModulationKind kind, ModulationFeatures f) {
        return switch (kind) {
            case TREMOLO, ROTARY -> Optional.of(f.common());
            case HARMONIC_TREMOLO -> Optional.of(f.opposed());
            case VIBRATO, CHORUS, FLANGER, PHASER -> Optional.empty();
        };
    }

    private static boolean keepsTime(double rateHz, double bpm) {
        return Arrays.stream(BEATS).anyMatch(r -> Math.abs(rateHz / (r * bpm / 60) - 1) < IN_TIME);
    }

    /** With the dry take of the same performance, whose sound comes {@code lagS} earlier. */
    public static Finding<ModulationReading> estimate(Sound sound, Sound take, double lagS) {
        return decide(ModulationFeatures.between(sound, take, lagS), PAIRED, false);
    }

    private static Finding<ModulationReading> decide(ModulationFeatures f, Network network, boolean alone) {
        double[] p = network.probabilities(f.signs().values());
        if (p[0] >= SURE) {
            return Finding.absent(alone ? Math.min(p[0], MOST_ABSENT) : p[0],
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
        ModulationKind kind = KINDS.get(best);
        // Notes that are stopped in rhythm only fall; a tremolo brings the level back up within a note.
        if (kind == ModulationKind.TREMOLO && f.rise() < RISES * f.common().amplitude()) {
            return Finding.unknown("the level sways, but only falls: stopped notes would do that");
        }
        // Of a comb the family is what is stated; its kind is called likely in words.
        double confidence = kind.isMovingComb() ? comb : p[best + 1];
        if (confidence < LIKELY) return Finding.unknown("something sways, but the kind cannot be told");
        double stated = alone ? Math.min(confidence, kind.isMovingComb() ? MOST_COMB : MOST_SWAY) : confidence;
        return Finding.present(new ModulationReading(kind, rate(kind, f), depth(kind, f)), stated, reason(kind, f));
    }

    private static OptionalDouble rate(ModulationKind kind, ModulationFeatures f) {
        return switch (kind) {
            case TREMOLO -> OptionalDouble.of(f.common().rateHz());
            case HARMONIC_TREMOLO -> OptionalDouble.of(f.opposed().rateHz());
            case VIBRATO -> OptionalDouble.of(f.pitch().rateHz());
            case ROTARY -> OptionalDouble.of(f.common().share() > f.pitch().share()
                    ? f.common().rateHz()
                    : f.pitch().rateHz());
            case CHORUS, FLANGER, PHASER -> f.sweep().get();
        };
    }

    private static OptionalDouble depth(ModulationKind kind, ModulationFeatures f) {
        return switch (kind) {
            case TREMOLO -> OptionalDouble.of(depthPercent(HIDDEN * f.common().amplitude(), f.common().rateHz()));
            case HARMONIC_TREMOLO ->
                OptionalDouble.of(depthPercent(HIDDEN * f.opposed().amplitude(), f.opposed().rateHz()));
            default -> OptionalDouble.empty();
        };
    }

    /**
     * Depth d of the gain 1 − d/2 + d/2·cos: in dB its first harmonic has the amplitude 40/ln 10·q, where d = 4q / (1 + q)².
     *
     * @param slopeDbS of the level's sway at its steepest
     */
    private static double depthPercent(double slopeDbS, double rateHz) {
        double rate = Math.max(0.1, rateHz);
        double amplitudeDb = slopeDbS / (2 * Math.PI * rate) / BandLevels.passed(rate);
        double q = Math.min(1, amplitudeDb * Math.log(10) / 40);
        return 100 * 4 * q / ((1 + q) * (1 + q));
    }

    private static String reason(ModulationKind kind, ModulationFeatures f) {
        return switch (kind) {
            case TREMOLO -> said("the level of all bands sways together, %.0f dB a second at the steepest", f.common()
                    .amplitude());
            case HARMONIC_TREMOLO -> said("lows and highs sway against each other, %.0f dB a second at the steepest",
                    f.opposed().amplitude());
            case VIBRATO -> said("the pitch of all partials sways together, %.0f cents to either side",
                    ModulationFeatures.cents(f.pitch()));
            case ROTARY -> "level and pitch sway together, the highs more than the lows";
            case CHORUS, FLANGER, PHASER ->
                "partials rise and fall against each other within notes; the kind is a guess";
        };
    }

    private static String said(String pattern, double figure) {
        return Figures.of(pattern, figure);
    }
}
