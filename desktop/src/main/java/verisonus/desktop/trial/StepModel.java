package verisonus.desktop.trial;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.random.RandomGenerator;
import javafx.beans.property.ReadOnlyBooleanProperty;
import javafx.beans.property.ReadOnlyBooleanWrapper;
import javafx.beans.property.ReadOnlyObjectProperty;
import javafx.beans.property.ReadOnlyObjectWrapper;
import javafx.beans.property.ReadOnlyStringProperty;
import javafx.beans.property.ReadOnlyStringWrapper;
import verisonus.casebook.exchange.ListeningJson.NamedStep;
import verisonus.casebook.store.ListeningShelf.Kept;
import verisonus.core.compare.GapRow;
import verisonus.core.rig.Block;
import verisonus.core.rig.Control;
import verisonus.core.rig.ControlPlace;
import verisonus.core.rig.Tone;
import verisonus.core.simulate.Renderer;
import verisonus.core.simulate.stages.Quality;
import verisonus.core.sound.Sound;
import verisonus.core.take.LoudestPart;
import verisonus.core.trial.Candidate;
import verisonus.core.trial.MatchedSounds;
import verisonus.core.trial.step.OwnSteps;
import verisonus.core.trial.step.StepSearch;
import verisonus.core.work.Figures;
import verisonus.core.work.Progress;
import verisonus.desktop.desk.Desk;
import verisonus.desktop.desk.HeardOn;
import verisonus.desktop.desk.OpenCase;
import verisonus.desktop.player.PlayerModel;

/** The player's own steps: a search on request for one control, and what the blind trials have said about the others. */
final class StepModel {
    private static final double SMALLEST = 0.01;
    private static final double LARGEST = 0.5;
    private static final double PHRASE_S = 2.5;

    private final Desk desk;
    private final RandomGenerator draws;
    private final Slots slots;
    private final ReadOnlyBooleanWrapper running = new ReadOnlyBooleanWrapper();
    private final ReadOnlyBooleanWrapper waiting = new ReadOnlyBooleanWrapper();
    private final ReadOnlyObjectWrapper<List<ControlPlace>> places = new ReadOnlyObjectWrapper<>(List.of());
    private final ReadOnlyObjectWrapper<Optional<Kept<NamedStep>>> current = new ReadOnlyObjectWrapper<>(Optional
            .empty());
    private final ReadOnlyObjectWrapper<OwnSteps> own = new ReadOnlyObjectWrapper<>(OwnSteps.STANDARD);
    private final ReadOnlyStringWrapper said = new ReadOnlyStringWrapper("");
    private Optional<Ground> ground = Optional.empty();
    private boolean moreIsFirst;
    private double step;

    /** What a search stands on. */
    private record Ground(Tone tone, ControlPlace place, Sound phrase, PlayerModel.Span span,
            Optional<HeardOn> through) {
        Sound heard(double position) {
            Sound played = at(position);
            return through.map(t -> t.of(played)).orElse(played);
        }

        Block block() {
            return tone.find(place.block()).orElseThrow();
        }

        double position() {
            return block().model().control(place.control()).position(block().get(place.control()));
        }

        Sound at(double position) {
            Control c = block().model().control(place.control());
            return Renderer.render(tone.with(block().with(c.name(), c.valueAt(position))), phrase, Optional.of(phrase),
                    Quality.FINAL, Progress.NONE);
        }
    }

    StepModel(Desk desk, RandomGenerator draws) {
        this.desk = desk;
        this.draws = draws;
        this.slots = new Slots(desk);
        desk.open().subscribe(_ -> read());
        desk.changes().subscribe(_ -> read());
        desk.bench().subscribe(_ -> pause());
    }

    private void read() {
        if (desk.open().get().isEmpty()) pause();
        own.set(OwnSteps.of(desk.book().trials().told()).learnt());
        List<ControlPlace> out = new ArrayList<>();
        desk.open().get().flatMap(OpenCase::tone).ifPresent(t -> {
            for (Block b : t.tone().blocks()) {
                if (!b.on()) continue;
                for (Control c : b.model().turnable())
                    if (!c.isChoice() && !c.rare() && c.moves() != Control.Attribute.LOUDNESS)
                        out.add(ControlPlace.of(b,
                                c.name()));
            }
        });
        if (!out.equals(places.get())) places.set(out);
        if (!running.get()) current.set(desk.book().listening().steps().stream().findFirst());
    }

