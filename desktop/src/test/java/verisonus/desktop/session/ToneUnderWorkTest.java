package verisonus.desktop.session;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import verisonus.casebook.store.CaseEntry;
import verisonus.casebook.store.DerivedTone;
import verisonus.core.rig.ControlPlace;
import verisonus.core.rig.Tone;
import verisonus.desktop.desk.DeskFixture;

/** The tone of a case while changes of it are being measured: another case is opened, it is turned again, locked, undone, cancelled. */
class ToneUnderWorkTest {
    @TempDir
    private Path dir;
    private DeskFixture fixture;
    private CaseSession session;
    private CaseEntry mine;

    @BeforeEach
    void open() {
        fixture = new DeskFixture(dir);
        fixture.mark();
        fixture.keepTone();
        session = new CaseSession(fixture.desk());
        mine = fixture.open().entry();
    }

    @AfterEach
    void close() {
        fixture.close();
    }

    private void turn(String control, double value) {
        session.change(t -> t.with(t.find("amp").orElseThrow().with(control, value)), control + " turned");
    }

    private double kept(String control) {
        return standing().orElseThrow().tone().find("amp").orElseThrow().get(control);
    }

    private Optional<DerivedTone> standing() {
        return fixture.book().tones().tone(mine.id());
    }

    @Test
    void aChangeIsKeptWithTheCaseItWasMadeFor() {
        turn("gain", 8);
        long other = fixture.desk().addCase("Another");
        fixture.settle();
        assertThat(kept("gain")).isEqualTo(8);
        assertThat(fixture.book().tones().tone(other)).isEmpty();
        assertThat(fixture.open().entry().id()).isEqualTo(other);
    }

    @Test
    void aChangeLeavesTheToneOfTheOtherCaseAndWhatIsHeardOfItAlone() {
        Tone theirs = standing().orElseThrow().tone().named("theirs");
        long other = fixture.desk().addCase("Another");
        fixture.settle();
        fixture.book().tones().keepTone(other, DerivedTone.handed(theirs, standing().orElseThrow().search().pairing(),
                0), "Derived");
        fixture.desk().openCase(mine);
        fixture.settle();
        turn("treble", 9);
        fixture.desk().openCase(fixture.desk().cases().stream().filter(c -> c.entry().id() == other).findFirst()
                .orElseThrow().entry());
        fixture.settle();
        assertThat(kept("treble")).isEqualTo(9);
        assertThat(fixture.book().tones().tone(other).orElseThrow().tone()).isEqualTo(theirs);
    }

    @Test
    void twoTurnsWithinOneMeasurementAreBothKept() {
        turn("gain", 8);
        turn("treble", 9);
        fixture.settle();
        assertThat(kept("gain")).isEqualTo(8);
        assertThat(kept("treble")).isEqualTo(9);
    }

    @Test
    void aLockThatIsSetMeanwhileStays() {
        ControlPlace bass = new ControlPlace("amp", "bass");
        turn("gain", 8);
        session.keep(session.tone().orElseThrow().locking(session.tone().orElseThrow().locked().with(bass, true)),
                "Locked");
        fixture.settle();
        assertThat(kept("gain")).isEqualTo(8);
        assertThat(standing().orElseThrow().locked().holds(bass)).isTrue();
    }

    @Test
    void aChangeIsMadeAgainOnWhatAnUndoHasLeft() {
        turn("gain", 8);
        fixture.settle();
        turn("treble", 9);
        fixture.desk().undo();
        fixture.settle();
        assertThat(kept("gain")).isEqualTo(4);
        assertThat(kept("treble")).isEqualTo(9);
    }

    @Test
    void aCancelledChangeIsNotKept() {
        turn("gain", 8);
        fixture.settleCancelling();
        assertThat(kept("gain")).isEqualTo(4);
        turn("treble", 9);
        fixture.settle();
        assertThat(kept("treble")).isEqualTo(9);
    }

    @Test
    void aChangeThatCannotBeLeavesTheToneAndIsSaid() {
        session.change(_ -> {
            throw new IllegalStateException("it cannot be");
        }, "turned");
        fixture.settle();
        assertThat(kept("gain")).isEqualTo(4);
        assertThat(fixture.desk().work().fault().get()).contains("it cannot be");
    }

    @Test
    void aChangeThatWasWorkedOutOnAnotherToneChangesOnlyItsOwnSettings() {
        Tone base = session.settings().orElseThrow();
        Tone wanted = base.with(base.find("amp").orElseThrow().with("treble", 2));
        turn("gain", 8);
        session.change(ToneEdit.from(base, wanted), "a move");
        fixture.settle();
        assertThat(kept("gain")).isEqualTo(8);
        assertThat(kept("treble")).isEqualTo(2);
    }

    @Test
    void aMoveOnAChainThatHasOtherBlocksByNowIsRefused() {
        Tone base = session.settings().orElseThrow();
        Tone wanted = base.without("microphone");
        turn("gain", 8);
        session.change(ToneEdit.from(base, wanted), "a move");
        fixture.settle();
        assertThat(standing().orElseThrow().tone().find("microphone")).isPresent();
        assertThat(fixture.desk().work().fault().get()).contains("before this change's turn came");
    }

    @Test
    void aToneOnTrialIsKeptOrLeftInItsOwnCase() {
        List<Double> judged = new ArrayList<>();
        session.tryOut(ToneEdit.of(t -> t.with(t.find("amp").orElseThrow().with("gain", 9))), "a move", (was, now) -> {
            judged.add(now.scoreJnd());
            return false;
        });
        fixture.desk().addCase("Another");
        fixture.settle();
        assertThat(judged).hasSize(1);
        assertThat(kept("gain")).isEqualTo(4);
    }

    @Test
    void aCaseThatIsGoneTakesNothing() {
        long other = fixture.desk().addCase("Short-lived");
        fixture.settle();
        session.take(DerivedTone.handed(standing().orElseThrow().tone(), standing().orElseThrow().search().pairing(),
                0), "Taken");
        fixture.desk().undo();
        fixture.settle();
        assertThat(fixture.book().cases()).noneMatch(c -> c.id() == other);
        assertThat(fixture.desk().work().fault().get()).isEmpty();
    }
}
