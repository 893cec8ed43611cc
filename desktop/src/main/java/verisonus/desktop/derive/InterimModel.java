package verisonus.desktop.derive;

import java.util.Optional;
import java.util.concurrent.Future;
import java.util.function.Function;
import javafx.beans.property.ReadOnlyObjectProperty;
import javafx.beans.property.ReadOnlyObjectWrapper;
import verisonus.core.rig.Tone;
import verisonus.core.search.ToneSearch;
import verisonus.core.simulate.Renderer;
import verisonus.core.simulate.stages.Quality;
import verisonus.core.sound.Sound;
import verisonus.core.work.Progress;
import verisonus.desktop.desk.CaseAsItStands;
import verisonus.desktop.desk.Desk;

/** The best tone so far of a search that is still running: shown, and heard as mine where the player asks for it, until the search is over. */
public final class InterimModel {
    /** @param afterS since the search began @param startS where the take begins on the record's time axis */
    public record SoFar(long caseId, Tone tone, double afterS, double startS, Sound di) {}

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
                SoFar now = new SoFar(caseId, tone, (System.nanoTime() - began) / 1e9, regionFromS + startS, di);
                desk.work().onWindow(() -> show(now));
            });
        } finally {
            desk.work().onWindow(this::over);
        }
    }

    private void show(SoFar now) {
        // Another case may have been opened meanwhile: this is none of its tones.
        if (desk.open().get().filter(o -> o.entry().id() == now.caseId).isEmpty()) {
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
                if (best.get().equals(now)) desk.hearMine(now.get().caseId(), played, now.get().startS());
            });
        });
    }

    /** What was mine before is mine again; a tone that was found takes its place at once. */
    private void over() {
        best.set(Optional.empty());
        if (!heard) return;
        heard = false;
        Optional<CaseAsItStands> now = desk.asItStands();
        now.flatMap(c -> c.sounds().mine()).ifPresent(m -> now.flatMap(CaseAsItStands::tone)
                .ifPresent(t -> desk.hearMine(now.get().caseId(), m, t.search().diStartS())));
    }

    public ReadOnlyObjectProperty<Optional<SoFar>> best() {
        return best.getReadOnlyProperty();
    }
}
