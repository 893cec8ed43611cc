package verisonus.desktop.perform;

import java.util.List;
import java.util.Optional;
import javafx.geometry.HPos;
import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.RadioButton;
import javafx.scene.control.TextField;
import javafx.scene.control.ToggleGroup;
import javafx.scene.layout.ColumnConstraints;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.GridPane;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import verisonus.core.perform.VariantMatrix;
import verisonus.core.rig.Tone;
import verisonus.core.rig.Variant;
import verisonus.core.travel.NamedBand;
import verisonus.core.work.Figures;
import verisonus.desktop.theme.FileDialogs;
import verisonus.desktop.theme.Hint;
import verisonus.desktop.theme.Nodes;

/** Variants as rows, what a listener notices as columns; below, another one by its goal or by hand. */
final class VariantsPart extends VBox {
    private static final double MARKED_DB = 1.5;
    private static final double MARKED_JND = 1;
    private static final double ROW = 26;

    private final VariantsModel model;
    private final GridPane table = new GridPane();
    private final Label said = Nodes.wrapped("", "small");
    private final TextField name = Nodes.field("lead", "name of the variant");

    VariantsPart(VariantsModel model) {
        super(8);
        this.model = model;
        table.setHgap(8);
        table.setVgap(3);
        columns();
        said.setId("variants-said");
        said.managedProperty().bind(said.textProperty().isNotEmpty());
        getChildren().addAll(table, goal(), byHand(), atOnce(), room(), said);
        model.said().subscribe(said::setText);
        model.variants().subscribe(_ -> show());
        model.matrix().subscribe(_ -> show());
        model.heard().subscribe(_ -> show());
    }

    private void columns() {
        table.getColumnConstraints().add(new ColumnConstraints(118, 150, 170));
        for (int i = 0; i < 5 + NamedBand.values().length; i++) {
            ColumnConstraints c = new ColumnConstraints(44, 62, 62);
            c.setHalignment(HPos.RIGHT);
            table.getColumnConstraints().add(c);
        }
        ColumnConstraints rest = new ColumnConstraints(30, 40, Double.MAX_VALUE);
        rest.setHgrow(Priority.ALWAYS);
        table.getColumnConstraints().add(rest);
    }

    private void show() {
        table.getChildren().clear();
        Optional<VariantMatrix> matrix = model.matrix().get();
        Optional<Ground> ground = Ground.of(model.desk());
        if (ground.isEmpty()) return;
        head();
        ToggleGroup group = new ToggleGroup();
        Tone base = ground.get().tone();
        row(group, base, Optional.empty(), read(matrix, base.name(), 0), matrix, 1);
        int line = 2;
        for (Variant v : model.variants().get()) {
            row(group, base, Optional.of(v), read(matrix, v.name(), line - 1), matrix, line);
            line++;
        }
    }

    private static Optional<VariantMatrix.Row> read(Optional<VariantMatrix> m, String name, int at) {
        return m.map(VariantMatrix::rows).filter(r -> at < r.size()).map(r -> r.get(at))
                .filter(r -> r.name().equals(name));
    }

    private void head() {
        List<String> words = List.of("LU", "dirt", "headroom", "JND", "rings");
        int column = 1;
        for (String w : words) add(w, column++, 0, "small", "quiet");
        for (NamedBand b : NamedBand.values()) {
            if (b == NamedBand.SUB) continue;
            Label l = add(shortened(b), column++, 0, "small", "quiet");
            Hint.on(l, b.words() + ", dB against the tone, loudness matched");
        }
        add("against the tone", 0, 0, "small", "quiet");
    }

    private static String shortened(NamedBand b) {
        return switch (b) {
            case LOW_MIDS -> "low mid";
            case UPPER_MIDS -> "up. mid";
            case PRESENCE -> "presence";
            default -> b.words();
        };
    }

    private Label add(String text, int column, int line, String... styles) {
        Label l = Nodes.label(text, styles);
        l.setMinWidth(USE_PREF_SIZE);
        table.add(l, column, line);
        return l;
    }

