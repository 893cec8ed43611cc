package verisonus.desktop.perform;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import javafx.beans.property.ReadOnlyObjectProperty;
import javafx.beans.property.ReadOnlyObjectWrapper;
import javafx.beans.property.ReadOnlyStringProperty;
import javafx.beans.property.ReadOnlyStringWrapper;
import verisonus.casebook.exchange.PerformanceJson;
import verisonus.core.evidence.notes.PlayedNote;
import verisonus.core.evidence.notes.TempoCourse;
import verisonus.core.evidence.notes.TempoEstimator;
import verisonus.core.evidence.notes.TempoReading;
import verisonus.core.perform.time.NoteStarts;
import verisonus.core.perform.time.NoteSum;
import verisonus.core.perform.time.RhythmPlan;
import verisonus.core.perform.time.TempoBinding;
import verisonus.core.perform.time.TempoRange;
import verisonus.core.plan.NoteValue;
import verisonus.core.rig.Block;
import verisonus.core.rig.ControlNames;
import verisonus.core.rig.ControlPlace;
import verisonus.core.rig.GearKind;
import verisonus.core.rig.Tone;
import verisonus.core.sound.Sound;
import verisonus.core.work.Figures;
import verisonus.core.work.InputFault;
import verisonus.desktop.desk.Bench;
import verisonus.desktop.desk.Desk;
import verisonus.desktop.desk.TapTempo;

/** What follows the beat, how far the record's beat wanders, and what rhythm the echo makes of the take. */
public final class TimeModel {
    private final Desk desk;
    private final TapTempo taps = new TapTempo();
    private final ReadOnlyObjectWrapper<Optional<PerformanceJson.Tempo>> tempo = new ReadOnlyObjectWrapper<>(
            Optional.empty());
    private final ReadOnlyObjectWrapper<Optional<Heard>> heard = new ReadOnlyObjectWrapper<>(Optional.empty());
    private final ReadOnlyObjectWrapper<Optional<Rhythm>> rhythm = new ReadOnlyObjectWrapper<>(Optional.empty());
    private final ReadOnlyStringWrapper said = new ReadOnlyStringWrapper("");

    /**
     * What the ear of the program made of record and take.
     *
     * @param of the take it was made of
     * @param found tempo of the record, if any
     */
    public record Heard(Sound of, Optional<TempoReading> found, TempoRange range, List<PlayedNote> notes) {}

    /** The phrase with the echo of the tone, and what other note values would make of it. */
    public record Rhythm(ControlPlace place, RhythmPlan plan, List<RhythmPlan.Choice> choices, double lengthS) {}

    public TimeModel(Desk desk) {
        this.desk = desk;
        desk.open().subscribe(_ -> read());
        desk.changes().subscribe(_ -> read());
        desk.sounds().subscribe(_ -> listen());
        desk.bench().subscribe(_ -> listen());
    }

    private void read() {
        tempo.set(desk.open().get().flatMap(o -> desk.book().performances().tempo(o.entry().id())));
        plan();
    }

    private void listen() {
        Optional<Ground> ground = Ground.of(desk);
        if (ground.isEmpty()) {
            heard.set(Optional.empty());
            rhythm.set(Optional.empty());
            return;
        }
        Sound di = ground.get().di();
        if (desk.bench().get() != Bench.PERFORM || heard.get().filter(h -> h.of == di).isPresent()) return;
        Sound record = desk.sounds().get().reference().orElse(di);
        desk.forCase("Listening for the beat", _ -> heard(di, record)).show(h -> {
            // Another take may have come meanwhile: it is listened to by itself.
            if (Ground.of(desk).filter(g -> g.di() == di).isEmpty()) return;
            heard.set(Optional.of(h));
            plan();
        });
    }

    private static Heard heard(Sound di, Sound record) {
        Optional<TempoReading> found = TempoEstimator.estimate(record).value();
        TempoRange range = found.map(t -> TempoRange.of(TempoCourse.of(record, t.bpm())))
                .orElse(new TempoRange(0, 0, true, List.of()));
        return new Heard(di, found, range, notes(di));
    }

    private static List<PlayedNote> notes(Sound di) {
        try {
            return NoteStarts.of(di);
        } catch (InputFault e) {
            // A take without a note makes no rhythm; the bench says so.
            return List.of();
        }
    }

    /** The tempo that stands: what the player said, else what was found in the record. */
    public Optional<Double> bpm() {
        return tempo.get().map(PerformanceJson.Tempo::bpm)
                .or(() -> heard.get().flatMap(Heard::found).map(TempoReading::bpm));
    }

    private void plan() {
        Optional<Ground> g = Ground.of(desk);
        Optional<Block> echo = g.flatMap(x -> echo(x.tone()));
        if (g.isEmpty() || echo.isEmpty() || bpm().isEmpty() || heard.get().map(h -> h.notes.isEmpty()).orElse(true)) {
            rhythm.set(Optional.empty());
            return;
        }
        List<PlayedNote> notes = heard.get().orElseThrow().notes;
        RhythmPlan.Echo e = RhythmPlan.Echo.of(echo.get());
        double bpm = Math.clamp(bpm().get(), NoteSum.SLOWEST_BPM, NoteSum.FASTEST_BPM);
        rhythm.set(Optional.of(new Rhythm(ControlPlace.of(echo.get(), ControlNames.TIME), RhythmPlan.of(notes, e, bpm),
                RhythmPlan.choices(notes, e, bpm), g.get().di().durationS())));
    }

