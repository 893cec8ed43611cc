package verisonus.desktop.measure;

import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.function.Function;
import java.util.stream.Collectors;
import javafx.beans.property.IntegerProperty;
import javafx.beans.property.ReadOnlyStringProperty;
import javafx.beans.property.ReadOnlyStringWrapper;
import javafx.beans.property.SimpleIntegerProperty;
import verisonus.casebook.exchange.EvidenceJson;
import verisonus.casebook.exchange.Json;
import verisonus.casebook.store.Judgement;
import verisonus.casebook.store.Judgements.ClaimEntry;
import verisonus.casebook.store.Measurement;
import verisonus.casebook.store.Medium;
import verisonus.casebook.store.Region;
import verisonus.casebook.words.EvidenceSentences;
import verisonus.casebook.words.FindingsCsv;
import verisonus.core.evidence.Correction;
import verisonus.core.evidence.Evidence;
import verisonus.core.evidence.Examination;
import verisonus.core.evidence.PairedExamination;
import verisonus.core.evidence.signs.Presence;
import verisonus.core.evidence.words.Claim;
import verisonus.core.evidence.words.Signature;
import verisonus.core.evidence.words.Trait;
import verisonus.core.evidence.words.Word;
import verisonus.core.sound.Sound;
import verisonus.core.work.Figures;
import verisonus.desktop.desk.Desk;
import verisonus.desktop.desk.OpenCase;
import verisonus.desktop.desk.SavedFile;
import verisonus.desktop.desk.StudiedPart;
import verisonus.desktop.desk.TapTempo;

/** What was found in the region under study. */
public final class MeasureModel {
    private static final double LEAN_ON = 0.7;

    private final Desk desk;
    private final TapTempo taps = new TapTempo();
    private final StudiedPart studied;
    private final ReadOnlyStringWrapper said = new ReadOnlyStringWrapper("");
    private final IntegerProperty selected = new SimpleIntegerProperty(0);

    public MeasureModel(Desk desk) {
        this.desk = desk;
        studied = new StudiedPart(desk);
    }

    /** Whether there is sound to measure. */
    public boolean canMeasure() {
        return desk.sounds().get().reference().isPresent();
    }

    /** Measures the region under study and keeps what was found; where none is marked the best passage. */
    public void measure() {
        if (canMeasure()) studied.have(this::say, this::measureRegion);
        else say("Add a recording with the wanted sound first: there is nothing to measure.");
    }

    private void say(String words) {
        said.set("");
        said.set(words);
    }

    /** Which passage is measured where none was marked, or why none is. */
    public ReadOnlyStringProperty said() {
        return said.getReadOnlyProperty();
    }

    private void measureRegion() {
        OpenCase c = desk.open().get().orElseThrow();
        Region region = c.region().orElseThrow();
        Medium medium = c.first(Medium.Role.REFERENCE).orElseThrow();
        Sound whole = desk.sounds().get().reference().orElseThrow();
        Optional<Sound> take = desk.sounds().get().di();
        desk.forCase("Measuring", progress -> {
            Sound part = Examination.usable("the region", whole.slice(region.fromS(), region.toS()));
            // A take of the same performance shows what the recording alone hides; another one changes nothing.
            Evidence alone = Examination.of(part, desk.work().helpers(), progress);
            Evidence e = take.isPresent() ? PairedExamination.of(alone, part, take.get()).evidence() : alone;
            String document = Json.text(EvidenceJson.write(medium.title(), region.fromS(), region.toS(),
                    whole.rateHz(), medium.durationS(), e));
            return Measurement.of(e, document);
        }).keep(m -> {
            // A region that was taken away meanwhile has no findings.
            boolean there = desk.book().recordings().regions(medium.id()).stream().anyMatch(
                    r -> r.id() == region.id() && r.fromS() == region.fromS() && r.toS() == region.toS());
            if (there) desk.book().recordings().keepMeasurement(region.id(), m);
        }).begin();
    }

    /** What the player says of a finding. */
    public Optional<Judgement> verdict(String topic) {
        return Judgement.of(desk.open().get().map(OpenCase::verdicts).orElse(List.of()), topic);
    }

    /** Accepts the chosen finding, or takes that back. */
    public void accept() {
        say(f -> new Judgement(f.topic(), Judgement.State.ACCEPTED, OptionalDouble.empty()));
    }

