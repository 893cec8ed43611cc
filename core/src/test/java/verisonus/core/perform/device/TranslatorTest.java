package verisonus.core.perform.device;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.junit.jupiter.api.Test;
import verisonus.core.rig.Block;
import verisonus.core.rig.ControlNames;
import verisonus.core.rig.Gear;
import verisonus.core.rig.GearKind;
import verisonus.core.rig.Rig;
import verisonus.core.rig.Tone;
import verisonus.core.sound.Signal;
import verisonus.core.sound.Sound;
import verisonus.core.work.InputFault;
import verisonus.core.work.Progress;

class TranslatorTest {
    private static final Sound PHRASE = Signal.plucks(0.3, 4).lasting(2.5);
    private static final Tone TONE = new Tone("t", List.of(Block.of("mid-hump overdrive").with("drive", 3),
            Block.of("mid-forward crunch").with("gain", 3), Block.of("2×12 open"), Block.of("dynamic microphone"),
            Block.of("tape-like echo").with(ControlNames.MIX, 20)));

    private static Rig device(int blocks, String... models) {
        Map<String, Integer> counts = new HashMap<>();
        for (String m : models) counts.put(m, 1);
        return new Rig(List.of(), counts, Map.of(), blocks, Set.of(GearKind.AMP), Map.of(), Map.of(), List.of());
    }

    @Test
    void aDeviceThatHoldsEverythingLeavesTheToneAsItIs() {
        Translation t = new Translator(TONE, PHRASE, Rig.everything()).translated(Progress.NONE);
        assertThat(t.changes()).isEmpty();
        assertThat(t.gapJnd()).isLessThan(0.05);
    }

    @Test
    void whatIsMissingIsReplacedByItsKindAndTurningBringsItNearer() {
        Rig device = device(9, "transparent overdrive", "chiming edge", "2×12 open", "dynamic microphone",
                "clean echo");
        Translation t = new Translator(TONE, PHRASE, device).translated(Progress.NONE);
        assertThat(t.changes()).extracting(Translation.Change::words).contains(
                "mid-hump overdrive → transparent overdrive", "mid-forward crunch → chiming edge",
                "tape-like echo → clean echo");
        assertThat(t.gapJnd()).isLessThan(t.merelyJnd());
        assertThat(t.tone().blocks()).allSatisfy(b -> assertThat(device.has(b.model())).isTrue());
    }

    @Test
    void whatTheDeviceHasIsKeptForTheBlockThatIsThatVeryModel() {
        Tone two = new Tone("t", List.of(Block.of("mid-hump overdrive").named("first"),
                Block.of("transparent overdrive").named("second"), Block.of("chiming edge"),
                Block.of("dynamic microphone")));
        Translation t = new Translator(two, PHRASE, device(9, "transparent overdrive", "chiming edge",
                "dynamic microphone")).translated(Progress.NONE);
        assertThat(t.tone().find("second").orElseThrow().model().name()).isEqualTo("transparent overdrive");
        assertThat(t.tone().find("first")).isEmpty();
    }

    @Test
    void withoutRoomWhatIsMissedLeastGoesFirstAndTheAmpStays() {
        Rig small = device(3, Gear.MODELS.stream().map(m -> m.name()).toArray(String[]::new));
        Translation t = new Translator(TONE, PHRASE, small).translated(Progress.NONE);
        assertThat(t.tone().blocks()).hasSize(3);
        assertThat(t.tone().first(GearKind.AMP)).isPresent();
        assertThat(t.changes()).hasSize(2).allSatisfy(c -> assertThat(c.words()).contains("no room"));
    }

    @Test
    void aDeviceThatHoldsNothingOfItIsRefused() {
        assertThatThrownBy(() -> new Translator(TONE, PHRASE, device(9, "looper")).translated(Progress.NONE))
                .isInstanceOf(InputFault.class).hasMessageContaining("nothing of this tone");
    }

    @Test
    void everyBuildHasOnePartLessAndNoFewerCablesThanParts() {
        List<Build> builds = Build.ladder(TONE, PHRASE, Rig.everything(), Progress.NONE);
        assertThat(builds).hasSize(3);
        assertThat(builds.getFirst().gapJnd()).isLessThan(1e-6);
        for (int i = 1; i < builds.size(); i++) {
            assertThat(builds.get(i).tone().blocks()).hasSize(builds.get(i - 1).tone().blocks().size() - 1);
            assertThat(builds.get(i).cables()).isLessThan(builds.get(i - 1).cables());
            assertThat(builds.get(i).without()).isNotEmpty();
        }
        assertThat(builds.getLast().order()).containsExactly("mid-forward crunch", "2×12 open", "dynamic microphone");
    }

    @Test
    void twoEqualizersThatRaiseTheSameBandAreFoundAndOneThatDoesNotIsNot() {
        Block raised = Block.of("parametric equalizer").with("peak 2", 6);
        Tone twice = new Tone("t", List.of(Block.of("open clean"), raised.named("first"), raised.named("second"),
                Block.of("parametric equalizer").named("other").with("high shelf", -6)));
        List<SameEffect> same = SameEffect.in(twice, PHRASE);
        assertThat(same).singleElement().satisfies(s -> {
            assertThat(s.first()).isEqualTo("first");
            assertThat(s.second()).isEqualTo("second");
            assertThat(s.likeness()).isGreaterThan(0.95);
        });
    }

    @Test
    void aBoostWithHardlyAnyColourIsMoreTransparentThanAHumpedDrive() {
        Tone amp = new Tone("t", List.of(Block.of("chiming edge").with("gain", 4)));
        Tone boosted = amp.inserted(Block.of("clean boost").with("level", 7), 0);
        Tone humped = amp.inserted(Block.of("mid-hump overdrive").with("drive", 4), 0);
        Transparency boost = Transparency.of(boosted, "drive", PHRASE);
        Transparency hump = Transparency.of(humped, "drive", PHRASE);
        assertThat(boost.heard().jnd()).isLessThan(hump.heard().jnd());
        assertThat(boost.words()).contains("JND");
        assertThatThrownBy(() -> Transparency.of(amp, "drive", PHRASE)).isInstanceOf(InputFault.class);
    }
}
