package verisonus.casebook.store;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.nio.file.Path;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.SQLException;
import java.sql.Statement;
import java.util.List;
import java.util.OptionalDouble;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import verisonus.core.evidence.Correction;
import verisonus.core.evidence.study.Course;
import verisonus.core.evidence.words.Claim;
import verisonus.core.evidence.words.Word;

/** What a player says of findings, gear and words is kept, and can be taken back. */
class JudgementsTest {
    @TempDir
    private Path dir;
    private Path file;
    private Casebook book;
    private long caseId;
    private long region;

    @BeforeEach
    void create() {
        file = dir.resolve("test.casebook");
        book = Casebook.create(file);
        caseId = book.addCase("Glass Harbour", "Oda Marrel", "");
        long medium = book.recordings().addMedium(caseId, Medium.Role.REFERENCE, "take.wav", CasebookTest.wav(96000));
        region = book.recordings().addRegion(medium, Region.Role.CORE_TONE, 0.2, 1.4);
    }

    @AfterEach
    void close() {
        book.close();
    }

    private static Judgement corrected(String topic, double figure) {
        return new Judgement(topic, Judgement.State.CORRECTED, OptionalDouble.of(figure));
    }

    private static Judgement said(String topic, Judgement.State state) {
        return new Judgement(topic, state, OptionalDouble.empty());
    }

    @Test
    void aVerdictIsKeptWithItsFigureAndReplacesTheEarlierOne() {
        book.judgements().keepVerdict(region, said("Echo", Judgement.State.ACCEPTED));
        book.judgements().keepVerdict(region, corrected("Echo", 286));
        book.judgements().keepVerdict(region, said("Space", Judgement.State.SET_ASIDE));
        book.close();
        book = Casebook.open(file);
        assertThat(book.judgements().verdicts(region)).containsExactlyInAnyOrder(corrected("Echo", 286),
                said("Space", Judgement.State.SET_ASIDE));
    }

    @Test
    void undoBringsTheEarlierVerdictBackWithoutAFigure() {
        book.judgements().keepVerdict(region, said("Echo", Judgement.State.ACCEPTED));
        book.judgements().keepVerdict(region, corrected("Echo", 286));
        book.undo();
        assertThat(book.judgements().verdicts(region)).containsExactly(said("Echo", Judgement.State.ACCEPTED));
        book.redo();
        assertThat(book.judgements().verdicts(region)).containsExactly(corrected("Echo", 286));
        book.judgements().dropVerdict(region, "Echo");
        assertThat(book.judgements().verdicts(region)).isEmpty();
    }

    @Test
    void onlyCorrectedAndSetAsideChangeWhatRestsOnThem() {
        List<Correction> c = Judgement
                .corrections(List.of(said("Echo", Judgement.State.ACCEPTED), corrected("Pulse", 98),
                        said("Space", Judgement.State.SET_ASIDE), said("Colour", Judgement.State.SET_ASIDE)));
        assertThat(c).containsExactly(new Correction(Correction.Topic.PULSE, OptionalDouble.of(98)),
                new Correction(Correction.Topic.SPACE, OptionalDouble.empty()));
    }

    @Test
    void aCorrectionNeedsAFigureAndNothingElseHasOne() {
        assertThatThrownBy(() -> said("Echo", Judgement.State.CORRECTED)).isInstanceOf(IllegalArgumentException.class);
        assertThatThrownBy(() -> new Judgement("Echo", Judgement.State.ACCEPTED, OptionalDouble.of(1)))
                .isInstanceOf(IllegalArgumentException.class);
    }

    @Test
    void claimsAreKeptWithTheirSource() {
        Claim claim = new Claim(Claim.Says.TREMOLO, "a studio diary", Claim.Certainty.LIKELY);
        book.judgements().addClaim(caseId, claim);
        assertThat(book.judgements().claims(caseId)).extracting(Judgements.ClaimEntry::claim).containsExactly(claim);
        book.judgements().removeClaim(caseId, book.judgements().claims(caseId).get(0));
        assertThat(book.judgements().claims(caseId)).isEmpty();
        book.undo();
        assertThat(book.judgements().claims(caseId)).hasSize(1);
    }

    @Test
    void theVocabularyShipsAndRemembersWhatWasChanged() {
        assertThat(book.judgements().vocabulary()).isEqualTo(Word.shipped());
        List<Word> fewer = Word.shipped().subList(0, 3);
        book.judgements().keepVocabulary(fewer, "Took words out");
        book.close();
        book = Casebook.open(file);
        assertThat(book.judgements().vocabulary()).isEqualTo(fewer);
        book.undo();
        assertThat(book.judgements().vocabulary()).isEqualTo(Word.shipped());
    }

    @Test
    void aRecordingTakesAnotherPartAndCanBeRemovedWithAllThatHangsOnIt() {
        book.judgements().keepVerdict(region, corrected("Echo", 286));
        Medium m = book.recordings().media(caseId).get(0);
        book.recordings().changeRole(m, Medium.Role.DI);
        assertThat(book.recordings().media(caseId).get(0).role()).isEqualTo(Medium.Role.DI);
        book.recordings().removeMedium(book.recordings().media(caseId).get(0));
        assertThat(book.recordings().media(caseId)).isEmpty();
        book.undo();
        assertThat(book.recordings().regions(m.id())).hasSize(1);
        assertThat(book.judgements().verdicts(region)).hasSize(1);
    }

    @Test
    void aCourseIsDrawnOnceAndNoChangeOfThePlayers() {
        String hash = book.recordings().media(caseId).get(0).hash();
        int entries = book.logbook().size();
        Course c = Course.of(book.recordings().sound(hash), 100);
        book.recordings().keepCourse(hash, c);
        book.recordings().keepCourse(hash, c);
        assertThat(book.recordings().course(hash).orElseThrow().levelDb()).isEqualTo(c.levelDb());
        assertThat(book.logbook()).hasSize(entries);
    }

    @Test
    void aBookOfTheFirstVersionIsBroughtUpToDate() throws SQLException {
        book.close();
        try (Connection c = DriverManager.getConnection("jdbc:sqlite:" + file); Statement s = c.createStatement()) {
            for (String table : new String[]{"verdict", "claim", "vocabulary", "course",
                    "player_profile", "playback_system", "trim", "travel_note", "moment_note", "blind_trial",
                    "performance", "listening"})
                s.execute("DROP TABLE " + table);
            s.execute("ALTER TABLE tone DROP COLUMN gap_jnd");
            s.execute("ALTER TABLE evidence DROP COLUMN measured");
            s.execute("ALTER TABLE medium DROP COLUMN laid_s");
            s.execute("PRAGMA user_version = 1");
        }
        book = Casebook.open(file);
        book.judgements().keepVerdict(region, said("Echo", Judgement.State.ACCEPTED));
        assertThat(book.judgements().verdicts(region)).hasSize(1);
        assertThat(book.cases()).hasSize(1);
    }
}
