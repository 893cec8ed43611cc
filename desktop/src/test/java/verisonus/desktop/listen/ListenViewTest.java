package verisonus.desktop.listen;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.nio.file.Path;
import java.util.concurrent.atomic.AtomicInteger;
import javafx.scene.control.Button;
import javafx.scene.control.ChoiceBox;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import verisonus.casebook.store.Region;
import verisonus.core.evidence.study.Isolation;
import verisonus.desktop.desk.DeskFixture;
import verisonus.desktop.desk.WindowFixture;
import verisonus.desktop.record.Inputs;
import verisonus.desktop.record.RecordModel;
import verisonus.desktop.theme.Theme;

/** The listen bench: regions marked, moved, relabelled and removed as a player does it. */
class ListenViewTest {
    private static final AtomicInteger CHOSEN = new AtomicInteger();

    @TempDir
    private static Path dir;
    private static WindowFixture window;
    private static ListenView view;
    private static ListenModel model;

    @BeforeAll
    static void open() throws Exception {
        window = new WindowFixture(dir, DeskFixture.notes(6, 0.4), DeskFixture.notes(6, 0.4));
        model = window.on(() -> new ListenModel(window.desk()));
        view = window.show(() -> new ListenView(model, new Theme(),
                new RecordModel(window.desk(), new Inputs(_ -> DeskFixture.notes(1, 0.2), true, true)),
                CHOSEN::incrementAndGet), 1200, 720);
    }

    @AfterAll
    static void close() {
        window.close();
    }

    private static Region region() {
        return window.on(() -> window.desk().open().get().orElseThrow().region().orElseThrow());
    }

    @Test
    void recordingsAreListedAndMoreCanBeAdded() {
        assertThat(window.text(view)).contains("Recordings", "add recordings", "record a dry take");
        int before = CHOSEN.get();
        window.press(view, "add-recordings");
        assertThat(CHOSEN).hasValue(before + 1);
    }

    @Test
    void aRegionIsMovedByTypingItsEnds() {
        window.mark(1, 3);
        window.type(view, "region-from", "1.5");
        window.type(view, "region-to", "4.25");
        assertThat(region().fromS()).isCloseTo(1.5, within(1e-9));
        assertThat(region().toS()).isCloseTo(4.25, within(1e-9));
        window.undo();
        window.undo();
        assertThat(region().toS()).isCloseTo(3, within(1e-9));
        window.undo();
        assertThat(window.text(view)).contains("None marked yet");
    }

    @Test
    void endsThatCannotBeAreRefusedAtTheField() {
        window.mark(1, 3);
        window.type(view, "region-to", "1.1");
        assertThat(window.text(view)).contains("half a second or more, within the recording");
        assertThat(region().toS()).isCloseTo(3, within(1e-9));
        window.type(view, "region-to", "soon");
        assertThat(region().toS()).isCloseTo(3, within(1e-9));
        window.undo();
    }

    @Test
    void whatARegionIsGoodForIsChosen() {
        window.mark(1, 3);
        window.on(() -> {
            @SuppressWarnings("unchecked")
            ChoiceBox<Region.Role> role = (ChoiceBox<Region.Role>) view.lookupAll(".choice-box").stream()
                    .filter(n -> "what the region is good for".equals(n.getAccessibleText())
                            && !"mark-role".equals(n.getId()))
                    .findFirst().orElseThrow();
            role.setValue(Region.Role.values()[1]);
            return role;
        });
        window.settle();
        assertThat(region().role()).isEqualTo(Region.Role.values()[1]);
        window.undo();
        window.undo();
    }

    @Test
    void aTakeIsLaidByTypingOrWhereTheRecordingStands() {
        window.type(view, "take-begins", "2.25");
        window.settle();
        assertThat(window.on(() -> window.desk().open().get().orElseThrow().laidS())).hasValue(2.25);
        window.on(() -> {
            window.desk().player().seek(1);
            return view;
        });
        window.press(view, "take-begins-here");
        window.settle();
        assertThat(window.on(() -> window.desk().open().get().orElseThrow().laidS().getAsDouble()))
                .isCloseTo(1, within(0.05));
        window.undo();
        window.undo();
        assertThat(window.on(() -> window.desk().open().get().orElseThrow().laidS())).isEmpty();
    }

    @Test
    void aTimeAtWhichNoTakeCanBeginIsRefused() {
        window.type(view, "take-begins", "99");
        assertThat(window.text(view)).contains("a time in the recording");
        assertThat(window.on(() -> window.desk().open().get().orElseThrow().laidS())).isEmpty();
    }

    @Test
    void aRegionIsRemovedAndComesBack() {
        window.mark(1, 3);
        window.on(() -> {
            Button remove = (Button) view.lookupAll(".button").stream()
                    .filter(n -> n instanceof Button b && "remove".equals(b.getText())).findFirst().orElseThrow();
            remove.fire();
            return remove;
        });
        window.settle();
        assertThat(window.text(view)).contains("None marked yet");
        window.undo();
        assertThat(region().fromS()).isCloseTo(1, within(1e-9));
        window.undo();
    }

    @Test
    void ofARecordOnOneChannelOnlyWhatSuitsItIsOffered() {
        @SuppressWarnings("unchecked")
        ChoiceBox<Isolation> heard = window.on(() -> (ChoiceBox<Isolation>) view.lookup("#isolation"));
        assertThat(window.on(() -> heard.getItems().stream().allMatch(w -> w.suits(1)))).isTrue();
        assertThat(window.on(heard::getValue)).isEqualTo(Isolation.WHOLE);
    }

    @Test
    void theRecordingPanelTakesThePlaceOfTheLists() {
        window.press(view, "record-take");
        assertThat(window.text(view)).doesNotContain("Worth studying");
        window.show(() -> view = new ListenView(model, new Theme(),
                new RecordModel(window.desk(), new Inputs(_ -> DeskFixture.notes(1, 0.2), true, true)),
                CHOSEN::incrementAndGet), 1200, 720);
        assertThat(window.text(view)).contains("Worth studying");
    }
}