    private static Optional<Block> echo(Tone t) {
        return t.blocks().stream().filter(b -> b.on() && b.model().kind() == GearKind.ECHO).findFirst();
    }

    /** One tap of the tempo, by key, button or foot; {@link #settleTaps} sets it. */
    public void tap(long nanos) {
        said.set(taps.tap(nanos));
    }

    /** Sets what was tapped. */
    public void settleTaps() {
        OptionalDouble bpm = taps.settle();
        if (bpm.isPresent()) setTempo(Figures.of("%.1f", bpm.getAsDouble()));
    }

    /** Sets the tempo that the player's own take plays. */
    public void setTempoOfTake() {
        Optional<Ground> g = Ground.of(desk);
        if (g.isEmpty()) {
            said.set("Derive a tone first: then its times can follow a tempo.");
            return;
        }
        desk.forCase("Listening for your beat", _ -> TempoBinding.played("your take", g.get().di()))
                .show(bpm -> setTempo(Figures.of("%.1f", bpm)));
    }

    /** Sets the tempo and binds what is a note value at it. */
    public void setTempo(String typed) {
        Optional<Ground> g = Ground.of(desk);
        if (g.isEmpty()) {
            said.set("Derive a tone first: then its times can follow a tempo.");
            return;
        }
        try {
            double bpm = VariantsModel.figure(typed)
                    .orElseThrow(() -> new IllegalArgumentException("no tempo is there"));
            TempoBinding.check(bpm);
            List<TempoBinding> bound = tempo.get().map(PerformanceJson.Tempo::bindings)
                    .filter(b -> !b.isEmpty())
                    .orElseGet(() -> TempoBinding.suggested(g.get().tone(), bpm));
            keep(g.get(), new PerformanceJson.Tempo(bpm, bound));
            said.set(bound.isEmpty()
                    ? "None of its times is a note value at this tempo: bind one below."
                    : "");
        } catch (IllegalArgumentException | InputFault e) {
            said.set(e.getMessage() + ".");
        }
    }

    private void keep(Ground g, PerformanceJson.Tempo t) {
        desk.book().performances().keep(g.caseId(), t);
        desk.refresh();
    }

    /** Binds a time to a note value, or frees it. */
    public void bind(ControlPlace place, Optional<NoteSum> length) {
        Optional<Ground> g = Ground.of(desk);
        if (g.isEmpty() || bpm().isEmpty()) return;
        List<TempoBinding> next = new ArrayList<>(tempo.get().map(PerformanceJson.Tempo::bindings).orElse(List.of()));
        next.removeIf(b -> b.place().equals(place));
        length.ifPresent(l -> next.add(new TempoBinding(place, l)));
        keep(g.get(), new PerformanceJson.Tempo(bpm().get(), next));
    }

    /** Times of the tone that can follow the beat. */
    public List<ControlPlace> bindable() {
        List<ControlPlace> out = new ArrayList<>();
        Ground.of(desk).ifPresent(g -> g.tone().blocks().stream().filter(Block::on).forEach(b -> b.model().turnable()
                .stream().filter(c -> TempoBinding.canBind(b, c)).forEach(c -> out.add(ControlPlace.of(b, c.name())))));
        return out;
    }

    /** What a place is bound to. */
    public Optional<NoteSum> bound(ControlPlace place) {
        return tempo.get().flatMap(t -> t.bindings().stream().filter(b -> b.place().equals(place)).findFirst())
                .map(TempoBinding::length);
    }

    /** A time as it is, and as it would be at the tempo. */
    public String words(ControlPlace place) {
        Tone t = Ground.of(desk).orElseThrow().tone();
        Block b = t.find(place.block()).orElseThrow();
        var c = b.model().control(place.control());
        String is = c.display(b.get(c.name()));
        return bound(place).flatMap(l -> bpm().map(v -> new TempoBinding(place, l).value(c, v)))
                .map(v -> is + ", at this tempo " + c.display(c.clamp(v))).orElse(is);
    }

    /** Hears the tone with everything that is bound at the tempo; and the echo at a note value, where one is named. */
    public void hear(Optional<NoteValue> value) {
        Optional<Ground> g = Ground.of(desk);
        if (g.isEmpty() || bpm().isEmpty()) return;
        try {
            Tone t = g.get().tone();
            for (TempoBinding b : tempo.get().map(PerformanceJson.Tempo::bindings).orElse(List.of()))
                t = b.at(t, bpm().get());
            if (value.isPresent() && rhythm.get().isPresent())
                t = new TempoBinding(rhythm.get().get().place(), new NoteSum(List.of(value.get()))).at(t, bpm().get());
            g.get().hear(desk, t);
            said.set(value.map(v -> Figures.of("Heard: the echo on the %s, %.0f ms.", v.name(),
                    v.milliseconds(bpm().get()))).orElse("Heard: everything that is bound, at the tempo."));
        } catch (InputFault e) {
            said.set(e.getMessage() + ".");
        }
    }

    public ReadOnlyObjectProperty<Optional<PerformanceJson.Tempo>> tempo() {
        return tempo.getReadOnlyProperty();
    }

    /** Whether there is no record, so that the beat is the take's own. */
    public boolean isOfTheTake() {
        return desk.sounds().get().reference().isEmpty();
    }

    public ReadOnlyObjectProperty<Optional<Heard>> heard() {
        return heard.getReadOnlyProperty();
    }

    public ReadOnlyObjectProperty<Optional<Rhythm>> rhythm() {
        return rhythm.getReadOnlyProperty();
    }

    public ReadOnlyStringProperty said() {
        return said.getReadOnlyProperty();
    }
}
