package verisonus.desktop.gear;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Path;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.concurrent.atomic.AtomicInteger;
import javafx.event.ActionEvent;
import javafx.scene.control.CheckBox;
import javafx.scene.control.ChoiceBox;
import javafx.scene.control.TextField;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import verisonus.core.rig.DeviceScale;
import verisonus.core.rig.Gear;
import verisonus.core.rig.GearKind;
import verisonus.core.rig.Rig;
import verisonus.desktop.desk.DeskFixture;
import verisonus.desktop.desk.WindowFixture;

/** The gear page as a player uses it. */
class GearViewTest {
    private final AtomicInteger closed = new AtomicInteger();

    @TempDir
    private Path dir;
    private WindowFixture window;
    private GearView view;

    @BeforeEach
    void open() throws Exception {
        window = new WindowFixture(dir, DeskFixture.notes(1, 0.3));
        Map<String, Integer> counts = new LinkedHashMap<>(Map.of("chiming edge", 1, "clean echo", 1));
        window.on(() -> {
            window.book().keepRig(new Rig(List.of("single coils"), counts, Map.of(), 8));
            window.desk().refresh();
            return counts;
        });
        window.settle();
        view = window.show(() -> new GearView(new GearModel(window.desk()), closed::incrementAndGet), 1000, 720);
    }

    @AfterEach
    void close() {
        window.close();
    }

    private void search(String words) {
        window.on(() -> {
            ((TextField) view.lookup("#gear-search")).setText(words);
            return words;
        });
        window.settle();
    }

    private Rig rig() {
        return window.on(() -> window.desk().rig().get());
    }

    @Test
    void onlyWhatIsOwnedIsShown() {
        String text = window.text(view);
        assertThat(text).contains("chiming edge", "clean echo").doesNotContain("tight saturated", "plain hall");
    }

    @Test
    void whatIsSearchedForCanBeAdded() {
        search("saturat");
        assertThat(window.text(view)).contains("tight saturated").doesNotContain("clean echo");
        window.press(view, "add-tight-saturated");
        assertThat(rig().has(Gear.model("tight saturated"))).isTrue();
        search("");
        assertThat(window.text(view)).contains("tight saturated");
    }

    @Test
    void enterTakesTheFirstThatFitsAndIsNotOwned() {
        search("edge");
        window.on(() -> {
            view.lookup("#gear-search").fireEvent(new ActionEvent());
            return true;
        });
        window.settle();
        assertThat(rig().counts().get("chiming edge")).as("owned already").isEqualTo(1);
        search("ribbon");
        window.on(() -> {
            view.lookup("#gear-search").fireEvent(new ActionEvent());
            return true;
        });
        window.settle();
        assertThat(rig().has(Gear.model("ribbon microphone"))).isTrue();
        assertThat(window.on(() -> ((TextField) view.lookup("#gear-search")).getText())).isEmpty();
    }

    @Test
    void whatIsCalledNothingHereSaysSo() {
        search("toaster");
        assertThat(window.text(view)).contains("Nothing is called that here");
    }

    @Test
    void aCountOfNoneGivesItAway() {
        window.on(() -> {
            @SuppressWarnings("unchecked")
            ChoiceBox<Integer> count = (ChoiceBox<Integer>) view.lookup("#count-clean-echo");
            count.setValue(0);
            return count;
        });
        window.settle();
        assertThat(rig().has(Gear.model("clean echo"))).isFalse();
        assertThat(window.text(view)).doesNotContain("clean echo");
    }

    @Test
    void aDevicesScaleIsKept() {
        window.on(() -> {
            ChoiceBox<DeviceScale> scale = scaleBox();
            scale.setValue(DeviceScale.CLOCK);
            return scale;
        });
        window.settle();
        assertThat(rig().scale(Gear.model("chiming edge"))).isEqualTo(DeviceScale.CLOCK);
    }

    @SuppressWarnings("unchecked")
    private ChoiceBox<DeviceScale> scaleBox() {
        return view.lookupAll(".choice-box").stream().map(n -> (ChoiceBox<?>) n)
                .filter(b -> b.getAccessibleText() != null
                        && b.getAccessibleText().startsWith("scale that chiming edge"))
                .map(b -> (ChoiceBox<DeviceScale>) b).findFirst().orElseThrow();
    }

    @Test
    void theLongestChainTakesANumberAndNothingElse() {
        window.type(view, "most-blocks", "6");
        assertThat(rig().mostBlocks()).isEqualTo(6);
        window.type(view, "most-blocks", "many");
        assertThat(rig().mostBlocks()).isEqualTo(6);
        assertThat(window.on(() -> ((TextField) view.lookup("#most-blocks")).getText())).isEqualTo("6");
    }

    @Test
    void neverTwoOfAKindIsKept() {
        window.on(() -> {
            CheckBox amp = view.lookupAll(".check-box").stream().map(n -> (CheckBox) n)
                    .filter(b -> b.getText().equals(GearKind.AMP.word())).findFirst().orElseThrow();
            amp.fire();
            return amp;
        });
        window.settle();
        assertThat(rig().once()).contains(GearKind.AMP);
    }

    @Test
    void aDeviceIsOpenedByItsNameAndClosedAgain() {
        String before = window.text(view);
        window.press(view, "device-chiming-edge");
        assertThat(window.text(view)).contains(before.substring(0, 20)).hasSizeGreaterThan(before.length() + 50);
        window.press(view, "device-chiming-edge");
        assertThat(window.text(view)).isEqualTo(before);
    }

    @Test
    void aControlsOwnScaleIsAskedForTypedAndRefusedWithItsFault() {
        window.on(() -> new GearModel(window.desk()).own(Gear.model("clean echo"), "attic repeats"));
        window.settle();
        window.press(view, "device-attic-repeats");
        assertThat(window.text(view)).contains("feedback", "more controls").doesNotContain("second tap");
        window.press(view, "scale-time");
        typed("dial-time", "0..10; 2 = 150; 5 = 100; 9 = 700");
        assertThat(window.text(view)).contains("contradict");
        assertThat(rig().unit("attic repeats").orElseThrow().dials()).isEmpty();
        typed("dial-time", "0..10/0.5; 2 = 150; 5 = 330; 9 = 700");
        assertThat(rig().unit("attic repeats").orElseThrow().dials()).containsOnlyKeys("time");
        assertThat(window.text(view)).contains("77 ms to 811 ms");
    }

    private void typed(String id, String words) {
        window.on(() -> {
            TextField field = (TextField) view.lookup("#" + id);
            field.setText(words);
            field.getOnAction().handle(null);
            return words;
        });
        window.settle();
    }

    @Test
    void theCautionsAndTheWayOutAreThere() {
        assertThat(window.text(view)).contains("rated load").contains("never by cutting an earth");
        window.press(view, "gear-done");
        assertThat(closed).hasValue(1);
    }
}
