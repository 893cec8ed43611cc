package verisonus.desktop.perform;

import java.util.Optional;
import verisonus.core.rig.Tone;
import verisonus.core.simulate.Renderer;
import verisonus.core.simulate.stages.Quality;
import verisonus.core.sound.Sound;
import verisonus.desktop.desk.Desk;

/**
 * What everything on this bench stands on.
 *
 * @param tone the case's tone
 * @param di the player's take
 * @param second another take, for a tone that doubles
 * @param startS where on the record's time axis the take begins
 */
record Ground(long caseId, Tone tone, Sound di, Optional<Sound> second, double startS) {
    static Optional<Ground> of(Desk desk) {
        return desk.asItStands().flatMap(c -> c.tone().flatMap(t -> c.sounds().di().map(
                d -> new Ground(c.caseId(), t.tone(), d, c.sounds().second(), t.search().diStartS()))));
    }

    /** Plays a tone with the take, in the place of mine. */
    void hear(Desk desk, Tone changed) {
        desk.forTone("Playing " + changed.name(), progress -> {
            Sound played = Renderer.render(changed, di, second, Quality.FINAL, progress);
            desk.hearMine(caseId, played, startS);
            return played;
        }).begin();
    }

    boolean isStill(Desk desk) {
        return of(desk).filter(g -> g.caseId == caseId && g.tone.equals(tone)).isPresent();
    }

}
