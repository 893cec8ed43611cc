package verisonus.desktop.derive.chain;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import verisonus.core.compare.GapLedger;
import verisonus.core.feel.HeldConstant;
import verisonus.core.rig.Block;
import verisonus.core.rig.Gear;
import verisonus.core.rig.GearKind;
import verisonus.core.rig.Placement;
import verisonus.core.rig.Tone;
import verisonus.desktop.desk.DeskFixture;
import verisonus.desktop.session.CaseSession;

/** The chain changed by hand. */
class ChainEditsTest {
    @TempDir
    private Path dir;
    private DeskFixture fixture;
    private ChainModel model;

    @BeforeEach
    void open() {
        fixture = new DeskFixture(dir);
        Tone t = new Tone("t", List.of(Block.of("chiming edge"), Block.of("2×12 open"),
                Block.of("dynamic microphone"), Block.of("clean echo").with("mix", 30)));
        fixture.keepTone(t, new GapLedger(List.of(), 0));
        model = new ChainModel(new CaseSession(fixture.desk()));
    }

    @AfterEach
    void close() {
        fixture.close();
    }

    private Tone tone() {
        fixture.settle();
        return model.session().settings().orElseThrow();
    }

    private List<String> ids() {
        return tone().blocks().stream().map(Block::id).toList();
    }

    private ChainEdits edits() {
        return model.edits();
    }

    @Test
    void aBlockGoesInWhereItsKindBelongsAndUndoTakesItOut() {
        edits().add(Gear.model("mid-hump overdrive"));
        assertThat(ids()).startsWith("drive", "amp");
        fixture.desk().undo();
        assertThat(ids()).doesNotContain("drive");
    }

    @Test
    void aBlockIsTakenOutAndMoved() {
        edits().move(tone().find("echo").orElseThrow(), -1);
        assertThat(ids()).endsWith("echo", "microphone");
        edits().moveBefore("echo", "amp");
        assertThat(ids()).startsWith("echo", "amp");
        edits().remove(tone().find("echo").orElseThrow());
        assertThat(ids()).doesNotContain("echo");
    }

    @Test
    void onlyWhatTheRigStillHasIsOffered() {
        assertThat(edits().available(GearKind.AMP)).doesNotContain(Gear.model("chiming edge"));
        assertThat(edits().full()).isEmpty();
    }

    @Test
    void anExchangeIsBalancedAndCanBeHeardAsItComes() {
        Tone before = tone();
        edits().exchange(before.find("amp").orElseThrow(), Gear.model("tight saturated"));
        Tone balanced = tone();
        assertThat(balanced.find("amp").orElseThrow().model().name()).isEqualTo("tight saturated");
        assertThat(balanced.find("amp").orElseThrow().get("gain"))
                .isLessThan(before.find("amp").orElseThrow().get("gain"));
        edits().toggleBalance();
        assertThat(tone().find("amp").orElseThrow().get("gain")).isEqualTo(5);
        edits().toggleBalance();
        assertThat(tone()).isEqualTo(balanced);
    }

    @Test
    void anEchoIsPutIntoTheLoop() {
        edits().place(tone().find("echo").orElseThrow(), Placement.IN_LOOP);
        assertThat(tone().routing().loop()).containsExactly("echo");
    }

    @Test
    void settingsThatAreRarelyMovedAreShownOnceTheyAre() {
        assertThat(model.settings()).extracting(r -> r.place().toString()).contains("amp/gain")
                .doesNotContain("amp/ripple", "cabinet/speaker");
        SettingRow gain = model.settings().get(0);
        model.turn(new SettingRow(gain.block(), gain.block().model().control("ripple"), false, Optional.empty(),
                Optional.empty(), false, false), 4);
        fixture.settle();
        assertThat(model.settings()).extracting(r -> r.place().toString()).contains("amp/ripple");
    }

    @Test
    void aSecondAmpStandsBesideTheFirstAndIsMixedAndTakenAway() {
        Tone line = tone();
        edits().putBeside(tone().find("amp").orElseThrow(), Gear.model("open clean"));
        assertThat(tone().routing().branches()).singleElement().satisfies(b -> {
            assertThat(b.blocks()).containsExactly("amp 2");
            assertThat(b.before()).isEqualTo("cabinet");
        });
        edits().branch("amp 2", b -> b.mixed(-6, 40, true), "softer");
        assertThat(tone().routing().branches().get(0).levelDb()).isEqualTo(-6);
        edits().put(tone().find("echo").orElseThrow(), "amp 2");
        assertThat(tone().routing().branches().get(0).blocks()).containsExactly("amp 2", "echo");
        fixture.desk().undo();
        edits().removeBranch("amp 2");
        assertThat(tone().blocks()).isEqualTo(line.blocks());
    }

    @Test
    void anAmpWithItsOwnBoxJoinsBehindTheMicrophone() {
        edits().putBesideWhole(tone().find("amp").orElseThrow(), Gear.model("open clean"));
        assertThat(tone().routing().branches()).singleElement().satisfies(b -> {
            assertThat(b.blocks()).containsExactly("amp 2", "cabinet 2", "microphone 2");
            assertThat(b.before()).isEqualTo("echo");
        });
    }

    @Test
    void aBranchThatWouldComeBackBeforeItLeavesIsToldAndNotKept() {
        edits().putBeside(tone().find("cabinet").orElseThrow(), Gear.model("1×12 open"));
        Tone before = tone();
        edits().branch("cabinet 2", b -> b.between("echo", "amp"), "backwards");
        assertThat(tone()).isEqualTo(before);
    }

    @Test
    void aGainIsTurnedAtTheSameLoudnessWhereThatIsAsked() {
        model.keeping().set(HeldConstant.LOUDNESS);
        SettingRow gain = model.settings().stream().filter(r -> r.place().toString().equals("amp/gain")).findFirst()
                .orElseThrow();
        double before = tone().find("microphone").orElseThrow().get("level");
        model.turn(gain, 9);
        assertThat(tone().find("amp").orElseThrow().get("gain")).isEqualTo(9);
        assertThat(tone().find("microphone").orElseThrow().get("level")).isLessThan(before - 1);
        fixture.desk().undo();
        assertThat(tone().find("microphone").orElseThrow().get("level")).isEqualTo(before);
    }

    @Test
    void aBlockDraggedOntoABranchStandsThere() {
        edits().putBeside(tone().find("amp").orElseThrow(), Gear.model("open clean"));
        edits().moveBefore("echo", "amp 2");
        assertThat(tone().routing().branches().get(0).blocks()).containsExactly("echo", "amp 2");
    }
}
