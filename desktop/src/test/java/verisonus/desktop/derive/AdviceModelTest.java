package verisonus.desktop.derive;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import verisonus.casebook.store.Goal;
import verisonus.casebook.store.Medium;
import verisonus.casebook.store.Region;
import verisonus.core.advise.Move;
import verisonus.core.compare.GapAttribute;
import verisonus.core.compare.GapLedger;
import verisonus.core.compare.GapRow;
import verisonus.core.rig.Block;
import verisonus.core.rig.Tone;
import verisonus.core.sound.SoundWriter;
import verisonus.core.travel.system.PlaybackSystem;
import verisonus.desktop.desk.DeskFixture;

class AdviceModelTest {
    private static final GapRow LOWS = new GapRow(GapAttribute.BOTTOM, "dB", -20, -17, 1, "cabinet", "bass down",
            true);
    private static final GapRow MIDDLE = new GapRow(GapAttribute.MIDDLE, "dB", 3, 2, 1, "amp", "mid up", true);

    @TempDir
    private Path dir;
    private DeskFixture fixture;
    private DeriveModel model;

    @BeforeEach
    void open() {
        fixture = new DeskFixture(dir);
        fixture.book().addRegion(fixture.open().media().get(0).id(), Region.Role.CORE_TONE, 0.2, 3.4);
        Tone t = new Tone("t", List.of(Block.of("chiming edge").with("gain", 8).with("treble", 9).with("bass", 2),
                Block.of("2×12 open"), Block.of("dynamic microphone")));
        fixture.keepTone(t, new GapLedger(List.of(LOWS, MIDDLE), 1));
        model = new DeriveModel(fixture.desk());
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
        model.advice().next();
        fixture.settle();
        List<Move> found = model.advice().moves().orElseThrow();
        assertThat(found).isNotEmpty();
        model.advice().next();
        fixture.settle();
        assertThat(tone()).as(model.advice().said().get()).isEqualTo(found.get(0).tone());
        assertThat(model.advice().said().get()).contains("promised").contains("measured");
        assertThat(model.advice().moves()).as("of another tone").isEmpty();
        fixture.desk().undo();
        fixture.settle();
        assertThat(tone()).isEqualTo(before);
    }

    @Test
    void aMoveThatMakesThingsWorseIsTakenBackAndSaidSo() {
        Tone before = tone();
        Tone worse = before.with(before.find("amp").orElseThrow().with("treble", 10).with("presence", 10));
        model.advice().show(new Move(worse, "a bad idea", List.of(), 1, java.util.Map.of()));
        fixture.settle();
        assertThat(tone()).isEqualTo(before);
        assertThat(model.advice().said().get()).contains("a bad idea").contains("taken back");
        assertThat(fixture.desk().undo()).contains("Derived");
    }

    @Test
    void wordsFindMovesAndUnknownOnesAreAnswered() {
        model.advice().findMoves("too purple");
        assertThat(model.advice().said().get()).contains("is not known").contains("boxy");
        model.advice().findMoves("too thin");
        fixture.settle();
        assertThat(model.advice().said().get()).startsWith("For less thin");
        assertThat(model.advice().moves()).isPresent();
    }

    @Test
    void aWantedDifferenceLeavesTheScoreAndComesBack() {
        assertThat(fixture.open().tone().orElseThrow().gap().scoreJnd()).isEqualTo(3);
        model.advice().toggleWantedSo(LOWS);
        assertThat(fixture.open().tone().orElseThrow().gap().scoreJnd()).isEqualTo(1);
        assertThat(model.isWantedSo(LOWS)).isTrue();
        assertThat(fixture.book().logbook().get(0).text()).contains("wanted so");
        model.advice().toggleWantedSo(LOWS);
        assertThat(fixture.open().tone().orElseThrow().gap().scoreJnd()).isEqualTo(3);
    }

    @Test
    void aLooserGoalCallsLessOff() {
        assertThat(fixture.open().tone().orElseThrow().off()).isEqualTo(2);
        model.choices().goal().set(Goal.IN_THE_SPIRIT);
        assertThat(fixture.open().tone().orElseThrow().off()).isEqualTo(1);
        model.choices().goal().set(Goal.STARTING_POINT);
        assertThat(fixture.open().tone().orElseThrow().off()).isZero();
    }

    @Test
    void lowsCountLessOnASystemThatDoesNotGiveThemBack() {
        model.advice().heardOn().set(PlaybackSystem.ALL.stream().filter(s -> s.levelDbAt(110) < s.levelDbAt(1000) - 15)
                .findFirst());
        GapLedger heard = model.advice().ledger().orElseThrow();
        assertThat(heard.find(LOWS.attribute()).orElseThrow().audibility()).isLessThan(1);
        assertThat(heard.find(MIDDLE.attribute()).orElseThrow().audibility()).isEqualTo(1);
    }

    @Test
    void theFingersAreAskedAndTheAnswerStandsUntilTheToneChanges() {
        model.advice().askFeel();
        fixture.settle();
        AdviceModel.Fingers f = model.advice().fingers().orElseThrow();
        assertThat(f.feel().touch().points()).hasSizeGreaterThan(8);
        assertThat(f.hard().stages()).hasSize(2);
        assertThat(model.advice().againstLiking()).isEmpty();
        model.advice().likeThis();
        assertThat(fixture.book().judgements().profile()).isPresent();
        model.advice().askLevels(Optional.of(1.5));
        fixture.settle();
        assertThat(model.advice().levels().orElseThrow()).hasSize(4)
                .first().satisfies(p -> assertThat(p.volts()).isPresent());
        model.toggleBlock(tone().find("microphone").orElseThrow());
        fixture.settle();
        assertThat(model.advice().fingers()).isEmpty();
    }

    @Test
    void theSpreadOfTakesNeedsTwoAndExplainsSmallRows() {
        model.advice().askPlaying();
        fixture.settle();
        assertThat(model.advice().playing()).isEmpty();
        assertThat(model.advice().said().get()).contains("second dry take");
        fixture.book().addMedium(fixture.open().entry().id(), Medium.Role.DI, "again.wav",
                SoundWriter.encode(DeskFixture.notes(4, 0.43), SoundWriter.Format.WAV_24));
        fixture.desk().refresh();
        fixture.settle();
        model.advice().askPlaying();
        fixture.settle();
        assertThat(model.advice().playing().orElseThrow().floorJnd()).isNotEmpty();
    }
}
