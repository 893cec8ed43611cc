package verisonus.desktop.measure;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Path;
import java.util.Locale;
import java.util.Set;
import javafx.scene.Node;
import javafx.scene.Parent;
import javafx.scene.control.Button;
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
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import verisonus.desktop.desk.DeskFixture;
import verisonus.desktop.desk.WindowFixture;
import verisonus.desktop.theme.Theme;

/** The measure bench before and after a region was measured. */
@TestMethodOrder(MethodOrderer.OrderAnnotation.class)
class MeasureViewTest {
    @TempDir
    private static Path dir;
    private static WindowFixture window;
    private static MeasureView view;
    private static MeasureModel model;

    @BeforeAll
    static void open() throws Exception {
        window = new WindowFixture(dir, DeskFixture.notes(4, 0.4));
        model = window.on(() -> new MeasureModel(window.desk()));
        view = window.show(() -> new MeasureView(model, new Theme()), 1100, 720);
    }

    @AfterAll
    static void close() {
        window.close();
    }

    private static boolean canMeasure() {
        return window.on(() -> !((Button) view.lookup("#measure")).isDisabled());
    }

    private static Node spectrogram() {
        return ((Parent) view.getRight()).getChildrenUnmodifiable().stream().filter(SpectrogramView.class::isInstance)
                .findFirst().orElseThrow();
    }

    @Test
    @Order(1)
    void withoutARegionTheWayToOneIsSaid() {
        assertThat(window.text(view)).contains("Not measured yet").contains("the best one is found by itself");
        assertThat(canMeasure()).isTrue();
    }

    @Test
    @Order(2)
    void aRegionCanBeMeasured() {
        window.mark(0.2, 3.6);
        assertThat(window.text(view)).contains("ready to be measured");
        assertThat(canMeasure()).isTrue();
        window.press(view, "measure");
        assertThat(window.text(view)).contains("What the recording shows").contains("Measure again");
        assertThat(window.on(() -> model.findings().size())).isGreaterThan(5);
    }

    @Test
    @Order(3)
    void everyFindingIsALineThatCanBeReadAloud() {
        for (var f : window.on(model::findings)) {
            Node line = window.on(() -> view.lookup("#finding-" + f.topic().toLowerCase(Locale.ROOT)));
            assertThat(line).as(f.topic()).isNotNull();
            assertThat(line.getAccessibleText()).contains(f.sentence());
            assertThat(line.isFocusTraversable()).isTrue();
        }
    }

    @Test
    @Order(4)
    void enterOnAFindingShowsWhy() {
        var last = window.on(() -> model.findings().getLast());
        window.on(() -> {
            Node line = view.lookup("#finding-" + last.topic().toLowerCase(Locale.ROOT));
            line.fireEvent(new KeyEvent(KeyEvent.KEY_PRESSED, "", "", KeyCode.ENTER, false, false, false, false));
            return line;
        });
        window.settle();
        assertThat(window.text(view)).contains(last.topic() + ": why");
    }

    @ParameterizedTest
    @Order(5)
    @ValueSource(strings = {"beside", "words", "claims", "signature", "findings"})
    void everyLensOpensAndSaysSomething(String lens) {
        window.on(() -> {
            ToggleButton b = (ToggleButton) view.lookup("#place-" + lens);
            b.fire();
            return b;
        });
        window.settle();
        assertThat(window.text(view).length()).isGreaterThan(100);
        Set<Node> chosen = window.on(() -> view.lookupAll(".lens"));
        assertThat(chosen).filteredOn(n -> ((ToggleButton) n).isSelected()).singleElement()
                .satisfies(n -> assertThat(n.getId()).isEqualTo("place-" + lens));
    }

    @Test
    @Order(6)
    void theSpectrogramIsDrawnWhenAskedFor() {
        assertThat(window.on(MeasureViewTest::spectrogram).isVisible()).isFalse();
        window.press(view, "spectrogram");
        assertThat(window.on(MeasureViewTest::spectrogram).isVisible()).isTrue();
    }

    @Test
    @Order(7)
    void undoTakesTheMeasurementBack() {
        window.undo();
        assertThat(window.text(view)).contains("Not measured yet");
    }
}
