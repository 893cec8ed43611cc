package verisonus.core.evidence.words;

import java.util.Locale;
import verisonus.core.evidence.Circumstances;
import verisonus.core.evidence.Evidence;
import verisonus.core.evidence.gear.PickupReading;
import verisonus.core.evidence.level.WidthReading;
import verisonus.core.evidence.movement.ModulationKind;
import verisonus.core.evidence.notes.TempoCourse;
import verisonus.core.evidence.signs.Finding;
import verisonus.core.evidence.signs.Presence;
import verisonus.core.work.Figures;

/**
 * Something that is said about a recording's gear.
 *
 * @param says what is said
 * @param source who says so
 * @param certainty how certain the source is
 */
public record Claim(Says says, String source, Certainty certainty) {
    /** How certain a source is. */
    public enum Certainty {
        RUMOUR,
        LIKELY,
        CERTAIN;

        public String words() {
            return name().toLowerCase(Locale.ROOT);
        }
    }

    /** What the evidence makes of a claim. */
    public enum Standing {
        SUPPORTED,
        CONTRADICTED,
        UNDECIDED;

        public String words() {
            return name().toLowerCase(Locale.ROOT);
        }
    }

    /** A verdict with its reason. */
    public record Judgement(Standing standing, String why) {}

    /** Things that are said, as far as a recording can speak for or against them. */
    public enum Says {
        SINGLE_COIL("a single-coil pickup"),
        HUMBUCKER("a humbucking pickup"),
        CLEAN("a clean amp"),
        CRUNCH(
                "an amp near or in break-up"),
        SATURATED("a saturated amp or drive"),
        ECHO("an echo"),
        NO_ECHO(
                "no echo"),
        SPACE("a reverb or a room"),
        NO_SPACE("no reverb"),
        TREMOLO("tremolo"),
        VIBRATO(
                "vibrato"),
        COMB("a chorus, flanger or phaser"),
        STILL("nothing that sways"),
        SPEAKER(
                "a speaker and a microphone"),
        DIRECT("no speaker"),
        TWICE(
                "played twice, left and right"),
        COMPRESSOR("a compressor"),
        GATE(
                "a gate"),
        CLICK("played to a click");

        private final String words;

        Says(String words) {
            this.words = words;
        }

        public String words() {
            return words;
        }
    }

    /** What the evidence of a recording says to it. */
    public Judgement judge(Evidence e) {
        Circumstances c = e.circumstances();
        return switch (says) {
            case SINGLE_COIL -> of(c.pickup(), c.pickup().value().map(PickupReading::bright).orElse(false));
            case HUMBUCKER -> of(c.pickup(), c.pickup().value().map(p -> !p.bright()).orElse(false));
            case CLEAN -> dirt(e, -1, 0.25);
            case CRUNCH -> dirt(e, 0.15, 0.65);
            case SATURATED -> dirt(e, 0.5, 2);
            case ECHO -> of(e.echo(), e.echo().isPresent());
            case NO_ECHO -> of(e.echo(), e.echo().presence() == Presence.ABSENT);
            case SPACE -> of(e.reverb(), e.reverb().isPresent());
            case NO_SPACE -> of(e.reverb(), e.reverb().presence() == Presence.ABSENT);
            case TREMOLO -> of(e.modulation(), moves(e, ModulationKind.TREMOLO)
                    || moves(e, ModulationKind.HARMONIC_TREMOLO));
            case VIBRATO -> of(e.modulation(), moves(e, ModulationKind.VIBRATO));
            case COMB -> of(e.modulation(), e.modulation().value().map(m -> m.kind().isMovingComb()).orElse(false));
            case STILL -> of(e.modulation(), e.modulation().presence() == Presence.ABSENT);
            case SPEAKER -> of(c.cabinet(), c.cabinet().isPresent());
            case DIRECT -> of(c.cabinet(), c.cabinet().presence() == Presence.ABSENT);
            case TWICE ->
                of(c.width(), c.width().value().map(w -> w.kind() == WidthReading.Origin.DOUBLED).orElse(false));
            case COMPRESSOR -> of(c.control().compressor(), c.control().compressor().isPresent());
            case GATE -> of(c.control().gate(), c.control().gate().isPresent());
            case CLICK -> click(c);
        };
    }

    private static boolean moves(Evidence e, ModulationKind kind) {
        return e.modulation().value().filter(m -> m.kind() == kind).isPresent();
    }

    private static Judgement of(Finding<?> f, boolean agrees) {
        if (f.presence() == Presence.UNKNOWN || f.confidence() < 0.55)
            return new Judgement(Standing.UNDECIDED, f.reason());
        return new Judgement(agrees ? Standing.SUPPORTED : Standing.CONTRADICTED, f.reason());
    }

    /** Within the range: supported; near its edge: undecided. */
    private static Judgement dirt(Evidence e, double from, double to) {
        if (e.saturation().value().isEmpty()) return new Judgement(Standing.UNDECIDED, e.saturation().reason());
        double v = e.saturation().value().get().index();
        String why = Figures.of("dirt reads %.2f", v);
        if (v > from && v < to) return new Judgement(Standing.SUPPORTED, why);
        boolean far = v < from - 0.12 || v > to + 0.12;
        return new Judgement(far ? Standing.CONTRADICTED : Standing.UNDECIDED, why);
    }

    private static Judgement click(Circumstances c) {
        if (c.pulse().isEmpty() || c.pulse().get().bpm().length < 3) {
            return new Judgement(Standing.UNDECIDED, "too short to see a tempo drift");
        }
        TempoCourse p = c.pulse().get();
        return new Judgement(p.isConstant() ? Standing.SUPPORTED : Standing.CONTRADICTED,
                Figures.of("the tempo moves by %.1f %%", p.driftPercent()));
    }
}
