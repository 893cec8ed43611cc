package verisonus.core.trial.setup;

import java.util.List;
import verisonus.core.perform.FewTurns;
import verisonus.core.rig.Block;
import verisonus.core.rig.Control;
import verisonus.core.rig.ControlPlace;
import verisonus.core.rig.Rig;
import verisonus.core.rig.Tone;
import verisonus.core.sound.Sound;
import verisonus.core.work.Figures;
import verisonus.core.work.InputFault;
import verisonus.core.work.Progress;

/**
 * What to turn on a real rig that was set up from the page: its recording is taken for the tone with some controls set off; the
 * {@link FewTurns} that explain it best are turned back. How far counts on the track of the simulated model or of the amp that was learnt.
 *
 * @param turns what to turn, the one that helps most first; empty where nothing helps that is heard
 * @param beforeJnd how far the recording lies from the tone, loudness taken out
 * @param afterJnd how far it would lie with the turns made
 * @param sameTake whether the recording is of the very take, so that course as well as colour could be compared
 */
public record Nudge(List<Turn> turns, double beforeJnd, double afterJnd, boolean sameTake) {
    private static final double ENOUGH_JND = 1;

    /** One control: the place it seems to stand at, and the one where it belongs. */
    public record Turn(ControlPlace place, double seemsAt, double belongsAt) {
        /** "amp treble: seems to stand at 6.2, turn it down to 5.0", in the device's own scale. */
        public String words(Tone tone, Rig rig) {
            Block b = tone.find(place.block()).orElseThrow();
            Control c = b.model().control(place.control());
            return Figures.of("%s %s: seems to stand at %s, turn it %s to %s", b.id(), b.label(c
                    .name()), rig.display(b.model(), c, seemsAt), belongsAt > seemsAt ? "up" : "down", rig.display(
                            b
                                    .model(),
                            c, belongsAt));
        }
    }

    public Nudge {
        turns = List.copyOf(turns);
    }

    /** Whether what is left cannot be told from the tone. */
    public boolean isEnough() {
        return beforeJnd < ENOUGH_JND;
    }

    /**
     * @param take the player's dry take, as the tone was derived on it
     * @param recorded the real rig, with the take sent through it or the phrase played again
     * @throws InputFault where the recording plays something else
     */
    public static Nudge of(Tone tone, Sound take, Sound recorded, Progress progress) {
        FewTurns f = FewTurns.towards(tone, take, recorded, progress);
        return new Nudge(f.turns().stream().map(t -> new Turn(t.place(), t.to(), t.from())).toList(), f.beforeJnd(),
                f.afterJnd(), f.sameTake());
    }
}
