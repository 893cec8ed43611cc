package verisonus.core.trial.train;

import java.util.List;
import java.util.Optional;
import verisonus.core.rig.Tone;
import verisonus.core.simulate.Renderer;
import verisonus.core.simulate.stages.Quality;
import verisonus.core.sound.Biquad;
import verisonus.core.sound.Sound;
import verisonus.core.travel.NamedBand;
import verisonus.core.work.Progress;

/**
 * One question: a tone, the same with one thing changed, and what that may be.
 *
 * @param attribute what is asked about, for the scores
 * @param changed the tone with the change; the tone itself where a band of its sound is lifted instead
 * @param lifted the band that is lifted, with {@code size} dB
 * @param size how large the change is: share of a control's track, or dB
 * @param choices of which one is right
 * @param right its index
 */
public record Exercise(Skill skill, String attribute, Tone changed, Optional<NamedBand> lifted, double size,
        List<String> choices, int right) {
    private static final double WIDTH_Q = 1.1;

    public Exercise {
        choices = List.copyOf(choices);
    }

    /** What is heard after the change. */
    public Sound after(Sound di) {
        Sound played = Renderer.render(changed, di, Optional.of(di), Quality.FINAL, Progress.NONE);
        if (lifted.isEmpty()) return played;
        double hz = Math.sqrt(lifted.get().fromHz() * lifted.get().toHz());
        Biquad peak = Biquad.peak(hz, size, WIDTH_Q, played.rateHz());
        float[][] out = new float[played.channels().length][];
        for (int c = 0; c < out.length; c++) {
            out[c] = played.channel(c).clone();
            new Biquad.Section(peak).process(out[c], 0, out[c].length);
        }
        return new Sound(out, played.rateHz());
    }

    public String question() {
        return skill == Skill.AMOUNT ? "How far was " + attribute + " turned?" : skill.question();
    }

    /** What to say to an answer. */
    public String verdict(int answer) {
        String was = choices.get(right);
        return answer == right ? "Yes, " + was + "." : "No, it was " + was + ".";
    }
}