    private void row(ToggleGroup group, Tone base, Optional<Variant> variant, Optional<VariantMatrix.Row> row,
            Optional<VariantMatrix> matrix, int line) {
        String title = variant.map(Variant::name).orElse("the tone");
        RadioButton hear = new RadioButton(title);
        hear.setToggleGroup(group);
        hear.setMinHeight(ROW);
        hear.setId("hear-" + title.replace(' ', '-'));
        hear.setSelected(model.heard().get().equals(variant.map(Variant::name).orElse("")));
        Hint.on(hear, variant.map(v -> model.words(base, v)).orElse("as it was derived")
                + "; chosen: heard as mine");
        hear.setOnAction(_ -> model.hear(variant.map(Variant::name).orElse("")));
        table.add(hear, 0, line);
        row.ifPresent(r -> figures(r, matrix.orElseThrow().rows().getFirst(), line));
        variant.ifPresent(v -> {
            Button drop = Nodes.plain("drop");
            drop.setId("drop-" + v.name().replace(' ', '-'));
            Hint.on(drop, "takes the variant away; undo brings it back");
            drop.setOnAction(_ -> model.drop(v.name()));
            Label differs = Nodes.label(model.words(base, v), "small", "quiet");
            Hint.on(differs, differs.getText());
            FlowPane end = new FlowPane(6, 0, drop);
            table.add(end, 12, line);
        });
    }

    private void figures(VariantMatrix.Row r, VariantMatrix.Row tone, int line) {
        boolean itself = r == tone;
        double lu = r.reading().loudnessLufs() - tone.reading().loudnessLufs();
        add(itself
                ? Figures.read("%.1f", r.reading().loudnessLufs())
                : signed(lu), 1, line, itself ? "quiet" : "ink");
        add(itself
                ? Figures.of("%.2f", r.reading().dirt())
                : signed(r.reading().dirt() - tone.reading().dirt(), "%+.2f"), 2, line, itself ? "quiet" : "ink");
        double headroom = Math.rint(10 * r.reading().headroomDb()) / 10 + 0.0;
        add(Figures.read("%.1f", headroom), 3, line, headroom < 0 ? "warned" : "ink");
        if (!itself)
            add(Figures.of("%.1f", r.change().jnd()), 4, line,
                    r.change().jnd() >= MARKED_JND ? "gap-ink" : "ink", "strong");
        add(Figures.of("%.1f s", r.ringsS()), 5, line, "ink");
        int column = 6;
        for (NamedBand b : NamedBand.values()) {
            if (b == NamedBand.SUB) continue;
            Double db = r.bandsDb().get(b);
            if (db != null && !itself)
                add(signed(db), column, line, Math.abs(db) >= MARKED_DB ? "gap-ink" : "ink");
            column++;
        }
    }

    private static String signed(double v) {
        return signed(v, "%+.1f");
    }

    /** With its sign, and none where it rounds to nothing. */
    private static String signed(double v, String form) {
        String out = Figures.of(form, v);
        return out.matches("[+-]0\\.0+") ? out.substring(1) : Figures.withMinus(out);
    }

    private Node goal() {
        name.setId("variant-name");
        name.setPrefColumnCount(8);
        TextField louder = Nodes.field("3", "how much louder than the tone, LU");
        TextField dirtier = Nodes.field("", "how much dirtier, from −1 to 1");
        TextField longer = Nodes.field("", "how much longer the space decays, seconds");
        TextField repeats = Nodes.field("", "how much louder the repeats are, dB");
        louder.setId("variant-louder");
        dirtier.setId("variant-dirtier");
        for (TextField f : List.of(louder, dirtier, longer, repeats)) f.setPrefColumnCount(3);
        Button make = new Button("Make it, about 3 s");
        make.setId("make-variant");
        Hint.on(make, "solved on your take, played and read again");
        make.setOnAction(_ -> model.solve(name.getText(), louder.getText(), dirtier.getText(), longer.getText(),
                repeats.getText()));
        FlowPane out = new FlowPane(6, 4, Nodes.label("called", "quiet"), name, Nodes.label("louder by",
                "quiet"), louder, Nodes.label("LU, dirt by", "quiet"), dirtier,
                Nodes.label("space by",
                        "quiet"),
                longer, Nodes.label("s, repeats by", "quiet"), repeats, Nodes.label("dB", "quiet"), make);
        out.setAlignment(Pos.CENTER_LEFT);
        return out;
    }

