package verisonus.core.search.unexplained;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.OptionalDouble;
import java.util.concurrent.Callable;
import java.util.concurrent.ExecutorService;
import verisonus.core.compare.GapAttribute;
import verisonus.core.compare.GapRow;
import verisonus.core.evidence.Evidence;
import verisonus.core.evidence.level.WidthReading;
import verisonus.core.evidence.replay.ColourLeftOpen;
import verisonus.core.evidence.replay.ReplayExamination;
import verisonus.core.evidence.replay.UnexplainedRest;
import verisonus.core.rig.Block;
import verisonus.core.rig.GearKind;
import verisonus.core.rig.Tone;
import verisonus.core.sound.Sound;
import verisonus.core.work.Figures;
import verisonus.core.work.Parallel;

/**
 * Rows of the ledger that need no estimator: what rings after and between the notes, sways, sweeps and stands at the sides, in the
 * reference and in the tone, each against the same dry tone on the take. Just-noticeable steps are widened by what playing again makes
 * of each, as measured on replays without effects, so that what is left is the gear's.
 */
public final class RestRows {
    private static final String STAGE = "rest";
    private static final double LATE_JND_DB = 6;
    private static final double SOON_JND_DB = 6;
    private static final double BETWEEN_JND_DB = 4;
    private static final double SWAY_JND_DB = 1.5;
    private static final double SWEEP_JND = 0.05;
    private static final double SIDES_JND_DB = 2;
    private static final double COLOUR_JND_DB = 1;
    private static final double WIDENED_CORRELATION = 0.8;
    /** Three readings that miss the same are surer than each: what each counts in their sum. */
    private static final double TOGETHER = 1.4 / 1.6;
    private static final double LATE_TOGETHER_DB = 4;
    private static final double SOON_TOGETHER_DB = 3.5;
    private static final double BETWEEN_TOGETHER_DB = 3;
    private static final double LEAST_TOGETHER_DB = -3;

    private RestRows() {}

    /**
     * What of a tone can make such differences.
     *
     * @param moving whether it has a movement
     * @param ringing whether it has repeats or a space
     */
    public record Makes(boolean moving, boolean ringing) {
        /** Of a tone's blocks that are on. */
        public static Makes in(Tone tone) {
            return new Makes(has(tone, GearKind.MODULATION), has(tone, GearKind.ECHO) || has(tone, GearKind.REVERB));
        }

        private static boolean has(Tone tone, GearKind kind) {
            return tone.first(kind).filter(Block::on).isPresent();
        }
    }

    /**
     * Reads both and compares.
     *
     * @param dryTone the tone without its effects on the take, in time with both
     */
    public static List<GapRow> of(Sound reference, Sound candidate, Sound dryTone, Makes makes, Evidence found,
            ReplayExamination.Setting setting, ExecutorService workers) {
        List<GapRow> out = new ArrayList<>();
        // A sweep that stands elsewhere in its round makes pieces differ, however long the passage.
        if (!makes.moving) {
            ColourLeftOpen.db(reference, candidate).ifPresent(db -> out.add(new GapRow(GapAttribute.COLOUR_LEFT_OPEN,
                    "dB", 0, db, COLOUR_JND_DB, STAGE, "the passage is too short, or too uneven, to hold the colour to "
                            + "less: mark a longer one in which the guitar stands alone",
                    true)));
        }
        // What rings, moves and is wide there is the others' as well.
        if (setting.company() || reference.durationS() < ReplayExamination.SHORTEST_S) return out;
        UnexplainedRest wanted = UnexplainedRest.of(reference, dryTone, OptionalDouble.empty(), setting.window());
        List<Callable<UnexplainedRest>> other = List
                .of(() -> UnexplainedRest.of(candidate, dryTone, wanted.swayHz(), setting.window()),
                        () -> UnexplainedRest.of(dryTone, dryTone, wanted.swayHz(), setting.window()));
        List<UnexplainedRest> read = Parallel.all(other, workers);
        // Two takes apart share little; a widening effect leaves the sides much alike.
        boolean widened = found.circumstances().width().value()
                .filter(w -> w.kind() == WidthReading.Origin.WIDENED).isPresent()
                && found.stereo().correlation() >= WIDENED_CORRELATION;
        out.addAll(between(wanted, AsReplayed.of(read.get(0), wanted, read.get(1)), widened, makes.ringing));
        return out;
    }

