package verisonus.desktop.listen;

import java.util.List;
import java.util.Optional;
import javafx.geometry.Insets;
import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.ChoiceBox;
import javafx.scene.control.Label;
import javafx.scene.control.ScrollPane;
import javafx.scene.control.TextField;
import javafx.scene.layout.BorderPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Pane;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import verisonus.casebook.store.Medium;
import verisonus.casebook.store.Region;
import verisonus.core.evidence.study.Isolation;
import verisonus.core.evidence.study.Passage;
import verisonus.core.work.Figures;
import verisonus.desktop.desk.Desk;
import verisonus.desktop.desk.OpenCase;
import verisonus.desktop.record.RecordModel;
import verisonus.desktop.record.RecordPanel;
import verisonus.desktop.theme.AxisTicks;
import verisonus.desktop.theme.Choices;
import verisonus.desktop.theme.Hint;
import verisonus.desktop.theme.Nodes;
import verisonus.desktop.theme.Theme;

/** The listen bench: ribbons, the regions as typed times, the recordings of the case. */
public final class ListenView extends BorderPane {
    private final ListenModel model;
    private final VBox regions = new VBox(4);
    private final VBox recordings = new VBox(6);
    private final VBox proposals = new VBox(4);
    private final ChoiceBox<Isolation> isolation = new ChoiceBox<>();
    private final Label question = Nodes.label("Where does the guitar stand alone?", "heading");
    private final Label hint = Nodes.label("", "quiet", "small");
    private final VBox empty;
    private final Label lacking = Nodes.label("", "heading");
    private final Label next = Nodes.label("", "quiet");
    private final Button own = new Button("Start without a record");
    private final RibbonView ribbons;

    /** @param choose lets the player choose recordings to add */
    public ListenView(ListenModel model, Theme theme, RecordModel recording, Runnable choose) {
        this.model = model;
        getStyleClass().add("listen");
        ribbons = new RibbonView(model, theme);
        ribbons.setId("ribbons");
        ribbons.setMinHeight(200);
        Button first = new Button("Choose recordings…");
        first.setId("choose-recordings");
        first.getStyleClass().add("first");
        Hint.on(first, "wav, flac, mp3, m4a, ogg and others (Ctrl+O)");
        first.setOnAction(_ -> choose.run());
        own.setId("without-record");
        Hint.on(own, "a tone of your own, from a sound that you choose (Ctrl+D)");
        own.setOnAction(_ -> model.startOwn());
        HBox ways = new HBox(10, first, own);
        ways.setAlignment(Pos.CENTER);
        empty = Nodes.column(10, lacking, next, ways);
        empty.setAlignment(Pos.CENTER);
        setPadding(new Insets(14, 22, 10, 22));
        Pane space = new Pane();
        HBox.setHgrow(space, Priority.ALWAYS);
        HBox head = new HBox(10, Nodes.column(2, question, hint), space, Nodes.label("hear", "quiet"), isolation);
        head.setAlignment(Pos.CENTER_LEFT);
        setTop(head);
        VBox left = Nodes.column(6, Nodes.label("Regions", "strong"), regions);
        VBox middle = Nodes.column(6, Nodes.label("Worth studying", "strong"), proposals);
        Button record = Nodes.plain("record a dry take");
        record.setId("record-take");
        Hint.on(record, "play along with the region and keep the best take");
        Button add = Nodes.plain("add recordings");
        add.setId("add-recordings");
        Hint.on(add, "choose files (Ctrl+O), or drop or paste them");
        add.setOnAction(_ -> choose.run());
        VBox right = Nodes.column(6, Nodes.label("Recordings", "strong"), recordings,
                new HBox(6, add, record));
        left.setMinWidth(420);
        middle.setMinWidth(200);
        right.setMinWidth(290);
        HBox below = new HBox(24, left, middle, right);
        HBox.setHgrow(middle, Priority.ALWAYS);
        ScrollPane scroll = new ScrollPane(below);
        scroll.setFitToWidth(true);
        scroll.setPrefHeight(212);
        scroll.setMinHeight(150);
        below.setPadding(new Insets(8, 0, 0, 0));
        setBottom(scroll);
        ScrollPane panel = new ScrollPane(new RecordPanel(recording, () -> setBottom(scroll)));
        panel.setFitToWidth(true);
        panel.setPrefHeight(212);
        record.setOnAction(_ -> setBottom(panel));
        isolation();
        model.desk().open().subscribe(this::show);
        model.desk().sounds().subscribe(this::show);
        show();
    }

