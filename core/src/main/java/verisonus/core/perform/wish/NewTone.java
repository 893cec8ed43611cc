package verisonus.core.perform.wish;

import java.util.ArrayList;
import java.util.List;
import verisonus.core.rig.Block;
import verisonus.core.rig.ControlNames;
import verisonus.core.rig.GearKind;
import verisonus.core.rig.Rig;
import verisonus.core.rig.Tone;
import verisonus.core.rig.Voice;
import verisonus.core.simulate.Renderer;
import verisonus.core.simulate.stages.Quality;
import verisonus.core.sound.LoudnessMeter;
import verisonus.core.sound.Sound;
import verisonus.core.work.InputFault;
import verisonus.core.work.Progress;

/** What does a tone begin as where there is no record? A flat chain, or any tone at the loudness at which all begin. */
public final class NewTone {
    /** All begin equally loud; a usual level of a guitar by itself, LUFS. */
    private static final double LOUDNESS_LUFS = -20;

    private NewTone() {}

    /** A flat chain of what the player owns: amp, cabinet and microphone as they come. @throws InputFault where one is lacking */
    public static Tone neutral(Rig rig) {
        List<Block> blocks = new ArrayList<>();
        for (GearKind k : List.of(GearKind.AMP, GearKind.CABINET, GearKind.MICROPHONE))
            blocks.add(rig.owned(k).stream()
                    .filter(m -> m.voice() != Voice.Cabinet.IMPULSE_RESPONSE).findFirst()
                    .map(rig::device).orElseThrow(() -> new InputFault("the rig", "it holds no " + k.word(),
                            "name one in the gear list")));
        return new Tone("neutral", blocks);
    }

    /** As loud on the take as all that begins, by its microphone's level; itself where it has none. */
    public static Tone levelled(Tone tone, Sound take) {
        Sound played = Renderer.render(tone, StartSound.part(take), Quality.SEARCH, Progress.NONE);
        double has = LoudnessMeter.integratedLufs(played).orElse(LOUDNESS_LUFS);
        return tone.first(GearKind.MICROPHONE).filter(b -> b.model().find(ControlNames.LEVEL).isPresent())
                .map(b -> tone.with(b.with(ControlNames.LEVEL,
                        Math.rint(10 * (b.get(ControlNames.LEVEL) + LOUDNESS_LUFS - has)) / 10)))
                .orElse(tone);
    }
}
