package verisonus.desktop.listen;

import java.util.List;
import java.util.Locale;
import java.util.Optional;
import javafx.geometry.Insets;
import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.ChoiceBox;
import javafx.scene.control.Label;
import javafx.scene.control.TextField;
import javafx.scene.control.Tooltip;
import javafx.scene.layout.BorderPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import javafx.util.StringConverter;
import verisonus.casebook.store.Medium;
import verisonus.casebook.store.Region;
import verisonus.desktop.desk.OpenCase;
import verisonus.desktop.theme.AxisTicks;
import verisonus.desktop.theme.Nodes;
import verisonus.desktop.theme.Theme;

/** The listen bench: ribbons, the regions as typed times, the recordings of the case. */
public final class ListenView extends BorderPane {
    private final ListenModel model;
    private final VBox regions = new VBox(4);
    private final VBox recordings = new VBox(6);
    private final Label question = Nodes.label("Where does the guitar stand alone?", "heading");
    private final Label hint = Nodes.label("", "quiet", "small");
    private final VBox empty;
    private final RibbonView ribbons;

    public ListenView(ListenModel model, Theme theme) {
        this.model = model;
        getStyleClass().add("listen");
        ribbons = new RibbonView(model, theme);
        ribbons.setId("ribbons");
        ribbons.setMinHeight(200);
        empty = Nodes.column(10, Nodes.label("Nothing to listen to yet.", "heading"),
                Nodes.label(
                        "Drop a recording with the wanted sound anywhere in the window, then a dry take of your guitar.",
                        "quiet"));
        empty.setAlignment(Pos.CENTER);
        setPadding(new Insets(14, 22, 10, 22));
        setTop(Nodes.column(2, question, hint));
        VBox left = Nodes.column(6, Nodes.label("Regions", "strong"), regions);
        VBox right = Nodes.column(6, Nodes.label("Recordings of this case", "strong"), recordings);
        right.setMinWidth(320);
        HBox below = new HBox(30, left, right);
        HBox.setHgrow(left, Priority.ALWAYS);
        below.setPadding(new Insets(8, 0, 0, 0));
        below.setMinHeight(190);
        setBottom(below);
        model.desk().open().subscribe(this::show);
        model.desk().sounds().subscribe(this::show);
        show();
    }

    private void show() {
        Optional<OpenCase> open = model.desk().open().get();
        boolean any = open.flatMap(o -> o.first(Medium.Role.REFERENCE)).isPresent();
        setCenter(any ? ribbons : empty);
        hint.setText(any
                ? "Drag across the ribbons to mark a region for what it is good for; type exact times below."
                : "");
        regions.getChildren().setAll(open.map(this::regionRows).orElse(List.of()));
        recordings.getChildren().setAll(open.map(o -> o.media().stream().map(ListenView::recording).toList())
                .orElse(List.of()));
    }

    private List<Node> regionRows(OpenCase o) {
        if (o.regions().isEmpty()) {
            return List.of(Nodes.label("None marked yet.", "quiet"), markChoice());
        }
        List<Node> out = new java.util.ArrayList<>();
        for (Region r : o.regions()) out.add(row(r, o.region().filter(r::equals).isPresent()));
        out.add(markChoice());
        return out;
    }

    private HBox markChoice() {
        ChoiceBox<Region.Role> role = roles();
        role.setId("mark-role");
        role.valueProperty().bindBidirectional(model.role());
        HBox box = new HBox(8, Nodes.label("mark the next one as", "quiet", "small"), role);
        box.setAlignment(Pos.CENTER_LEFT);
        return box;
    }

    private static ChoiceBox<Region.Role> roles() {
        ChoiceBox<Region.Role> box = new ChoiceBox<>();
        box.getItems().setAll(Region.Role.values());
        box.setConverter(new StringConverter<>() {
            @Override
            public String toString(Region.Role role) {
                return role == null ? "" : role.words();
            }

            @Override
            public Region.Role fromString(String words) {
                return Region.Role.CORE_TONE;
            }
        });
        box.setAccessibleText("what the region is good for");
        return box;
    }

    private Node row(Region r, boolean studied) {
        if (!studied) {
            Button choose = Nodes.plain(String.format(Locale.ROOT, "%-10s  %s – %s", r.role().words(),
                    AxisTicks.time(r.fromS(), true), AxisTicks.time(r.toS(), true)));
            choose.setOnAction(_ -> model.desk().chooseRegion(r));
            choose.setTooltip(new Tooltip("study this region instead"));
            return choose;
        }
        TextField from = Nodes.field(seconds(r.fromS()), "region starts, seconds");
        from.setId("region-from");
        TextField to = Nodes.field(seconds(r.toS()), "region ends, seconds");
        to.setId("region-to");
        Label fault = Nodes.label("", "warned", "small");
        Runnable typed = () -> {
            boolean fits = model.moveTo(number(from), number(to));
            fault.setText(fits ? "" : "half a second or more, within the recording");
        };
        from.setOnAction(_ -> typed.run());
        to.setOnAction(_ -> typed.run());
        ChoiceBox<Region.Role> role = roles();
        role.setValue(r.role());
        role.setOnAction(_ -> model.relabel(role.getValue()));
        Button remove = Nodes.plain("remove");
        remove.setOnAction(_ -> model.remove());
        remove.setTooltip(new Tooltip("removes the mark, not the sound; Ctrl+Z brings it back"));
        HBox box = new HBox(8, Nodes.label("●", "reference-ink"), role, from, Nodes.label("to", "quiet"), to,
                Nodes.label("s", "quiet"), Nodes.label("studied", "small", "quiet"), remove, fault);
        box.setAlignment(Pos.CENTER_LEFT);
        return box;
    }

    private static String seconds(double s) {
        return String.format(Locale.ROOT, "%.2f", s);
    }

    private static double number(TextField field) {
        try {
            return Double.parseDouble(field.getText().strip().replace(',', '.'));
        } catch (NumberFormatException e) {
            return Double.NaN;
        }
    }

    private static Node recording(Medium m) {
        String role = switch (m.role()) {
            case REFERENCE -> "reference";
            case DI -> "DI, dry guitar";
            case BACKING -> "the band without the guitar";
        };
        String ink = m.role() == Medium.Role.REFERENCE ? "reference-ink" : "quiet";
        return Nodes.column(0, Nodes.label(m.title()),
                Nodes.label(role + ", " + AxisTicks.time(m.durationS(), true), "small", ink));
    }
}
