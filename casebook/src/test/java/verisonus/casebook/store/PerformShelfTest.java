package verisonus.casebook.store;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import verisonus.casebook.exchange.PerformanceJson;
import verisonus.core.perform.foot.PedalUse;
import verisonus.core.perform.song.Section;
import verisonus.core.perform.song.SongMap;
import verisonus.core.perform.song.SwitchWay;
import verisonus.core.perform.time.NoteSum;
import verisonus.core.perform.time.TempoBinding;
import verisonus.core.rig.ControlPlace;
import verisonus.core.rig.Variant;
import verisonus.core.work.InputFault;

class PerformShelfTest {
    private static final ControlPlace MIX = new ControlPlace("echo", "mix");
    private static final Variant LEAD = new Variant("lead", Map.of(MIX, 30.0), Map.of("drive", true));

    @TempDir
    private Path dir;
    private Casebook book;
    private long caseId;

    @BeforeEach
    void open() {
        book = Casebook.create(dir.resolve("a.casebook"));
        caseId = book.addCase("Glass Harbour", "", "");
    }

    @AfterEach
    void close() {
        book.close();
    }

    private PerformShelf shelf() {
        return book.performances();
    }

    @Test
    void whatIsKeptIsThereAfterOpeningAgain() {
        PerformanceJson.Tempo tempo = new PerformanceJson.Tempo(96.5,
                List.of(new TempoBinding(new ControlPlace("echo", "time"), NoteSum.parse("quarter + eighth"))));
        PerformanceJson.Song song = new PerformanceJson.Song(
                List.of(new SongMap.Part(new Section("verse, slow", 0, 12.5), "lead")), SwitchWay.SEPARATE_BOXES);
        PedalUse pedal = new PedalUse("left pedal", MIX, 5, 40);
        shelf().keep(caseId, LEAD);
        shelf().keep(caseId, tempo);
        shelf().keep(caseId, pedal);
        shelf().keep(caseId, song);
        book.close();
        book = Casebook.open(dir.resolve("a.casebook"));
        assertThat(shelf().variants(caseId)).containsExactly(LEAD);
        assertThat(shelf().tempo(caseId)).contains(tempo);
        assertThat(shelf().pedals(caseId)).containsExactly(pedal);
        assertThat(shelf().song(caseId)).isEqualTo(song);
    }

    @Test
    void aVariantOfTheSameNameIsReplacedAndEveryStepCanBeUndone() {
        shelf().keep(caseId, LEAD);
        Variant other = new Variant("lead", Map.of(MIX, 10.0), Map.of());
        shelf().keep(caseId, other);
        assertThat(shelf().variants(caseId)).containsExactly(other);
        book.undo();
        assertThat(shelf().variants(caseId)).containsExactly(LEAD);
        shelf().dropVariant(caseId, "lead");
        assertThat(shelf().variants(caseId)).isEmpty();
        book.undo();
        assertThat(shelf().variants(caseId)).containsExactly(LEAD);
        assertThat(book.logbook(caseId)).anySatisfy(e -> assertThat(e.text()).contains("Kept the variant lead"));
    }

    @Test
    void aNewCaseHasNothingAndATempoOfNobodyIsRefused() {
        assertThat(shelf().variants(caseId)).isEmpty();
        assertThat(shelf().tempo(caseId)).isEmpty();
        assertThat(shelf().song(caseId)).isEqualTo(PerformanceJson.Song.NONE);
        assertThatThrownBy(() -> new PerformanceJson.Tempo(0, List.of())).isInstanceOf(InputFault.class);
    }
}
