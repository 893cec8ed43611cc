package verisonus.desktop.trial;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Path;
import java.util.List;
import java.util.SplittableRandom;
import java.util.function.Consumer;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;
import verisonus.core.compare.GapLedger;
import verisonus.core.rig.Block;
import verisonus.core.rig.ControlPlace;
import verisonus.core.rig.Tone;
import verisonus.desktop.desk.Bench;
import verisonus.desktop.desk.DeskFixture;

/** Listening tests whose sounds are still being made when the player goes to another case or bench: nothing begins there, nothing is kept. */
class ElsewhereBeforeItBeginsTest {
    private static final Tone TONE = new Tone("t", List.of(Block.of("mid-forward crunch").with("gain", 4), Block.of(
            "2×12 open"), Block.of("dynamic microphone")));

    @TempDir
    private Path dir;
    private DeskFixture fixture;
    private long mine;

    /** Where the player goes. */
    enum Away {
        ANOTHER_CASE(f -> f.desk().addCase("Another")),
        ANOTHER_BENCH(f -> f.desk().bench().set(Bench.SHEET));

        private final Consumer<DeskFixture> going;

        Away(Consumer<DeskFixture> going) {
            this.going = going;
        }
    }

    @BeforeEach
    void open() {
        fixture = new DeskFixture(dir);
        fixture.keepTone(TONE, new GapLedger(List.of(), 0));
        fixture.desk().bench().set(Bench.TRIAL);
        mine = fixture.open().entry().id();
    }

    @AfterEach
    void close() {
        fixture.desk().player().stop();
        fixture.close();
    }

    private void go(Away away) {
        away.going.accept(fixture);
        fixture.settle();
        assertThat(fixture.desk().player().blind().get()).isFalse();
    }

    private List<Long> all() {
        return fixture.book().cases().stream().map(c -> c.id()).toList();
    }

    @ParameterizedTest
    @EnumSource
    void noBlindTrialBegins(Away away) {
        TrialModel trial = new TrialModel(fixture.desk(), new SplittableRandom(7));
        trial.begin();
        go(away);
        assertThat(trial.running().get()).isFalse();
        assertThat(all()).allSatisfy(id -> assertThat(fixture.book().trials().of(id)).isEmpty());
    }

    @ParameterizedTest
    @EnumSource
    void noRatingBegins(Away away) {
        OpenModel open = new OpenModel(fixture.desk(), new Candidates(fixture.desk()));
        open.choose("the neutral start", true);
        RatingModel rating = new RatingModel(fixture.desk(), open, new SplittableRandom(3));
        rating.begin();
        go(away);
        assertThat(rating.running().get()).isFalse();
        assertThat(all()).allSatisfy(id -> assertThat(fixture.book().listening().ratings(id)).isEmpty());
    }

    @ParameterizedTest
    @EnumSource
    void noPickingBegins(Away away) {
        PickingModel picking = new PickingModel(fixture.desk(), new SplittableRandom(5));
        picking.begin();
        go(away);
        assertThat(picking.running().get()).isFalse();
        assertThat(all()).allSatisfy(id -> assertThat(fixture.book().listening().pickings(id)).isEmpty());
    }

    @ParameterizedTest
    @EnumSource
    void nothingIsLaidSideBySide(Away away) {
        OpenModel open = new OpenModel(fixture.desk(), new Candidates(fixture.desk()));
        open.hear("mine");
        go(away);
        assertThat(open.laid().get()).isEmpty();
    }

    @Test
    void aTrialThatRunsAnswersForItsOwnCaseOnly() {
        TrialModel trial = new TrialModel(fixture.desk(), new SplittableRandom(7));
        trial.begin();
        fixture.settle();
        assertThat(trial.running().get()).isTrue();
        fixture.desk().addCase("Another");
        fixture.settle();
        assertThat(trial.running().get()).isFalse();
        trial.answer(true);
        assertThat(fixture.book().trials().of(mine)).singleElement()
                .satisfies(t -> assertThat(t.trial().of()).isZero());
    }

    @Test
    void aStepSearchWhoseNextTwoWereCancelledWaitsNoLongerAndGoesOn() {
        StepModel step = new StepModel(fixture.desk(), new SplittableRandom(4));
        step.begin(new ControlPlace("amp", "gain"));
        fixture.settleCancelling();
        assertThat(step.waiting().get()).isFalse();
        step.begin(new ControlPlace("amp", "gain"));
        fixture.settle();
        assertThat(step.running().get()).isTrue();
        assertThat(step.waiting().get()).isFalse();
    }
}
