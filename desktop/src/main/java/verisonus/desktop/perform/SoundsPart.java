package verisonus.desktop.perform;

import java.nio.file.Path;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.function.Consumer;
import javafx.geometry.Insets;
import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.TextField;
import javafx.scene.control.ToggleButton;
import javafx.scene.control.ToggleGroup;
import javafx.scene.layout.BorderPane;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import verisonus.core.perform.UsualPart;
import verisonus.core.perform.VariantMatrix;
import verisonus.core.rig.Tone;
import verisonus.core.rig.Variant;
import verisonus.core.work.Figures;
import verisonus.desktop.theme.FileDialogs;
import verisonus.desktop.theme.Hint;
import verisonus.desktop.theme.LetterMark;
import verisonus.desktop.theme.Nodes;
import verisonus.desktop.theme.Theme;

/** The sounds of a song: first what is there, each heard by its letter and shown by what a listener notices; then another one. */
final class SoundsPart extends BorderPane {
    private final VariantsModel model;
    private final VariantMaker maker;
    private final Theme theme;
    private final FlowPane cards = new FlowPane(8, 8);
    private final Label foot = Nodes.wrapped("", "small", "quiet");

    SoundsPart(VariantsModel model, VariantMaker maker, Theme theme) {
        this.model = model;
        this.maker = maker;
        this.theme = theme;
        NoticedScales scales = new NoticedScales(model, maker, theme);
        Label said = Nodes.wrapped("", "small", "said");
        said.setId("variants-said");
        said.textProperty().bind(maker.said().concat(model.said()));
        said.managedProperty().bind(said.textProperty().isNotEmpty());
        VBox left = Nodes.column(8, cards,
                Nodes.label("what a listener notices; drag a letter, and a sound that stands there is made", "small",
                        "quiet"),
                scales, another(), sayIt(), said, foot);
        left.setPadding(new Insets(0, 18, 0, 0));
        setCenter(left);
        setRight(new ChangesPane(model, maker, theme));
        model.changed(this::show);
        show();
    }

    private void show() {
        cards.getChildren().clear();
        Optional<Tone> base = Ground.of(model.desk()).map(Ground::tone);
        if (base.isEmpty()) return;
        ToggleGroup group = new ToggleGroup();
        List<Variant> all = model.variants().get();
        cards.getChildren().add(card(group, 0, "", "as it was derived", "the tone itself"));
        for (Variant v : all)
            cards.getChildren()
                    .add(card(group, all.indexOf(v) + 1, v.name(), differing(v), model.words(base.get(), v)));
        foot.setText(all.isEmpty() ? "" : ChangesPane.shared(base.get(), all) + headroom());
    }

    private static String differing(Variant v) {
        int n = v.differences();
        return n == 0 ? "differs in nothing yet" : n == 1 ? "1 setting differs" : n + " settings differ";
    }

    private String headroom() {
        Optional<VariantMatrix> m = model.matrix().get();
        if (m.isEmpty()) return "";
        VariantMatrix.Row least = m.get().rows().stream()
                .min(Comparator.comparingDouble(r -> r.reading().headroomDb())).orElseThrow();
        int place = m.get().rows().indexOf(least);
        double db = Math.rint(10 * least.reading().headroomDb()) / 10 + 0.0;
        return Figures.of(" · %s · %s comes nearest to clipping: %.1f dB %s", db < 0
                ? "something clips"
                : "nothing clips", LetterMark.letter(place), Math.abs(db), db < 0 ? "over" : "left");
    }

    private Node card(ToggleGroup group, int place, String name, String differs, String settings) {
        boolean chosen = model.chosen().get().equals(name);
        String title = name.isEmpty() ? "the tone" : name;
        VBox words = Nodes.column(1, Nodes.label(title, chosen ? "strong" : "ink"),
                Nodes.label(differs, "small", "quiet"));
        HBox inside = new HBox(10, new LetterMark(LetterMark.letter(place), false, chosen, theme), words);
        inside.setAlignment(Pos.CENTER_LEFT);
        ToggleButton out = new ToggleButton("", inside);
        out.getStyleClass().add("sound");
        out.setMinWidth(120);
        out.setToggleGroup(group);
        out.setSelected(chosen);
        out.setId("hear-" + title.replace(' ', '-'));
        out.setAccessibleText(LetterMark.letter(place) + ", " + title + ", " + differs);
        Hint.on(out, settings + "; heard by the key " + LetterMark.letter(place));
        out.setOnAction(_ -> {
            out.setSelected(true);
            model.hear(name);
        });
        return out;
    }

    private Node another() {
        FlowPane out = new FlowPane(8, 6, Nodes.label("make another", "strong"));
        for (UsualPart p : UsualPart.values()) {
            Button b = button("make-" + p.words(), p.words(), about(p), () -> maker.make(p));
            out.getChildren().add(b);
        }
        out.getChildren().addAll(
                button("variant-region", "like the marked region",
                        "mark in Listen where it is heard: the few turns that bring the tone there, about 8 s",
                        maker::fromRegion),
                button("variant-ring", "ring like…",
                        "of any instrument: a compressor, then the echo, until notes die away as slowly; about 10 s",
                        () -> choose("What notes shall ring like", maker::ringLike)),
                button("variant-guitar", "another guitar…",
                        "from a take of it, best of the same phrase: what to turn, kept as a variant",
                        () -> choose("A take of the other guitar", maker::otherGuitar)));
        out.setAlignment(Pos.CENTER_LEFT);
        return out;
    }

    private static String about(UsualPart p) {
        return switch (p) {
            case RHYTHM -> "the tone as it is, to be turned on its own; about 3 s";
            case LEAD -> "3 LU louder and a little dirtier; about 3 s";
            case CLEAN -> "as loud with hardly any dirt; about 3 s";
        };
    }

    private static Button button(String id, String words, String about, Runnable what) {
        Button out = new Button(words);
        out.setId(id);
        Hint.on(out, about);
        out.setOnAction(_ -> what.run());
        return out;
    }

    private void choose(String title, Consumer<Path> then) {
        FileDialogs.open(getScene().getWindow(), title, FileDialogs.RECORDINGS).ifPresent(then);
    }

    private Node sayIt() {
        TextField words = new TextField();
        words.setId("say-variant");
        words.setPromptText("solo: a bit louder, dirtier, more echo");
        words.setAccessibleText("another sound in words, with its name before a colon");
        HBox.setHgrow(words, Priority.ALWAYS);
        Button make = button("make-variant", "make it", "solved on your take, played and read again; about 3 s",
                () -> maker.say(words.getText()));
        make.getStyleClass().add("first");
        words.setOnAction(_ -> maker.say(words.getText()));
        HBox out = new HBox(8, Nodes.label("or say it", "strong"), words, make);
        out.setAlignment(Pos.CENTER_LEFT);
        return out;
    }
}
