package verisonus.casebook.words;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.stream.Collectors;
import verisonus.core.evidence.Circumstances;
import verisonus.core.evidence.Evidence;
import verisonus.core.evidence.gear.PickupReading;
import verisonus.core.evidence.notes.PlayedNote;
import verisonus.core.evidence.notes.TempoCourse;
import verisonus.core.evidence.signs.Finding;
import verisonus.core.evidence.signs.Plot;
import verisonus.core.evidence.signs.Presence;
import verisonus.core.evidence.words.Trait;
import verisonus.core.evidence.words.Word;
import verisonus.core.work.Figures;
import verisonus.core.work.Sentence;

/** What surrounds the tone, in plain words. */
record CircumstanceSentences(Evidence evidence) {
    List<EvidenceSentences> all() {
        List<EvidenceSentences> out = new ArrayList<>();
        out.add(words());
        out.add(company());
        out.add(taken());
        pickup().ifPresent(out::add);
        control().ifPresent(out::add);
        pulse().ifPresent(out::add);
        notes().ifPresent(out::add);
        return out;
    }

    private EvidenceSentences words() {
        List<Word.Fit> fits = Word.fitting(Word.shipped(), Trait.of(evidence));
        String said = fits.isEmpty()
                ? "No word of the vocabulary fits."
                : Sentence.begun(fits.stream().limit(5).map(f -> f.word().name()).collect(Collectors.joining(", ")))
                        + ".";
        String why = fits.stream().limit(2).map(CircumstanceSentences::figures).collect(Collectors.joining("; "));
        return stated("Words", said, why.isEmpty() ? "figures near the middle everywhere" : why,
                "each word rests on the figures beside it; the vocabulary can be changed and taught");
    }

    private static String figures(Word.Fit f) {
        List<String> out = new ArrayList<>();
        for (int i = 0; i < f.figures().size(); i++) {
            Trait t = f.word().conditions().get(i).trait();
            out.add(EvidenceSentences.format(t.step() < 0.2 ? "%s %.2f %s" : "%s %.1f %s", t.words(),
                    f.figures().get(i), t.unit()).strip());
        }
        return f.word().name() + ": " + String.join(", ", out);
    }

    private EvidenceSentences company() {
        double p = evidence.circumstances().company().probability();
        double pan = evidence.circumstances().company().panDegrees();
        String said = p < 0.35
                ? "The guitar stands alone."
                : p > 0.65 ? "Others play with it." : "Cannot tell whether others play.";
        String where = Math.abs(pan) > 5
                ? EvidenceSentences.format("it stands %.0f° to the %s", Math.abs(pan), pan < 0 ? "left" : "right")
                : "bass, kick or cymbals would show under 70 Hz and over 7 kHz";
        double[] hz = evidence.spectrum().bandCentresHz();
        Plot plot = new Plot("how far each band is the guitar's own", "Hz", hz, evidence.spectrum().trust(),
                new double[0]);
        return new EvidenceSentences("Company", said, where,
                "shares of what rings and, off the middle, of what stands where the guitar stands",
                OptionalDouble.of(Math.max(p, 1 - p)), p >= 0.35 && p <= 0.65 ? Presence.UNKNOWN : Presence.PRESENT,
                Optional.of(plot));
    }

    private EvidenceSentences taken() {
        Circumstances c = evidence.circumstances();
        String cabinet = switch (c.cabinet().presence()) {
            case PRESENT -> "another cabinet after it would dull it twice";
            case ABSENT -> "it still wants a cabinet";
            case UNKNOWN -> "whether it still wants a cabinet is open";
        };
        return EvidenceSentences.found("Taken", c.takenAt(),
                c.takenAt().value().map(t -> Sentence.begun(t.words()) + ".")
                        .orElse("Cannot tell where it was taken."),
                cabinet);
    }

    private Optional<EvidenceSentences> pickup() {
        Finding<PickupReading> f = evidence.circumstances().pickup();
        return f.value().map(v -> EvidenceSentences.found("Pickup", f,
                v.bright() ? "Bright, as a single coil is." : "Dark, as a humbucker is.",
                "amp and treble control do the same: evidence, not certainty"));
    }

    private Optional<EvidenceSentences> control() {
        Circumstances c = evidence.circumstances();
        boolean gate = c.control().gate().isPresent();
        boolean squeezed = c.control().compressor().isPresent();
        if (!gate && !squeezed) return Optional.empty();
        Finding<Double> f = gate ? c.control().gate() : c.control().compressor();
        return Optional.of(EvidenceSentences.found("Control", f,
                gate && squeezed
                        ? "A gate shuts, and the level is held narrow."
                        : gate
                                ? "A gate shuts between notes."
                                : "The level is held narrow, as a compressor holds it.",
                f.reason()));
    }

    private Optional<EvidenceSentences> pulse() {
        Optional<TempoCourse> course = evidence.circumstances().pulse().filter(p -> p.bpm().length >= 3);
        return course.map(p -> {
            String said = p.isConstant()
                    ? EvidenceSentences.format("The tempo holds to %.1f %%.", p.driftPercent())
                    : EvidenceSentences.format("The tempo drifts by %.1f %%.", p.driftPercent());
            return new EvidenceSentences("Drift", said, p.isConstant()
                    ? "as to a click: an echo time can be set by the tempo"
                    : "no click: tap the tempo where the echo matters", "tempo of stretches of eight seconds",
                    OptionalDouble.empty(), Presence.PRESENT,
                    Optional.of(new Plot("tempo, BPM", "s", p.atS(), p.bpm(), new double[0])));
        });
    }

    private Optional<EvidenceSentences> notes() {
        Circumstances c = evidence.circumstances();
        int played = c.played().size();
        int added = c.notes().size() - played;
        if (played < 3) return Optional.empty();
        String rhythm = evidence.tempo().value().filter(_ -> evidence.tempo().confidence() >= 0.5)
                .map(t -> rhythm(c.played(), t.bpm())).orElse("");
        double[] x = c.notes().stream().mapToDouble(PlayedNote::atS).toArray();
        double[] y = c.notes().stream().mapToDouble(n -> n.byEcho() ? 0.3 * n.strength() : n.strength()).toArray();
        Plot plot = new Plot("beginnings: those played stand tall, those the echo adds low", "s", x, y, new double[0]);
        return Optional.of(new EvidenceSentences("Notes", added == 0
                ? played + " notes are played."
                : played + " notes are played; the echo adds " + added + ".", rhythm,
                "beginnings that an earlier note explains at the echo's time are the echo's",
                OptionalDouble.empty(), Presence.PRESENT, Optional.of(plot)));
    }

    /** The first bar's worth of gaps, in eighths: "1, 1, 2, …". */
    private static String rhythm(List<PlayedNote> played, double bpm) {
        double eighth = 30 / bpm;
        List<String> gaps = new ArrayList<>();
        double sum = 0;
        for (int i = 1; i < played.size() && sum < 8.2 && gaps.size() < 12; i++) {
            double g = (played.get(i).atS() - played.get(i - 1).atS()) / eighth;
            sum += g;
            double half = Math.rint(2 * g) / 2;
            gaps.add(half == Math.rint(half)
                    ? Figures.of("%.0f", half)
                    : Figures.of("%.1f", half));
        }
        return "to play, in eighths from note to note: " + String.join(" · ", gaps);
    }

    private static EvidenceSentences stated(String topic, String sentence, String remark, String reason) {
        return new EvidenceSentences(topic, sentence, remark, reason, OptionalDouble.empty(), Presence.PRESENT,
                Optional.empty());
    }
}
