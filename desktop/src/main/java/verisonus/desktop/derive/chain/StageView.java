package verisonus.desktop.derive.chain;

import java.util.ArrayList;
import java.util.List;
import javafx.geometry.Pos;
import javafx.geometry.Side;
import javafx.scene.control.Button;
import javafx.scene.control.ContextMenu;
import javafx.scene.control.Label;
import javafx.scene.control.Menu;
import javafx.scene.control.MenuItem;
import javafx.scene.control.SeparatorMenuItem;
import javafx.scene.input.ClipboardContent;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import javafx.scene.input.TransferMode;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import verisonus.core.rig.Block;
import verisonus.core.rig.GearKind;
import verisonus.core.rig.Model;
import verisonus.core.rig.Placement;
import verisonus.core.rig.Tone;
import verisonus.core.rig.Voice;
import verisonus.core.rig.Ways;
import verisonus.core.work.Figures;
import verisonus.core.work.Sentence;
import verisonus.desktop.theme.Hint;
import verisonus.desktop.theme.Nodes;

/**
 * The head of a block in the chain: its stage, pressed to hear without it; its model, pressed for what else can be done. Dragged
 * onto another it moves before that; Alt with the arrows moves it too, Delete takes it out.
 */
public final class StageView extends VBox {
    private static final double HEAD = 24;
    private static final double LINE = 15;
    /** About as many letters go into a line. */
    private static final double LETTERS = 14;

    private final Block block;
    private final String words;
    private final ChainModel model;
    private final ImpulsePicker impulses;

    StageView(Block block, Tone tone, ChainModel model, ImpulsePicker impulses) {
        this.block = block;
        this.model = model;
        this.impulses = impulses;
        Button stage = Nodes.plain(Sentence.begun(block.model().kind().word()));
        stage.setId("stage-" + block.id().replace(' ', '-'));
        stage.getStyleClass().addAll("stage", "strong");
        Hint.on(stage, block.model().about()
                + (block.on() ? "; press to hear without it" : "; press to put it back")
                + "; Alt with up or down moves it, Delete takes it out, or drag it");
        stage.setOnAction(_ -> model.toggleBlock(block));
        stage.setOnKeyPressed(this::key);
        words = words(tone);
        Button name = Nodes.plain(words);
        name.setId("model-" + block.id().replace(' ', '-'));
        name.getStyleClass().addAll("quiet", "small", "model");
        name.setWrapText(true);
        name.setMinHeight(Region.USE_PREF_SIZE);
        Hint.on(name, "press for other models, its place and all its settings");
        name.setOnAction(_ -> menu(tone).show(name, Side.BOTTOM, 0, 0));
        HBox head = new HBox(4, stage);
        stage.setMinWidth(Region.USE_PREF_SIZE);
        head.setAlignment(Pos.BASELINE_LEFT);
        model.contributions().flatMap(c -> c.jnd(block.id())).ifPresent(jnd -> {
            Label heard = Nodes.label(Figures.of("%.1f", jnd), "small", jnd < 1 ? "quiet" : "gap-ink");
            heard.setMinWidth(Region.USE_PREF_SIZE);
            Hint.on(heard, jnd < 1
                    ? "with and without it sound alike: below one just-noticeable difference"
                    : "just-noticeable differences between with and without it, loudness matched");
            head.getChildren().add(heard);
        });
        getChildren().addAll(head, name);
        drag();
    }

    private String words(Tone tone) {
        String off = block.on() ? "" : ", off";
        String way = Ways.of(tone, block.id());
        boolean beside = !way.equals(Ways.MAIN) && !way.equals(Ways.LOOP);
        boolean before = Placement.suits(block) && Placement.of(tone, block.id()) == Placement.BEFORE_AMP;
        String where = way.equals(Ways.LOOP)
                ? ", in the loop"
                : beside ? ", beside" : before ? ", before the amp" : "";
        return block.impulse().map(i -> i.name()).orElse(block.model().name()) + where + off;
    }

    /** Height of the head and of the model's name below it, broken into lines. */
    double neededHeight() {
        return HEAD + LINE * Math.ceil(words.length() / LETTERS);
    }

