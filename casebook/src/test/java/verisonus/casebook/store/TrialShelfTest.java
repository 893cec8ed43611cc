package verisonus.casebook.store;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Path;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import verisonus.casebook.exchange.BlindTrialJson;
import verisonus.casebook.exchange.StoredTrial;
import verisonus.core.trial.blind.BlindTrial;
import verisonus.core.trial.blind.StoppingRule;
import verisonus.core.trial.blind.TrialForm;

class TrialShelfTest {
    @TempDir
    private Path dir;

    private static BlindTrial begun() {
        return BlindTrial.begin(TrialForm.ABX, new StoppingRule(6, false), 99);
    }

    @Test
    void aTrialGoesOnWhereItStoodWithItsOrderUnchanged() {
        Path file = dir.resolve("t.casebook");
        long id;
        try (Casebook book = Casebook.create(file)) {
            id = book.addCase("Glass Harbour", "", "");
            StoredTrial t = book.trials().begin(id, begun(), "core tone, alone");
            t = book.trials().answer(id, t, true);
            book.trials().answer(id, t, false);
            assertThat(book.logbook().get(0).text()).contains(begun().order().seal().substring(0, 12));
        }
        try (Casebook book = Casebook.open(file)) {
            StoredTrial t = book.trials().underWay(id).orElseThrow();
            assertThat(t.trial().of()).isEqualTo(2);
            assertThat(t.trial().order().seal()).isEqualTo(begun().order().seal());
            while (!t.trial().isEnded()) t = book.trials().answer(id, t, t.trial().isRecordNext());
            assertThat(book.trials().underWay(id)).isEmpty();
            assertThat(book.logbook().get(0).text()).contains("of 6").contains("Seed 99");
        }
    }

    @Test
    void noAnswerCanBeTakenBack() {
        try (Casebook book = Casebook.create(dir.resolve("t.casebook"))) {
            long id = book.addCase("x", "", "");
            StoredTrial t = book.trials().begin(id, begun(), "");
            book.trials().answer(id, t, true);
            assertThat(book.undo().orElseThrow()).startsWith("Began a blind trial");
            assertThat(book.trials().underWay(id)).isEmpty();
        }
    }

    @Test
    void aTrialGivenUpIsVoidAndSaysSo() {
        try (Casebook book = Casebook.create(dir.resolve("t.casebook"))) {
            long id = book.addCase("x", "", "");
            StoredTrial t = book.trials().answer(id, book.trials().begin(id, begun(), ""), true);
            book.trials().abandon(id, t);
            assertThat(book.trials().of(id)).isEmpty();
            assertThat(book.logbook().get(0).text()).contains("void");
        }
    }

    @Test
    void theSeedIsToldOnlyAtTheEnd() {
        BlindTrial t = begun();
        assertThat(BlindTrialJson.result(t, List.of()).has("seed")).isFalse();
        while (!t.isEnded()) t = t.answered(true);
        assertThat(BlindTrialJson.result(t, List.of("bite")).path("seed").asLong()).isEqualTo(99);
        assertThat(BlindTrialJson.read("x", BlindTrialJson.write(t))).isEqualTo(t);
    }
}
