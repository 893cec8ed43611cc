package verisonus.desktop.desk;

import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import verisonus.casebook.store.CaseEntry;
import verisonus.casebook.store.DerivedTone;
import verisonus.casebook.store.Judgement;
import verisonus.casebook.store.Judgements.ClaimEntry;
import verisonus.casebook.store.Measurement;
import verisonus.casebook.store.Medium;
import verisonus.casebook.store.Region;

/**
 * What is known of the case on the desk, apart from its sound.
 *
 * @param media its recordings, the reference under study first
 * @param regions of the reference under study, in time order
 * @param region the one under study
 * @param measurement of that region
 * @param verdicts what the player says of its findings
 * @param claims what is said about the case's gear
 * @param variants names of its tone's variants
 * @param tried whether a blind trial has ended
 */
public record OpenCase(CaseEntry entry, List<Medium> media, List<Region> regions, Optional<Region> region,
        Optional<Measurement> measurement, List<Judgement> verdicts, List<ClaimEntry> claims,
        Optional<DerivedTone> tone, List<String> variants, boolean tried) {
    /** A search that started from where the take was laid ends no further off. */
    private static final double NEAR_S = 0.5;

    public OpenCase {
        media = List.copyOf(media);
        regions = List.copyOf(regions);
        verdicts = List.copyOf(verdicts);
        claims = List.copyOf(claims);
        variants = List.copyOf(variants);
    }

    public Optional<Medium> first(Medium.Role role) {
        return media.stream().filter(m -> m.role() == role).findFirst();
    }

    /** Where on the reference's time axis the player laid the take; empty: looked for. */
    public OptionalDouble laidS() {
        return first(Medium.Role.DI).map(Medium::laidS).orElse(OptionalDouble.empty());
    }

    /** The same on an axis that begins this many seconds into the reference. */
    public OptionalDouble laidS(double fromS) {
        return laidS().isPresent() ? OptionalDouble.of(laidS().getAsDouble() - fromS) : OptionalDouble.empty();
    }

    /** Where the take is heard: as it was laid, to the sample as the search found it there, else from the start. */
    double takeStartS() {
        Optional<Double> found = tone.map(t -> t.search().diStartS());
        if (laidS().isEmpty()) return found.orElse(0.0);
        double laid = laidS().getAsDouble();
        return found.filter(f -> Math.abs(f - laid) < NEAR_S).orElse(laid);
    }

    public List<Medium> references() {
        return media.stream().filter(m -> m.role() == Medium.Role.REFERENCE).toList();
    }

    /** How far each bench has come. */
    public Standing standing(Bench bench) {
        return switch (bench) {
            case LISTEN -> !regions.isEmpty()
                    ? Standing.DONE
                    : first(Medium.Role.REFERENCE).isPresent() ? Standing.BEGUN : Standing.UNTOUCHED;
            case MEASURE -> measurement.isPresent() ? Standing.DONE : Standing.UNTOUCHED;
            case DERIVE ->
                tone.map(t -> t.gap().isMeasured() && t.gap().audibleRows() == 0 ? Standing.DONE : Standing.BEGUN)
                        .orElse(Standing.UNTOUCHED);
            case PERFORM -> !variants.isEmpty() ? Standing.BEGUN : Standing.UNTOUCHED;
            case TRIAL -> tried ? Standing.DONE : Standing.UNTOUCHED;
            case TRAVEL, SHEET -> tone.isPresent() ? Standing.BEGUN : Standing.UNTOUCHED;
        };
    }
}
