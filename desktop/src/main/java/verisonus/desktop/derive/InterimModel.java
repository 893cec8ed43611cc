package verisonus.desktop.derive;

import java.util.Optional;
import java.util.concurrent.Future;
import java.util.function.Function;
import javafx.beans.property.ReadOnlyObjectProperty;
import javafx.beans.property.ReadOnlyObjectWrapper;
import verisonus.casebook.store.DerivedTone;
import verisonus.core.rig.Tone;
import verisonus.core.search.ToneSearch;
import verisonus.core.simulate.Renderer;
import verisonus.core.simulate.stages.Quality;
import verisonus.core.sound.Sound;
import verisonus.core.work.Progress;
import verisonus.desktop.desk.Desk;
import verisonus.desktop.desk.OpenCase;

/** The best tone so far of a search that is still running: shown, and heard as mine where the player asks for it, until the search is over. */
public final class InterimModel {
    /** @param afterS since the search began @param startS where the take begins on the record's time axis */
    public record SoFar(Tone tone, double afterS, double startS, Sound di) {}

    private final Desk desk;
    private final ReadOnlyObjectWrapper<Optional<SoFar>> best = new ReadOnlyObjectWrapper<>(Optional.empty());
    private boolean heard;

    InterimModel(Desk desk) {
        this.desk = desk;
    }

    /** Runs a search and listens to it; off the window's thread. */
    <T> T during(long caseId, double regionFromS, Sound di, Function<ToneSearch.Interim, T> search) {
        long began = System.nanoTime();
        try {
            return search.apply((tone, startS) -> {
                SoFar now = new SoFar(tone, (System.nanoTime() - began) / 1e9, regionFromS + startS, di);
                desk.work().onWindow(() -> show(caseId, now));
            });
        } finally {
            desk.work().onWindow(this::over);
        }
    }

    private void show(long caseId, SoFar now) {
        // Another case may have been opened meanwhile: this is none of its tones.
        if (desk.open().get().filter(o -> o.entry().id() == caseId).isEmpty()) {
            best.set(Optional.empty());
            return;
        }
        best.set(Optional.of(now));
        if (heard) hear();
    }

    /** Plays the best so far as mine; a better one takes its place when it comes. */
    public void hear() {
        Optional<SoFar> now = best.get();
        if (now.isEmpty()) return;
        heard = true;
        Future<?> ignored = desk.work().helpers().submit(() -> {
            Sound played = Renderer.render(now.get().tone(), now.get().di(), Quality.SEARCH, Progress.NONE);
            desk.work().onWindow(() -> {
                if (best.get().equals(now)) desk.hearMine(played, now.get().startS());
            });
        });
    }

    /** What was mine before is mine again; a tone that was found takes its place at once. */
    private void over() {
        best.set(Optional.empty());
        if (!heard) return;
        heard = false;
        Optional<DerivedTone> tone = desk.open().get().flatMap(OpenCase::tone);
        desk.sounds().get().mine().ifPresent(m -> tone.ifPresent(t -> desk.hearMine(m, t.search().diStartS())));
    }

    public ReadOnlyObjectProperty<Optional<SoFar>> best() {
        return best.getReadOnlyProperty();
    }
}
