package verisonus.desktop.sheet;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import verisonus.desktop.desk.Bench;
import verisonus.desktop.desk.DeskFixture;

/** What the sheet is made of and where it goes. */
class SheetModelTest {
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
    void areMadeWhenTheirBenchIsShownAndExported() throws IOException {
        fixture.mark();
        fixture.keepTone();
        SheetModel m = new SheetModel(fixture.desk());
        assertThat(m.sheet().get()).isEmpty();
        fixture.desk().bench().set(Bench.SHEET);
        fixture.settle();
        assertThat(m.sheet().get().orElseThrow().title()).isEqualTo("Test Case");
        for (String name : List.of("sheet.md", "sheet.html", "sheet.csv")) {
            Path out = dir.resolve(name);
            m.export(out);
            fixture.settle();
            assertThat(Files.readString(out)).contains("Test Case").contains("chiming edge");
            assertThat(m.said().get()).contains(name);
        }
        assertThat(fixture.desk().book().logbook().get(0).text()).isEqualTo("Derived");
    }

    @Test
    void whereNothingCanBeWrittenAreSaidSo() {
        fixture.mark();
        fixture.keepTone();
        SheetModel m = new SheetModel(fixture.desk());
        fixture.desk().bench().set(Bench.SHEET);
        fixture.settle();
        m.export(dir.resolve("no/such/folder/sheet.md"));
        fixture.settle();
        assertThat(fixture.desk().work().fault().get()).contains("sheet.md").contains("; ");
    }
}