    /** Searches for the step of a control of this tone; goes on with a search for it that was left. */
    void begin(ControlPlace place) {
        Optional<Tone> tone = desk.open().get().flatMap(OpenCase::tone).map(d -> d.tone());
        Optional<Sound> di = desk.sounds().get().di();
        if (tone.isEmpty() || di.isEmpty() || tone.get().find(place.block()).isEmpty()) {
            said.set("Derive a tone first: the step is searched on it.");
            return;
        }
        LoudestPart part = LoudestPart.of(di.get(), PHRASE_S);
        double start = desk.sounds().get().diStartS();
        ground = Optional
                .of(new Ground(tone.get(), place, part.cut(di.get()), new PlayerModel.Span(start + part.fromS(),
                        start + part.toS()), desk.heardOn().get()));
        Kept<NamedStep> k = desk.book().listening().steps().stream()
                .filter(s -> s.value().what().equals(place.toString()) && !s.value().search().isEnded()).findFirst()
                .orElseGet(() -> desk.book().listening().begin(new NamedStep(place.toString(), "of its way", StepSearch
                        .begin(SMALLEST, LARGEST))));
        current.set(Optional.of(k));
        said.set("");
        running.set(true);
        ask();
    }

    private void ask() {
        Ground g = ground.orElseThrow();
        step = current.get().orElseThrow().value().search().next();
        moreIsFirst = draws.nextBoolean();
        // About the tone's own place as far as there is room on the track.
        double low = Math.clamp(g.position() - step / 2, 0, 1 - step);
        double high = low + step;
        waiting.set(true);
        boolean more = moreIsFirst;
        desk.forCase("Playing the next two", _ -> MatchedSounds.of(List.of(
                new Candidate("A", g.heard(more ? high : low)), new Candidate("B", g.heard(more ? low : high)))))
                .otherwise(_ -> {
                    // The question was not heard, so it is not asked: the search stands as it did.
                    waiting.set(false);
                    pause();
                })
                .show(m -> {
                    waiting.set(false);
                    if (!running.get()) return;
                    slots.lay(m, g.span, true);
                    slots.hear(0);
                });
    }

    void hear(int place) {
        if (running.get() && !waiting.get()) slots.hear(place);
    }

    int heardPlace() {
        return slots.heard();
    }

    /** "The first has more of it", or the second. */
    void answer(boolean first) {
        if (!running.get() || waiting.get()) return;
        if (slots.brokeOff()) {
            said.set("The sound broke off: that one does not count.");
            ask();
            return;
        }
        Kept<NamedStep> next = desk.book().listening().answered(current.get().orElseThrow(), step,
                first == moreIsFirst);
        current.set(Optional.of(next));
        said.set("");
        if (next.value().search().isEnded()) {
            stop();
            desk.refresh();
        } else {
            ask();
        }
    }

    void pause() {
        if (!running.get()) return;
        stop();
        said.set("Left as it stands; begin again to go on.");
    }

    private void stop() {
        if (!running.get()) return;
        running.set(false);
        waiting.set(false);
        slots.clear();
    }

    /** Every finished search in words, newest first. */
    List<String> found() {
        List<String> out = new ArrayList<>();
        for (Kept<NamedStep> k : desk.book().listening().steps()) {
            StepSearch s = k.value().search();
            if (!s.isEnded()) continue;
            String what = k.value().what().replace('/', ' ');
            out.add(s.isBeyond()
                    ? what + ": not told even at half of its way"
                    : Figures.of("%s: %.1f %% of its way, between %.1f and %.1f, from %d answers", what,
                            100 * s.step(), 100 * s.step() / s.factor(), 100 * s.step() * s.factor(), s.answers()
                                    .size()));
        }
        return out;
    }

    /** The gap's rows that trials have said something about: as most hear them, and as this listener does. */
    List<String> rows() {
        List<String> out = new ArrayList<>();
        Optional<OpenCase> open = desk.open().get();
        own.get().byAttribute().forEach((a, o) -> {
            Optional<GapRow> row = open.flatMap(OpenCase::tone).flatMap(t -> t.gap().find(a));
            String name = a.isBand() ? a.playersWords() : a.words();
            out.add(name + ": " + o.words()
                    + row.map(r -> Figures.of("; the gap of %.1f steps is %.1f of yours", r.audibility(),
                            r.audibility() / o.factor())).orElse(
                                    ""));
        });
        return out;
    }

    ReadOnlyBooleanProperty running() {
        return running.getReadOnlyProperty();
    }

    /** Whether the next two are still being played. */
    ReadOnlyBooleanProperty waiting() {
        return waiting.getReadOnlyProperty();
    }

    ReadOnlyObjectProperty<Optional<Kept<NamedStep>>> current() {
        return current.getReadOnlyProperty();
    }

    /** What a step can be searched for. */
    ReadOnlyObjectProperty<List<ControlPlace>> places() {
        return places.getReadOnlyProperty();
    }

    ReadOnlyObjectProperty<OwnSteps> own() {
        return own.getReadOnlyProperty();
    }

    ReadOnlyStringProperty said() {
        return said.getReadOnlyProperty();
    }

    Desk desk() {
        return desk;
    }
}
