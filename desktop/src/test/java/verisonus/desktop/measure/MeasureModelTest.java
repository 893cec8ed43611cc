package verisonus.desktop.measure;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Path;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import verisonus.desktop.desk.Bench;
import verisonus.desktop.desk.DeskFixture;
import verisonus.desktop.desk.Standing;

/** What measuring a region keeps. */
class MeasureModelTest {
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
    void whereNoRegionIsMarkedTheBestPassageIsMarkedAndMeasured() {
        MeasureModel m = new MeasureModel(fixture.desk());
        m.measure();
        fixture.settle();
        assertThat(fixture.open().region()).isPresent();
        assertThat(m.said().get()).startsWith("Studied: ");
        assertThat(m.findings()).isNotEmpty();
    }

    @Test
    void withoutARecordingItSaysWhatIsMissing() {
        fixture.desk().addCase("Empty");
        fixture.settle();
        MeasureModel m = new MeasureModel(fixture.desk());
        m.measure();
        fixture.settle();
        assertThat(m.said().get()).contains("Add a recording");
        assertThat(m.canMeasure()).isFalse();
    }

    @Test
    void keepsWhatItFoundAndSaysHowMuchCanBeLeantOn() {
        fixture.mark();
        MeasureModel m = new MeasureModel(fixture.desk());
        m.measure();
        fixture.settle();
        assertThat(m.findings()).hasSizeGreaterThan(9);
        assertThat(m.summary()).startsWith("3.2 s measured.").contains("you can lean on");
        m.selected().set(2);
        assertThat(m.chosen()).contains(m.findings().get(2));
        m.selected().set(999);
        assertThat(m.chosen()).contains(m.findings().get(m.findings().size() - 1));
        assertThat(fixture.open().standing(Bench.MEASURE)).isEqualTo(Standing.DONE);
    }
}
