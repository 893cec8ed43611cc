package verisonus.casebook.store;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.nio.file.Path;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.SQLException;
import java.sql.Statement;
import java.time.Instant;
import java.util.List;
import java.util.Set;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import verisonus.casebook.exchange.ListeningJson.NamedStep;
import verisonus.casebook.store.ListeningShelf.Kept;
import verisonus.core.compare.GapAttribute;
import verisonus.core.compare.GapRow;
import verisonus.core.trial.blind.BlindTrial;
import verisonus.core.trial.blind.StoppingRule;
import verisonus.core.trial.blind.TrialForm;
import verisonus.core.trial.rate.Picking;
import verisonus.core.trial.rate.RatingTrial;
import verisonus.core.trial.step.StepSearch;
import verisonus.core.trial.train.Score;
import verisonus.core.trial.train.Skill;
import verisonus.core.work.InputFault;

class ListeningShelfTest {
    @TempDir
    private Path dir;
    private Casebook book;
    private long id;

    @BeforeEach
    void open() {
        book = Casebook.create(dir.resolve("ears.casebook"));
        id = book.addCase("Glass Harbour", "", "");
    }

    @AfterEach
    void close() {
        book.close();
    }

    private void reopened() {
        book.close();
        book = Casebook.open(dir.resolve("ears.casebook"));
    }

    @Test
    void aRatingGoesOnAfterTheBookWasClosed() {
        Kept<RatingTrial> k = book.listening().begin(id, RatingTrial.begin(List.of("mine", "lead"), 3, 5));
        book.listening().rated(id, k, List.of(10, 20, 30, 40));
        reopened();
        Kept<RatingTrial> again = book.listening().ratings(id).getFirst();
        assertThat(again.value().given()).hasSize(1);
        assertThat(again.value().order(1)).isEqualTo(k.value().order(1));
        while (!again.value().isEnded()) again = book.listening().rated(id, again, List.of(90, 20, 30, 40));
        assertThat(book.logbook().getFirst().text()).startsWith("Rated 2 sounds");
        assertThat(book.undo()).isPresent();
    }

    @Test
    void pickingAndStepsAreReadBackAsTheyWere() {
        Kept<Picking> p = book.listening().begin(id,
                Picking.begin(List.of(new Picking.Measured("a", new double[]{1.25}),
                        new Picking.Measured("b", new double[]{-0.5})), List.of("bite"), 4));
        p = book.listening().said(id, p, 1, true);
        Kept<NamedStep> s = book.listening()
                .begin(new NamedStep("amp/gain", "of its way", StepSearch.begin(0.01, 0.5)));
        book.listening().answered(s, 0.2, false);
        reopened();
        Picking back = book.listening().pickings(id).getFirst().value();
        assertThat(back.said()).isEqualTo(p.value().said());
        assertThat(back.candidates().getFirst().measures()).containsExactly(1.25);
        assertThat(book.listening().steps().getFirst().value().search().answers())
                .containsExactly(new StepSearch.Answer(0.2, false));
    }

    @Test
    void scoresStandInTheOrderInWhichTheyWereMadeAndInNoLogbook() {
        int before = book.logbook().size();
        for (int i = 0; i < 3; i++)
            book.listening().add(new Score(Instant.ofEpochSecond(i), Skill.BAND, "mids", 3 + i, i == 1));
        assertThat(book.listening().scores()).extracting(Score::size).containsExactly(3.0, 4.0, 5.0);
        assertThat(book.logbook()).hasSize(before);
    }

    @Test
    void ticksAndFeelAreKeptByCase() {
        long other = book.addCase("Lantern Street", "", "");
        book.listening().tick(id, Set.of("amp/gain = 4", "amp/bass = 5"));
        book.listening().tick(id, Set.of("amp/gain = 4"));
        book.listening().felt(id, "mine", 2);
        book.listening().felt(id, "mine", 5);
        assertThat(book.listening().ticked(id)).containsExactly("amp/gain = 4");
        assertThat(book.listening().ticked(other)).isEmpty();
        assertThat(book.listening().feel(id)).containsEntry("mine", 5);
        book.undo();
        assertThat(book.listening().feel(id)).containsEntry("mine", 2);
    }

    @Test
    void aTrialKeepsWhatItTurnsOnAndWhatWasLeftOut() {
        GapRow row = new GapRow(GapAttribute.BODY, "dB", 0, 1.5, 1, "amp", "", true);
        var t = book.trials().begin(id, BlindTrial.begin(TrialForm.ABX, new StoppingRule(5, false), 8), "all", "",
                java.util.Optional.of(row));
        t = book.trials().leaveOut(id, t);
        assertThat(book.trials().told()).isEmpty();
        while (!t.trial().isEnded()) t = book.trials().answer(id, t, t.trial().isRecordNext());
        reopened();
        assertThat(book.trials().of(id).getFirst().trial().leftOut()).containsExactly(0);
        assertThat(book.trials().told()).singleElement().satisfies(x -> {
            assertThat(x.attribute()).isEqualTo(GapAttribute.BODY);
            assertThat(x.jnd()).isEqualTo(1.5);
            assertThat(x.right()).isEqualTo(5);
        });
    }

    @Test
    void spoiledDocumentsAreNamedAndNeverAFaultOfTheProgram() throws SQLException {
        book.listening().begin(id, RatingTrial.begin(List.of("mine"), 3, 5));
        book.close();
        try (Connection c = DriverManager.getConnection("jdbc:sqlite:" + dir.resolve("ears.casebook"));
                Statement s = c.createStatement()) {
            s.execute("UPDATE listening SET document = '{\"rounds\": -3}'");
        }
        book = Casebook.open(dir.resolve("ears.casebook"));
        assertThatThrownBy(() -> book.listening().ratings(id)).isInstanceOf(InputFault.class)
                .hasMessageContaining("a rating in it cannot be read");
    }
}
