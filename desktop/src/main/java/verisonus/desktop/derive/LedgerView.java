package verisonus.desktop.derive;

import java.util.Set;
import javafx.geometry.Insets;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.ScrollPane;
import javafx.scene.control.Toggle;
import javafx.scene.control.ToggleButton;
import javafx.scene.control.ToggleGroup;
import javafx.scene.layout.BorderPane;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.VBox;
import verisonus.desktop.derive.advice.BeyondView;
import verisonus.desktop.derive.advice.FeelView;
import verisonus.desktop.derive.advice.LevelsView;
import verisonus.desktop.derive.advice.NextView;
import verisonus.desktop.derive.advice.SchoolsView;
import verisonus.desktop.derive.chain.ControlView;
import verisonus.desktop.derive.gap.GapFoot;
import verisonus.desktop.derive.gap.GapRows;
import verisonus.desktop.derive.own.WishView;
import verisonus.desktop.theme.Hint;
import verisonus.desktop.theme.Nodes;
import verisonus.desktop.theme.Theme;

/** The right half: what still differs, what to turn next, how it feels, what stays out of reach. One question at a time. */
final class LedgerView extends BorderPane {
    private static final Set<String> OF_A_RECORD = Set.of("gap", "next", "schools", "reach");

    private final DeriveModel model;
    /** Asked now and then: folded where the record's own questions stand. */
    private static final Set<String> SELDOM = Set.of("feel", "levels", "schools", "reach");

    private final Button more = Nodes.plain("more");
    private boolean unfolded;
    private boolean wasWithout;
    private final GapRows rows;
    private final GapFoot under;
    private final ScrollPane scroll = new ScrollPane();
    private final ToggleGroup questions = new ToggleGroup();
    private final NextView next;
    private final FeelView feel;
    private final BeyondView beyond;
    private final LevelsView levels;
    private final SchoolsView schools;
    private final ControlView control;
    private final WishView wish;
    private final Label head = Nodes.label("What still differs", "heading");

    LedgerView(DeriveModel model, Theme theme) {
        this.model = model;
        rows = new GapRows(model.gap(), () -> model.advice().playing(), theme);
        next = new NextView(model.advice());
        feel = new FeelView(model.advice(), theme);
        beyond = new BeyondView(model.advice());
        levels = new LevelsView(model.advice());
        schools = new SchoolsView(model.advice());
        control = new ControlView(model.chain(), theme);
        wish = new WishView(model.wish());
        getStyleClass().addAll("ledger", "ruled-left");
        setPadding(new Insets(14, 22, 6, 16));
        setPrefWidth(344);
        FlowPane asked = new FlowPane(2, 0, question("gap", "gap", "what still differs, most audible first"),
                question("next", "next move", "what to turn next (G)"),
                question("wish", "wish", "say how it should sound"),
                question("control", "control", "what one setting does on this tone: press its name in the chain"),
                question("feel", "feel", "under the fingers, and where the dirt is made"),
                question("levels", "levels", "how loud it is at each point, and what clips or is starved"),
                question("schools", "both ways", "where players part ways: both sides on this tone, with their price"),
                question("reach", "reach", "what stays out of reach, and what is the playing's"), more);
        more.setId("ask-more");
        more.getStyleClass().addAll("small", "question");
        Hint.on(more, "feel, levels, where players part ways, reach");
        more.setOnAction(_ -> {
            unfolded = !unfolded;
            offer();
        });
        asked.setPadding(new Insets(0, 0, 4, -6));
        VBox top = Nodes.column(2, asked, head);
        top.setPadding(new Insets(0, 0, 6, 0));
        setTop(top);
        under = new GapFoot(model.gap(), theme);
        model.gap().withOwnEars().subscribe(_ -> show());
        scroll.setFitToWidth(true);
        setCenter(scroll);
        questions.selectedToggleProperty().subscribe((was, now) -> {
            if (now == null && was != null) questions.selectToggle(was);
            show();
        });
        model.advice().onAnswer(this::show);
        model.advice().said().subscribe(_ -> show());
        model.gap().heardOn().subscribe(_ -> show());
        model.wish().answer().subscribe(_ -> show());
        model.chain().asked().subscribe(n -> {
            if (n.intValue() > 0) ask("control");
        });
        model.chain().shown().subscribe(_ -> show());
    }

    private ToggleButton question(String id, String words, String about) {
        ToggleButton out = new ToggleButton(words);
        out.setId("ask-" + id);
        out.setUserData(id);
        out.setToggleGroup(questions);
        out.getStyleClass().addAll("plain", "small", "question");
        Hint.on(out, about);
        if (id.equals("gap")) out.setSelected(true);
        return out;
    }

    /** Brings a question to the front. */
    void ask(String id) {
        questions.getToggles().stream().filter(t -> id.equals(t.getUserData())).findFirst()
                .ifPresent(questions::selectToggle);
    }

    /** Without a record nothing differs from it: such questions are not asked. */
    private void offer() {
        boolean record = model.session().desk().sounds().get().reference().isPresent();
        for (Toggle t : questions.getToggles()) {
            ToggleButton b = (ToggleButton) t;
            String id = String.valueOf(b.getUserData());
            boolean folded = record && SELDOM.contains(id) && !unfolded && !b.isSelected();
            b.setVisible(!folded && (record || !OF_A_RECORD.contains(id)));
            b.setManaged(b.isVisible());
        }
        more.setVisible(record);
        more.setManaged(record);
        more.setText(unfolded ? "less" : "more");
        Toggle now = questions.getSelectedToggle();
        if (!record && now instanceof ToggleButton b && !b.isVisible()) ask("wish");
        if (record && wasWithout) ask("gap");
        wasWithout = !record;
    }

    void show() {
        offer();
        String asked = questions.getSelectedToggle() == null
                ? "gap"
                : (String) questions.getSelectedToggle().getUserData();
        boolean gap = asked.equals("gap");
        setBottom(gap ? under : null);
        head.setText(switch (asked) {
            case "next" -> "What to turn next";
            case "wish" -> "How should it sound?";
            case "feel" -> "Under the fingers";
            case "reach" -> "Out of reach";
            case "levels" -> "Levels on the way";
            case "control" -> "What this setting does";
            case "schools" -> "Where players part ways";
            default -> "What still differs";
        });
        Node body = switch (asked) {
            case "next" -> next.shown();
            case "wish" -> wish.shown();
            case "feel" -> feel.shown();
            case "reach" -> beyond.shown();
            case "levels" -> levels.shown();
            case "control" -> control.shown();
            case "schools" -> schools.shown();
            default -> rows;
        };
        if (gap) {
            under.show();
            rows.show();
        }
        if (scroll.getContent() != body) scroll.setContent(body);
    }
}