    /**
     * @param sidesOfTone whether width is made by the gear rather than by playing twice or by others
     * @param ringing whether the tone has repeats or a space: without, only strings can ring on longer than the record
     */
    static List<GapRow> between(UnexplainedRest wanted, UnexplainedRest has, boolean sidesOfTone, boolean ringing) {
        List<GapRow> out = new ArrayList<>();
        // Where no note is ever stopped, strings that ring otherwise would pass for a space.
        boolean stopped = wanted.betweenDb().isPresent() && has.betweenDb().isPresent();
        if (stopped) {
            List<GapRow> tails = new ArrayList<>();
            after(wanted, has, ringing, tails);
            double a = wanted.betweenDb().getAsDouble();
            double b = has.betweenDb().getAsDouble();
            tails.add(rings(ringing, GapAttribute.REST_BETWEEN, a, b, BETWEEN_JND_DB, b < a
                    ? "something rings where notes have stopped: a space or repeats, or strings left to ring"
                    : "it is too loud between the notes: a lower mix, a gate, or damp the strings"));
            out.addAll(together(tails));
        }
        if (wanted.swayHz().isPresent())
            out.add(row(GapAttribute.REST_SWAY, wanted.swayDb(), has.swayDb(), SWAY_JND_DB,
                    Figures.of(has.swayDb() < wanted.swayDb()
                            ? "the record's level sways %.2f times a second: a tremolo or another movement"
                            : "the tone's level sways more, %.2f times a second: less depth",
                            wanted.swayHz().getAsDouble())));
        out.add(new GapRow(GapAttribute.REST_SWEEP, "index", Math.max(0, wanted.sweep()), Math.max(0, has.sweep()),
                SWEEP_JND,
                STAGE,
                has.sweep() < wanted.sweep()
                        ? "something sweeps: a phaser or flanger"
                        : "the sweep is too deep: a lower mix",
                true));
        out.add(new GapRow(GapAttribute.REST_SIDES, "dB", wanted.sideDb(), has.sideDb(), SIDES_JND_DB, STAGE,
                has.sideDb() < wanted.sideDb() ? "wider: a wide movement, or play it twice" : "narrower: less spread",
                sidesOfTone));
        return out;
    }

    /** The largest of them counts for all where they agree that something is missing. */
    private static List<GapRow> together(List<GapRow> tails) {
        double sum = missing(tails.get(0), LATE_TOGETHER_DB) + missing(tails.get(1), SOON_TOGETHER_DB)
                + missing(tails.get(2), BETWEEN_TOGETHER_DB);
        GapRow largest = tails.stream().max(Comparator.comparingDouble(r -> -r.difference() / r.jnd())).orElseThrow();
        double together = TOGETHER * sum;
        if (largest.difference() >= 0 || together <= largest.audibility()) return tails;
        return tails.stream().map(r -> r == largest ? heardFrom(r, -r.difference() / together) : r).toList();
    }

    private static GapRow heardFrom(GapRow r, double jnd) {
        return new GapRow(r.attribute(), r.unit(), r.reference(), r.candidate(), jnd, r.stage(), r.advice(),
                r.ofTone());
    }

    private static double missing(GapRow row, double stepDb) {
        return Math.max(LEAST_TOGETHER_DB, -row.difference()) / stepDb;
    }

    private static void after(UnexplainedRest wanted, UnexplainedRest has, boolean ringing, List<GapRow> out) {
        double late = has.late().throughDb(wanted.late());
        out.add(rings(ringing, GapAttribute.REST_LATE, wanted.late().db(), late, LATE_JND_DB, late < wanted.late().db()
                ? "repeats or a space ring on there that the tone has not: more of them, or more feedback"
                : "the tone rings on longer: fewer repeats or a shorter space"));
        double soon = has.soon().throughDb(wanted.soon());
        out.add(rings(ringing, GapAttribute.REST_SOON, wanted.soon().db(), soon, SOON_JND_DB, soon < wanted.soon().db()
                ? "a quick echo or a space answers there that the tone has not"
                : "the tone answers more than the record: a lower mix"));
    }

    private static GapRow rings(boolean ringing, GapAttribute attribute, double wanted, double has, double jnd,
            String advice) {
        if (ringing || has <= wanted) return row(attribute, wanted, has, jnd, advice);
        return new GapRow(attribute, "dB", wanted, has, jnd, "playing",
                "nothing in the tone rings on: damp the strings as in the reference", false);
    }

    private static GapRow row(GapAttribute attribute, double wanted, double has, double jnd, String advice) {
        return new GapRow(attribute, "dB", wanted, has, jnd, STAGE, advice, true);
    }
}