    /** Sets the chosen finding aside: nothing rests on it any more. */
    public void setAside() {
        say(f -> new Judgement(f.topic(), Judgement.State.SET_ASIDE, OptionalDouble.empty()));
    }

    /** Puts the player's figure in place of the measured one. @return whether the figure can be meant */
    public boolean correct(double figure) {
        Optional<Correction.Topic> topic = chosen().flatMap(f -> Correction.Topic.of(f.topic()));
        if (topic.isEmpty() || !topic.get().accepts(figure)) return false;
        boolean needsMore = topic.get() == Correction.Topic.ECHO || topic.get() == Correction.Topic.MOVEMENT;
        if (needsMore && chosen().filter(f -> f.presence() == Presence.PRESENT).isEmpty()) return false;
        say(f -> new Judgement(f.topic(), Judgement.State.CORRECTED, OptionalDouble.of(figure)));
        return true;
    }

    /**
     * One tap of the tempo; from the fourth on the mean stands. {@link #settleTaps} makes it the region's tempo.
     *
     * @return what to say to it
     */
    public String tap(long nanos) {
        return taps.tap(nanos);
    }

    /** Takes the tapped tempo as the player's correction of the measured one. */
    public void settleTaps() {
        OptionalDouble bpm = taps.settle();
        Optional<Region> region = desk.open().get().flatMap(OpenCase::region);
        if (bpm.isEmpty() || region.isEmpty() || !Correction.Topic.PULSE.accepts(bpm.getAsDouble())) return;
        desk.book().judgements().keepVerdict(region.get().id(),
                new Judgement(Correction.Topic.PULSE.words(), Judgement.State.CORRECTED, bpm));
        desk.refresh();
    }

    private void say(Function<EvidenceSentences, Judgement> of) {
        Optional<Region> region = desk.open().get().flatMap(OpenCase::region);
        if (region.isEmpty() || chosen().isEmpty()) return;
        Judgement v = of.apply(chosen().get());
        if (verdict(v.topic()).filter(v::equals).isPresent()) {
            desk.book().judgements().dropVerdict(region.get().id(), v.topic());
        } else {
            desk.book().judgements().keepVerdict(region.get().id(), v);
        }
        desk.refresh();
    }

    /** A measured region of the case, with what was found. */
    public record Measured(Medium medium, Region region, Measurement measurement) {
        String words() {
            return Figures.of("%s, %s %.1f–%.1f s", medium.title(), region.role().words(),
                    region.fromS(),
                    region.toS());
        }
    }

    /** All measured regions of the case's references, those of the reference under study first. */
    public List<Measured> measured() {
        List<Measured> out = new ArrayList<>();
        for (Medium m : desk.open().get().map(OpenCase::references).orElse(List.of())) {
            for (Region r : desk.book().recordings().regions(m.id())) {
                desk.book().recordings().measurement(r.id()).ifPresent(found -> out.add(new Measured(m, r, found)));
            }
        }
        return out;
    }

    /** What the case's references have in common, each by its first measured region; empty under two. */
    public Optional<Signature> signature() {
        List<Measured> first = firstOfEach();
        return first.size() < 2
                ? Optional.empty()
                : Optional.of(Signature.over(first.stream().map(m -> traits(m.measurement())).toList()));
    }

    List<Measured> firstOfEach() {
        List<Measured> out = new ArrayList<>();
        for (Measured m : measured()) {
            if (out.stream().noneMatch(o -> o.medium().id() == m.medium().id())) out.add(m);
        }
        return out;
    }

    Map<Trait, Double> traits(Measurement m) {
        return EvidenceJson.traits("casebook", m.document());
    }

    /** Words of the vocabulary that fit the region, the clearest first. */
    public List<Word.Fit> words() {
        return desk.open().get().flatMap(OpenCase::measurement)
                .map(m -> Word.fitting(desk.book().judgements().vocabulary(), traits(m))).orElse(List.of());
    }