    private Node atOnce() {
        Button usual = new Button("Rhythm, lead, clean, about 9 s");
        usual.setId("make-usual");
        Hint.on(usual, "the tone as it is, 3 LU louder with a little more dirt, and clean as loud;"
                + " what is called so already stays");
        usual.setOnAction(_ -> model.solveUsual());
        Button ladder = new Button("Five steps to it, about 8 s");
        ladder.setId("variant-ladder");
        Hint.on(ladder, "three variants between the tone and the one named above: evenly more dirt, as loud");
        ladder.setOnAction(_ -> model.ladder(name.getText()));
        Button guitar = new Button("For another guitar");
        guitar.setId("variant-guitar");
        Hint.on(guitar, "from a take of it, best of the same phrase: what to turn, kept under the name above");
        guitar.setOnAction(
                _ -> FileDialogs.open(getScene().getWindow(), "A take of the other guitar", FileDialogs.RECORDINGS)
                        .ifPresent(f -> model.otherGuitar(name.getText(), f)));
        FlowPane out = new FlowPane(6, 4, Nodes.label("or at once", "quiet"), usual, ladder, guitar);
        out.setAlignment(Pos.CENTER_LEFT);
        return out;
    }

    private Node room() {
        TextField measured = Nodes.field("", "what a meter read while the tone was played, dB(A)");
        measured.setId("room-measured");
        measured.setPrefColumnCount(4);
        TextField allowed = Nodes.field("", "what the room allows there, dB(A)");
        allowed.setId("room-allowed");
        allowed.setPrefColumnCount(4);
        Button ask = new Button("Which is too loud?");
        ask.setId("room-ask");
        Hint.on(ask, "what each variant comes to there, and how far all must come down");
        ask.setOnAction(_ -> model.ceiling(measured.getText(), allowed.getText()));
        allowed.setOnAction(_ -> model.ceiling(measured.getText(), allowed.getText()));
        Button near = new Button("How near to the marked region?");
        near.setId("variant-near");
        Hint.on(near, "the tone and every variant against what is marked in Listen; about a second each");
        near.setOnAction(_ -> model.nearness());
        FlowPane out = new FlowPane(6, 4, Nodes.label("a meter reads, with the tone,", "quiet"), measured,
                Nodes.label("dB(A), the room allows", "quiet"), allowed, ask, near);
        out.setAlignment(Pos.CENTER_LEFT);
        return out;
    }

    private Node byHand() {
        TextField typed = new TextField();
        typed.setId("variant-by-hand");
        typed.setPromptText("echo/mix 30, or drive on");
        typed.setPrefColumnCount(16);
        typed.setAccessibleText("a control and its value, or a block and a switch, of the variant named above");
        Button set = new Button("Set it in this variant");
        set.setId("set-variant");
        set.setOnAction(_ -> model.set(name.getText(), typed.getText()));
        typed.setOnAction(_ -> model.set(name.getText(), typed.getText()));
        Button ring = new Button("Ring like a recording");
        ring.setId("variant-ring");
        Hint.on(ring, "of any instrument: a compressor, then the echo, until notes die away as slowly; about 10 s");
        ring.setOnAction(_ -> FileDialogs
                .open(getScene().getWindow(), "What notes shall ring like", FileDialogs.RECORDINGS).ifPresent(
                        f -> model.ringLike(name.getText(), f)));
        Button region = new Button("As in the marked region");
        region.setId("variant-region");
        Hint.on(region, "mark in Listen where it is heard: the few turns that bring the tone there, about 8 s");
        region.setOnAction(_ -> model.fromRegion(name.getText()));
        FlowPane out = new FlowPane(6, 4, Nodes.label("or by hand", "quiet"), typed, set, region, ring);
        out.setAlignment(Pos.CENTER_LEFT);
        return out;
    }
}
