package verisonus.core.feel;

import java.util.Optional;
import verisonus.core.compare.Driven;
import verisonus.core.rig.Block;
import verisonus.core.rig.Tone;
import verisonus.core.simulate.Renderer;
import verisonus.core.simulate.stages.Quality;
import verisonus.core.sound.Sound;
import verisonus.core.work.Progress;

/** Where must a gain stand for a tone to hold the playing back as far as another does ({@link Driven})? Found by halving. */
final class EqualSaturation {
    private static final int HALVINGS = 8;
    /** What differs less cannot be read. */
    private static final double LEAST = 0.01;

    private final Sound di;

    /** @param di what is played, at the simulation's rate */
    EqualSaturation(Sound di) {
        this.di = di;
    }

    /** What a tone makes of it. */
    Sound played(Tone tone) {
        return Renderer.render(tone, di, Optional.of(di), Quality.DRAFT, Progress.NONE);
    }

    /** How far a tone holds the playing back, echo and space left out. */
    double of(Tone tone) {
        return Driven.of(di, played(tone.withoutTails()));
    }

    /** The value, 0 to 10, of a control that drives more the higher it stands; where the tone is as driven already, its own. */
    double place(double wanted, Tone tone, Block block, String control) {
        if (Math.abs(of(tone) - wanted) < LEAST) return block.get(control);
        double low = 0;
        double high = 10;
        for (int i = 0; i < HALVINGS; i++) {
            double middle = (low + high) / 2;
            if (of(tone.with(block.with(control, middle))) < wanted) {
                low = middle;
            } else {
                high = middle;
            }
        }
        return (low + high) / 2;
    }
}
