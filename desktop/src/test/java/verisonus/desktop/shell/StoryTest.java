package verisonus.desktop.shell;

import static org.assertj.core.api.Assertions.assertThat;
import static org.junit.jupiter.api.DynamicTest.dynamicTest;

import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.function.BooleanSupplier;
import javafx.application.Platform;
import javafx.geometry.Bounds;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.ChoiceBox;
import javafx.scene.control.Label;
import javafx.scene.control.MenuButton;
import javafx.scene.control.TextField;
import javafx.scene.control.ToggleButton;
import javafx.scene.input.KeyCode;
import javafx.stage.Stage;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.DynamicTest;
import org.junit.jupiter.api.TestFactory;
import org.junit.jupiter.api.TestInstance;
import org.junit.jupiter.api.io.TempDir;
import org.testfx.api.FxRobot;
import org.testfx.api.FxToolkit;
import org.testfx.util.WaitForAsyncUtils;
import verisonus.casebook.store.Casebook;
import verisonus.casebook.store.DerivedTone;
import verisonus.casebook.store.Region;
import verisonus.core.evidence.study.Isolation;
import verisonus.core.work.OutputFault;
import verisonus.demo.DemoCasebook;
import verisonus.desktop.desk.Bench;
import verisonus.desktop.desk.Desk;
import verisonus.desktop.desk.OpenCase;
import verisonus.desktop.player.Source;

/** One story through the real window: from opening the demo to the sheet in the hand. */
@TestInstance(TestInstance.Lifecycle.PER_CLASS)
class StoryTest {
    private static final long LONGEST_S = 180;

    private Path dir;
    private final FxRobot robot = new FxRobot();
    private Window window;
    private Desk desk;

    @BeforeAll
    void openTheDemo(@TempDir Path folder) throws Exception {
        dir = folder;
        Path book = dir.resolve(DemoCasebook.FILE_NAME);
        DemoCasebook.writeTo(book);
        Stage stage = FxToolkit.registerPrimaryStage();
        Window opened = WaitForAsyncUtils.waitForAsyncFx(60_000, () -> {
            Window w = new Window(Casebook.open(book));
            stage.setScene(w.scene());
            stage.show();
            return w;
        });
        window = opened;
        desk = opened.desk();
        waitFor(() -> !opened.desk().work().busy().get());
    }

    @AfterAll
    void close() throws Exception {
        FxToolkit.setupFixture(() -> window.close());
        FxToolkit.cleanupStages();
    }

    /** Twice in a row: what ends may begin the next. */
    private static void waitFor(BooleanSupplier done) throws Exception {
        AtomicInteger times = new AtomicInteger();
        WaitForAsyncUtils.waitFor(LONGEST_S, TimeUnit.SECONDS,
                () -> (onWindow(done) ? times.incrementAndGet() : times.getAndSet(0)) >= 2);
        WaitForAsyncUtils.waitForFxEvents();
    }

    private static boolean onWindow(BooleanSupplier what) {
        return WaitForAsyncUtils.waitForAsyncFx(30_000, what::getAsBoolean);
    }

    private OpenCase open() {
        return desk.open().get().orElseThrow();
    }

    private <T extends Node> T find(String id) {
        return robot.lookup(id).<T>query();
    }

