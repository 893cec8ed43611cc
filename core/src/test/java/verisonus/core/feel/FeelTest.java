package verisonus.core.feel;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.List;
import org.junit.jupiter.api.Test;
import verisonus.core.advise.PlayingShare;
import verisonus.core.compare.GapAttribute;
import verisonus.core.compare.GapRow;
import verisonus.core.rig.Block;
import verisonus.core.rig.Tone;
import verisonus.core.simulate.StageSaturation;
import verisonus.core.sound.Signal;
import verisonus.core.sound.Sound;
import verisonus.core.work.Progress;

class FeelTest {
    private static final Sound DI = Signal.plucks(0.27, 21).atDb(-8).lasting(4);
    private static final Tone CLEAN = new Tone("clean",
            List.of(Block.of("open clean").with("gain", 2).with("master", 2)));
    private static final Tone DIRTY = new Tone("dirty", List.of(Block.of("tight saturated").with("gain", 7)));

    @Test
    void aCleanToneGivesBackWhatIsPlayedAndADirtyOneHoldsItBack() {
        TouchCurve clean = TouchCurve.of(CLEAN, 0.5);
        TouchCurve dirty = TouchCurve.of(DIRTY, 0.5);
        assertThat(clean.outPerIn()).isGreaterThan(0.85);
        assertThat(dirty.outPerIn()).isLessThan(0.5);
        assertThat(clean.words()).contains("stays clean");
        assertThat(dirty.points().getLast().dirt().orElseThrow())
                .isGreaterThan(clean.points().getLast().dirt().orElseThrow());
    }

    @Test
    void dirtRisesWithTheStroke() {
        TouchCurve t = TouchCurve.of(new Tone("edge", List.of(Block.of("mid-forward crunch").with("gain", 4))), 0.5);
        for (int i = 1; i < t.points().size(); i++) {
            assertThat(t.points().get(i).dirt().orElseThrow())
                    .isGreaterThanOrEqualTo(t.points().get(i - 1).dirt().orElseThrow() - 0.01);
            assertThat(t.points().get(i).outDb()).isGreaterThan(t.points().get(i - 1).outDb() - 0.2);
        }
    }

    @Test
    void aDroopingSupplySinksAndComesBack() {
        Block amp = Block.of("chiming edge").with("gain", 6).with("master", 8);
        TouchCurve stiff = TouchCurve.of(new Tone("stiff", List.of(amp.with("sag", 0))), 0.5);
        TouchCurve soft = TouchCurve.of(new Tone("soft", List.of(amp.with("sag", 10))), 0.5);
        assertThat(soft.droopDb()).isGreaterThan(stiff.droopDb());
    }

    @Test
    void theStageThatIsDrivenHardestMakesMostOfTheDirt() {
        Block amp = Block.of("open clean").with("gain", 2).with("master", 2);
        StageSaturation d = StageSaturation.of(
                new Tone("t", List.of(Block.of("hard-clip distortion").with("drive", 7), amp)), DI,
                0);
        assertThat(d.stages()).extracting(StageSaturation.Stage::name).containsExactly("drive", "first stages",
                "power stage");
        assertThat(d.stages().get(0).share()).isGreaterThan(0.7);
        assertThat(d.stages().stream().mapToDouble(StageSaturation.Stage::share).sum()).isCloseTo(1,
                org.assertj.core.api.Assertions
                        .within(1e-9));
        StageSaturation clean = StageSaturation.of(CLEAN, DI, -24);
        assertThat(clean.total()).isLessThan(0.02);
    }

    @Test
    void dirtCanBeMadeElsewhereAtTheSameAmount() {
        Tone t = new Tone("t", List.of(Block.of("mid-forward crunch").with("gain", 5).with("master", 4),
                Block.of("4×12 closed"), Block.of("dynamic microphone")));
        List<SaturationShift.Shift> ways = new SaturationShift(DI).of(t);
        double before = StageSaturation.of(t, DI, 0).stages().get(1).share();
        assertThat(ways).anySatisfy(w -> {
            assertThat(w.words()).contains("power stage");
            assertThat(w.dirt().stages().get(1).share()).isGreaterThan(before);
        });
    }

    @Test
    void whatTwoTakesDifferByIsNotTheGears() {
        Sound other = Signal.plucks(0.27, 22).atDb(-8).lasting(4);
        PlayingShare same = PlayingShare.of(DIRTY, List.of(DI, DI), Progress.NONE);
        PlayingShare two = PlayingShare.of(DIRTY, List.of(DI, other), Progress.NONE);
        assertThat(same.floorJnd().values()).allSatisfy(v -> assertThat(v).isLessThan(1e-6));
        assertThat(same.differences()).isEmpty();
        assertThat(two.floorJnd().values().stream().mapToDouble(Double::doubleValue).sum()).isPositive();
        GapRow small = new GapRow(GapAttribute.CREST, "dB", 10,
                10 + 0.01 * two.floorJnd().getOrDefault(GapAttribute.CREST, 1.0),
                1, "amp", "", true);
        assertThat(two.explains(small)).isTrue();
        assertThatThrownBy(() -> PlayingShare.of(DIRTY, List.of(DI), Progress.NONE)).hasMessageContaining("one take");
    }
}
