package verisonus.desktop.shell;

import java.util.Locale;
import java.util.Optional;
import javafx.geometry.Insets;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.ScrollPane;
import javafx.scene.control.TextField;
import javafx.scene.layout.BorderPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import verisonus.casebook.store.Medium;
import verisonus.core.work.Figures;
import verisonus.desktop.desk.CaseLine;
import verisonus.desktop.desk.Desk;
import verisonus.desktop.desk.OpenCase;
import verisonus.desktop.theme.Hint;
import verisonus.desktop.theme.Nodes;

/** The left margin: the casebook's cases with their gap as a short bar and a figure. */
final class MarginView extends BorderPane {
    private static final double BAR_PER_JND = 18;
    private static final double LONGEST_BAR = 150;

    private final Desk desk;
    private final VBox list = new VBox();
    private final Label count = Nodes.label("", "quiet", "small");
    private final VBox foot = new VBox(4);

    /** @param gear shows what the player owns */
    MarginView(Desk desk, Runnable gear) {
        this.desk = desk;
        getStyleClass().add("margin");
        setPrefWidth(230);
        setMinWidth(230);
        VBox head = Nodes.column(0, Nodes.label(title(desk.book().file().getFileName().toString()), "heading"), count);
        head.setPadding(new Insets(20, 20, 14, 20));
        setTop(head);
        ScrollPane scroll = new ScrollPane(list);
        scroll.setFitToWidth(true);
        setCenter(scroll);
        Button add = Nodes.plain("+ new case");
        add.setId("new-case");
        add.getStyleClass().add("quiet-button");
        Hint.on(add, "begin a case; then drop its recordings into the window");
        add.setOnAction(_ -> ask());
        Button owned = Nodes.plain("my gear");
        owned.setId("my-gear");
        owned.getStyleClass().add("quiet-button");
        Hint.on(owned, "what you own: a tone is derived with that");
        owned.setOnAction(_ -> gear.run());
        foot.getChildren().addAll(owned, add);
        foot.setPadding(new Insets(8, 14, 14, 14));
        setBottom(foot);
        desk.open().subscribe(this::show);
        show();
    }

    /** "nine-lanterns.casebook" reads "Nine lanterns". */
    static String title(String fileName) {
        String name = fileName.replaceFirst("\\.casebook$", "").replace('-', ' ').replace('_', ' ').strip();
        return name.isEmpty() ? "Casebook" : name.substring(0, 1).toUpperCase(Locale.ROOT) + name.substring(1);
    }

    void ask() {
        TextField name = Nodes.field("", "name of the new case");
        name.setPromptText("name, then Enter");
        name.setId("new-case-name");
        name.setOnAction(_ -> {
            foot.getChildren().remove(name);
            if (!name.getText().isBlank()) desk.addCase(name.getText().strip());
        });
        foot.getChildren().removeIf(n -> n instanceof TextField);
        foot.getChildren().add(0, name);
        name.requestFocus();
    }

    private void show() {
        int n = desk.cases().size();
        String locked = desk.book().readOnlyWords();
        count.setText("casebook · " + (n == 1 ? "1 case" : n + " cases") + (locked.isEmpty() ? "" : "\n" + locked));
        list.getChildren().setAll(desk.cases().stream().map(this::line).toList());
    }

    private Node line(CaseLine c) {
        boolean open = desk.open().get().filter(o -> o.entry().id() == c.entry().id()).isPresent();
        Label name = Nodes.label(c.entry().name(), open ? "strong" : "case-name");
        Region space = new Region();
        HBox.setHgrow(space, Priority.ALWAYS);
        HBox top = new HBox(6, name, space, Nodes.label(
                c.gapJnd().map(g -> Figures.of("%.1f JND", g)).orElse(""), "quiet", "small"));
        VBox words = Nodes.column(3, top);
        if (c.gapJnd().isPresent()) {
            Region bar = new Region();
            bar.getStyleClass().add("gap-bar");
            double width = Math.clamp(c.gapJnd().get() * BAR_PER_JND, 3, LONGEST_BAR);
            bar.setMinSize(width, 4);
            bar.setMaxSize(width, 4);
            words.getChildren().add(bar);
        } else {
            words.getChildren()
                    .add(Nodes.label(c.derived() ? "no distance measured" : "not derived yet", "quiet", "small"));
        }
        if (open) desk.open().get().ifPresent(o -> words.getChildren().addAll(media(o)));
        Button b = Nodes.plain("");
        b.setGraphic(words);
        b.setMaxWidth(Double.MAX_VALUE);
        b.setAccessibleText("case " + c.entry().name());
        b.getStyleClass().add(open ? "case-open" : "case-line");
        b.setId("case-" + c.entry().name().toLowerCase(Locale.ROOT).replace(' ', '-'));
        words.prefWidthProperty().bind(b.widthProperty().subtract(44));
        b.setOnAction(_ -> desk.openCase(c.entry()));
        return b;
    }

    /** References, then variants of the tone. */
    private static java.util.List<Node> media(OpenCase o) {
        java.util.List<Node> out = new java.util.ArrayList<>();
        for (Medium m : o.references()) {
            String words = o.references().size() < 2
                    ? Optional.of(o.entry().artist()).filter(a -> !a.isEmpty()).orElse(m.title())
                    : m.title();
            out.add(Nodes.padded(Nodes.label(words, "quiet", "small"), 2, 0, 0, 0));
        }
        if (!o.variants().isEmpty())
            out.add(Nodes.padded(Nodes.label("also: " + String.join(", ", o.variants()), "quiet", "small"), 2, 0, 0,
                    0));
        return out;
    }
}