    private void isolation() {
        isolation.setConverter(Choices.named(Isolation::words, Isolation.WHOLE));
        isolation.setAccessibleText("how the reference is heard");
        Hint.on(isolation, "how the reference is heard while it plays; I takes the next");
        isolation.setId("isolation");
        isolation.setOnAction(_ -> Optional.ofNullable(isolation.getValue()).ifPresent(model.desk().isolation()::set));
        model.desk().isolation().subscribe(w -> isolation.setValue(w));
        model.desk().sounds().subscribe(_ -> {
            List<Isolation> ways = model.waysToHear();
            if (!isolation.getItems().equals(ways)) {
                isolation.getItems().setAll(ways);
                isolation.setValue(model.desk().isolation().get());
            }
        });
        model.proposals().subscribe(this::show);
        model.course().subscribe(this::show);
        model.desk().beside().subscribe(this::show);
    }

    private void show() {
        Optional<OpenCase> open = model.desk().open().get();
        boolean any = open.flatMap(o -> o.first(Medium.Role.REFERENCE)).isPresent();
        setCenter(any ? ribbons : empty);
        boolean take = model.hasTakeAlone();
        lacking.setText(take ? "A take, and no record yet." : "Nothing to listen to yet.");
        next.setText(take
                ? "Add a recording with the sound you want, or make a tone of your own without one."
                : "First a recording with the wanted sound, then a dry take of your guitar: drop them here, or");
        own.setVisible(take);
        own.setManaged(take);
        hint.setText(any
                ? "Drag to mark a region. Wheel moves, Ctrl and wheel zooms."
                : "");
        regions.getChildren().setAll(open.map(this::regionRows).orElse(List.of()));
        recordings.getChildren().setAll(open.map(o -> o.media().stream().map(m -> recording(m, o)).toList())
                .orElse(List.of()));
        proposals.getChildren().setAll(any ? proposed() : List.of());
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
        box.setConverter(Choices.named(Region.Role::words, Region.Role.CORE_TONE));
        box.setAccessibleText("what the region is good for");
        return box;
    }

    private List<Node> proposed() {
        List<Passage> open = model.openProposals();
        if (open.isEmpty()) {
            return List.of(Nodes.wrapped(model.course().get().isPresent()
                    ? "Nothing more stands out; mark what you want to study."
                    : "Looking…", "quiet", "small"));
        }
        List<Node> out = new java.util.ArrayList<>();
        for (Passage p : open.subList(0, Math.min(3, open.size()))) {
            Button accept = Nodes.plain(Figures.of("%s  %s – %s", ListenModel.role(p.purpose()).words(),
                    AxisTicks.time(p.fromS(), true), AxisTicks.time(p.toS(), true)));
            accept.setOnAction(_ -> model.accept(p));
            Hint.on(accept, "mark it" + (out.isEmpty() ? " (A)" : ""));
            out.add(Nodes.column(0, accept, Nodes.padded(Nodes.wrapped(p.reason(), "small", "quiet"), 0, 0, 0, 7)));
        }
        return out;
    }

