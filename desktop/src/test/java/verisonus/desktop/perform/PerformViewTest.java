package verisonus.desktop.perform;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Path;
import java.util.List;
import javafx.event.Event;
import javafx.scene.Node;
import javafx.scene.control.TextField;
import javafx.scene.control.ToggleButton;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.MethodOrderer;
import org.junit.jupiter.api.Order;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.TestMethodOrder;
import org.junit.jupiter.api.io.TempDir;
import verisonus.core.compare.GapLedger;
import verisonus.core.rig.Block;
import verisonus.core.rig.ControlNames;
import verisonus.core.rig.Tone;
import verisonus.desktop.desk.Bench;
import verisonus.desktop.desk.DeskFixture;
import verisonus.desktop.desk.WindowFixture;
import verisonus.desktop.player.Source;
import verisonus.desktop.theme.Theme;

/** The perform bench from no tone to a set with a song. */
@TestMethodOrder(MethodOrderer.OrderAnnotation.class)
class PerformViewTest {
    @TempDir
    private static Path dir;
    private static WindowFixture window;
    private static PerformView view;

    @BeforeAll
    static void open() throws Exception {
        window = new WindowFixture(dir, DeskFixture.notes(3, 0.4), DeskFixture.notes(3, 0.4));
        window.on(() -> {
            window.desk().bench().set(Bench.PERFORM);
            return true;
        });
        view = window.show(() -> new PerformView(window.desk(), new Theme()), 1200, 720);
    }

    @AfterAll
    static void close() {
        window.close();
    }

    @Test
    @Order(1)
    void withoutAToneTheWayToOneIsAButton() {
        assertThat(window.on(() -> view.lookup("#perform-derive").isVisible())).isTrue();
        window.press(view, "perform-derive");
        assertThat(window.on(() -> window.desk().bench().get())).isEqualTo(Bench.DERIVE);
        window.on(() -> {
            window.desk().bench().set(Bench.PERFORM);
            return true;
        });
    }

    @Test
    @Order(2)
    void withAToneEveryQuestionIsThere() {
        window.keepTone(new Tone("t", List.of(Block.of("mid-hump overdrive").switched(false), Block.of("chiming edge"),
                Block.of("2×12 open"), Block.of("dynamic microphone"),
                Block.of("clean echo").with(ControlNames.MIX, 20))), new GapLedger(List.of(), 0));
        assertThat(window.text(view)).contains("the tone itself", "make another", "sounds", "beat", "foot", "song",
                "elsewhere");
        assertThat(window.on(() -> view.lookup("#perform-derive").isVisible())).isFalse();
    }

    @Test
    @Order(3)
    void whatIsSaidBecomesASoundThatIsHeardAtOnce() {
        window.type(view, "say-variant", "lead: 3 LU louder");
        window.settle();
        assertThat(window.on(() -> ((ToggleButton) view.lookup("#hear-lead")).isSelected())).isTrue();
        assertThat(window.text(view)).contains("Lead is 3.0 LU louder")
                .contains("B, lead: what changes", "1 setting differs");
        assertThat(window.on(() -> window.desk().player().source().get())).isEqualTo(Source.MINE);
    }

    @Test
    @Order(4)
    void everySettingOfASoundCanBeTurnedAndIsKeptWithItAlone() {
        window.press(view, "turn-variant");
        window.type(view, "variant-amp-gain", "7");
        window.settle();
        assertThat(window.text(view)).contains("2 settings differ");
        window.press(view, "variant-on-drive");
        window.settle();
        assertThat(window.text(view)).contains("3 settings differ");
        assertThat(window.on(() -> Ground.of(window.desk()).orElseThrow().tone().find("amp").orElseThrow()
                .get(ControlNames.GAIN))).isNotEqualTo(7);
    }

    @Test
    @Order(5)
    void aLetterHearsItsSoundAndOnlyWhereThereIsOne() {
        assertThat(window.on(() -> view.key(KeyCode.A))).isTrue();
        window.settle();
        assertThat(window.text(view)).contains("A, the tone itself");
        assertThat(window.on(() -> view.key(KeyCode.C))).isFalse();
        assertThat(window.on(() -> view.key(KeyCode.B))).isTrue();
        window.settle();
        assertThat(window.text(view)).contains("B, lead: what changes");
    }

    @Test
    @Order(6)
    void aDroppedVariantComesBackWithUndo() {
        window.press(view, "drop-lead");
        assertThat(window.on(() -> view.lookup("#hear-lead"))).isNull();
        window.undo();
        assertThat(window.on(() -> view.lookup("#hear-lead"))).isNotNull();
    }

    @Test
    @Order(7)
    void theArrowKeysMoveALetterAndEnterMakesItsSound() {
        window.on(() -> view.key(KeyCode.B));
        window.settle();
        window.on(() -> {
            Node scales = view.lookup("#noticed");
            scales.requestFocus();
            for (KeyCode k : new KeyCode[]{KeyCode.LEFT, KeyCode.LEFT, KeyCode.ENTER})
                Event.fireEvent(scales, new KeyEvent(KeyEvent.KEY_PRESSED, "", "", k, false, false, false, false));
            return scales;
        });
        window.settle();
        // From the end of the scale, which it lies beyond, two steps of a fortieth of twelve.
        assertThat(window.text(view)).contains("Lead is 5.4 LU louder");
    }

    @Test
    @Order(8)
    void theTempoIsTakenFromWhatTheTakePlays() {
        window.press(view, "place-beat");
        assertThat(window.text(view)).contains("What follows the beat?");
        window.press(view, "played-tempo");
        TextField tempo = window.on(() -> (TextField) view.lookup("#perform-tempo"));
        // A note every four tenths of a second.
        assertThat(Double.parseDouble(window.on(tempo::getText))).isIn(75.0, 150.0);
    }

    @Test
    @Order(9)
    void whatWasRiddenAsksForARegionFirst() {
        window.press(view, "place-foot");
        window.press(view, "follow-ride");
        assertThat(window.text(view)).contains("Mark a region of the record");
    }

    @Test
    @Order(10)
    void theRoomAndTheRecordAreAskedElsewhere() {
        window.press(view, "place-elsewhere");
        window.on(() -> {
            ((TextField) view.lookup("#room-measured")).setText("98,0");
            return true;
        });
        window.type(view, "room-allowed", "85");
        assertThat(window.text(view)).contains("where 85 are allowed");
        window.type(view, "room-allowed", "quiet");
        assertThat(window.text(view)).contains("both in dB(A)");
        window.press(view, "variant-near");
        assertThat(window.text(view)).contains("Mark in Listen");
        window.mark(0.2, 2.8);
        window.press(view, "variant-near");
        assertThat(window.text(view)).contains("JND from 0.2–2.8 s: the tone ").contains("lead");
    }
}
