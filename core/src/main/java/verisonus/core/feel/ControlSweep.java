package verisonus.core.feel;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import verisonus.core.rig.Block;
import verisonus.core.rig.Control;
import verisonus.core.rig.Tone;
import verisonus.core.simulate.Renderer;
import verisonus.core.simulate.stages.Quality;
import verisonus.core.sound.LoudnessMeter;
import verisonus.core.sound.Sound;
import verisonus.core.take.LoudestPart;
import verisonus.core.work.Progress;

/**
 * The take while a control is turned slowly from its least to its most, at one loudness: only what the control does to the sound is
 * left to hear. Played at nine places and faded from each to the next; all are of the same take, so that nothing beats.
 *
 * @param sound from the least to the most
 */
public record ControlSweep(Control control, Sound sound) {
    private static final int PLACES = 9;
    private static final double LONGEST_S = 12;

    /** @param di dry take; of a longer one the loudest twelve seconds are played */
    public static ControlSweep of(Tone tone, Block block, Control control, Sound di, Progress progress) {
        Sound take = di.atRate(Sound.WORKING_RATE_HZ);
        Sound part = LoudestPart.of(take, LONGEST_S).cut(take);
        List<Sound> places = new ArrayList<>();
        double wanted = LoudnessMeter.integratedLufs(played(tone, part)).orElse(-23);
        for (int i = 0; i < PLACES; i++) {
            double v = control.valueAt(i / (PLACES - 1.0));
            progress.step((double) i / PLACES, control.name() + " at " + control.display(v));
            Sound there = played(tone.with(block.with(control.name(), v)), part);
            double lufs = LoudnessMeter.integratedLufs(there).orElse(wanted);
            places.add(there.gained(wanted - lufs));
        }
        return new ControlSweep(control, faded(places));
    }

    private static Sound played(Tone tone, Sound part) {
        return Renderer.render(tone, part, Optional.of(part), Quality.DRAFT, Progress.NONE);
    }

    private static Sound faded(List<Sound> places) {
        int channels = places.stream().mapToInt(s -> s.channels().length).max().orElse(1);
        int frames = places.stream().mapToInt(Sound::frames).min().orElse(0);
        float[][] out = new float[channels][frames];
        for (int c = 0; c < channels; c++) {
            for (int i = 0; i < frames; i++) {
                double at = (double) i / Math.max(1, frames - 1) * (PLACES - 1);
                int low = (int) Math.min(PLACES - 2, Math.floor(at));
                float share = (float) (at - low);
                out[c][i] = (1 - share) * sample(places.get(low), c, i) + share * sample(places.get(low + 1), c, i);
            }
        }
        return new Sound(out, Sound.WORKING_RATE_HZ);
    }

    private static float sample(Sound s, int channel, int i) {
        return s.channel(Math.min(channel, s.channels().length - 1))[i];
    }

    /** Where the control stands at a moment of the sweep. */
    public double valueAt(double timeS) {
        return control.valueAt(Math.clamp(timeS / sound.durationS(), 0, 1));
    }
}