    private void key(KeyEvent e) {
        if (e.getCode() == KeyCode.DELETE || e.getCode() == KeyCode.BACK_SPACE) {
            model.edits().remove(block);
        } else if (e.isAltDown() && e.getCode() == KeyCode.UP) {
            model.edits().move(block, -1);
        } else if (e.isAltDown() && e.getCode() == KeyCode.DOWN) {
            model.edits().move(block, 1);
        } else {
            return;
        }
        e.consume();
    }

    private void drag() {
        setOnDragDetected(e -> {
            ClipboardContent content = new ClipboardContent();
            content.putString("block:" + block.id());
            startDragAndDrop(TransferMode.MOVE).setContent(content);
            e.consume();
        });
        setOnDragOver(e -> {
            String carried = e.getDragboard().getString();
            if (carried != null && carried.startsWith("block:")) {
                e.acceptTransferModes(TransferMode.MOVE);
                e.consume();
            }
        });
        setOnDragDropped(e -> {
            String carried = e.getDragboard().getString();
            if (carried == null || !carried.startsWith("block:")) return;
            model.edits().moveBefore(carried.substring("block:".length()), block.id());
            e.setDropCompleted(true);
            e.consume();
        });
    }

    private ContextMenu menu(Tone tone) {
        Menu others = new Menu("Exchange for");
        for (Model m : model.session().rig().owned(block.model().kind())) {
            if (m.equals(block.model()) || m.voice() == Voice.Cabinet.IMPULSE_RESPONSE) continue;
            others.getItems().add(item(m.name(), () -> model.edits().exchange(block, m)));
        }
        if (block.model().kind() == GearKind.CABINET) {
            others.getItems().add(item("an impulse response…", () -> impulses.choose(getScene().getWindow(), block)));
        }
        ContextMenu menu = new ContextMenu();
        if (!others.getItems().isEmpty()) menu.getItems().add(others);
        if (Placement.suits(block)) {
            Menu places = new Menu("Where it sits");
            for (Placement p : Placement.values()) {
                MenuItem i = item(p.words(), () -> model.edits().place(block, p));
                i.setDisable(Placement.of(tone, block.id()) == p);
                places.getItems().add(i);
            }
            menu.getItems().add(places);
        }
        menu.getItems().addAll(ways(tone));
        boolean all = model.isWhole(block);
        menu.getItems().addAll(item(all ? "Fewer settings" : "All settings", () -> model.showWhole(block, !all)),
                new SeparatorMenuItem(), item("Earlier", () -> model.edits().move(block, -1)),
                item("Later", () -> model.edits().move(block, 1)),
                item("Take it out", () -> model.edits().remove(block)));
        return menu;
    }

    /** What can be put beside the block, and the ways on which it can stand itself. */
    private List<Menu> ways(Tone tone) {
        ChainEdits chain = model.edits();
        String own = Ways.of(tone, block.id());
        List<Menu> out = new ArrayList<>();
        Menu beside = new Menu("Put beside it");
        GearKind kind = block.model().kind();
        if (own.equals(Ways.MAIN) && chain.full().isEmpty()) {
            for (Model m : chain.available(kind))
                beside.getItems().add(item(m.name(), () -> chain.putBeside(block, m)));
            for (Model m : kind == GearKind.AMP && !chain.ownBox().isEmpty()
                    ? chain.available(kind)
                    : List.<Model>of()) {
                beside.getItems().add(item(m.name() + " with a box and a microphone of its own",
                        () -> chain.putBesideWhole(block, m)));
            }
        }
        if (!beside.getItems().isEmpty()) out.add(beside);
        Menu ways = new Menu("Its way");
        for (String way : Ways.all(tone)) {
            if (way.equals(Ways.LOOP) && kind == GearKind.AMP) continue;
            MenuItem i = item(way, () -> chain.put(block, way));
            i.setDisable(way.equals(own));
            ways.getItems().add(i);
        }
        if (ways.getItems().size() > 1) out.add(ways);
        return out;
    }

    private static MenuItem item(String words, Runnable action) {
        MenuItem out = new MenuItem(words);
        out.setOnAction(_ -> action.run());
        return out;
    }
}