    /** One step after the other, as a player goes; each needs what the ones before it left. */
    @TestFactory
    List<DynamicTest> fromTheDemoToTheSheet() {
        return List.of(
                dynamicTest("the demo opens on its derived case", this::theDemoOpensOnItsDerivedCase),
                dynamicTest("the echo is seen on the measure bench", this::theEchoIsSeenOnTheMeasureBench),
                dynamicTest("findings are judged and looked at from other sides",
                        this::findingsAreJudgedAndLookedAtFromOtherSides),
                dynamicTest("a region is marked by dragging and moved by typing",
                        this::aRegionIsMarkedByDraggingAndMovedByTyping),
                dynamicTest("deriving makes a tone and the gap appears", this::derivingMakesAToneAndTheGapAppears),
                dynamicTest("turning a control the wrong way widens the gap and undo takes it back",
                        this::turningAControlTheWrongWayWidensTheGapAndUndoTakesItBack),
                dynamicTest("a locked control keeps its value when derived again",
                        this::aLockedControlKeepsItsValueWhenDerivedAgain),
                dynamicTest("the next move is shown by key and the feel is felt out",
                        this::theNextMoveIsShownByKeyAndTheFeelIsFeltOut),
                dynamicTest("playing goes on when the source is switched", this::playingGoesOnWhenTheSourceIsSwitched),
                dynamicTest("a choice of the chain is set and taken back", this::aChoiceOfTheChainIsSetAndTakenBack),
                dynamicTest("the sheet is shown and exported", this::theSheetIsShownAndExported),
                dynamicTest("everything is found by name", this::everythingIsFoundByName),
                dynamicTest("enter presses the button under focus", this::enterPressesTheButtonUnderFocus),
                dynamicTest("what is on other benches is found and what is nowhere is said",
                        this::whatIsOnOtherBenchesIsFoundAndWhatIsNowhereIsSaid),
                dynamicTest("gear is searched for added and left to the bench one came from",
                        this::gearIsSearchedForAddedAndLeftToTheBenchOneCameFrom),
                dynamicTest("an empty case offers the next step on every bench that needs a recording",
                        this::anEmptyCaseOffersTheNextStepOnEveryBenchThatNeedsARecording),
                dynamicTest("a tone is taken to the car heard there and turned for it",
                        this::aToneIsTakenToTheCarHeardThereAndTurnedForIt),
                dynamicTest("a blind trial is taken by keys and left for later",
                        this::aBlindTrialIsTakenByKeysAndLeftForLater),
                dynamicTest("what goes wrong under a key is said and the window goes on",
                        this::whatGoesWrongUnderAKeyIsSaidAndTheWindowGoesOn));
    }

    private void theDemoOpensOnItsDerivedCase() {
        assertThat(this.<Label>find("#case-title").getText()).isEqualTo("Glass Harbour");
        assertThat(desk.cases()).hasSize(5);
        assertThat(desk.cases().get(0).gapJnd()).isPresent();
        assertThat(desk.cases().stream().filter(c -> c.gapJnd().isEmpty())).hasSize(1)
                .allSatisfy(c -> assertThat(c.entry().name()).isEqualTo("Salt and Static"));
    }

    private void theEchoIsSeenOnTheMeasureBench() throws Exception {
        robot.clickOn("#bench-measure");
        robot.clickOn("#measure");
        waitFor(() -> !desk.work().busy().get());
        Node echo = find("#finding-echo");
        assertThat(echo.getAccessibleText()).contains("285.7 ms").contains("2 repeats");
    }

    private void findingsAreJudgedAndLookedAtFromOtherSides() throws Exception {
        robot.clickOn("#bench-measure");
        robot.clickOn("#finding-echo");
        robot.clickOn("#accept");
        waitFor(() -> open().verdicts().size() == 1);
        TextField figure = find("#right-figure");
        robot.interact(() -> figure.setText("286"));
        robot.clickOn(figure).type(KeyCode.ENTER);
        waitFor(() -> open().verdicts().get(0).figure().isPresent());
        robot.clickOn("#spectrogram");
        waitFor(() -> !desk.work().busy().get());
        robot.clickOn("#place-claims");
        robot.clickOn("#claim-note");
        waitFor(() -> open().claims().size() == 1);
        for (String lens : new String[]{"#place-beside", "#place-words", "#place-signature", "#place-findings"}) {
            robot.clickOn(lens);
            WaitForAsyncUtils.waitForFxEvents();
        }
        assertThat(find("#finding-echo").isVisible()).isTrue();
    }

    private void aRegionIsMarkedByDraggingAndMovedByTyping() throws Exception {
        robot.clickOn("#case-salt-and-static");
        waitFor(() -> !desk.work().busy().get());
        robot.clickOn("#bench-listen");
        waitFor(() -> robot.lookup("#ribbons").tryQuery().isPresent());
        int before = open().regions().size();
        Bounds b = onScreen("#ribbons");
        double y = b.getMinY() + b.getHeight() / 2;
        double from = b.getMinX() + 96 + 0.02 * (b.getWidth() - 104);
        double to = b.getMinX() + 96 + 0.27 * (b.getWidth() - 104);
        robot.drag(from, y).moveTo(to, y).drop();
        waitFor(() -> open().regions().size() == before + 1);
        Region marked = open().region().orElseThrow();
        assertThat(marked.lengthS()).isBetween(3.0, 6.0);
        Node ribbons = find("#ribbons");
        robot.interact(ribbons::requestFocus);
        robot.type(KeyCode.ADD).type(KeyCode.RIGHT).type(KeyCode.HOME).type(KeyCode.I);
        waitFor(() -> !desk.work().busy().get() && desk.isolation().get() != Isolation.WHOLE);

        TextField field = find("#region-to");
        robot.interact(() -> field.setText("4.60"));
        robot.clickOn(field).type(KeyCode.ENTER);
        waitFor(() -> open().region().orElseThrow().toS() == 4.6);
    }

