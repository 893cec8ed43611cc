package verisonus.desktop.walk;

import java.util.List;
import java.util.Optional;
import java.util.function.BooleanSupplier;
import javafx.beans.property.ReadOnlyObjectProperty;
import javafx.beans.property.ReadOnlyObjectWrapper;
import verisonus.casebook.store.DerivedTone;
import verisonus.core.rig.Tone;
import verisonus.desktop.desk.Bench;
import verisonus.desktop.desk.Desk;
import verisonus.desktop.desk.OpenCase;
import verisonus.desktop.player.Source;

/** Where the player is on the walk: a step is over when the window shows that it was done, and the walk can be left at any. */
public final class Walk {
    private static final List<WalkStep> STEPS = List.of(
            new WalkStep("Press Space: the record plays from the marked region. Space again stops it.",
                    d -> () -> d.player().playing().get()),
            new WalkStep("While it plays, M is your own tone, R the record again, both equally loud.",
                    d -> () -> d.player().source().get() == Source.MINE),
            new WalkStep(
                    "Press " + Bench.MEASURE.number() + ": every line is something found in the record, with how sure"
                            + " it is. Press a line for its curve.",
                    Walk::onMeasure),
            new WalkStep(
                    "Press " + Bench.DERIVE.number() + ", then drag the diamond of a setting or step it with the arrow"
                            + " keys: it is played, measured and kept.",
                    Walk::toneChanges),
            new WalkStep("Ctrl+Z takes it back. Nothing needs saving; everything can be undone.", Walk::toneComesBack),
            new WalkStep(
                    "At the bottom, press \"on: as it is\" and choose a car or a telephone: the same two sounds there.",
                    d -> () -> d.heardOn().get().isPresent()),
            new WalkStep("Press " + Bench.SHEET.number() + ": the page to print. Ctrl+K finds everything else, Shift+F1"
                    + " shows every key.", d -> () -> d.bench().get() == Bench.SHEET));

    private final Desk desk;
    private final ReadOnlyObjectWrapper<Optional<Integer>> at = new ReadOnlyObjectWrapper<>(Optional.empty());
    private BooleanSupplier done = () -> false;

    public Walk(Desk desk) {
        this.desk = desk;
    }

    private static BooleanSupplier onMeasure(Desk d) {
        return () -> d.bench().get() == Bench.MEASURE;
    }

    private static Optional<Tone> tone(Desk d) {
        return d.open().get().flatMap(OpenCase::tone).map(DerivedTone::tone);
    }

    private static BooleanSupplier toneChanges(Desk d) {
        Optional<Tone> before = tone(d);
        return () -> !tone(d).equals(before);
    }

    private static BooleanSupplier toneComesBack(Desk d) {
        Optional<Tone> turned = tone(d);
        return () -> !tone(d).equals(turned);
    }

    /** Number of the step, from 0; empty where no one walks. */
    ReadOnlyObjectProperty<Optional<Integer>> at() {
        return at.getReadOnlyProperty();
    }

    static int length() {
        return STEPS.size();
    }

    /** What to do now; empty where no one walks. */
    public Optional<String> words() {
        return at.get().map(i -> STEPS.get(i).words());
    }

    public void begin() {
        goTo(0);
    }

    public void leave() {
        at.set(Optional.empty());
    }

    /** Leaves a step out. */
    public void skip() {
        at.get().ifPresent(i -> goTo(i + 1));
    }

    private void goTo(int step) {
        if (step >= STEPS.size()) {
            leave();
            return;
        }
        done = STEPS.get(step).watch().apply(desk);
        at.set(Optional.of(step));
    }

    /** Goes on where what is to be done was done. */
    public void look() {
        if (at.get().isPresent() && done.getAsBoolean()) skip();
    }
}
