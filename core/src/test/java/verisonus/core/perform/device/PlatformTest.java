package verisonus.core.perform.device;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.List;
import org.junit.jupiter.api.Test;
import verisonus.core.rig.Block;
import verisonus.core.rig.Tone;
import verisonus.core.sound.Signal;
import verisonus.core.sound.Sound;
import verisonus.core.work.InputFault;
import verisonus.core.work.Progress;

class PlatformTest {
    private static final Sound PHRASE = Signal.plucks(0.4, 9).lasting(3);

    private static Tone tone(String name, String pedal, double drive, double gain, double treble) {
        return new Tone(name, List.of(Block.of(pedal).with("drive", drive),
                Block.of("chiming edge").with("gain", gain).with("treble", treble), Block.of("2×12 open"),
                Block.of("dynamic microphone")));
    }

    @Test
    void tonesOfOneAmpSettingStayAsTheyAre() {
        Platform p = Platform.of(List.of(tone("a", "mid-hump overdrive", 4, 4, 6), tone("b", "clean boost", 5, 4, 6)),
                PHRASE, Progress.NONE);
        assertThat(p.worstJnd()).isLessThan(0.6);
        assertThat(p.model().name()).isEqualTo("chiming edge");
    }

    @Test
    void theWorstTonePaysLessThanUnderTheOthersAmp() {
        Tone a = tone("a", "mid-hump overdrive", 4, 3, 3);
        Tone b = tone("b", "hard-clip distortion", 5, 5, 8);
        Platform p = Platform.of(List.of(a, b), PHRASE, Progress.NONE);
        TonePlayed wanted = new TonePlayed(b, PHRASE);
        Tone underTheFirst = b.with(b.find("amp").orElseThrow().with("gain", 3).with("treble", 3));
        assertThat(p.worstJnd()).isLessThan(wanted.gapJnd(underTheFirst));
        assertThat(p.under()).extracting(Platform.Under::name).containsExactly("a", "b");
        for (String control : List.of("gain", "treble", "master"))
            assertThat(p.under()).allSatisfy(u -> assertThat(u.tone().find("amp").orElseThrow().get(control))
                    .isEqualTo(p.amp().get(control)));
        assertThat(p.under().getFirst().words()).contains("JND off").contains("out for each dB in");
    }

    @Test
    void aToneWithoutAPedalIsNamed() {
        Tone bare = new Tone("bare", List.of(Block.of("chiming edge"), Block.of("2×12 open")));
        assertThatThrownBy(() -> Platform.of(List.of(tone("a", "clean boost", 4, 4, 5), bare), PHRASE, Progress.NONE))
                .isInstanceOf(InputFault.class).hasMessageContaining("bare");
        assertThatThrownBy(() -> Platform.of(List.of(bare), PHRASE, Progress.NONE)).isInstanceOf(InputFault.class);
    }
}
