package verisonus.core.perform;

import verisonus.core.compare.Driven;
import verisonus.core.rig.Tone;
import verisonus.core.simulate.Renderer;
import verisonus.core.simulate.stages.Quality;
import verisonus.core.sound.LoudnessMeter;
import verisonus.core.sound.Sound;
import verisonus.core.take.LoudestPart;
import verisonus.core.work.InputFault;
import verisonus.core.work.Progress;

/**
 * What a tone makes of a phrase, in the figures by which variants are matched.
 *
 * @param loudnessLufs integrated (ITU-R BS.1770)
 * @param dirt how far the playing is held back ({@link Driven}), 0 to 1
 * @param headroomDb from the true peak to full scale; below 0: it clips
 */
public record PlayedReading(double loudnessLufs, double dirt, double headroomDb) {
    /** Dirt is read from the loudest part of a longer phrase. */
    private static final double DIRT_S = 6;

    /** @throws InputFault where the phrase is too short or too soft to have a loudness */
    public static PlayedReading of(Tone tone, Sound phrase) {
        Sound dry = phrase.atRate(Sound.WORKING_RATE_HZ);
        Sound played = Renderer.render(tone, dry, Quality.FINAL, Progress.NONE);
        double loudness = LoudnessMeter.integratedLufs(played).orElseThrow(() -> new InputFault("the phrase",
                "it is too short or too soft to have a loudness", "play two seconds or more"));
        return new PlayedReading(loudness, dirt(tone, dry), -LoudnessMeter.truePeakDbtp(played));
    }

    /**
     * How far a tone holds the playing back, on the loudest part of a phrase, echo and space left out; without the rest it is read
     * quickly.
     */
    public static double dirt(Tone tone, Sound phrase) {
        Sound part = LoudestPart.of(phrase, DIRT_S).cut(phrase);
        return Driven.of(part, Renderer.render(tone.withoutTails(), part, Quality.SEARCH, Progress.NONE));
    }
}
