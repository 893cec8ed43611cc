package verisonus.desktop.derive.advice;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import verisonus.casebook.store.Medium;
import verisonus.casebook.store.Region;
import verisonus.core.advise.Move;
import verisonus.core.compare.GapAttribute;
import verisonus.core.compare.GapLedger;
import verisonus.core.compare.GapRow;
import verisonus.core.perform.school.School;
import verisonus.core.perform.school.Side;
import verisonus.core.rig.Block;
import verisonus.core.rig.Tone;
import verisonus.core.sound.codec.SoundWriter;
import verisonus.desktop.desk.DeskFixture;
import verisonus.desktop.session.CaseSession;

class AdviceModelTest {
    private static final GapRow LOWS = new GapRow(GapAttribute.BOTTOM, "dB", -20, -17, 1, "cabinet", "bass down",
            true);
    private static final GapRow MIDDLE = new GapRow(GapAttribute.MIDDLE, "dB", 3, 2, 1, "amp", "mid up", true);

    @TempDir
    private Path dir;
    private DeskFixture fixture;
    private AdviceModel model;
    private CaseSession session;

    @BeforeEach
    void open() {
        fixture = new DeskFixture(dir);
        fixture.book().recordings().addRegion(fixture.open().media().get(0).id(), Region.Role.CORE_TONE, 0.2, 3.4);
        Tone t = new Tone("t", List.of(Block.of("chiming edge").with("gain", 8).with("treble", 9).with("bass", 2),
                Block.of("2×12 open"), Block.of("dynamic microphone")));
        fixture.keepTone(t, new GapLedger(List.of(LOWS, MIDDLE), 1));
        session = new CaseSession(fixture.desk());
        model = new AdviceModel(session);
        fixture.settle();
    }

    @AfterEach
    void close() {
        fixture.close();
    }

    private Tone tone() {
        return fixture.open().tone().orElseThrow().tone();
    }

    @Test
    void theNextMoveIsFoundMadeMeasuredAndCanBeTakenBack() {
        Tone before = tone();
        model.next();
        fixture.settle();
        List<Move> found = model.moves().orElseThrow();
        assertThat(found).isNotEmpty();
        model.next();
        fixture.settle();
        assertThat(tone()).as(model.said().get()).isEqualTo(found.get(0).tone());
        assertThat(model.said().get()).contains("promised").contains("measured");
        assertThat(model.moves()).as("of another tone").isEmpty();
        fixture.desk().undo();
        fixture.settle();
        assertThat(tone()).isEqualTo(before);
    }

    @Test
    void aMoveThatMakesThingsWorseIsTakenBackAndSaidSo() {
        Tone before = tone();
        Tone worse = before.with(before.find("amp").orElseThrow().with("treble", 10).with("presence", 10));
        model.show(new Move(worse, "a bad idea", List.of(), 1, java.util.Map.of()));
        fixture.settle();
        assertThat(tone()).isEqualTo(before);
        assertThat(model.said().get()).contains("a bad idea").contains("taken back");
        assertThat(fixture.desk().undo()).contains("Derived");
    }

    @Test
    void wordsFindMovesAndUnknownOnesAreAnswered() {
        model.findMoves("too purple");
        assertThat(model.said().get()).contains("is not known").contains("boxy");
        model.findMoves("too thin");
        fixture.settle();
        assertThat(model.said().get()).startsWith("For less thin");
        assertThat(model.moves()).isPresent();
    }

    @Test
    void theFingersAreAskedAndTheAnswerStandsUntilTheToneChanges() {
        model.askFeel();
        fixture.settle();
        AdviceModel.Fingers f = model.fingers().orElseThrow();
        assertThat(f.feel().touch().points()).hasSizeGreaterThan(8);
        assertThat(f.hard().stages()).hasSize(2);
        assertThat(model.againstLiking()).isEmpty();
        model.likeThis();
        assertThat(fixture.book().judgements().profile()).isPresent();
        model.askLevels(Optional.of(1.5));
        fixture.settle();
        assertThat(model.levels().orElseThrow()).hasSize(4)
                .first().satisfies(p -> assertThat(p.volts()).isPresent());
        session.change(t -> t.with(t.find("microphone").orElseThrow().switched(false)), "microphone off");
        fixture.settle();
        assertThat(model.fingers()).isEmpty();
    }

    @Test
    void theSpreadOfTakesNeedsTwoAndExplainsSmallRows() {
        model.askPlaying();
        fixture.settle();
        assertThat(model.playing()).isEmpty();
        assertThat(model.said().get()).contains("second dry take");
        fixture.book().recordings().addMedium(fixture.open().entry().id(), Medium.Role.DI, "again.wav",
                SoundWriter.encode(DeskFixture.notes(4, 0.43), SoundWriter.Format.WAV_24));
        fixture.desk().refresh();
        fixture.settle();
        model.askPlaying();
        fixture.settle();
        assertThat(model.playing().orElseThrow().floorJnd()).isNotEmpty();
    }

    @Test
    void bothWaysArePricedOneIsTakenAndTheReasonIsKept() {
        Tone before = tone();
        model.askSchools(Optional.empty());
        fixture.settle();
        School middle = model.schools().orElseThrow().stream().filter(s -> s.question().contains("middle")).findFirst()
                .orElseThrow();
        Side up = middle.sides().get(1);
        model.hear(up);
        fixture.settle();
        assertThat(tone()).as("heard, not taken").isEqualTo(before);
        model.decide(middle, middle.sides().getFirst(), "");
        fixture.settle();
        assertThat(tone()).isEqualTo(before);
        model.decide(middle, up, "it cuts through");
        fixture.settle();
        assertThat(tone()).isEqualTo(up.tone());
        assertThat(fixture.book().logbook(fixture.open().entry().id()).getFirst().text())
                .contains("middle").contains("because it cuts through");
        assertThat(model.schools()).as("of another tone").isEmpty();
    }
}