    private Node row(Region r, boolean studied) {
        if (!studied) {
            Button choose = Nodes.plain(Figures.of("%-10s  %s – %s", r.role().words(),
                    AxisTicks.time(r.fromS(), true), AxisTicks.time(r.toS(), true)));
            choose.setOnAction(_ -> model.desk().chooseRegion(r));
            Hint.on(choose, "study this region instead");
            Button beside = Nodes.plain("beside");
            Hint.on(beside, "hear it beside the studied one (B), at the same loudness");
            beside.setOnAction(_ -> reference().ifPresent(m -> model.desk().hearBeside(Optional.of(
                    new Desk.Beside(m, r.fromS(), r.role().words())))));
            return new HBox(4, choose, beside);
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
        Hint.on(remove, "removes the mark, not the sound; Ctrl+Z brings it back");
        HBox box = new HBox(8, Nodes.label("●", "reference-ink"), role, from, Nodes.label("to", "quiet"), to,
                Nodes.label("s", "quiet"), remove, fault);
        box.setAlignment(Pos.CENTER_LEFT);
        return box;
    }

    private static String seconds(double s) {
        return Figures.of("%.2f", s);
    }

    private static double number(TextField field) {
        return ListenModel.seconds(field.getText());
    }

    private Optional<Medium> reference() {
        return model.desk().open().get().flatMap(o -> o.first(Medium.Role.REFERENCE));
    }

    private Node recording(Medium m, OpenCase o) {
        boolean reference = m.role() == Medium.Role.REFERENCE;
        boolean studied = reference && reference().filter(r -> r.id() == m.id()).isPresent();
        ChoiceBox<Medium.Role> role = new ChoiceBox<>();
        role.getItems().setAll(Medium.Role.values());
        role.setConverter(Choices.named(ListenView::words, Medium.Role.REFERENCE));
        role.setValue(m.role());
        role.setAccessibleText("what " + m.title() + " is");
        role.setOnAction(_ -> model.desk().changeRole(m, role.getValue()));
        Button remove = Nodes.plain("remove");
        Hint.on(remove, "takes it out of the case; Ctrl+Z brings it back");
        remove.setOnAction(_ -> model.desk().removeMedium(m));
        HBox line = new HBox(6, role, Nodes.label(AxisTicks.time(m.durationS(), true), "small", "quiet"));
        line.setAlignment(Pos.CENTER_LEFT);
        HBox more = new HBox(0);
        if (reference && !studied && o.references().size() > 1) {
            Button study = Nodes.plain("study");
            Hint.on(study, "study this reference instead");
            study.setOnAction(_ -> model.desk().chooseReference(m));
            Button beside = Nodes.plain("beside");
            Hint.on(beside, "hear it beside the studied one (B), at the same loudness");
            beside.setOnAction(_ -> model.desk().hearBeside(Optional.of(new Desk.Beside(m, 0, m.title()))));
            study.setMinWidth(javafx.scene.layout.Region.USE_PREF_SIZE);
            beside.setMinWidth(javafx.scene.layout.Region.USE_PREF_SIZE);
            more.getChildren().addAll(study, beside);
            more.setMinWidth(javafx.scene.layout.Region.USE_PREF_SIZE);
        }
        line.getChildren().add(remove);
        HBox head = new HBox(6, Nodes.label((studied ? "● " : "") + m.title(), studied ? "reference-ink" : "label"),
                more);
        head.setAlignment(Pos.CENTER_LEFT);
        VBox out = Nodes.column(0, head, line);
        if (reference().isPresent() && o.first(Medium.Role.DI).filter(m::equals).isPresent())
            out.getChildren().add(place(m));
        return out;
    }

    /** Where the take begins in the recording, for where that is not found: a phrase under a loud band, or played freely. */
    private Node place(Medium take) {
        TextField at = Nodes.field(take.laidS().isPresent() ? seconds(take.laidS().getAsDouble()) : "",
                "where in the recording the take begins, seconds");
        at.setId("take-begins");
        at.setPromptText("found");
        at.setPrefColumnCount(5);
        Hint.on(at, "if the take plays the recording's phrase and that is not found; empty lets it be looked for");
        Label fault = Nodes.label("", "warned", "small");
        at.setOnAction(_ -> fault.setText(model.lay(take, at.getText()) ? "" : "a time in the recording"));
        Button here = Nodes.plain("here");
        here.setId("take-begins-here");
        Hint.on(here, "it begins where the recording stands now");
        here.setOnAction(_ -> model.layHere(take));
        HBox out = new HBox(6, Nodes.label("begins at", "quiet", "small"), at, Nodes.label("s", "quiet", "small"), here,
                fault);
        out.setAlignment(Pos.CENTER_LEFT);
        return Nodes.padded(out, 3, 0, 0, 0);
    }

    private static String words(Medium.Role role) {
        return switch (role) {
            case REFERENCE -> "reference";
            case DI -> "DI, dry guitar";
            case BACKING -> "band, no guitar";
        };
    }
}
