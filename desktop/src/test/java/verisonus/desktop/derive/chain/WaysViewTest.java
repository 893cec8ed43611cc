package verisonus.desktop.derive.chain;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Path;
import java.util.List;
import javafx.scene.Node;
import javafx.scene.Scene;
import javafx.scene.control.Button;
import javafx.scene.control.CheckBox;
import javafx.scene.control.ChoiceBox;
import javafx.scene.control.TextField;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.testfx.api.FxToolkit;
import org.testfx.util.WaitForAsyncUtils;
import verisonus.core.compare.GapLedger;
import verisonus.core.rig.Block;
import verisonus.core.rig.Branch;
import verisonus.core.rig.Tone;
import verisonus.core.rig.Ways;
import verisonus.desktop.desk.DeskFixture;
import verisonus.desktop.session.CaseSession;

class WaysViewTest {
    @TempDir
    private Path dir;
    private DeskFixture fixture;
    private ChainModel model;
    private WaysView view;

    @BeforeEach
    void open() throws Exception {
        fixture = new DeskFixture(dir);
        Tone line = new Tone("t", List.of(Block.of("chiming edge"), Block.of("2×12 open"),
                Block.of("dynamic microphone")));
        fixture.keepTone(Ways.beside(line, "amp", Block.of("open clean")), new GapLedger(List.of(), 0));
        model = new ChainModel(new CaseSession(fixture.desk()));
        FxToolkit.registerPrimaryStage();
        view = WaitForAsyncUtils.waitForAsyncFx(10_000, () -> {
            WaysView made = new WaysView(model);
            new Scene(made, 640, 200);
            made.show(tone());
            return made;
        });
    }

    @AfterEach
    void close() throws Exception {
        FxToolkit.cleanupStages();
        fixture.close();
    }

    private Tone tone() {
        return model.session().settings().orElseThrow();
    }

    private <T extends Node> T part(String id, Class<T> type) {
        return type.cast(view.lookup("#" + id));
    }

    /** Does something with the view as its own thread would, then lets the change settle. */
    private Branch after(Runnable what) throws Exception {
        FxToolkit.setupFixture(what::run);
        fixture.settle();
        return tone().routing().branches().get(0);
    }

    private Branch typed(String id, String text) throws Exception {
        return after(() -> {
            TextField field = part(id, TextField.class);
            field.setText(text);
            field.getOnAction().handle(null);
        });
    }

    @Test
    void levelPanAndPhaseAreSetFromTheView() throws Exception {
        assertThat(typed("level-amp-2", "−4,5").levelDb()).isEqualTo(-4.5);
        assertThat(typed("pan-amp-2", "-30").pan()).isEqualTo(-30);
        assertThat(after(() -> part("turned-amp-2", CheckBox.class).fire()).turned()).isTrue();
    }

    @Test
    void whatIsNoNumberIsMarkedAndChangesNothing() throws Exception {
        assertThat(typed("level-amp-2", "loud").levelDb()).isZero();
        assertThat(part("level-amp-2", TextField.class).getStyleClass()).contains("warned");
        assertThat(typed("level-amp-2", "400").levelDb()).as("more than there is").isZero();
    }

    @Test
    void aBranchComesBackWhereItIsTold() throws Exception {
        @SuppressWarnings("unchecked")
        ChoiceBox<String> back = part("back-amp-2", ChoiceBox.class);
        assertThat(after(() -> back.setValue(Branch.OUTPUT)).before()).isEqualTo(Branch.OUTPUT);
    }

    @Test
    void aBranchIsTakenAway() throws Exception {
        FxToolkit.setupFixture(() -> part("no-branch-amp-2", Button.class).fire());
        fixture.settle();
        assertThat(tone().routing().branches()).isEmpty();
        assertThat(tone().blocks()).hasSize(3);
    }
}