    private Bounds onScreen(String id) {
        Node n = find(id);
        return n.localToScreen(n.getBoundsInLocal());
    }

    private void derivingMakesAToneAndTheGapAppears() throws Exception {
        assertThat(open().tone()).isEmpty();
        robot.clickOn("#bench-derive");
        robot.interact(() -> quick());
        robot.clickOn("#derive");
        waitFor(() -> !desk.work().busy().get() && open().tone().isPresent());
        DerivedTone t = open().tone().orElseThrow();
        assertThat(t.tone().find("amp")).isPresent();
        assertThat(t.gap().spectrumRmsDb().orElseThrow()).isLessThan(4);
        assertThat(desk.cases().get(2).gapJnd()).isPresent();
        assertThat(desk.sounds().get().mine()).isPresent();
    }

    @SuppressWarnings("unchecked")
    private void quick() {
        var box = (javafx.scene.control.ChoiceBox<Object>) (Node) find("#effort");
        box.setValue(box.getItems().get(0));
    }

    private void turningAControlTheWrongWayWidensTheGapAndUndoTakesItBack() throws Exception {
        DerivedTone before = open().tone().orElseThrow();
        turnTheTrebleAway();
        double now = open().tone().orElseThrow().gap().spectrumRmsDb().orElseThrow();
        assertThat(now).isGreaterThan(before.gap().spectrumRmsDb().orElseThrow());
        while (!open().tone().orElseThrow().tone().equals(before.tone())) {
            robot.press(KeyCode.CONTROL).type(KeyCode.Z).release(KeyCode.CONTROL);
            waitFor(() -> !desk.work().busy().get());
        }
        assertThat(open().tone().orElseThrow().gap()).isEqualTo(before.gap());
    }

    private void turnTheTrebleAway() throws Exception {
        DerivedTone before = open().tone().orElseThrow();
        Node scale = find("#scale-amp-treble");
        javafx.geometry.Bounds at = scale.localToScreen(scale.getBoundsInLocal());
        // One drag to the least is measured once.
        robot.drag(scale).dropTo(at.getMinX() + 9, at.getCenterY());
        waitFor(() -> !desk.work().busy().get() && !open().tone().orElseThrow().tone().equals(before.tone()));
    }

    private void aLockedControlKeepsItsValueWhenDerivedAgain() throws Exception {
        double gain = open().tone().orElseThrow().tone().find("amp").orElseThrow().get("gain");
        robot.clickOn("#lock-amp-gain");
        waitFor(() -> open().tone().orElseThrow().locked().holds("amp", "gain"));
        robot.clickOn("#derive");
        waitFor(() -> !desk.work().busy().get() && open().tone().orElseThrow().earlier().isPresent());
        assertThat(open().tone().orElseThrow().tone().find("amp").orElseThrow().get("gain")).isEqualTo(gain);
        assertThat(open().tone().orElseThrow().locked().holds("amp", "gain")).isTrue();
    }

    private void theNextMoveIsShownByKeyAndTheFeelIsFeltOut() throws Exception {
        turnTheTrebleAway();
        robot.interact(() -> window.scene().getRoot().requestFocus());
        robot.type(KeyCode.G);
        waitFor(() -> !desk.work().busy().get() && window.scene().lookup("#show-1") != null);
        DerivedTone before = open().tone().orElseThrow();
        robot.clickOn("#show-1");
        waitFor(() -> !desk.work().busy().get() && window.scene().lookup("#move-said") != null);
        String said = ((javafx.scene.control.Label) find("#move-said")).getText();
        assertThat(said).containsAnyOf("measured", "taken back");
        if (said.contains("taken back")) assertThat(open().tone().orElseThrow().tone()).isEqualTo(before.tone());
        robot.clickOn("#ask-more").clickOn("#ask-feel").clickOn("#ask-fingers");
        waitFor(() -> !desk.work().busy().get() && robot.lookup("Where the dirt is made").tryQuery().isPresent());
        robot.clickOn("#ask-gap");
    }

