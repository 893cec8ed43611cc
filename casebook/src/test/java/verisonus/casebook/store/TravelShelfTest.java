package verisonus.casebook.store;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Path;
import java.util.List;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import verisonus.core.rig.Block;
import verisonus.core.rig.ControlPlace;
import verisonus.core.rig.Tone;
import verisonus.core.travel.NamedBand;
import verisonus.core.travel.system.PlaybackSystem;
import verisonus.core.travel.system.ResponseCurve;
import verisonus.core.travel.trim.Trim;
import verisonus.core.travel.trim.TrimStep;

class TravelShelfTest {
    private static final PlaybackSystem CAR = PlaybackSystem.find("car").orElseThrow();

    @TempDir
    private Path dir;
    private Casebook book;
    private long caseId;

    @BeforeEach
    void create() {
        book = Casebook.create(dir.resolve("t.casebook"));
        caseId = book.addCase("Slow Comet", "", "");
    }

    @AfterEach
    void close() {
        book.close();
    }

    private void reopen() {
        book.close();
        book = Casebook.open(dir.resolve("t.casebook"));
    }

    private static Trim trim(double bass) {
        Tone tone = new Tone("t", List.of(Block.of("chiming edge").with("bass", bass), Block.of("2×12 open")));
        return new Trim(List.of("car"), List.of(new TrimStep(ControlPlace.parse("amp/bass"), 5, bass)), List.of(),
                tone, 3.25, 0.5, List.of(NamedBand.LOW_MIDS), 1);
    }

    @Test
    void ownSystemsStandBesideThoseThatShip() {
        PlaybackSystem hall = PlaybackSystem.measured("hall", "the hall", ResponseCurve.of(50, -6, 1000, 0, 9000, -4));
        book.travels().keep(hall);
        reopen();
        assertThat(book.travels().systems()).hasSize(PlaybackSystem.ALL.size() + 1).contains(hall, CAR);
        book.travels().remove(hall);
        assertThat(book.travels().systems()).isEqualTo(PlaybackSystem.ALL);
        book.undo();
        assertThat(book.travels().own()).containsExactly(hall);
    }

    @Test
    void aMeasuredOneTakesThePlaceOfTheModelOfItsName() {
        PlaybackSystem own = PlaybackSystem.measured("car", "our van", ResponseCurve.of(50, 3, 9000, -8));
        book.travels().keep(own);
        assertThat(book.travels().systems()).hasSize(PlaybackSystem.ALL.size()).contains(own).doesNotContain(CAR);
    }

    @Test
    void aTrimIsKeptWithItsCaseAndCanBeTakenBack() {
        book.travels().keepTrim(caseId, CAR, trim(2));
        book.travels().keepTrim(caseId, CAR, trim(3));
        reopen();
        assertThat(book.travels().trims(caseId)).containsOnlyKeys("car").containsEntry("car", trim(3));
        book.undo();
        assertThat(book.travels().trims(caseId)).containsEntry("car", trim(2));
        book.travels().dropTrim(caseId, CAR);
        assertThat(book.travels().trims(caseId)).isEmpty();
        assertThat(book.logbook().get(0).text()).contains("car");
    }

    @Test
    void whatWasHeardIsKeptBySystemAndAnEmptyNoteGoes() {
        book.travels().keepNote(caseId, CAR, "  boomy, but the bite is there ");
        reopen();
        assertThat(book.travels().notes(caseId)).containsEntry("car", "boomy, but the bite is there");
        book.travels().keepNote(caseId, CAR, " ");
        assertThat(book.travels().notes(caseId)).isEmpty();
        assertThat(book.travels().notes(caseId + 1)).isEmpty();
    }
}
