package verisonus.bench.ears;

import java.util.ArrayList;
import java.util.List;
import verisonus.core.rig.Block;
import verisonus.core.rig.GearKind;
import verisonus.core.rig.Model;
import verisonus.core.rig.Rig;
import verisonus.core.rig.Tone;
import verisonus.core.rig.Voice;
import verisonus.core.simulate.Renderer;
import verisonus.core.simulate.stages.Quality;
import verisonus.core.sound.Sound;
import verisonus.core.work.Progress;
import verisonus.demo.Takes;

/** Chains of every amp in turn, and takes by known hands. */
final class MadeRigs {
    private MadeRigs() {}

    static Tone tone(int n) {
        List<Block> blocks = new ArrayList<>();
        for (GearKind k : List.of(GearKind.AMP, GearKind.CABINET, GearKind.MICROPHONE)) {
            List<Model> all = Rig.everything().owned(k).stream()
                    .filter(m -> m.voice() != Voice.Cabinet.IMPULSE_RESPONSE).toList();
            blocks.add(Block.of(all.get(n % all.size()).name()));
        }
        return new Tone("tone " + n, blocks);
    }

    static Sound take(int n, int hand, double seconds) {
        Takes.Style[] styles = Takes.Style.values();
        return Takes.performed(styles[n % styles.length], 300 + n, hand, Takes.Guitar.SINGLE_COIL, seconds).sound();
    }

    static Sound played(Tone t, Sound di) {
        return Renderer.render(t, di, Quality.FINAL, Progress.NONE);
    }
}
