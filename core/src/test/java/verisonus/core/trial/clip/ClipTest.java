package verisonus.core.trial.clip;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Test;
import verisonus.core.sound.LoudnessMeter;
import verisonus.core.sound.Signal;
import verisonus.core.sound.Sound;
import verisonus.core.trial.Candidate;
import verisonus.core.work.InputFault;

class ClipTest {
    private static List<Candidate> parts() {
        return List.of(new Candidate("loud", Signal.plucks(0.3, 4).atDb(-3).lasting(3)),
                new Candidate("soft", Signal.plucks(0.4, 9).atDb(-30).lasting(2)),
                new Candidate("other rate", Sound.mono(Signal.sine(300).atDb(-12).lasting(2).mid(), 44100)));
    }

    @Test
    void everyPartIsEquallyLoudAndNothingClips() {
        Clip clip = Clip.of(parts());
        for (Clip.Cue c : clip.cues())
            assertThat(LoudnessMeter.integratedLufs(clip.sound().slice(c.fromS(), c.toS())).orElseThrow())
                    .as(c.label()).isCloseTo(clip.loudnessLufs(), within(0.1));
        assertThat(LoudnessMeter.truePeakDbtp(clip.sound())).isLessThan(-0.9);
    }

    @Test
    void noJoinClicks() {
        List<Candidate> tones = new ArrayList<>();
        for (int i = 0; i < 50; i++) tones.add(new Candidate("t" + i, Signal.sine(90 + 7 * i).atDb(-6).lasting(0.6)));
        Clip clip = Clip.of(tones);
        float[] x = clip.sound().mid();
        double within = 0;
        for (int i = 24000; i < 26000; i++) within = Math.max(within, Math.abs(x[i] - x[i - 1]));
        for (Clip.Cue c : clip.cues()) {
            for (double at : new double[]{c.fromS(), c.toS()}) {
                int middle = (int) Math.round(at * 48000);
                for (int i = Math.max(1, middle - 50); i < Math.min(x.length, middle + 50); i++)
                    assertThat(Math.abs(x[i] - x[i - 1])).isLessThan((float) (0.3 * within));
            }
        }
    }

    @Test
    void aBlindOneHidesTheNamesAndKeepsTheKey() {
        Clip.Blind blind = Clip.blind(parts(), 3);
        assertThat(blind.clip().cues()).extracting(Clip.Cue::label).containsExactly("1", "2", "3");
        assertThat(blind.key()).containsExactlyInAnyOrder("loud", "soft", "other rate");
        assertThat(Clip.blind(parts(), 3).key()).isEqualTo(blind.key());
    }

    @Test
    void silenceAndSnippetsAreRefusedByName() {
        assertThatThrownBy(() -> Clip.of(List.of(new Candidate("rest", Signal.silence().lasting(2)))))
                .isInstanceOf(InputFault.class).hasMessageContaining("rest").hasMessageContaining("silent");
        assertThatThrownBy(() -> Clip.of(List.of(new Candidate("tick", Signal.sine(100).atDb(-6).lasting(0.2)))))
                .hasMessageContaining("too short");
    }
}
