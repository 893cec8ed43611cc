package verisonus.core.perform.wish;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.concurrent.Callable;
import java.util.concurrent.ExecutorService;
import verisonus.core.evidence.Examination;
import verisonus.core.evidence.words.Trait;
import verisonus.core.evidence.words.Word;
import verisonus.core.rig.GearKind;
import verisonus.core.rig.Rig;
import verisonus.core.rig.Tone;
import verisonus.core.search.StartingTone;
import verisonus.core.search.StartingTones;
import verisonus.core.simulate.Renderer;
import verisonus.core.simulate.stages.Quality;
import verisonus.core.sound.Sound;
import verisonus.core.work.Parallel;
import verisonus.core.work.Progress;

/**
 * A starting tone as it sounds on a take.
 *
 * @param family what its dirt comes from: the amp, and the pedal where there is one
 * @param traits what a listener notices of it
 */
public record StartSound(StartingTone start, String family, Map<Trait, Double> traits) {
    private static final double HEARD_S = 6;

    /** Every starting tone that can be set up, as it sounds on the take. */
    public static List<StartSound> all(Rig rig, Sound take, ExecutorService workers) {
        Sound heard = part(take);
        List<Callable<StartSound>> work = new ArrayList<>();
        for (StartingTone t : StartingTones.playable(rig)) work.add(() -> of(t, heard));
        return Parallel.all(work, workers);
    }

    static Sound part(Sound take) {
        Sound working = take.atRate(Sound.WORKING_RATE_HZ);
        return working.durationS() > HEARD_S ? working.slice(0, HEARD_S) : working;
    }

    /** One of them, on a take of any length. */
    public static StartSound of(StartingTone t, Sound take) {
        Sound played = Renderer.render(t.tone(), part(take), Quality.DRAFT, Progress.NONE);
        return new StartSound(t, family(t.tone()),
                Trait.of(Examination.of(played, Examination.Depth.TONE, Progress.NONE)));
    }

    /** The listener's words that fit it, the clearest first. */
    public List<String> fitting(int most) {
        return Word.fitting(Word.shipped(), traits).stream().limit(most).map(f -> f.word().name()).toList();
    }

    private static String family(Tone t) {
        String amp = t.first(GearKind.AMP).map(b -> b.model().name()).orElse("no amp");
        return t.first(GearKind.DRIVE).map(d -> amp + " with a " + d.model().name()).orElse(amp);
    }
}
