package verisonus.desktop.sheet;

import java.time.ZoneId;
import java.time.format.DateTimeFormatter;
import java.util.List;
import java.util.Locale;
import javafx.geometry.Insets;
import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.control.CheckBox;
import javafx.scene.control.MenuButton;
import javafx.scene.control.MenuItem;
import javafx.scene.control.ScrollPane;
import javafx.scene.control.TextField;
import javafx.scene.layout.BorderPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import verisonus.casebook.store.LogEntry;
import verisonus.core.work.Figures;
import verisonus.desktop.theme.Nodes;

/** The logbook as a timeline: every change with the gap it left, words beside it, and what can be done from there. */
final class LogbookView extends BorderPane {
    private static final DateTimeFormatter WHEN = DateTimeFormatter.ofPattern("d MMM HH:mm", Locale.ROOT)
            .withZone(ZoneId.systemDefault());
    private static final int SHOWN_ENTRIES = 200;
    private static final double WORTH_SHOWING_JND = 0.05;

    private final LogbookModel model;
    private final VBox entries = new VBox(0);
    private final VBox said = new VBox(2);

    LogbookView(LogbookModel model) {
        this.model = model;
        TextField search = new TextField();
        search.setId("logbook-search");
        search.setPromptText("search the logbook");
        search.setAccessibleText("words that entries must hold");
        search.textProperty().bindBidirectional(model.wanted());
        CheckBox own = new CheckBox("this case only");
        own.setId("logbook-this-case");
        own.selectedProperty().bindBidirectional(model.thisCase());
        VBox top = Nodes.column(6, Nodes.label("Logbook", "heading"),
                Nodes.wrapped("every change, newest first; Ctrl+Z takes the last one back", "quiet", "small"), search,
                own, said);
        setTop(Nodes.padded(top, 0, 0, 8, 0));
        ScrollPane scroll = new ScrollPane(entries);
        scroll.setFitToWidth(true);
        setCenter(scroll);
        getStyleClass().add("ruled-left");
        setPadding(new Insets(14, 22, 10, 16));
        setPrefWidth(300);
        model.shown().subscribe(this::show);
        model.held().subscribe(_ -> show(model.shown().get()));
        model.said().subscribe(lines -> said.getChildren()
                .setAll(lines.stream().map(l -> Nodes.wrapped(l, "small")).toList()));
    }

    private void show(List<LogEntry> shown) {
        entries.getChildren().setAll(shown.stream().limit(SHOWN_ENTRIES).map(this::entry).toList());
    }

    private Node entry(LogEntry e) {
        boolean held = model.held().get().filter(h -> h.id() == e.id()).isPresent();
        Region point = new Region();
        point.getStyleClass().add(e.undone() ? "point-undone" : "point");
        point.setMinSize(9, 9);
        point.setMaxSize(9, 9);
        Region thread = new Region();
        thread.getStyleClass().add("thread");
        thread.setMinWidth(1);
        thread.setMaxWidth(1);
        VBox.setVgrow(thread, Priority.ALWAYS);
        VBox line = new VBox(2, point, thread);
        line.setAlignment(Pos.TOP_CENTER);
        line.setPadding(new Insets(4, 0, 0, 0));
        VBox words = Nodes.column(0,
                Nodes.wrapped((held ? "held: " : "") + e.text() + (e.undone() ? " (taken back)" : ""),
                        e.undone() ? "quiet" : "said"),
                Nodes.label(WHEN.format(e.at()) + gap(e), "quiet", "small"));
        if (!e.note().isEmpty()) words.getChildren().add(Nodes.wrapped(e.note(), "small"));
        words.setPadding(new Insets(0, 0, 8, 0));
        HBox.setHgrow(words, Priority.ALWAYS);
        HBox row = new HBox(8, line, words);
        if (!e.undone()) row.getChildren().add(more(e, words));
        return row;
    }

    private static String gap(LogEntry e) {
        if (e.gapAfterJnd().isEmpty()) return "";
        double after = e.gapAfterJnd().getAsDouble();
        double before = e.gapBeforeJnd().orElse(after);
        return Math.abs(after - before) < WORTH_SHOWING_JND
                ? Figures.of(" · %.1f JND", after)
                : Figures.of(" · %.1f → %.1f JND", before, after);
    }

    private MenuButton more(LogEntry e, VBox words) {
        MenuButton menu = new MenuButton("…");
        menu.getStyleClass().addAll("plain", "small");
        menu.setAccessibleText("what can be done from: " + e.text());
        menu.getItems().add(item("go back to here", () -> model.goBackTo(e)));
        if (e.caseId().isPresent()) menu.getItems().add(item("go on from here in a new case", () -> model.branch(e)));
        if (e.gapAfterJnd().isPresent())
            menu.getItems().add(item("compare with another moment", () -> model.compare(e)));
        menu.getItems().add(item("put words beside it", () -> ask(e, words)));
        return menu;
    }

    private static MenuItem item(String words, Runnable does) {
        MenuItem item = new MenuItem(words);
        item.setOnAction(_ -> does.run());
        return item;
    }

    private void ask(LogEntry e, VBox words) {
        TextField field = new TextField(e.note());
        field.setAccessibleText("words beside: " + e.text());
        field.setOnAction(_ -> model.note(e, field.getText()));
        words.getChildren().add(field);
        field.requestFocus();
    }
}