    /** Learns a word: it fits the region under study and not the other one. @return what was learnt, or why nothing was */
    public String teach(String name, Word.About kind, Measured without) {
        Optional<Measurement> with = desk.open().get().flatMap(OpenCase::measurement);
        if (with.isEmpty() || name.isBlank()) return "Measure the region and type a word first.";
        Optional<Word> word = Word.taughtBy(name.strip(), kind, traits(with.get()), traits(without.measurement()));
        if (word.isEmpty()) return "The two differ too little in what is measured.";
        List<Word> words = new ArrayList<>(desk.book().judgements().vocabulary().stream()
                .filter(w -> !w.name().equals(name.strip())).toList());
        words.add(word.get());
        desk.book().judgements().keepVocabulary(words, "Taught the word " + name.strip());
        desk.refresh();
        return "Learnt: " + name.strip() + " rests on " + word.get().conditions().stream().map(c -> c.trait().words())
                .collect(Collectors.joining(", ")) + ".";
    }

    /** Takes a word out of the vocabulary. */
    public void forget(Word word) {
        desk.book().judgements().keepVocabulary(
                desk.book().judgements().vocabulary().stream().filter(w -> !w.equals(word)).toList(),
                "Took the word " + word.name() + " out");
        desk.refresh();
    }

    /** Puts another condition in place of one of a word's. */
    public void change(Word word, Word.Condition from, Word.Condition to) {
        List<Word> words = desk.book().judgements().vocabulary().stream().map(w -> !w.equals(word)
                ? w
                : new Word(w.name(), w.kind(), w.conditions().stream().map(c -> c.equals(from) ? to : c).toList(),
                        w.taught()))
                .toList();
        desk.book().judgements().keepVocabulary(words, "Changed the word " + word.name());
        desk.refresh();
    }

    public void claim(Claim claim) {
        desk.open().get().ifPresent(o -> {
            desk.book().judgements().addClaim(o.entry().id(), claim);
            desk.refresh();
        });
    }

    public void removeClaim(ClaimEntry claim) {
        desk.open().get().ifPresent(o -> {
            desk.book().judgements().removeClaim(o.entry().id(), claim);
            desk.refresh();
        });
    }

    /** What the region's evidence says to a claim. */
    public Claim.Judgement judge(Claim claim) {
        return desk.open().get().flatMap(OpenCase::measurement)
                .map(m -> EvidenceJson.judgement("casebook", m.document(), claim.says()))
                .orElse(new Claim.Judgement(Claim.Standing.UNDECIDED, "the region is not measured yet"));
    }

    /** Writes the findings to a file: a table where it ends in .csv, else the whole document. */
    public void export(Path file) {
        Optional<Measurement> found = desk.open().get().flatMap(OpenCase::measurement);
        if (found.isEmpty()) return;
        boolean table = file.toString().toLowerCase(Locale.ROOT).endsWith(".csv");
        String text = table
                ? FindingsCsv.write(findings(), t -> verdict(t).map(v -> v.state().words() + " " + v.figureWords())
                        .map(String::strip).orElse(""))
                : found.get().document();
        desk.forBook("Writing " + file.getFileName(), _ -> {
            SavedFile.write(file, text.getBytes(StandardCharsets.UTF_8));
            return file;
        }).begin();
    }

    public List<EvidenceSentences> findings() {
        return desk.open().get().flatMap(OpenCase::measurement).map(Measurement::findings).orElse(List.of());
    }

    /** The finding whose reason is shown. */
    public Optional<EvidenceSentences> chosen() {
        List<EvidenceSentences> all = findings();
        return all.isEmpty() ? Optional.empty() : Optional.of(all.get(Math.clamp(selected.get(), 0, all.size() - 1)));
    }

    /** "11.2 s. 9 findings, 7 you can lean on, 1 the recording cannot tell." */
    public String summary() {
        List<EvidenceSentences> all = findings();
        double length = desk.open().get().flatMap(OpenCase::region).map(Region::lengthS).orElse(0.0);
        long open = all.stream().filter(f -> f.presence() == Presence.UNKNOWN).count();
        long sure = all.stream().filter(f -> f.presence() != Presence.UNKNOWN)
                .filter(f -> f.confidence().orElse(1) >= LEAN_ON).count();
        return Figures.of("%.1f s measured. %d findings, %d you can lean on%s.", length,
                all.size(), sure, open == 0 ? "" : ", " + open + " the recording cannot tell");
    }

    public Desk desk() {
        return desk;
    }

    public IntegerProperty selected() {
        return selected;
    }
}
