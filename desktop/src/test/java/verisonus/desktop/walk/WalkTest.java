package verisonus.desktop.walk;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Path;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import verisonus.desktop.derive.chain.ChainModel;
import verisonus.desktop.desk.Bench;
import verisonus.desktop.desk.DeskFixture;
import verisonus.desktop.player.Source;
import verisonus.desktop.session.CaseSession;

/** The walk goes on when a step was really done. */
class WalkTest {
    @TempDir
    private Path dir;
    private DeskFixture fixture;
    private Walk walk;

    @BeforeEach
    void open() {
        fixture = new DeskFixture(dir);
        fixture.mark();
        fixture.keepTone();
        walk = new Walk(fixture.desk());
    }

    @AfterEach
    void close() {
        fixture.close();
    }

    private int at() {
        walk.look();
        return walk.at().get().orElse(-1);
    }

    @Test
    void noOneWalksUntilItIsBegun() {
        walk.look();
        walk.skip();
        assertThat(walk.words()).isEmpty();
    }

    @Test
    void aStepIsOverWhenItWasDoneAndNoSooner() {
        walk.begin();
        assertThat(at()).isZero();
        fixture.desk().player().toggle();
        assertThat(at()).isEqualTo(1);
        fixture.desk().player().choose(Source.MINE);
        assertThat(at()).isEqualTo(2);
        fixture.desk().bench().set(Bench.MEASURE);
        assertThat(at()).isEqualTo(3);
        ChainModel chain = new ChainModel(new CaseSession(fixture.desk()));
        fixture.desk().bench().set(Bench.DERIVE);
        assertThat(at()).isEqualTo(3);
        chain.turn(chain.settings().get(0), 6);
        fixture.settle();
        assertThat(at()).isEqualTo(4);
        assertThat(walk.words().orElseThrow()).contains("Ctrl+Z");
        fixture.desk().undo();
        fixture.settle();
        assertThat(at()).isEqualTo(5);
    }

    @Test
    void stepsAreLeftOutUntilTheEndAndTheWalkCanBeLeft() {
        walk.begin();
        for (int i = 0; i < Walk.length(); i++) walk.skip();
        assertThat(walk.words()).isEmpty();
        walk.begin();
        walk.leave();
        assertThat(walk.words()).isEmpty();
    }
}
