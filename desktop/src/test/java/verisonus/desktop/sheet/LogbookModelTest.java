package verisonus.desktop.sheet;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Path;
import java.util.List;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import verisonus.casebook.store.LogEntry;
import verisonus.core.compare.GapAttribute;
import verisonus.core.compare.GapLedger;
import verisonus.core.compare.GapRow;
import verisonus.core.rig.Block;
import verisonus.core.rig.Tone;
import verisonus.desktop.desk.CaseLine;
import verisonus.desktop.desk.DeskFixture;

class LogbookModelTest {
    @TempDir
    private Path dir;
    private DeskFixture fixture;
    private LogbookModel logbook;

    private static Tone tone(double gain) {
        return new Tone("t", List.of(Block.of("chiming edge").with("gain", gain), Block.of("2×12 open")));
    }

    private static GapLedger gap(double db) {
        return new GapLedger(List.of(new GapRow(GapAttribute.BITE, "dB", 0, db, 1, "amp", "down", true)), db);
    }

    @BeforeEach
    void open() {
        fixture = new DeskFixture(dir);
        logbook = new LogbookModel(fixture.desk());
        fixture.keepTone(tone(3), gap(6));
        fixture.keepTone(tone(5), gap(2));
        fixture.settle();
    }

    @AfterEach
    void close() {
        fixture.close();
    }

    private LogEntry newest() {
        return logbook.shown().get().get(0);
    }

    @Test
    void everyChangeOfAToneTellsItsGap() {
        assertThat(newest().gapBeforeJnd()).hasValue(6);
        assertThat(newest().gapAfterJnd()).hasValue(2);
        assertThat(newest().gainedJnd()).hasValue(4);
        assertThat(logbook.said().get()).anySatisfy(s -> assertThat(s).contains("6.0 → 2.0 JND"));
    }

    @Test
    void entriesAreSearchedAndKeptToACase() {
        int all = logbook.shown().get().size();
        logbook.wanted().set("di.WAV");
        assertThat(logbook.shown().get()).hasSize(1).allSatisfy(e -> assertThat(e.text()).contains("di.wav"));
        logbook.wanted().set("");
        fixture.desk().book().addCase("Another", "", "");
        fixture.desk().refresh();
        logbook.thisCase().set(true);
        assertThat(logbook.shown().get()).hasSizeLessThanOrEqualTo(all)
                .noneSatisfy(e -> assertThat(e.text()).contains("Another"));
    }

    @Test
    void oneGoesBackToAMomentAndMakesTheChangesAgain() {
        LogEntry first = logbook.shown().get().get(1);
        logbook.goBackTo(first);
        fixture.settle();
        assertThat(fixture.open().tone().orElseThrow().tone()).isEqualTo(tone(3));
        fixture.desk().redo();
        fixture.settle();
        assertThat(fixture.open().tone().orElseThrow().tone()).isEqualTo(tone(5));
    }

    @Test
    void aBranchGoesOnFromThereWhileTheOtherStays() {
        LogEntry first = logbook.shown().get().get(1);
        logbook.branch(first);
        fixture.settle();
        List<CaseLine> cases = fixture.desk().cases();
        assertThat(cases).hasSize(2);
        long branch = cases.get(1).entry().id();
        assertThat(fixture.desk().book().tones().tone(branch).orElseThrow().tone()).isEqualTo(tone(3));
        assertThat(fixture.desk().book().recordings().media(branch)).hasSize(2);
        assertThat(fixture.open().tone().orElseThrow().tone()).isEqualTo(tone(5));
        fixture.desk().undo();
        assertThat(fixture.desk().cases()).hasSize(1);
    }

    @Test
    void twoMomentsSideBySideShowWhatWasTurned() {
        LogEntry second = newest();
        LogEntry first = logbook.shown().get().get(1);
        logbook.compare(second);
        assertThat(logbook.held().get()).contains(second);
        logbook.compare(first);
        assertThat(logbook.said().get()).contains("Gap 6.0 → 2.0 JND.", "amp gain 3.0 → 5.0");
        assertThat(logbook.held().get()).isEmpty();
    }

    @Test
    void wordsStandBesideAMomentAndCanBeTakenBack() {
        LogEntry first = logbook.shown().get().get(1);
        logbook.note(first, "this one had the chime");
        assertThat(logbook.shown().get()).anySatisfy(e -> assertThat(e.note()).isEqualTo("this one had the chime"));
        logbook.wanted().set("chime");
        assertThat(logbook.shown().get()).isNotEmpty();
        fixture.desk().undo();
        logbook.wanted().set("");
        assertThat(logbook.shown().get()).allSatisfy(e -> assertThat(e.note()).isEmpty());
    }
}