    private void playingGoesOnWhenTheSourceIsSwitched() throws Exception {
        robot.clickOn("#play");
        waitFor(() -> desk.player().playing().get());
        double start = desk.player().positionS().get();
        waitFor(() -> desk.player().positionS().get() > start + 0.2);
        robot.clickOn("#source-mine");
        assertThat(desk.player().source().get()).isEqualTo(Source.MINE);
        double there = desk.player().positionS().get();
        waitFor(() -> desk.player().positionS().get() > there);
        assertThat(desk.player().playing().get()).isTrue();
        robot.type(KeyCode.R);
        assertThat(desk.player().source().get()).isEqualTo(Source.REFERENCE);
        robot.type(KeyCode.SPACE);
        waitFor(() -> {
            desk.player().tick();
            return !desk.player().playing().get();
        });
    }

    private void theSheetIsShownAndExported() throws Exception {
        robot.type(KeyCode.DIGIT7);
        waitFor(() -> desk.bench().get() == Bench.SHEET && !desk.work().busy().get());
        Path out = dir.resolve("sheet.md");
        verisonus.desktop.sheet.SheetModel model = WaitForAsyncUtils
                .waitForAsyncFx(30_000, () -> new verisonus.desktop.sheet.SheetModel(desk));
        waitFor(() -> model.sheet().get().isPresent());
        Platform.runLater(() -> model.export(out));
        waitFor(() -> Files.exists(out));
        assertThat(Files.readString(out)).contains("Salt and Static").contains("locked by you");
    }

    private void enterPressesTheButtonUnderFocus() throws Exception {
        Node listen = find("#bench-listen");
        robot.interact(listen::requestFocus);
        robot.type(KeyCode.ENTER);
        waitFor(() -> desk.bench().get() == Bench.LISTEN);
        assertThat(desk.player().playing().get()).isFalse();
    }

    private void everythingIsFoundByName() throws Exception {
        robot.press(KeyCode.CONTROL).type(KeyCode.K).release(KeyCode.CONTROL);
        waitFor(() -> find("#finder").isVisible());
        robot.write("night").type(KeyCode.ENTER);
        waitFor(() -> window.theme().isNight());
        assertThat(this.<Node>find("#finder").isVisible()).isFalse();
    }

    private void whatIsOnOtherBenchesIsFoundAndWhatIsNowhereIsSaid() throws Exception {
        robot.press(KeyCode.CONTROL).type(KeyCode.K).release(KeyCode.CONTROL);
        waitFor(() -> find("#finder").isVisible());
        robot.write("xyzzy");
        waitFor(() -> robot.lookup("#finder .label").queryAllAs(Label.class).stream()
                .anyMatch(l -> l.getText().contains("Nothing here is called")));
        TextField field = robot.lookup("#finder .text-field").queryAs(TextField.class);
        robot.interact(field::clear);
        robot.write("import");
        waitFor(() -> robot.lookup("Add recordings").tryQuery().isPresent());
        robot.interact(field::clear);
        robot.write("export html").type(KeyCode.ESCAPE);
        waitFor(() -> !find("#finder").isVisible());
    }

    private void aChoiceOfTheChainIsSetAndTakenBack() throws Exception {
        robot.clickOn("#bench-derive");
        waitFor(() -> robot.lookup("#scale-amp-gain").tryQuery().isPresent());
        javafx.scene.control.MenuButton add = find("#add-block");
        robot.interact(() -> {
            add.getOnShowing().handle(null);
            add.getItems().stream().flatMap(m -> ((javafx.scene.control.Menu) m).getItems().stream())
                    .filter(i -> i.getText().equals("clean echo")).findFirst().orElseThrow().fire();
        });
        // One that was put in by hand shows all its settings.
        waitFor(() -> !desk.work().busy().get() && robot.lookup(StoryTest::isChoiceOfAnEcho).tryQuery().isPresent());
        ChoiceBox<String> choice = robot.lookup(StoryTest::isChoiceOfAnEcho).query();
        DerivedTone before = open().tone().orElseThrow();
        robot.interact(() -> choice.getSelectionModel().select(
                choice.getSelectionModel().getSelectedIndex() == 0 ? 1 : 0));
        waitFor(() -> !desk.work().busy().get() && !open().tone().orElseThrow().tone().equals(before.tone()));
        robot.press(KeyCode.CONTROL).type(KeyCode.Z).release(KeyCode.CONTROL);
        waitFor(() -> !desk.work().busy().get() && open().tone().orElseThrow().tone().equals(before.tone()));
    }

    private static boolean isChoiceOfAnEcho(Node n) {
        return n instanceof ChoiceBox && String.valueOf(n.getId()).startsWith("choice-echo");
    }

