package verisonus.core.perform.device;

import verisonus.core.compare.HeardChange;
import verisonus.core.rig.Tone;
import verisonus.core.simulate.Renderer;
import verisonus.core.simulate.stages.Quality;
import verisonus.core.sound.Sound;
import verisonus.core.take.LoudestPart;
import verisonus.core.work.Progress;

/** Tones played with one phrase and compared with one of them. */
final class TonePlayed {
    /** More of a phrase changes no ranking. */
    private static final double PLAYED_S = 5;

    private final Sound phrase;
    private final HeardChange.Moments wanted;

    TonePlayed(Tone wanted, Sound phrase) {
        Sound dry = phrase.atRate(Sound.WORKING_RATE_HZ);
        this.phrase = LoudestPart.of(dry, PLAYED_S).cut(dry);
        this.wanted = played(wanted);
    }

    HeardChange.Moments played(Tone t) {
        return HeardChange.Moments.of(Renderer.render(t, phrase, Quality.DRAFT, Progress.NONE));
    }

    /** How far a tone lies from the wanted one, loudness left out, JND. */
    double gapJnd(Tone t) {
        return HeardChange.between(wanted, played(t)).jnd();
    }

    Sound phrase() {
        return phrase;
    }
}
