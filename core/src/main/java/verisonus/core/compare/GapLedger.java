package verisonus.core.compare;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import verisonus.core.evidence.Evidence;
import verisonus.core.evidence.echo.EchoReading;
import verisonus.core.evidence.level.SpectrumReading;
import verisonus.core.take.Pairing;
import verisonus.core.work.InputFault;

/**
 * What still differs between a reference and a candidate, most audible first, levels matched.
 *
 * @param rows most audible first
 * @param spectrumRmsDb third-octave difference, 80 Hz to 8 kHz, after loudness matching; empty where no band is known to be the guitar's
 * @param wantedSo attributes that shall differ: they stand in the ledger and count for nothing
 */
public record GapLedger(List<GapRow> rows, OptionalDouble spectrumRmsDb, Set<GapAttribute> wantedSo) {
    private static final double TRUSTED = 0.3;
    private static final double FLOOR_DB = -45;
    /** A band this far under the loudest is masked more the further down it lies. */
    private static final double MASKED_UNDER_DB = 26;
    private static final double DOUBLES_EVERY_DB = 6;

    public GapLedger {
        rows = List.copyOf(rows);
        wantedSo = Set.copyOf(wantedSo);
    }

    /** Nothing was compared: there is no record, or nothing in it is known to be the guitar's. */
    public static final GapLedger UNMEASURED = new GapLedger(List.of(), OptionalDouble.empty(), Set.of());

    /** A ledger of which nothing is wanted so. */
    public GapLedger(List<GapRow> rows, double spectrumRmsDb) {
        this(rows, OptionalDouble.of(spectrumRmsDb), Set.of());
    }

    /** The same ledger with these differences wanted. */
    public GapLedger wanting(Set<GapAttribute> attributes) {
        return new GapLedger(rows, spectrumRmsDb, attributes);
    }

    /**
     * The same gap heard through something that is linear and steady, as a loudspeaker: bands that it hardly gives back are heard
     * less, and a difference in them must be larger to be noticed.
     */
    public GapLedger through(java.util.function.DoubleUnaryOperator gainDb) {
        double loudest = -200;
        for (GapRow r : rows) {
            if (r.attribute().isBand()) loudest = Math.max(loudest, r.reference() + mean(r.attribute(), gainDb));
        }
        List<GapRow> out = new ArrayList<>();
        for (GapRow r : rows) {
            if (!r.attribute().isBand()) {
                out.add(r);
                continue;
            }
            double under = loudest - r.reference() - mean(r.attribute(), gainDb);
            double less = Math.max(0, under - MASKED_UNDER_DB) / DOUBLES_EVERY_DB;
            out.add(new GapRow(r.attribute(), r.unit(), r.reference(), r.candidate(), r.jnd() * Math.pow(2, less),
                    r.stage(), r.advice(), r.ofTone()));
        }
        out.sort(Comparator.comparingDouble((GapRow r) -> -r.audibility()));
        return new GapLedger(out, spectrumRmsDb, wantedSo);
    }

    private static double mean(GapAttribute band, java.util.function.DoubleUnaryOperator gainDb) {
        double sum = 0;
        for (int i = 0; i < 5; i++)
            sum += gainDb.applyAsDouble(band.fromHz() * Math.pow(band.toHz() / band.fromHz(), i / 4.0)) / 5;
        return sum;
    }

    /** Whether a row counts: it was measured, the gear makes it, and nobody wants it so. */
    public boolean counts(GapRow row) {
        return row.ofTone() && row.attribute() != GapAttribute.COLOUR_LEFT_OPEN
                && !wantedSo.contains(row.attribute());
    }

    /** All differences that count together: root of the sum of squares, JND. */
    public double distanceJnd() {
        return Math.sqrt(rows.stream().filter(this::counts).mapToDouble(r -> r.audibility() * r.audibility()).sum());
    }

    /** Compares what was measured in both; what another hand makes as much as other gear leaves the gear's list. */
    public static GapLedger between(Evidence reference, Evidence candidate, Pairing pairing) {
        GapLedger plain = between(reference, candidate, "");
        if (pairing == Pairing.SAME_PERFORMANCE) return plain;
        List<GapRow> out = new ArrayList<>(plain.rows.stream().map(GapLedger::playedAgain).toList());
        out.sort(Comparator.comparingDouble((GapRow r) -> -r.audibility()));
        return new GapLedger(out, plain.spectrumRmsDb, plain.wantedSo);
    }

