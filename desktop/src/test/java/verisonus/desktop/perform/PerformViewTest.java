package verisonus.desktop.perform;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Path;
import java.util.List;
import javafx.scene.control.RadioButton;
import javafx.scene.control.TextField;
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
        assertThat(window.text(view)).contains("Which sounds does the song need?", "What follows the beat?",
                "What moves under a foot?", "What is played when?", "With less, or on other gear?");
        assertThat(window.on(() -> view.lookup("#perform-derive").isVisible())).isFalse();
    }

    @Test
    @Order(3)
    void aVariantSetByHandStandsInTheTableAndIsHeard() {
        window.type(view, "variant-by-hand", "drive on");
        assertThat(window.text(view)).contains("lead");
        RadioButton lead = window.on(() -> (RadioButton) view.lookup("#hear-lead"));
        window.on(() -> {
            lead.fire();
            return lead;
        });
        window.settle();
        assertThat(window.on(() -> ((RadioButton) view.lookup("#hear-lead")).isSelected())).isTrue();
    }

    @Test
    @Order(4)
    void whatTheRoomAllowsIsAnsweredInTheSameLine() {
        window.on(() -> {
            ((TextField) view.lookup("#room-measured")).setText("98,0");
            return true;
        });
        window.type(view, "room-allowed", "85");
        assertThat(window.text(view)).contains("where 85 are allowed");
        window.type(view, "room-allowed", "quiet");
        assertThat(window.text(view)).contains("both in dB(A)");
    }

    @Test
    @Order(5)
    void whatWasRiddenAsksForARegionFirst() {
        window.press(view, "follow-ride");
        assertThat(window.text(view)).contains("Mark a region of the record");
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
    void theUsualPartsComeAtOnceAndALeadOfOnesOwnStays() {
        var own = window.on(() -> view.lookup("#hear-lead"));
        assertThat(own).isNotNull();
        window.press(view, "make-usual");
        window.settle();
        assertThat(window.text(view)).contains("Made rhythm").contains("clean");
        assertThat(window.on(() -> view.lookup("#hear-rhythm"))).isNotNull();
        assertThat(window.on(() -> view.lookup("#hear-clean"))).isNotNull();
        window.press(view, "make-usual");
        window.settle();
        assertThat(window.text(view)).contains("are there already");
    }

    @Test
    @Order(8)
    void theTempoIsTakenFromWhatTheTakePlays() {
        window.press(view, "played-tempo");
        TextField tempo = window.on(() -> (TextField) view.lookup("#perform-tempo"));
        // A note every four tenths of a second.
        assertThat(Double.parseDouble(window.on(tempo::getText))).isIn(75.0, 150.0);
    }

    @Test
    @Order(9)
    void everyVariantIsHeldAgainstWhatIsMarked() {
        window.press(view, "variant-near");
        assertThat(window.text(view)).contains("Mark the region");
        window.mark(0.2, 2.8);
        window.press(view, "variant-near");
        assertThat(window.text(view)).contains("JND from 0.2–2.8 s: the tone ").contains("lead").contains("clean");
    }
}