    private void anEmptyCaseOffersTheNextStepOnEveryBenchThatNeedsARecording() throws Exception {
        robot.interact(() -> desk.addCase("Empty"));
        waitFor(() -> !desk.work().busy().get() && open().media().isEmpty());
        robot.clickOn("#bench-derive");
        waitFor(() -> find("#next-step").isVisible());
        assertThat(this.<Button>find("#next-step").getText()).contains("Choose recordings");
        robot.clickOn("#bench-listen");
        waitFor(() -> robot.lookup("#choose-recordings").tryQuery().filter(Node::isVisible).isPresent());
    }

    private void gearIsSearchedForAddedAndLeftToTheBenchOneCameFrom() throws Exception {
        verisonus.core.rig.Model optical = verisonus.core.rig.Gear.model("slow optical compressor");
        assertThat(desk.book().rig().has(optical)).isFalse();
        robot.clickOn("#bench-derive").clickOn("#my-gear");
        waitFor(() -> robot.lookup("#gear-search").tryQuery().isPresent());
        assertThat(robot.lookup("#count-slow-optical-compressor").tryQuery()).isEmpty();
        robot.clickOn("#gear-search").write("optical comp");
        waitFor(() -> robot.lookup("#add-slow-optical-compressor").tryQuery().isPresent());
        robot.type(KeyCode.ENTER);
        waitFor(() -> desk.book().rig().has(optical)
                && robot.lookup("#count-slow-optical-compressor").tryQuery().isPresent());
        robot.clickOn("#bench-derive");
        waitFor(() -> robot.lookup("#gear-search").tryQuery().isEmpty());
        assertThat(desk.bench().get()).isEqualTo(Bench.DERIVE);
    }

    private void aToneIsTakenToTheCarHeardThereAndTurnedForIt() throws Exception {
        onWindow(() -> {
            desk.openCase(desk.cases().get(0).entry());
            return true;
        });
        waitFor(() -> !desk.work().busy().get());
        robot.clickOn("#bench-travel");
        waitFor(() -> !robot.lookup("#system-car").queryAll().isEmpty());
        robot.clickOn("#system-car");
        assertThat(this.<TextField>find("#travel-note").getText()).contains("boomy");
        onWindow(() -> {
            this.<ToggleButton>find("#hear-there").fire();
            return true;
        });
        waitFor(() -> !desk.work().busy().get());
        assertThat(desk.heardOn().get().orElseThrow().system().id()).isEqualTo("car");
        assertThat(this.<MenuButton>find("#heard-through").getText()).isEqualTo("on: car");
        onWindow(() -> {
            this.<ToggleButton>find("#hear-there").fire();
            return true;
        });
        waitFor(() -> desk.heardOn().get().isEmpty() && !desk.work().busy().get());
    }

    private void aBlindTrialIsTakenByKeysAndLeftForLater() throws Exception {
        robot.clickOn("#bench-trial");
        robot.clickOn("#place-blind");
        robot.clickOn("#begin-trial");
        waitFor(() -> desk.player().blind().get());
        assertThat(this.<ToggleButton>find("#source-reference").isDisabled()).isTrue();
        robot.push(KeyCode.A);
        waitFor(() -> desk.player().source().get() == Source.FIRST);
        robot.push(KeyCode.X);
        waitFor(() -> desk.player().source().get() == Source.X);
        robot.push(KeyCode.Y);
        waitFor(() -> desk.book().trials().underWay(open().entry().id()).filter(t -> t.trial().of() == 1).isPresent());
        robot.clickOn("#pause-trial");
        waitFor(() -> !desk.player().blind().get());
        assertThat(robot.lookup("#give-up-trial").queryAll()).isNotEmpty();
        robot.clickOn("#give-up-trial");
        waitFor(() -> desk.book().trials().underWay(open().entry().id()).isEmpty());
    }

    private void whatGoesWrongUnderAKeyIsSaidAndTheWindowGoesOn() throws Exception {
        Platform.runLater(() -> {
            throw new OutputFault("here", "it is full", "make room");
        });
        waitFor(() -> desk.work().fault().get().equals("here: it is full; make room"));
        Platform.runLater(() -> {
            throw new IllegalStateException("odd");
        });
        waitFor(() -> desk.work().fault().get().contains("a fault of this program"));
        onWindow(() -> {
            desk.work().dismissFault();
            return true;
        });
        assertThat(open().entry().name()).isNotEmpty();
    }
}