    private static GapRow playedAgain(GapRow r) {
        if (GapAttribute.OF_THE_HAND.contains(r.attribute())) return r.ofTheHand();
        return r.attribute() == GapAttribute.SATURATION ? r.widened(JndScale.SATURATION_AGAIN) : r;
    }

    /** The same ledger with more rows. */
    public GapLedger and(List<GapRow> more) {
        List<GapRow> all = new ArrayList<>(rows);
        all.addAll(more);
        all.sort(Comparator.comparingDouble((GapRow r) -> -r.audibility()));
        return new GapLedger(all, spectrumRmsDb, wantedSo);
    }

    /** Compares what was measured in both, where nobody said whether the same hand plays. */
    public static GapLedger between(Evidence reference, Evidence candidate) {
        return between(reference, candidate, " if the same hand plays");
    }

    /** @param provided said behind what another hand moves as much as the gain does */
    private static GapLedger between(Evidence reference, Evidence candidate, String provided) {
        // Levels, attacks and width of what covers a guitar are not the guitar's either.
        if (!reference.spectrum().isTrusted())
            return new GapLedger(EffectRows.of(reference, candidate), OptionalDouble.empty(), Set.of());
        List<GapRow> rows = new ArrayList<>();
        double offset = matchingOffset(reference.spectrum(), candidate.spectrum());
        for (GapAttribute band : GapAttribute.BANDS)
            bandRow(reference.spectrum(), candidate.spectrum(), offset, band).ifPresent(rows::add);
        rows.add(new GapRow(GapAttribute.CREST, "dB", reference.level().crestFactorDb(),
                candidate.level().crestFactorDb(),
                JndScale.CREST_DB,
                "amp",
                direction(candidate.level().crestFactorDb() < reference.level().crestFactorDb(),
                        "less gain or a lower master" + provided,
                        "more gain or a higher master" + provided),
                true));
        rows.add(new GapRow(GapAttribute.LOUD_TO_SOFT, "dB", reference.dynamics().envelopeSpreadDb(),
                candidate.dynamics().envelopeSpreadDb(), JndScale.SPREAD_DB,
                "amp",
                direction(candidate.dynamics().envelopeSpreadDb() < reference.dynamics().envelopeSpreadDb(),
                        "less gain" + provided + ": it compresses too much",
                        "more gain" + provided + ": it compresses too little"),
                true));
        both(reference.dynamics().attackMs(), candidate.dynamics().attackMs())
                .ifPresent(v -> rows
                        .add(new GapRow(GapAttribute.ATTACK, "ms", v[0], v[1], JndScale.attackMs(v[0]), "playing",
                                "pick as in the reference, or change sag", false)));
        if (reference.saturation().isPresent() && candidate.saturation().isPresent()) {
            double a = reference.saturation().value().orElseThrow().index();
            double b = candidate.saturation().value().orElseThrow().index();
            rows.add(new GapRow(GapAttribute.SATURATION, "index", a, b, JndScale.SATURATION_INDEX, "amp",
                    direction(b < a, "more gain or drive", "less gain or drive"), true));
        }
        rows.addAll(EffectRows.of(reference, candidate));
        if (reference.tuning().isPresent() && candidate.tuning().isPresent()) {
            rows.add(new GapRow(GapAttribute.TUNING, "cents", reference.tuning().value().orElseThrow().offsetCents(),
                    candidate.tuning().value().orElseThrow().offsetCents(), JndScale.PITCH_CENTS, "playing",
                    "tune to the reference", false));
        }
        rows.add(new GapRow(GapAttribute.WIDTH, "correlation", reference.stereo().correlation(),
                candidate.stereo().correlation(),
                JndScale.CORRELATION, "space",
                "play a second take panned apart: one take stays in the middle", pingPong(reference)));
        List<GapRow> settled = new ArrayList<>(GainAdvice.settled(rows));
        settled.sort(Comparator.comparingDouble((GapRow r) -> -r.audibility()));
        return new GapLedger(settled, spectrumRms(reference.spectrum(), candidate.spectrum(), offset), Set.of());
    }

    /** The most audible difference that the gear makes, JND. */
    public double scoreJnd() {
        return rows.stream().filter(this::counts).mapToDouble(GapRow::audibility).max().orElse(0);
    }

    /** Whether any band of the reference is known to be the guitar's; where none is, no distance means anything. */
    public boolean isMeasured() {
        return spectrumRmsDb.isPresent();
    }

