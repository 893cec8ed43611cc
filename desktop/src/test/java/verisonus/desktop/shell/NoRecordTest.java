package verisonus.desktop.shell;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.File;
import java.nio.file.Path;
import java.util.List;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.TextField;
import javafx.scene.input.KeyCode;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.testfx.api.FxRobot;
import verisonus.casebook.store.DerivedTone;
import verisonus.casebook.store.Medium;
import verisonus.core.rig.Tone;
import verisonus.demo.DemoCasebook;
import verisonus.desktop.desk.Bench;
import verisonus.desktop.desk.Desk;

/** From one dry file to a tone of one's own, with no record: begun from a sound, moved to a wish, on the sheet. */
class NoRecordTest {
    @TempDir
    private Path dir;
    private FreshWindow window;
    private Desk desk;
    private FxRobot robot;

    @BeforeEach
    void open() throws Exception {
        window = new FreshWindow(dir.resolve("own.casebook"));
        desk = window.desk();
        robot = window.robot();
    }

    @AfterEach
    void close() throws Exception {
        window.close();
    }

    private void fire(String id) {
        Button b = robot.lookup(id).query();
        robot.interact(b::fire);
    }

    private Tone tone() {
        return desk.open().get().orElseThrow().tone().map(DerivedTone::tone).orElseThrow();
    }

    @Test
    void aDryFileBecomesATone() throws Exception {
        List<File> take = DemoCasebook.extract(dir.resolve("parts.casebook"), Medium.Role.DI).stream().map(File::new)
                .limit(1).toList();
        window.copied(take);
        window.press(KeyCode.CONTROL, KeyCode.V);
        window.idle(() -> desk.open().get().isPresent());
        asTake();
        window.press(KeyCode.CONTROL, KeyCode.D);
        window.idle(() -> !robot.lookup(".start-row").queryAll().isEmpty());
        assertThat(desk.bench().get()).isEqualTo(Bench.DERIVE);
        assertThat(robot.lookup(".start-row").queryAll()).as("a neutral chain and the starting tones")
                .hasSizeGreaterThan(20);
        Button third = robot.lookup(".start-row").nth(2).query();
        robot.interact(third::fire);
        window.idle(() -> robot.lookup("#begin").tryQuery().isPresent());
        fire("#begin");
        window.idle(() -> desk.open().get().orElseThrow().tone().isPresent());
        Tone begun = tone();
        assertThat(desk.sounds().get().mine()).as("it is heard").isPresent();
        robot.interact(() -> robot.lookup("#wish-words").<TextField>query().setText("brighter"));
        fire("#grant");
        window.idle(() -> robot.lookup("#wish-back").tryQuery().isPresent());
        assertThat(tone()).isNotEqualTo(begun);
        window.press(KeyCode.DIGIT7);
        window.idle(() -> desk.bench().get() == Bench.SHEET);
        window.press(KeyCode.DIGIT3);
        fire("#wish-back");
        window.idle(() -> tone().equals(begun));
        robot.interact(() -> robot.lookup("#wish-words").<TextField>query().setText("zzz"));
        fire("#grant");
        assertThat(robot.lookup("#wish-said").<Label>query().getText()).contains("not a word known here");
    }

    /** A single file may have been taken for a record; the player says what it is. */
    private void asTake() throws Exception {
        Medium file = desk.open().get().orElseThrow().media().get(0);
        if (file.role() != Medium.Role.DI) robot.interact(() -> desk.changeRole(file, Medium.Role.DI));
        window.idle(() -> desk.sounds().get().di().isPresent());
    }
}
