package verisonus.desktop.trial;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Path;
import java.util.List;
import java.util.SplittableRandom;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import verisonus.casebook.exchange.StoredTrial;
import verisonus.core.compare.GapAttribute;
import verisonus.core.compare.GapLedger;
import verisonus.core.compare.GapRow;
import verisonus.core.rig.Block;
import verisonus.core.rig.Tone;
import verisonus.core.trial.blind.BlindTrial;
import verisonus.core.trial.blind.TrialForm;
import verisonus.desktop.desk.Bench;
import verisonus.desktop.desk.DeskFixture;
import verisonus.desktop.desk.Standing;
import verisonus.desktop.player.Source;

class TrialModelTest {
    @TempDir
    private Path dir;
    private DeskFixture fixture;
    private TrialModel trial;

    @BeforeEach
    void open() {
        fixture = new DeskFixture(dir);
        trial = new TrialModel(fixture.desk(), new SplittableRandom(7));
    }

    @AfterEach
    void close() {
        fixture.desk().player().stop();
        fixture.close();
    }

    private void keepTone() {
        fixture.keepTone(new Tone("t", List.of(Block.of("chiming edge"), Block.of("2×12 open"))),
                new GapLedger(List.of(new GapRow(GapAttribute.BITE, "dB", 0, 3, 1, "amp", "down", true)), 3));
        trial.many().set(5);
    }

    private BlindTrial current() {
        return trial.current().get().map(StoredTrial::trial).orElseThrow();
    }

    private void begin() {
        trial.begin();
        fixture.settle();
    }

    @Test
    void withoutAToneThereIsNothingToTry() {
        begin();
        assertThat(trial.running().get()).isFalse();
        assertThat(trial.said().get()).contains("Derive");
    }

    @Test
    void whoHearsEverythingIsToldWhatMayHaveGivenItAway() {
        keepTone();
        begin();
        assertThat(trial.running().get()).isTrue();
        while (trial.running().get()) {
            trial.hear(Source.X);
            trial.answer(current().isRecordNext());
        }
        fixture.settle();
        assertThat(current().result().orElseThrow().right()).isEqualTo(5);
        assertThat(trial.gaveAway(trial.current().get().orElseThrow())).containsExactly("bite (3.0 JND)");
        assertThat(fixture.desk().player().blind().get()).isFalse();
        assertThat(fixture.desk().book().logbook().get(0).text()).startsWith("Blind trial: 5 of 5");
        assertThat(fixture.open().standing(Bench.TRIAL)).isEqualTo(Standing.DONE);
    }

    @Test
    void whatHasANameCannotBeHeardWhileATrialRuns() {
        keepTone();
        begin();
        fixture.desk().player().choose(Source.REFERENCE);
        assertThat(fixture.desk().player().source().get()).isEqualTo(Source.X);
        trial.hear(Source.FIRST);
        assertThat(fixture.desk().player().source().get()).isEqualTo(Source.FIRST);
    }

    @Test
    void anAnswerCountsOnlyForWhatWasHeard() {
        keepTone();
        trial.form().set(TrialForm.RECORD);
        begin();
        trial.answer(true);
        assertThat(current().of()).isZero();
        assertThat(trial.said().get()).contains("both");
        trial.hear(Source.SECOND);
        trial.answer(true);
        assertThat(current().of()).isEqualTo(1);
        assertThat(fixture.desk().player().has(Source.X)).isFalse();
    }

    @Test
    void aTrialThatWasLeftGoesOnWithTheSameOrder() {
        keepTone();
        begin();
        trial.answer(true);
        String seal = current().order().seal();
        trial.pause();
        assertThat(fixture.desk().player().blind().get()).isFalse();
        TrialModel again = new TrialModel(fixture.desk(), new SplittableRandom(99));
        again.begin();
        fixture.settle();
        assertThat(again.current().get().orElseThrow().trial().order().seal()).isEqualTo(seal);
        assertThat(again.current().get().orElseThrow().trial().of()).isEqualTo(1);
        again.giveUp();
        fixture.settle();
        assertThat(again.current().get()).isEmpty();
        assertThat(fixture.desk().book().logbook().get(0).text()).contains("void");
    }

    @Test
    void aCandidateThatIsTheRecordItselfIsSaidBeforeATrialIsWasted() {
        fixture.keepTone(new Tone("nothing", List.of(Block.of("parametric equalizer"))), new GapLedger(List.of(), 0));
        begin();
        assertThat(trial.running().get()).isFalse();
        assertThat(fixture.desk().work().fault().get()).contains("the same");
        assertThat(fixture.desk().book().trials().of(fixture.open().entry().id())).isEmpty();
    }

    @Test
    void aTrainingRoundIsToldAtOnceAndKeptNowhere() {
        keepTone();
        trial.practise();
        fixture.settle();
        assertThat(trial.running().get()).isTrue();
        trial.hear(Source.X);
        boolean first = trial.asked().orElseThrow().trial().isRecordNext();
        trial.answer(first);
        assertThat(trial.said().get()).startsWith("Right.").contains("2 more");
        trial.hear(Source.X);
        trial.answer(!trial.asked().orElseThrow().trial().isRecordNext());
        assertThat(trial.said().get()).startsWith("No.");
        trial.hear(Source.X);
        trial.answer(true);
        assertThat(trial.running().get()).isFalse();
        assertThat(fixture.book().trials().of(fixture.open().entry().id())).isEmpty();
    }

    @Test
    void aTrialThatWasBegunElsewhereDoesNotGoOnHere() {
        keepTone();
        begin();
        trial.pause();
        trial.against().set("the dry take");
        begin();
        assertThat(trial.running().get()).isFalse();
        assertThat(trial.said().get()).contains("It was begun on");
    }

    @Test
    void leavingTheBenchLeavesTheTrialAsItStands() {
        keepTone();
        fixture.desk().bench().set(Bench.TRIAL);
        begin();
        fixture.desk().bench().set(Bench.SHEET);
        assertThat(trial.running().get()).isFalse();
        assertThat(fixture.desk().player().blind().get()).isFalse();
        assertThat(trial.current().get()).isPresent();
    }

    @Test
    void aFinishedTrialMovesTheOwnSteps() {
        keepTone();
        begin();
        while (trial.running().get()) {
            trial.hear(Source.X);
            trial.answer(!current().isRecordNext());
        }
        fixture.settle();
        assertThat(fixture.book().trials().told()).singleElement().satisfies(t -> {
            assertThat(t.attribute()).isEqualTo(GapAttribute.BITE);
            assertThat(t.jnd()).isEqualTo(3);
            assertThat(t.right()).isZero();
        });
    }
}
