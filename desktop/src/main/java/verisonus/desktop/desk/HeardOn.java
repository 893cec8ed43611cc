package verisonus.desktop.desk;

import java.util.Optional;
import java.util.OptionalDouble;
import verisonus.core.sound.LoudnessMeter;
import verisonus.core.sound.Sound;
import verisonus.core.travel.system.PlaybackSystem;
import verisonus.core.travel.system.SystemSound;
import verisonus.core.travel.trim.Trim;
import verisonus.core.work.Progress;

/**
 * A playback system through which everything is heard.
 *
 * @param system which
 * @param listenedOn what the player really listens on, whose response is taken out; empty where that is not known
 * @param levelDbSpl how loud it is turned up there
 * @param matched whether it is as loud as without it, or as loud as it would be
 * @param trim what is turned on that system; empty: the tone as it is
 */
public record HeardOn(PlaybackSystem system, Optional<PlaybackSystem> listenedOn, double levelDbSpl, boolean matched,
        Optional<Trim> trim) {
    /** A recording as it is there. */
    public Sound of(Sound sound) {
        PlaybackSystem through = listenedOn.map(l -> SystemSound.through(system, l)).orElse(system);
        Sound heard = new SystemSound(through, levelDbSpl).of(sound, Progress.NONE);
        if (!matched) return heard;
        OptionalDouble before = LoudnessMeter.integratedLufs(sound);
        OptionalDouble after = LoudnessMeter.integratedLufs(heard);
        return before.isPresent() && after.isPresent()
                ? heard.gained(before.getAsDouble() - after.getAsDouble())
                : heard;
    }
}
