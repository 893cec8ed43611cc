package verisonus.desktop.sheet;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Path;
import java.util.List;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import verisonus.core.compare.GapLedger;
import verisonus.core.rig.Block;
import verisonus.core.rig.Tone;
import verisonus.desktop.desk.DeskFixture;
import verisonus.desktop.desk.WindowFixture;

/** The logbook as it stands beside the sheet. */
class LogbookViewTest {
    @TempDir
    private Path dir;
    private WindowFixture window;
    private LogbookView view;

    @BeforeEach
    void open() throws Exception {
        window = new WindowFixture(dir, DeskFixture.notes(1, 0.4), DeskFixture.notes(1, 0.4));
        window.keepTone(new Tone("t", List.of(Block.of("chiming edge"))), new GapLedger(List.of(), 0));
        view = window.show(() -> new LogbookView(new LogbookModel(window.desk())), 320, 700);
    }

    @AfterEach
    void close() {
        window.close();
    }

    @Test
    void whatWasDoneIsThereAndIsSearched() {
        assertThat(window.text(view)).contains("Derived", "Added take1");
        window.type(view, "logbook-search", "nothing was called that");
        assertThat(window.text(view)).doesNotContain("Added take1", "Derived");
        window.type(view, "logbook-search", "take1");
        assertThat(window.text(view)).contains("Added take1").doesNotContain("Derived");
    }

    @Test
    void itKeepsToTheCaseWhereItIsAskedTo() {
        window.on(() -> window.desk().addCase("Another Evening"));
        window.settle();
        window.on(() -> {
            window.desk().openCase(window.desk().cases().getFirst().entry());
            return true;
        });
        window.settle();
        assertThat(window.text(view)).contains("New case Another Evening");
        window.press(view, "logbook-this-case");
        assertThat(window.text(view)).doesNotContain("New case Another Evening").contains("Derived");
    }

    @Test
    void whatWasTakenBackIsShownAsSuch() {
        window.undo();
        assertThat(window.text(view)).contains("Derived (taken back)");
        window.on(() -> window.desk().redo());
        window.settle();
        assertThat(window.text(view)).contains("Derived").doesNotContain("Derived (taken back)");
    }
}
