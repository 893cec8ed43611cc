package verisonus.desktop.perform;

import java.util.Optional;
import verisonus.core.rig.Tone;
import verisonus.core.simulate.Renderer;
import verisonus.core.simulate.stages.Quality;
import verisonus.core.sound.Sound;
import verisonus.desktop.desk.Desk;
import verisonus.desktop.desk.OpenCase;

/**
 * What everything on this bench stands on.
 *
 * @param tone the case's tone
 * @param di the player's take
 * @param startS where on the record's time axis the take begins
 */
record Ground(long caseId, Tone tone, Sound di, double startS) {
    static Optional<Ground> of(Desk desk) {
        Optional<OpenCase> open = desk.open().get();
        Optional<Sound> di = desk.sounds().get().di();
        return open.flatMap(OpenCase::tone).flatMap(t -> di.map(d -> new Ground(open.get().entry().id(), t.tone(), d,
                t.search().diStartS())));
    }

    /** Plays a tone with the take, in the place of mine. */
    void hear(Desk desk, Tone changed) {
        desk.work().run("Playing " + changed.name(), progress -> {
            Sound played = Renderer.render(changed, di, desk.secondTake(), Quality.FINAL, progress);
            desk.hearMine(played, startS);
            return played;
        }, _ -> {});
    }

    boolean isStill(Desk desk) {
        return of(desk).filter(g -> g.caseId == caseId && g.tone.equals(tone)).isPresent();
    }

}
