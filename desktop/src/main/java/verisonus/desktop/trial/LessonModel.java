package verisonus.desktop.trial;

import java.time.Clock;
import java.util.ArrayList;
import java.util.EnumSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.random.RandomGenerator;
import javafx.beans.property.ReadOnlyBooleanProperty;
import javafx.beans.property.ReadOnlyBooleanWrapper;
import javafx.beans.property.ReadOnlyObjectProperty;
import javafx.beans.property.ReadOnlyObjectWrapper;
import javafx.beans.property.ReadOnlyStringProperty;
import javafx.beans.property.ReadOnlyStringWrapper;
import verisonus.core.rig.Tone;
import verisonus.core.simulate.Renderer;
import verisonus.core.simulate.stages.Quality;
import verisonus.core.sound.Sound;
import verisonus.core.take.LoudestPart;
import verisonus.core.trial.Candidate;
import verisonus.core.trial.MatchedSounds;
import verisonus.core.trial.train.Exercise;
import verisonus.core.trial.train.Lesson;
import verisonus.core.trial.train.Score;
import verisonus.core.trial.train.Skill;
import verisonus.core.work.InputFault;
import verisonus.core.work.Progress;
import verisonus.desktop.desk.Desk;
import verisonus.desktop.desk.HeardOn;
import verisonus.desktop.desk.OpenCase;
import verisonus.desktop.player.PlayerModel;

/** Training on the player's own tone: before, after, and what was it? */
final class LessonModel {
    private static final double PHRASE_S = 3;

    private final Desk desk;
    private final RandomGenerator seeds;
    private final Clock clock;
    private final Slots slots;
    private final Set<Skill> skills = EnumSet.allOf(Skill.class);
    private final ReadOnlyBooleanWrapper running = new ReadOnlyBooleanWrapper();
    private final ReadOnlyObjectWrapper<Optional<Exercise>> exercise = new ReadOnlyObjectWrapper<>(Optional.empty());
    private final ReadOnlyStringWrapper verdict = new ReadOnlyStringWrapper("");
    private final ReadOnlyStringWrapper said = new ReadOnlyStringWrapper("");
    private final ReadOnlyObjectWrapper<List<Score>> scores = new ReadOnlyObjectWrapper<>(List.of());
    private Optional<Lesson> lesson = Optional.empty();
    private Sound phrase = Sound.mono(new float[1], Sound.WORKING_RATE_HZ);
    private Tone tone = new Tone("", List.of());
    private PlayerModel.Span span = new PlayerModel.Span(0, 0);
    private int right;
    private boolean waiting;

    LessonModel(Desk desk, RandomGenerator seeds, Clock clock) {
        this.desk = desk;
        this.seeds = seeds;
        this.clock = clock;
        this.slots = new Slots(desk);
        desk.open().subscribe((was, now) -> {
            if (!was.map(o -> o.entry().id()).equals(now.map(o -> o.entry().id()))) end();
        });
        scores.set(desk.book().listening().scores());
        desk.bench().subscribe(_ -> end());
    }

    void begin() {
        Optional<Tone> t = desk.open().get().flatMap(OpenCase::tone).map(d -> d.tone());
        Optional<Sound> di = desk.sounds().get().di();
        if (t.isEmpty() || di.isEmpty()) {
            said.set("Derive a tone first: the questions are made of it.");
            return;
        }
        if (skills.isEmpty()) {
            said.set("Choose what to train.");
            return;
        }
        try {
            lesson = Optional.of(new Lesson(t.get(), List.copyOf(skills), scores.get(), seeds.nextLong()));
        } catch (InputFault e) {
            desk.work().tell(e);
            return;
        }
        LoudestPart part = LoudestPart.of(di.get(), PHRASE_S);
        double start = desk.sounds().get().diStartS();
        phrase = part.cut(di.get());
        tone = t.get();
        span = new PlayerModel.Span(start + part.fromS(), start + part.toS());
        right = 0;
        verdict.set("");
        said.set("");
        running.set(true);
        ask();
    }

    private void ask() {
        Exercise e = lesson.orElseThrow().exercise();
        Tone before = tone;
        Sound played = phrase;
        waiting = true;
        Optional<HeardOn> through = desk.heardOn().get();
        desk.forCase("Playing before and after", _ -> MatchedSounds.of(List.of(
                new Candidate("before", heard(through, Renderer.render(before, played, Optional.of(played),
                        Quality.FINAL, Progress.NONE))),
                new Candidate("after", heard(through, e.after(played))))))
                .otherwise(_ -> {
                    waiting = false;
                    end();
                })
                .show(m -> {
                    waiting = false;
                    if (!running.get()) return;
                    slots.lay(m, span, true);
                    exercise.set(Optional.of(e));
                    slots.hear(1);
                });
    }

    private static Sound heard(Optional<HeardOn> through, Sound sound) {
        return through.map(t -> t.of(sound)).orElse(sound);
    }

    void hear(int place) {
        if (running.get()) slots.hear(place);
    }

    int heardPlace() {
        return slots.heard();
    }

    void answer(int choice) {
        if (!running.get() || waiting || exercise.get().isEmpty()) return;
        Exercise e = exercise.get().get();
        if (choice >= e.choices().size()) return;
        Lesson l = lesson.orElseThrow();
        boolean is = l.answer(choice);
        if (is) right++;
        Score s = new Score(clock.instant(), e.skill(), e.skill() == Skill.AMOUNT
                ? e.attribute().replaceAll(
                        " (up|down)$", "")
                : e.attribute(), e.size(), is);
        desk.book().listening().add(s);
        List<Score> next = new ArrayList<>(scores.get());
        next.add(s);
        scores.set(List.copyOf(next));
        verdict.set(e.verdict(choice) + " " + right + " of " + l.asked() + " right.");
        ask();
    }

    void end() {
        if (!running.get()) return;
        running.set(false);
        exercise.set(Optional.empty());
        slots.clear();
    }

    boolean trains(Skill s) {
        return skills.contains(s);
    }

    void train(Skill s, boolean on) {
        if (on) skills.add(s);
        else skills.remove(s);
    }

    ReadOnlyBooleanProperty running() {
        return running.getReadOnlyProperty();
    }

    ReadOnlyObjectProperty<Optional<Exercise>> exercise() {
        return exercise.getReadOnlyProperty();
    }

    /** What became of the last answer. */
    ReadOnlyStringProperty verdict() {
        return verdict.getReadOnlyProperty();
    }

    /** Every answer, oldest first. */
    ReadOnlyObjectProperty<List<Score>> scores() {
        return scores.getReadOnlyProperty();
    }

    ReadOnlyStringProperty said() {
        return said.getReadOnlyProperty();
    }

    Desk desk() {
        return desk;
    }
}
