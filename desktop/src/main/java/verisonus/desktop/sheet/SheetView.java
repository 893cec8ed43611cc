package verisonus.desktop.sheet;

import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import javafx.geometry.Insets;
import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.CheckMenuItem;
import javafx.scene.control.ChoiceBox;
import javafx.scene.control.Label;
import javafx.scene.control.MenuButton;
import javafx.scene.control.ScrollPane;
import javafx.scene.control.Separator;
import javafx.scene.control.SeparatorMenuItem;
import javafx.scene.control.ToggleButton;
import javafx.scene.layout.BorderPane;
import javafx.scene.layout.ColumnConstraints;
import javafx.scene.layout.GridPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import verisonus.casebook.exchange.SafeFileName;
import verisonus.casebook.sheet.SheetFormat;
import verisonus.casebook.sheet.SheetPart;
import verisonus.casebook.sheet.ToneSheet;
import verisonus.casebook.sheet.page.Drawing;
import verisonus.casebook.sheet.page.Page;
import verisonus.casebook.sheet.write.Paper;
import verisonus.core.rig.DeviceScale;
import verisonus.desktop.theme.Choices;
import verisonus.desktop.theme.FileDialogs;
import verisonus.desktop.theme.Hint;
import verisonus.desktop.theme.Nodes;
import verisonus.desktop.theme.Theme;

/** The sheet bench: the page as it will print, and the logbook as a timeline. */
public final class SheetView extends BorderPane {
    private final SheetModel model;
    private final Theme theme;
    private final VBox page = new VBox(8);
    private final Label said = Nodes.label("", "quiet", "small");

    public SheetView(SheetModel model, Theme theme) {
        this.model = model;
        this.theme = theme;
        getStyleClass().add("sheet-bench");
        page.getStyleClass().add("page");
        page.setMaxWidth(760);
        HBox middle = new HBox(page);
        HBox.setHgrow(page, Priority.ALWAYS);
        middle.setPadding(new Insets(4, 22, 14, 22));
        ScrollPane scroll = new ScrollPane(middle);
        scroll.setFitToWidth(true);
        BorderPane left = new BorderPane(scroll);
        left.setTop(exports());
        setCenter(left);
        setRight(new LogbookView(new LogbookModel(model.desk())));
        model.page().subscribe(this::show);
        model.said().subscribe(said::setText);
    }

    private VBox exports() {
        HBox box = new HBox(8, Nodes.label("Export as", "quiet"));
        for (SheetFormat f : SheetFormat.values()) {
            Button b = new Button(f.words());
            b.setId("export-" + f.ending());
            b.setAccessibleText("export the sheet as " + f.words());
            b.setOnAction(_ -> choose(f).ifPresent(model::export));
            box.getChildren().add(b);
        }
        box.getChildren().add(paper());
        box.setAlignment(Pos.CENTER_LEFT);
        HBox options = new HBox(8, parts(), stage(), said);
        options.setAlignment(Pos.CENTER_LEFT);
        VBox both = Nodes.column(6, box, options);
        both.setPadding(new Insets(12, 22, 8, 22));
        return both;
    }

    private ChoiceBox<Paper> paper() {
        ChoiceBox<Paper> box = new ChoiceBox<>();
        box.setId("paper");
        box.getItems().setAll(Paper.values());
        box.setConverter(Choices.named(p -> p == Paper.A4 ? "on A4" : "on Letter", Paper.A4));
        box.valueProperty().bindBidirectional(model.paper());
        box.setAccessibleText("paper of the PDF");
        return box;
    }

    private MenuButton parts() {
        MenuButton menu = new MenuButton("What goes in");
        menu.setId("sheet-parts");
        menu.getStyleClass().add("boxed");
        for (SheetPart p : SheetPart.values()) {
            CheckMenuItem item = new CheckMenuItem(p.words());
            item.setSelected(model.parts().get().contains(p));
            item.selectedProperty().subscribe(in -> {
                if (in != model.parts().get().contains(p)) model.choose(p, in);
            });
            menu.getItems().add(item);
        }
        menu.getItems().add(new SeparatorMenuItem());
        for (DeviceScale s : DeviceScale.values()) {
            CheckMenuItem item = new CheckMenuItem("settings also as " + s.words());
            item.setSelected(model.scales().get().contains(s));
            item.selectedProperty().subscribe(in -> {
                if (in != model.scales().get().contains(s)) model.choose(s, in);
            });
            menu.getItems().add(item);
        }
        menu.disableProperty().bind(model.stage());
        return menu;
    }

    private ToggleButton stage() {
        ToggleButton b = new ToggleButton("large, for the stage");
        b.setId("stage-page");
        b.getStyleClass().add("plain");
        Hint.on(b, "only what to set, in letters that are read from a stand");
        b.selectedProperty().bindBidirectional(model.stage());
        return b;
    }

    private Optional<Path> choose(SheetFormat format) {
        return FileDialogs.save(getScene().getWindow(), "Export the sheet",
                SafeFileName.of(model.sheet().get().map(ToneSheet::title).orElse("sheet"), format.ending()));
    }

    private void show(Optional<Page> shown) {
        page.getChildren().clear();
        page.getStyleClass().remove("large-page");
        shown.ifPresent(p -> {
            if (p.isLarge()) page.getStyleClass().add("large-page");
            page.getChildren().add(Nodes.wrapped(p.title(), "title"));
            p.parts().forEach(part -> page.getChildren().add(node(part)));
        });
    }

    private Node node(Page.Part part) {
        return switch (part) {
            case Page.Heading(String text) -> Nodes.padded(Nodes.label(text, "heading"), 10, 0, 0, 0);
            case Page.Paragraph(String text) -> Nodes.wrapped(text);
            case Page.Caution(String text) -> Nodes.wrapped(text, "quiet", "small");
            case Page.Table(List<String> head, List<List<String>> rows) -> table(head, rows);
            case Page.Picture(Drawing drawing) ->
                Nodes.column(4, Nodes.wrapped(drawing.title(), "strong"), new SheetPlot(theme, drawing));
            case Page.NewSheet() -> new Separator();
        };
    }

    private static GridPane table(List<String> head, List<List<String>> rows) {
        GridPane grid = new GridPane();
        grid.setHgap(12);
        grid.setVgap(3);
        double[] lengths = new double[head.size()];
        for (int c = 0; c < lengths.length; c++) {
            int column = c;
            lengths[c] = Math.min(46, Math.max(4, rows.stream().mapToInt(r -> r.get(column).length()).max().orElse(4)));
        }
        double sum = java.util.Arrays.stream(lengths).sum();
        for (double length : lengths) {
            ColumnConstraints constraint = new ColumnConstraints();
            constraint.setPercentWidth(100 * length / sum);
            grid.getColumnConstraints().add(constraint);
        }
        for (int c = 0; c < head.size(); c++) grid.add(Nodes.label(head.get(c), "quiet", "small"), c, 0);
        for (int r = 0; r < rows.size(); r++) {
            for (int c = 0; c < head.size(); c++) {
                Label cell = Nodes.wrapped(rows.get(r).get(c), "small");
                if (c == 0) cell.getStyleClass().add("strong");
                grid.add(cell, c, r + 1);
            }
        }
        return grid;
    }
}
