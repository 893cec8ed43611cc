package verisonus.desktop.measure;

import java.util.List;
import java.util.Optional;
import javafx.beans.property.IntegerProperty;
import javafx.beans.property.SimpleIntegerProperty;
import verisonus.casebook.exchange.EvidenceJson;
import verisonus.casebook.exchange.Json;
import verisonus.casebook.store.Measurement;
import verisonus.casebook.store.Medium;
import verisonus.casebook.store.Region;
import verisonus.casebook.words.EvidenceSentences;
import verisonus.core.evidence.Evidence;
import verisonus.core.evidence.Examination;
import verisonus.core.evidence.Presence;
import verisonus.core.sound.Sound;
import verisonus.desktop.desk.Desk;
import verisonus.desktop.desk.OpenCase;

/** What was found in the region under study. */
public final class MeasureModel {
    private static final double LEAN_ON = 0.7;

    private final Desk desk;
    private final IntegerProperty selected = new SimpleIntegerProperty(0);

    public MeasureModel(Desk desk) {
        this.desk = desk;
    }

    /** Whether there is a region with sound to measure. */
    public boolean canMeasure() {
        return desk.open().get().flatMap(OpenCase::region).isPresent()
                && desk.sounds().get().reference().isPresent();
    }

    /** Measures the region under study and keeps what was found. */
    public void measure() {
        if (!canMeasure()) return;
        OpenCase c = desk.open().get().orElseThrow();
        Region region = c.region().orElseThrow();
        Medium medium = c.first(Medium.Role.REFERENCE).orElseThrow();
        Sound whole = desk.sounds().get().reference().orElseThrow();
        desk.work().run("Measuring", progress -> {
            Evidence e = Examination.of(whole.slice(region.fromS(), region.toS()), progress);
            String document = Json.text(EvidenceJson.write(medium.title(), region.fromS(), region.toS(),
                    whole.rateHz(), medium.durationS(), e));
            return new Measurement(EvidenceSentences.of(e), document);
        }, m -> {
            desk.book().keepMeasurement(region.id(), m);
            desk.refresh();
        });
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
        long sure = all.stream().filter(f -> f.confidence().orElse(1) >= LEAN_ON).count();
        long open = all.stream().filter(f -> f.presence() == Presence.UNKNOWN).count();
        return String.format(java.util.Locale.ROOT, "%.1f s measured. %d findings, %d you can lean on%s.", length,
                all.size(), sure, open == 0 ? "" : ", " + open + " the recording cannot tell");
    }

    public Desk desk() {
        return desk;
    }

    public IntegerProperty selected() {
        return selected;
    }
}
