package verisonus.desktop.theme;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.concurrent.Callable;
import java.util.concurrent.TimeoutException;
import javafx.scene.control.Label;
import javafx.scene.control.Tooltip;
import javafx.scene.input.MouseButton;
import javafx.scene.input.MouseEvent;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.testfx.api.FxToolkit;
import org.testfx.util.WaitForAsyncUtils;

/** Words beside what is pointed at. */
class HintTest {
    @BeforeAll
    static void startToolkit() throws TimeoutException {
        FxToolkit.registerPrimaryStage();
    }

    private static <T> T on(Callable<T> what) {
        return WaitForAsyncUtils.waitForAsyncFx(20_000, what);
    }

    private static void point(Label at) {
        at.fireEvent(new MouseEvent(MouseEvent.MOUSE_ENTERED, 1, 1, 1, 1, MouseButton.NONE, 0, false, false, false,
                false, false, false, false, false, false, false, null));
    }

    /** What the toolkit shows of a node; null before it was pointed at. */
    private static Object installed(Label l) {
        return l.getProperties().values().stream().filter(Tooltip.class::isInstance).findFirst().orElse(null);
    }

    @Test
    void isMadeWhenItsPlaceIsFirstPointedAt() {
        Label l = on(() -> {
            Label made = new Label("gain");
            Hint.on(made, "how dirty it gets");
            return made;
        });
        assertThat(installed(l)).isNull();
        on(() -> {
            point(l);
            return null;
        });
        assertThat(installed(l)).isInstanceOfSatisfying(Tooltip.class,
                t -> assertThat(t.getText()).isEqualTo("how dirty it gets"));
    }

    @Test
    void saysTheLastWordItWasGiven() {
        Label l = on(() -> {
            Label made = new Label("gain");
            Hint.on(made, "first");
            point(made);
            Hint.on(made, "second");
            point(made);
            return made;
        });
        assertThat(installed(l)).isInstanceOfSatisfying(Tooltip.class,
                t -> assertThat(t.getText()).isEqualTo("second"));
        assertThat(l.getProperties().values().stream().filter(Tooltip.class::isInstance)).hasSize(1);
    }

    @Test
    void isToldToWhoCannotPoint() {
        Label l = on(() -> {
            Label made = new Label("gain");
            Hint.on(made, "how dirty it gets");
            return made;
        });
        assertThat(l.getAccessibleHelp()).isEqualTo("how dirty it gets");
        assertThat(Hint.of(l)).contains("how dirty it gets");
        assertThat(Hint.of(on(() -> new Label("bare")))).isEmpty();
    }
}
