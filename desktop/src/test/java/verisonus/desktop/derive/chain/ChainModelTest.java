package verisonus.desktop.derive.chain;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Path;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import verisonus.casebook.store.DerivedTone;
import verisonus.core.rig.Locks;
import verisonus.desktop.desk.DeskFixture;
import verisonus.desktop.player.Source;
import verisonus.desktop.session.CaseSession;

/** The settings of a tone, turned and locked by hand. */
class ChainModelTest {
    @TempDir
    private Path dir;
    private DeskFixture fixture;

    @BeforeEach
    void open() {
        fixture = new DeskFixture(dir);
    }

    @AfterEach
    void close() {
        fixture.close();
    }

    @Test
    void saysWhatIsMissing() {
        ChainModel m = new ChainModel(new CaseSession(fixture.desk()));
        assertThat(m.session().missing()).contains("Listen bench");
        fixture.mark();
        assertThat(m.session().missing()).isEmpty();
        fixture.desk().addCase("Empty");
        fixture.settle();
        assertThat(m.session().missing()).contains("Add a recording");
    }

    @Test
    void turningAControlIsMeasuredAndKeptWithTheEarlierValue() {
        fixture.mark();
        fixture.keepTone();
        ChainModel m = new ChainModel(new CaseSession(fixture.desk()));
        SettingRow treble = m.settings().stream().filter(r -> r.place().toString().equals("amp/treble")).findFirst()
                .orElseThrow();
        m.turn(treble, 9);
        fixture.settle();
        DerivedTone t = fixture.open().tone().orElseThrow();
        assertThat(t.tone().find("amp").orElseThrow().get("treble")).isEqualTo(9);
        assertThat(t.earlier().orElseThrow().find("amp").orElseThrow().get("treble")).isEqualTo(5);
        assertThat(t.gap().rows()).isNotEmpty();
        assertThat(fixture.book().logbook().get(0).text()).contains("amp treble to 9.0");
        assertThat(fixture.desk().sounds().get().mine()).isPresent();
    }

    @Test
    void locksAndLetsGo() {
        fixture.mark();
        fixture.keepTone();
        ChainModel m = new ChainModel(new CaseSession(fixture.desk()));
        m.toggleLock(m.settings().get(0));
        assertThat(fixture.open().tone().orElseThrow().locked().holds("amp", "gain")).isTrue();
        m.toggleLock(m.settings().get(0));
        assertThat(fixture.open().tone().orElseThrow().locked()).isEqualTo(Locks.NONE);
    }

    @Test
    void aBlockIsTakenOutAndPutBack() {
        fixture.mark();
        fixture.keepTone();
        ChainModel m = new ChainModel(new CaseSession(fixture.desk()));
        for (boolean on : new boolean[]{false, true}) {
            m.toggleBlock(m.settings().get(0).block());
            fixture.settle();
            assertThat(fixture.open().tone().orElseThrow().tone().find("amp").orElseThrow().on()).isEqualTo(on);
        }
    }

    @Test
    void aSlowTurnIsMarkedOnlyWhileItIsHeard() {
        fixture.mark();
        fixture.keepTone();
        ChainModel m = new ChainModel(new CaseSession(fixture.desk()));
        SettingRow treble = m.settings().stream().filter(r -> r.place().toString().equals("amp/treble")).findFirst()
                .orElseThrow();
        m.study(treble);
        fixture.settle();
        assertThat(m.studied().get().orElseThrow().study().lines()).isNotEmpty();
        assertThat(m.isSwept()).isFalse();
        m.sweep();
        fixture.settle();
        assertThat(m.isSwept()).isTrue();
        fixture.desk().player().choose(Source.REFERENCE);
        m.here();
        fixture.settle();
        assertThat(m.session().settings().orElseThrow().find("amp").orElseThrow().get("treble")).isEqualTo(5);
        fixture.desk().player().choose(Source.BESIDE);
        fixture.desk().player().seek(3);
        m.here();
        fixture.settle();
        assertThat(m.session().settings().orElseThrow().find("amp").orElseThrow().get("treble")).isBetween(6.5, 8.5);
        assertThat(m.isSwept()).as("marked once").isFalse();
    }
}
