package verisonus.desktop.theme;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
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

    /** What the toolkit shows of a node; nothing before it was pointed at. */
    private static List<Tooltip> installed(Label l) {
        return l.getProperties().values().stream().filter(Tooltip.class::isInstance).map(Tooltip.class::cast).toList();
    }

    @Test
    void isMadeWhenItsPlaceIsFirstPointedAt() {
        Label l = on(() -> {
            Label made = new Label("gain");
            Hint.on(made, "how dirty it gets");
            return made;
        });
        assertThat(installed(l)).isEmpty();
        on(() -> {
            point(l);
            return l;
        });
        assertThat(installed(l)).extracting(Tooltip::getText).containsExactly("how dirty it gets");
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
        assertThat(installed(l)).extracting(Tooltip::getText).containsExactly("second");
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
