package verisonus.desktop.derive.chain;

import java.util.Optional;
import javafx.geometry.Insets;
import javafx.geometry.VPos;
import javafx.scene.control.Button;
import javafx.scene.control.ChoiceBox;
import javafx.scene.control.Label;
import javafx.scene.control.Menu;
import javafx.scene.control.MenuButton;
import javafx.scene.control.MenuItem;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.Region;
import verisonus.core.feel.HeldConstant;
import verisonus.core.rig.GearKind;
import verisonus.core.rig.Model;
import verisonus.core.rig.Tone;
import verisonus.desktop.theme.Choices;
import verisonus.desktop.theme.Hint;
import verisonus.desktop.theme.Nodes;

/** Under the chain: what can be put in, what its blocks are worth, what stays while one is turned, and what its marks mean. */
public final class ChainFoot extends FlowPane {
    private final ChainModel model;
    private final Label legend = Nodes.label("◇ mine  ⊢⊣ sounds the same  ┊ before  ● read off", "quiet", "small");

    public ChainFoot(ChainModel model) {
        super(10, 2);
        this.model = model;
        legend.setMinWidth(Region.USE_PREF_SIZE);
        Hint.on(legend, "diamond: mine; bracket: how far it can move before it is heard; dotted: what it was"
                + " before; dot: set from the recording");
        getChildren().addAll(add(), weigh(), keeping(), balance(), legend);
        setRowValignment(VPos.CENTER);
        setPadding(new Insets(2, 8, 4, 18));
    }

    public void showLegend(boolean shown) {
        legend.setVisible(shown);
    }

    private Button weigh() {
        Button out = Nodes.plain("what each adds");
        out.setId("weigh");
        out.getStyleClass().add("small");
        out.setMinWidth(Region.USE_PREF_SIZE);
        Hint.on(out,
                "how much each piece is heard: the tone with and without it, loudness matched; takes some seconds");
        out.setOnAction(_ -> model.weigh());
        return out;
    }

    /** What can be put in, by kind. */
    private MenuButton add() {
        MenuButton out = new MenuButton("Add a piece");
        out.setId("add-block");
        out.setMinWidth(Region.USE_PREF_SIZE);
        out.getStyleClass().addAll("plain", "small");
        Hint.on(out, "what the rig still has");
        out.setOnShowing(_ -> {
            out.getItems().clear();
            String full = model.edits().full();
            if (!full.isEmpty()) {
                MenuItem said = new MenuItem(full);
                said.setDisable(true);
                out.getItems().add(said);
                return;
            }
            for (GearKind kind : GearKind.values()) {
                Menu of = new Menu(kind.word());
                for (Model m : model.edits().available(kind)) {
                    MenuItem item = new MenuItem(m.name());
                    item.setOnAction(_ -> model.edits().add(m));
                    of.getItems().add(item);
                }
                if (!of.getItems().isEmpty()) out.getItems().add(of);
            }
        });
        // Without an item a menu button does not open.
        out.getItems().add(new MenuItem(""));
        return out;
    }

    /** What stays while a control is turned: nothing, the loudness, or the dirt too. */
    private ChoiceBox<HeldConstant> keeping() {
        ChoiceBox<HeldConstant> out = new ChoiceBox<>();
        out.setId("keeping");
        out.getStyleClass().add("small");
        out.setMinWidth(Region.USE_PREF_SIZE);
        out.getItems().setAll(HeldConstant.values());
        out.setConverter(Choices.named(HeldConstant::words, HeldConstant.NOTHING));
        out.setAccessibleText("what stays while a control is turned");
        Hint.on(out, "turn a gain and hear only its character: the level behind the clippers gives way, and"
                + " for the same dirt another gain too");
        out.valueProperty().bindBidirectional(model.keeping());
        return out;
    }

    /** Says what the last exchange did, and hears it the other way. */
    private Button balance() {
        Button out = Nodes.plain("");
        out.setId("balance");
        out.getStyleClass().add("small");
        Hint.on(out, "an exchanged part is brought to the same gain and loudness; F hears it as it comes");
        out.setOnAction(_ -> model.edits().toggleBalance());
        Runnable say = () -> {
            Optional<ChainEdits.Swap> s = model.edits().swap().get();
            Optional<Tone> now = model.session().settings();
            boolean balanced = s.isPresent() && now.filter(s.get().balanced()::equals).isPresent();
            boolean asItComes = s.isPresent() && now.filter(s.get().asItComes()::equals).isPresent();
            out.setText(balanced ? "F  hear it as it comes" : "F  balance it again");
            out.setVisible(balanced || asItComes);
            out.setManaged(out.isVisible());
        };
        model.edits().swap().subscribe(say);
        model.session().desk().open().subscribe(say);
        say.run();
        return out;
    }
}
