package verisonus.desktop.derive.chain;

import java.util.ArrayList;
import java.util.List;
import java.util.function.DoubleConsumer;
import java.util.stream.Collectors;
import javafx.geometry.Pos;
import javafx.scene.control.Button;
import javafx.scene.control.CheckBox;
import javafx.scene.control.ChoiceBox;
import javafx.scene.control.TextField;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.VBox;
import verisonus.core.rig.Block;
import verisonus.core.rig.Branch;
import verisonus.core.rig.Tone;
import verisonus.core.work.Figures;
import verisonus.desktop.theme.Choices;
import verisonus.desktop.theme.Hint;
import verisonus.desktop.theme.Nodes;

/** The branches of a tone under its chain: what stands on each, where it leaves and comes back, how loud it is. */
public final class WaysView extends VBox {
    private final ChainModel model;

    public WaysView(ChainModel model) {
        super(6);
        this.model = model;
    }

    public void show(Tone tone) {
        getChildren().clear();
        if (tone.routing().branches().isEmpty()) return;
        getChildren().add(Nodes.label("Beside the main way", "strong"));
        for (Branch b : tone.routing().branches()) getChildren().addAll(branch(b, tone));
    }

    private VBox branch(Branch b, Tone tone) {
        String path = b.blocks().stream().flatMap(id -> tone.find(id).stream()).map(Block::model).map(m -> m.name())
                .collect(Collectors.joining(", then "));
        Button away = Nodes.plain("take it away");
        away.setId("no-branch-" + id(b));
        away.getStyleClass().add("small");
        away.setOnAction(_ -> model.edits().removeBranch(b.name()));
        HBox head = new HBox(8, Nodes.label(b.name(), "strong"), Nodes.label(path, "quiet", "small"), away);
        head.setAlignment(Pos.BASELINE_LEFT);
        List<String> main = new ArrayList<>(tone.main().stream().map(Block::id).toList());
        main.add(0, Branch.INPUT);
        ChoiceBox<String> leaves = place("leaves-" + id(b), main, b.after(), b.name() + " leaves behind",
                to -> b.between(to, b.before()), b);
        List<String> ends = new ArrayList<>(tone.main().stream().map(Block::id).toList());
        ends.add(Branch.OUTPUT);
        ChoiceBox<String> back = place("back-" + id(b), ends, b.before(), b.name() + " comes back before",
                to -> b.between(b.after(), to), b);
        CheckBox turned = new CheckBox("phase turned");
        turned.setId("turned-" + id(b));
        turned.setSelected(b.turned());
        Hint.on(turned, "where two ways cancel each other in the lows, turning one brings them back");
        turned.setOnAction(_ -> model.edits().branch(b.name(), w -> w.mixed(w.levelDb(), w.pan(), turned.isSelected()),
                turned.isSelected() ? "phase turned" : "phase as it was"));
        FlowPane line = new FlowPane(8, 4, Nodes.label("leaves behind", "quiet", "small"), leaves,
                Nodes.label("comes back before", "quiet", "small"), back,
                number(b, "level", "dB", b.levelDb(), v -> model.edits().branch(b.name(),
                        w -> w.mixed(v, w.pan(), w.turned()), Figures.of("to %+.1f dB", v))),
                number(b, "pan", "% (− left, + right)", b.pan(), v -> model.edits().branch(b.name(),
                        w -> w.mixed(w.levelDb(), v, w.turned()), Figures.of("pan %+.0f %%", v))),
                turned);
        return Nodes.column(3, head, line);
    }

    private static String id(Branch b) {
        return b.name().replace(' ', '-');
    }

    private interface Moved {
        Branch to(String place);
    }

    private ChoiceBox<String> place(String id, List<String> places, String now, String accessible, Moved moved,
            Branch b) {
        ChoiceBox<String> out = new ChoiceBox<>();
        out.getItems().setAll(places);
        out.setConverter(Choices.named(p -> p.equals(Branch.INPUT)
                ? "the input"
                : p.equals(Branch.OUTPUT) ? "the output" : p, now));
        out.setValue(now);
        out.setId(id);
        out.setAccessibleText(accessible);
        out.setOnAction(_ -> {
            Branch to = moved.to(out.getValue());
            model.edits().branch(b.name(), w -> w.between(to.after(), to.before()), "between other places");
        });
        return out;
    }

    private static HBox number(Branch b, String what, String unit, double value, DoubleConsumer take) {
        TextField field = Nodes.field(Figures.read(what.equals("pan") ? "%.0f" : "%.1f", value),
                what + " of " + b.name());
        field.setId(what + "-" + id(b));
        field.setPrefColumnCount(4);
        field.setOnAction(_ -> {
            try {
                take.accept(Double.parseDouble(field.getText().strip().replace(',', '.').replace('−', '-')));
            } catch (NumberFormatException e) {
                field.getStyleClass().add("warned");
            }
        });
        HBox out = new HBox(4, Nodes.label(what, "quiet", "small"), field, Nodes.label(unit, "quiet", "small"));
        out.setAlignment(Pos.CENTER_LEFT);
        return out;
    }
}