    /**
     * This ledger, where changes can be held against it.
     *
     * @throws InputFault where nothing of the reference is known to be the guitar's
     */
    public GapLedger measured() {
        if (!isMeasured())
            throw new InputFault("the recording",
                    "nothing in it is known to be the guitar's own, so no change can be held against it",
                    "lay a take of its phrase under it, or mark where the guitar stands alone");
        return this;
    }

    /** How many differences that the gear makes most listeners would hear. */
    public long audibleRows() {
        return rows.stream().filter(r -> counts(r) && r.audibility() >= 1).count();
    }

    public Optional<GapRow> find(GapAttribute attribute) {
        return rows.stream().filter(r -> r.attribute() == attribute).findFirst();
    }

    /** Width that an effect makes can be set; width from playing twice cannot. */
    private static boolean pingPong(Evidence reference) {
        return reference.echo().value().filter(EchoReading::pingPong).isPresent();
    }

    private static Optional<GapRow> bandRow(SpectrumReading ref, SpectrumReading cand, double offset,
            GapAttribute band) {
        double a = 0;
        double b = 0;
        double weight = 0;
        for (int i = 0; i < ref.bandCentresHz().length; i++) {
            double hz = ref.bandCentresHz()[i];
            double t = ref.trust()[i];
            if (hz < band.fromHz() || hz >= band.toHz() || t < TRUSTED || ref.levelDb()[i] < FLOOR_DB) continue;
            a += t * ref.levelDb()[i];
            b += t * Math.max(FLOOR_DB, cand.levelDb()[i] + offset);
            weight += t;
        }
        if (weight == 0) return Optional.empty();
        boolean less = b < a;
        return Optional.of(new GapRow(band, "dB", a / weight, b / weight,
                JndScale.bandDb(band.fromHz(), band.toHz()) * JndScale.faintness(a / weight),
                stageOf(band.fromHz()), adviceFor(band.fromHz(), less), true));
    }

    private static String stageOf(double lowHz) {
        return lowHz < 160 ? "cabinet" : lowHz < 1000 ? "amp" : "microphone";
    }

    private static String adviceFor(double lowHz, boolean less) {
        if (lowHz < 160)
            return direction(less, "bass up, or the microphone nearer", "bass down, or the microphone further away");
        if (lowHz < 400) return direction(less, "bass or mid up", "mid down, or an EQ dip here");
        if (lowHz < 1000) return direction(less, "mid up", "mid down");
        if (lowHz < 2000) return direction(less, "mid up, or an EQ lift here", "mid down, or an EQ dip here");
        if (lowHz < 4000)
            return direction(less, "microphone nearer the centre, or treble up",
                    "microphone further out, or treble down");
        return direction(less, "presence up, or the microphone nearer the centre",
                "presence down, or the microphone further out");
    }

    private static String direction(boolean less, String up, String down) {
        return less ? up : down;
    }

    private static Optional<double[]> both(OptionalDouble a, OptionalDouble b) {
        return a.isPresent() && b.isPresent()
                ? Optional.of(new double[]{a.getAsDouble(), b.getAsDouble()})
                : Optional.empty();
    }

    /** Level to add to the candidate's bands so that both are equally loud where the reference can be trusted. */
    private static double matchingOffset(SpectrumReading ref, SpectrumReading cand) {
        double sum = 0;
        double weight = 0;
        for (int i = 0; i < ref.levelDb().length; i++) {
            if (!counted(ref, i)) continue;
            // Loud bands make the loudness: weigh by their level as well as by their trust.
            double w = ref.trust()[i] * Math.pow(10, Math.max(-30, ref.levelDb()[i]) / 20);
            sum += w * (ref.levelDb()[i] - Math.max(FLOOR_DB, cand.levelDb()[i]));
            weight += w;
        }
        return weight == 0 ? 0 : sum / weight;
    }

    private static boolean counted(SpectrumReading ref, int i) {
        return ref.bandCentresHz()[i] > 75 && ref.bandCentresHz()[i] < 8500 && ref.trust()[i] >= TRUSTED
                && ref.levelDb()[i] > FLOOR_DB;
    }

    private static OptionalDouble spectrumRms(SpectrumReading ref, SpectrumReading cand, double offset) {
        double sum = 0;
        double weight = 0;
        for (int i = 0; i < ref.levelDb().length; i++) {
            if (!counted(ref, i)) continue;
            double d = ref.levelDb()[i] - Math.max(FLOOR_DB, cand.levelDb()[i] + offset);
            sum += ref.trust()[i] * d * d;
            weight += ref.trust()[i];
        }
        return weight == 0 ? OptionalDouble.empty() : OptionalDouble.of(Math.sqrt(sum / weight));
    }
}
