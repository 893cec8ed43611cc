package verisonus.desktop.listen;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.nio.file.Path;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import verisonus.casebook.store.Region;
import verisonus.desktop.desk.DeskFixture;

/** What choosing a recording and its region offers, without its view. */
class ListenModelTest {
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

    private final ListenModel model() {
        ListenModel m = new ListenModel(fixture.desk());
        fixture.settle();
        return m;
    }

    @Test
    void drawsTheReferencesCourse() {
        assertThat(model().course().get().orElseThrow().levelDb().length).isGreaterThan(100);
    }

    @Test
    void marksInEitherDirectionWithTheChosenRole() {
        ListenModel m = model();
        m.role().set(Region.Role.ECHO_TAIL);
        m.mark(3, 1);
        Region r = fixture.open().region().orElseThrow();
        assertThat(r.fromS()).isEqualTo(1);
        assertThat(r.toS()).isEqualTo(3);
        assertThat(r.role()).isEqualTo(Region.Role.ECHO_TAIL);
    }

    @Test
    void aSlipOfTheHandMarksNothing() {
        model().mark(1, 1.2);
        assertThat(fixture.open().regions()).isEmpty();
    }

    @Test
    void marksEndWithTheRecording() {
        model().mark(2, 99);
        assertThat(fixture.open().region().orElseThrow().toS()).isCloseTo(4, within(1e-6));
    }

    @Test
    void typedTimesMoveARegionOrAreRefused() {
        ListenModel m = model();
        m.mark(1, 3);
        assertThat(m.moveTo(0.5, 2.5)).isTrue();
        assertThat(fixture.open().region().orElseThrow().fromS()).isEqualTo(0.5);
        for (double[] bad : new double[][]{{2, 2.1}, {-1, 2}, {1, 50}, {Double.NaN, 2}}) {
            assertThat(m.moveTo(bad[0], bad[1])).isFalse();
        }
        m.relabel(Region.Role.NOISE);
        assertThat(fixture.open().region().orElseThrow().role()).isEqualTo(Region.Role.NOISE);
        m.remove();
        assertThat(fixture.open().regions()).isEmpty();
    }
}
