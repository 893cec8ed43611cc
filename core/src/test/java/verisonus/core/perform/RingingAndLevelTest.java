package verisonus.core.perform;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import org.junit.jupiter.api.Test;
import verisonus.core.rig.Block;
import verisonus.core.rig.ControlNames;
import verisonus.core.rig.ControlPlace;
import verisonus.core.rig.Tone;

class RingingAndLevelTest {
    private static final Block ECHO = Block.of("clean echo").with(ControlNames.TIME, 400).with(ControlNames.MIX, 50);

    @Test
    void anEchoRingsForItsTimeTimesTheRepeatsThatAreHeard() {
        // At 50 % held the first repeat is as loud as the note; halving, seven are over −40 dB.
        assertThat(Ringing.seconds(ECHO.with(ControlNames.FEEDBACK, 50))).isCloseTo(7 * 0.4, within(0.41));
        double last = 0;
        for (double f = 0; f <= 90; f += 10) {
            double now = Ringing.seconds(ECHO.with(ControlNames.FEEDBACK, f));
            assertThat(now).isGreaterThanOrEqualTo(last);
            last = now;
        }
    }

    @Test
    void aSpaceRingsForTheShareOfItsDecayThatIsHeard() {
        Block hall = Block.of("plain hall").with(ControlNames.DECAY, 3);
        double loud = Ringing.seconds(hall.with(ControlNames.MIX, 50));
        double soft = Ringing.seconds(hall.with(ControlNames.MIX, 5));
        assertThat(loud).isCloseTo(2, within(0.05));
        assertThat(soft).isLessThan(loud);
    }

    @Test
    void whatIsOffDryOrNoEffectDoesNotRing() {
        assertThat(Ringing.seconds(ECHO.switched(false))).isZero();
        assertThat(Ringing.seconds(ECHO.with(ControlNames.MIX, 0))).isZero();
        assertThat(Ringing.seconds(Block.of("chiming edge"))).isZero();
    }

    private static Tone chain(Block... blocks) {
        return new Tone("t", List.of(blocks));
    }

    @Test
    void onlyBehindAllThatClipsALevelIsALevel() {
        Block before = Block.of("volume").named("before");
        Block after = Block.of("volume").named("after");
        Tone t = chain(before, Block.of("chiming edge"), Block.of("2×12 open"), Block.of("dynamic microphone"), after);
        assertThat(LevelPoint.all(t)).extracting(ControlPlace::block).containsExactly("after", "microphone");
        assertThat(LevelPoint.isOne(t, new ControlPlace("after", "level"))).isTrue();
        assertThat(LevelPoint.isOne(t, new ControlPlace("before", "level"))).isFalse();
    }

    @Test
    void aVolumeComesFirstThenAnEqualizerThenTheMicrophone() {
        Tone t = chain(Block.of("small combo"), Block.of("2×12 open"), Block.of("dynamic microphone"),
                Block.of("parametric equalizer"), Block.of("volume").named("volume"));
        assertThat(LevelPoint.all(t)).extracting(ControlPlace::block).containsExactly("volume", "equalizer",
                "microphone");
    }

    @Test
    void aToneWithoutOneGetsAVolumeAtItsEnd() {
        Tone bare = chain(Block.of("mid-hump overdrive"), Block.of("small combo"));
        Tone having = LevelPoint.having(bare);
        assertThat(having.blocks()).hasSize(3);
        assertThat(having.blocks().getLast().model().name()).isEqualTo("volume");
        assertThat(LevelPoint.having(having)).isEqualTo(having);
    }

    @Test
    void whatIsOffIsPassedBy() {
        Tone t = chain(Block.of("small combo"), Block.of("volume").switched(false), Block.of("parametric equalizer"));
        assertThat(LevelPoint.all(t)).extracting(ControlPlace::block).containsExactly("equalizer");
    }
}
