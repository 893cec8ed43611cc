package verisonus.casebook.store;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.SQLException;
import java.sql.Statement;
import java.util.Optional;
import java.util.stream.Stream;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import org.sqlite.SQLiteErrorCode;
import org.sqlite.SQLiteException;
import verisonus.core.work.InputFault;
import verisonus.core.work.OutputFault;

/** Two openings, lost files, full disks and files that mean harm. */
class BookSafetyTest {
    @TempDir
    private Path dir;
    private Path file;

    @BeforeEach
    void create() {
        file = dir.resolve("b.casebook");
        try (Casebook book = Casebook.create(file)) {
            book.addCase("Slow Comet", "", "");
        }
    }

    private void sql(String... statements) throws SQLException {
        try (Connection c = DriverManager.getConnection("jdbc:sqlite:" + file); Statement s = c.createStatement()) {
            for (String one : statements) s.execute(one);
        }
    }

    @Test
    void aSecondOpeningReadsAndChangesNothing() {
        try (Casebook first = Casebook.open(file); Casebook second = Casebook.open(file)) {
            assertThat(first.isReadOnly()).isFalse();
            assertThat(second.isReadOnly()).isTrue();
            assertThat(second.readOnlyWords()).contains("process " + ProcessHandle.current().pid());
            first.addCase("Another", "", "");
            assertThat(second.cases()).extracting(CaseEntry::name).containsExactly("Slow Comet", "Another");
            assertThatThrownBy(() -> second.addCase("No", "", "")).isInstanceOf(OutputFault.class)
                    .hasMessageContaining("has it open");
            assertThatThrownBy(second::undo).isInstanceOf(OutputFault.class);
            assertThat(first.cases()).hasSize(2);
        }
    }

    @Test
    void aClosedBookLeavesNothingBesideItAndOpensAgainForChanges() throws IOException {
        try (Casebook book = Casebook.open(file)) {
            book.addCase("x", "", "");
        }
        try (Stream<Path> all = Files.list(dir)) {
            assertThat(all).containsExactly(file);
        }
        try (Casebook book = Casebook.open(file)) {
            assertThat(book.isReadOnly()).isFalse();
        }
    }

    @Test
    void aFileThatIsGoneIsSaidBeforeMoreIsLost() throws IOException {
        try (Casebook book = Casebook.open(file)) {
            Files.move(file, dir.resolve("elsewhere.casebook"));
            assertThatThrownBy(() -> book.addCase("lost", "", "")).isInstanceOf(OutputFault.class)
                    .hasMessageContaining("gone");
            Files.move(dir.resolve("elsewhere.casebook"), file);
            book.addCase("kept", "", "");
        }
    }

    @ParameterizedTest
    @ValueSource(strings = {"CREATE VIEW v AS SELECT * FROM tone_case",
            "CREATE TRIGGER t AFTER INSERT ON tone_case BEGIN DELETE FROM medium; END",
            "CREATE VIEW w AS WITH RECURSIVE c(x) AS (SELECT 1 UNION ALL SELECT x + 1 FROM c) SELECT x FROM c",
            "CREATE TABLE other (x)", "ALTER TABLE tone_case ADD COLUMN more TEXT", "DROP TABLE trim",
            "DROP TABLE tone_case"})
    void whatIsNoPartOfACasebookIsRefused(String harm) throws SQLException {
        sql("PRAGMA foreign_keys = OFF", harm);
        assertThatThrownBy(() -> Casebook.open(file)).isInstanceOf(InputFault.class)
                .hasMessageContaining("b.casebook");
    }

    @Test
    void aLogbookThatNamesAnotherTableUndoesNothing() throws SQLException {
        sql("INSERT INTO logbook (id, at, text, state) VALUES (99, '2026-01-01T00:00:00Z', 'harm', 'done')",
                "INSERT INTO logbook_row VALUES (99, 0, 'sqlite_master', 1, NULL, NULL)");
        try (Casebook book = Casebook.open(file)) {
            assertThatThrownBy(book::undo).isInstanceOf(InputFault.class);
            assertThat(book.cases()).hasSize(1);
        }
    }

    @ParameterizedTest
    @ValueSource(strings = {"UPDATE logbook SET at = 'yesterday'",
            "INSERT INTO rig (document) VALUES ('{\"schema\":')", "INSERT INTO rig (document) VALUES ('[]')"})
    void contentThatCannotBeIsOneLine(String harm) throws SQLException {
        sql(harm);
        try (Casebook book = Casebook.open(file)) {
            assertThatThrownBy(() -> {
                book.rig();
                book.logbook();
            }).isInstanceOf(InputFault.class).hasMessageNotContaining("\n");
        }
    }

    @ParameterizedTest
    @CsvSource({"SQLITE_FULL, the disk is full", "SQLITE_BUSY, it is held by", "SQLITE_READONLY, may not be written",
            "SQLITE_IOERR_WRITE, does not answer"})
    void whatTheDiskDoesIsNamed(SQLiteErrorCode code, String words) {
        assertThat(StoreFault.of("x.casebook", new SQLiteException("m", code))).isInstanceOf(OutputFault.class)
                .hasMessageContaining(words);
    }

    @ParameterizedTest
    @CsvSource({"SQLITE_CORRUPT", "SQLITE_NOTADB", "SQLITE_IOERR_SHORT_READ"})
    void damageIsDamage(SQLiteErrorCode code) {
        assertThat(StoreFault.of("x.casebook", new SQLiteException("m", code))).isInstanceOf(InputFault.class);
    }

    @Test
    void aBookThatCannotBeMadeLeavesNoEmptyOne() {
        Path nowhere = dir.resolve("no/such/folder/x.casebook");
        assertThatThrownBy(() -> Casebook.create(nowhere)).isInstanceOfAny(InputFault.class, OutputFault.class);
        assertThat(nowhere).doesNotExist();
    }

    @Test
    void anOpeningThatEndsWhileAnotherBeginsLeavesRoomForOneOnly() {
        BookLock first = BookLock.take(file).orElseThrow();
        // The second has opened the lock's file when the first takes it away.
        Optional<BookLock> second = BookLock.take(file, first::close);
        assertThat(second).isPresent();
        assertThat(BookLock.take(file)).isEmpty();
        second.orElseThrow().close();
        Optional<BookLock> third = BookLock.take(file);
        assertThat(third).isPresent();
        third.orElseThrow().close();
    }
}
