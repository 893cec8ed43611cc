package verisonus.desktop.trial;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Path;
import java.time.Clock;
import java.util.List;
import java.util.SplittableRandom;
import javafx.scene.control.ToggleButton;
import javafx.scene.input.KeyCode;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.MethodOrderer;
import org.junit.jupiter.api.Order;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.TestMethodOrder;
import org.junit.jupiter.api.io.TempDir;
import verisonus.core.compare.GapLedger;
import verisonus.core.rig.Block;
import verisonus.core.rig.Tone;
import verisonus.desktop.desk.Bench;
import verisonus.desktop.desk.DeskFixture;
import verisonus.desktop.desk.WindowFixture;
import verisonus.desktop.theme.Theme;

/** The trial bench: listening by letters first, the other questions each in their place. */
@TestMethodOrder(MethodOrderer.OrderAnnotation.class)
class TrialViewTest {
    @TempDir
    private static Path dir;
    private static WindowFixture window;
    private static TrialView view;

    @BeforeAll
    static void open() throws Exception {
        window = new WindowFixture(dir, DeskFixture.notes(3, 0.4), DeskFixture.notes(3, 0.4));
        window.on(() -> {
            window.desk().bench().set(Bench.TRIAL);
            return true;
        });
        view = window.show(() -> new TrialView(window.desk(), new Theme(), new SplittableRandom(5), Clock.systemUTC()),
                1200, 720);
    }

    @AfterAll
    static void close() {
        window.on(() -> {
            window.desk().player().stop();
            return true;
        });
        window.close();
    }

    private static boolean key(KeyCode code) {
        boolean taken = window.on(() -> view.key(code));
        window.settle();
        return taken;
    }

    @Test
    @Order(1)
    void withoutASoundOfMineTheWayToOneIsAButton() {
        assertThat(window.on(() -> view.lookup("#trial-derive").isVisible())).isTrue();
        assertThat(key(KeyCode.A)).isFalse();
    }

    @Test
    @Order(2)
    void aLetterLaysEverythingSideBySideAndIsHeard() {
        window.keepTone(new Tone("t", List.of(Block.of("open clean"), Block.of("2×12 open"),
                Block.of("dynamic microphone"))), new GapLedger(List.of(), 0));
        assertThat(window.text(view)).contains("the record", "mine", "the dry take", "bring a recording")
                .doesNotContain("Begin");
        assertThat(key(KeyCode.A)).isTrue();
        assertThat(window.on(() -> ((ToggleButton) view.lookup("#hear-open-1")).isSelected())).isTrue();
        assertThat(window.text(view)).contains("where mine differs, over the phrase");
        assertThat(key(KeyCode.R)).isTrue();
        assertThat(window.on(() -> ((ToggleButton) view.lookup("#hear-open-0")).isSelected())).isTrue();
        assertThat(key(KeyCode.B)).isTrue();
        assertThat(window.text(view)).contains("where the dry take differs", "alike");
        assertThat(key(KeyCode.K)).isTrue();
        assertThat(window.text(view)).contains("no part of the sound differs by a step there");
        assertThat(key(KeyCode.H)).isFalse();
    }

    @Test
    @Order(3)
    void everyOtherQuestionStandsInAPlaceOfItsOwn() {
        window.press(view, "place-blind");
        assertThat(window.text(view)).contains("Begin").doesNotContain("One who guesses");
        window.press(view, "how-sure");
        assertThat(window.text(view)).contains("One who guesses");
        window.press(view, "place-rate");
        assertThat(window.text(view)).contains("Which comes nearest?", "the dry take");
        window.press(view, "place-mix");
        assertThat(window.text(view)).contains("Who hides whom?");
        window.press(view, "place-rig");
        assertThat(window.text(view)).contains("Step 1 of");
        window.press(view, "place-ears");
        assertThat(window.text(view)).contains("What is my step for it?");
        assertThat(key(KeyCode.A)).as("letters belong to listening").isFalse();
    }

    @Test
    @Order(4)
    void fromListeningToTheSameWithoutNamesIsOnePress() {
        window.press(view, "place-listen");
        key(KeyCode.A);
        window.press(view, "ask-blind");
        assertThat(window.on(() -> window.desk().player().blind().get())).isTrue();
        assertThat(window.text(view)).contains("1 of 12", "X is the record (Y)").doesNotContain("the dry take");
        assertThat(window.on(() -> view.lookup("#place-listen").isVisible() && view.lookup("#place-listen").getParent()
                .isVisible())).isFalse();
        window.press(view, "give-up-trial");
        assertThat(window.text(view)).contains("Begin");
    }

    @Test
    @Order(5)
    void anotherCaseBeginsWithListeningAndWithItsOwnSounds() {
        window.press(view, "place-rate");
        window.on(() -> window.desk().addCase("Another"));
        window.settle();
        window.on(() -> {
            window.desk().openCase(window.book().cases().getFirst());
            return true;
        });
        window.settle();
        assertThat(window.text(view)).contains("press a letter while it plays").doesNotContain("where mine differs");
    }
}
