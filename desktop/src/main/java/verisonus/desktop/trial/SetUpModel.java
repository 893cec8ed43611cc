package verisonus.desktop.trial;

import java.nio.file.Path;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import javafx.beans.property.ReadOnlyObjectProperty;
import javafx.beans.property.ReadOnlyObjectWrapper;
import javafx.beans.property.ReadOnlyStringProperty;
import javafx.beans.property.ReadOnlyStringWrapper;
import verisonus.core.rig.Tone;
import verisonus.core.sound.Sound;
import verisonus.core.sound.codec.SoundReader;
import verisonus.core.trial.setup.Nudge;
import verisonus.core.trial.setup.SetUpWalk;
import verisonus.core.work.Figures;
import verisonus.desktop.desk.Desk;
import verisonus.desktop.desk.OpenCase;

/** The tone set up on the real rig, one control at a time; then a recording of it says what to nudge. */
final class SetUpModel {
    private final Desk desk;
    private final ReadOnlyObjectWrapper<List<SetUpWalk.Step>> steps = new ReadOnlyObjectWrapper<>(List.of());
    private final ReadOnlyObjectWrapper<Set<String>> ticked = new ReadOnlyObjectWrapper<>(Set.of());
    private final ReadOnlyObjectWrapper<Optional<Nudge>> nudge = new ReadOnlyObjectWrapper<>(Optional.empty());
    private final ReadOnlyStringWrapper said = new ReadOnlyStringWrapper("");
    private Optional<Tone> tone = Optional.empty();

    SetUpModel(Desk desk) {
        this.desk = desk;
        desk.open().subscribe(_ -> read());
        desk.rig().subscribe(_ -> read());
    }

    private void read() {
        Optional<OpenCase> open = desk.open().get();
        Optional<Tone> now = open.flatMap(OpenCase::tone).map(d -> d.tone());
        if (!now.equals(tone)) {
            nudge.set(Optional.empty());
            said.set("");
        }
        tone = now;
        steps.set(now.map(t -> SetUpWalk.of(t, desk.rig().get())).orElse(List.of()));
        ticked.set(open.map(o -> desk.book().listening().ticked(o.entry().id())).orElse(Set.of()));
    }

    /** Whether a step is done with the value that it has now; another value is another step. */
    boolean isTicked(SetUpWalk.Step s) {
        return ticked.get().contains(key(s));
    }

    private static String key(SetUpWalk.Step s) {
        return s.place() + " = " + s.words();
    }

    void tick(SetUpWalk.Step s, boolean done) {
        Set<String> next = new LinkedHashSet<>(ticked.get());
        if (done) next.add(key(s));
        else next.remove(key(s));
        desk.open().get().ifPresent(o -> desk.book().listening().tick(o.entry().id(), next));
        ticked.set(next);
    }

    /** The first that is not done. */
    Optional<SetUpWalk.Step> next() {
        return steps.get().stream().filter(s -> !isTicked(s)).findFirst();
    }

    int done() {
        return (int) steps.get().stream().filter(this::isTicked).count();
    }

    /** Compares a recording of the real rig with the tone. */
    void compare(Path recording) {
        Optional<Sound> di = desk.sounds().get().di();
        if (tone.isEmpty() || di.isEmpty()) {
            said.set("Derive a tone first: the rig is held against it.");
            return;
        }
        Tone t = tone.get();
        desk.forTone("Listening to the real rig", progress -> {
            Sound s = SoundReader.read(recording).sound();
            return Nudge.of(t, di.get(), s, progress);
        }).show(n -> {
            nudge.set(Optional.of(n));
            said.set(words(n));
        });
    }

    private static String words(Nudge n) {
        String how = n.sameTake()
                ? ""
                : " It is another playing, so this is rough: send the take through the rig to know"
                        + " better.";
        if (n.isEnough())
            return Figures.of("The rig lies %.1f steps from the tone: leave it.", n.beforeJnd()) + how;
        if (n.turns().isEmpty())
            return Figures.of("The rig lies %.1f steps from the tone, and no single control explains it:"
                    + " look at what is plugged into what, and at the microphone.",
                    n.beforeJnd()) + how;
        return Figures.of("The rig lies %.1f steps from the tone; with this turned, about %.1f. Then record it"
                + " once more.",
                n.beforeJnd(), n.afterJnd()) + how;
    }

    /** What to turn, in the device's own scale. */
    List<String> turns() {
        return nudge.get()
                .flatMap(n -> tone.map(t -> n.turns().stream().map(x -> x.words(t, desk.rig().get())).toList()))
                .orElse(List.of());
    }

    ReadOnlyObjectProperty<List<SetUpWalk.Step>> steps() {
        return steps.getReadOnlyProperty();
    }

    ReadOnlyObjectProperty<Set<String>> ticked() {
        return ticked.getReadOnlyProperty();
    }

    ReadOnlyObjectProperty<Optional<Nudge>> nudge() {
        return nudge.getReadOnlyProperty();
    }

    ReadOnlyStringProperty said() {
        return said.getReadOnlyProperty();
    }
}
