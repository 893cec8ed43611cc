package verisonus.desktop.travel;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Path;
import java.util.List;
import javafx.scene.control.RadioButton;
import javafx.scene.control.Slider;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import verisonus.core.compare.GapLedger;
import verisonus.core.rig.Block;
import verisonus.core.rig.Tone;
import verisonus.core.travel.system.PlaybackSystem;
import verisonus.desktop.desk.Bench;
import verisonus.desktop.desk.DeskFixture;
import verisonus.desktop.desk.WindowFixture;
import verisonus.desktop.record.Inputs;
import verisonus.desktop.theme.Theme;

/** The travel bench as it is looked at. */
class TravelViewTest {
    @TempDir
    private static Path dir;
    private static WindowFixture window;
    private static TravelView view;
    private static TravelModel model;

    @BeforeAll
    static void open() throws Exception {
        window = new WindowFixture(dir, DeskFixture.notes(3, 0.4), DeskFixture.notes(3, 0.4));
        window.keepTone(new Tone("t", List.of(Block.of("chiming edge"), Block.of("2×12 open"),
                Block.of("dynamic microphone"))), new GapLedger(List.of(), 0));
        window.mark(0.2, 2.8);
        model = window.on(() -> new TravelModel(window.desk(), new Inputs(_ -> DeskFixture.notes(1, 0.2), true, true)));
        view = window.show(() -> new TravelView(model, new Theme()), 1100, 720);
        window.on(() -> {
            window.desk().bench().set(Bench.TRAVEL);
            return true;
        });
        window.settle();
    }

    @AfterAll
    static void close() {
        window.close();
    }

    @Test
    void everySystemThatShipsHasARow() {
        for (PlaybackSystem s : PlaybackSystem.ALL) {
            RadioButton row = window.on(() -> (RadioButton) view.lookup("#system-" + s.id()));
            assertThat(row).as(s.name()).isNotNull();
            assertThat(row.getText()).isEqualTo(s.name());
        }
    }

    @Test
    void aChosenSystemIsTheOneWhoseDetailIsShown() {
        PlaybackSystem last = PlaybackSystem.ALL.getLast();
        window.press(view, "system-" + last.id());
        assertThat(window.on(() -> model.chosen().get())).contains(last.id());
        assertThat(window.on(() -> view.lookupAll(".radio-button").stream().filter(n -> ((RadioButton) n).isSelected())
                .count())).isEqualTo(1);
    }

    @Test
    void theListeningLevelFollowsTheSliderInWholeDecibels() {
        window.on(() -> {
            ((Slider) view.lookup("#travel-level")).setValue(83.4);
            return true;
        });
        window.settle();
        assertThat(window.on(() -> model.levelDbSpl().get())).isEqualTo(83);
        assertThat(window.text(view)).contains("83");
    }

    @Test
    void whatTheFiguresAreAgainstIsSaid() {
        assertThat(window.text(view)).contains("loudness matched").contains("dB SPL");
    }

    @Test
    void whatToTurnIsFoundForEverySystem() {
        window.press(view, "find-trims");
        assertThat(window.on(() -> model.trims().get())).isNotEmpty();
        String text = window.text(view);
        assertThat(text).containsPattern("as it is|\\d\\.\\d → \\d\\.\\d");
    }
}
