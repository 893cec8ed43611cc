package verisonus.desktop.trial;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import javafx.beans.value.ObservableValue;
import javafx.geometry.Insets;
import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.ChoiceBox;
import javafx.scene.control.Label;
import javafx.scene.control.ScrollPane;
import javafx.scene.control.ToggleButton;
import javafx.scene.input.KeyCode;
import javafx.scene.layout.BorderPane;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import verisonus.core.trial.open.DifferenceCourse;
import verisonus.core.trial.open.HowFar;
import verisonus.core.work.Figures;
import verisonus.desktop.theme.Choices;
import verisonus.desktop.theme.FileDialogs;
import verisonus.desktop.theme.Hint;
import verisonus.desktop.theme.LetterMark;
import verisonus.desktop.theme.Nodes;
import verisonus.desktop.theme.Theme;
import verisonus.desktop.trial.drawn.DifferenceRibbons;
import verisonus.desktop.trial.drawn.FarScale;

/** Every sound of the case by its letter, all as loud as the first, with how far each lies from it and where over the phrase. */
final class OpenPart extends BorderPane {
    private static final double NAMES = 210;
    /** Both heard twice and X once: a quarter of a minute with a phrase of some seconds. */
    private static final double ANSWERS_A_MINUTE = 4;
    private static final double WORDS = 104;
    private static final double ONLY = 130;

    private final OpenModel model;
    private final Theme theme;
    private final Runnable blind;
    private final VBox rows = new VBox(0);
    private final ChoiceBox<Around> around = new ChoiceBox<>();
    private final DifferenceRibbons ribbons;
    private final VBox where = new VBox(4);
    private final VBox marks = new VBox(2);

    /**
     * @param answers how many a blind trial asks for
     * @param blind asks for the same without names
     */
    OpenPart(OpenModel model, Theme theme, ObservableValue<Integer> answers, Runnable blind) {
        this.model = model;
        this.theme = theme;
        this.blind = blind;
        ribbons = new DifferenceRibbons(theme, model::seek);
        around.setId("trial-around");
        around.setAccessibleText("what stands round the guitar");
        around.setConverter(Choices.named(Around::words, Around.ALONE));
        around.valueProperty().subscribe(v -> {
            if (v != null) model.around().set(v);
        });
        Label hint = Nodes.label(
                "press a letter while it plays; all are as loud as the first. How far each is from it, in colour and dirt:",
                "small", "quiet");
        Region space = new Region();
        HBox.setHgrow(space, Priority.ALWAYS);
        HBox head = new HBox(8, hint, space, around);
        head.setAlignment(Pos.CENTER_LEFT);
        head.setMinHeight(28);
        VBox page = new VBox(6, head, rows, below(), EarNodes.said(model.said()), where);
        page.setPadding(new Insets(0, 12, 4, 0));
        ScrollPane scroll = new ScrollPane(page);
        scroll.setFitToWidth(true);
        setCenter(scroll);
        setBottom(Nodes.padded(sure(answers), 8, 0, 0, 0));
        model.candidates().all().subscribe(_ -> show());
        model.laid().subscribe(_ -> show());
        model.compared().subscribe(_ -> show());
        model.marks().subscribe(_ -> where());
        model.onlyWhatDiffers().subscribe(_ -> show());
        model.desk().player().source().subscribe(_ -> show());
        model.desk().changes().subscribe(_ -> surroundings());
        model.desk().sounds().subscribe(_ -> surroundings());
    }

    private void surroundings() {
        Around was = Optional.ofNullable(around.getValue()).orElse(Around.ALONE);
        List<Around> can = new ArrayList<>();
        for (Around a : Around.values()) if (model.can(a)) can.add(a);
        around.getItems().setAll(can);
        around.setValue(can.contains(was) ? was : Around.ALONE);
        around.setVisible(can.size() > 1);
        around.setManaged(can.size() > 1);
    }

    private void show() {
        rows.getChildren().clear();
        List<Candidates.Offer> all = model.all();
        for (int i = 0; i < all.size(); i++) rows.getChildren().add(row(all.get(i).name(), i));
        where();
    }

    private Node row(String name, int place) {
        boolean heard = model.heardName().equals(name);
        OptionalDouble far = place == 0 ? OptionalDouble.of(0) : far(name);
        Label title = Nodes.label(name, heard ? "strong" : "ink");
        HBox inside = new HBox(12, new LetterMark(letter(place), isRecord(place), heard, theme), title);
        inside.setAlignment(Pos.CENTER_LEFT);
        ToggleButton hear = new ToggleButton("", inside);
        hear.getStyleClass().addAll("sound", "bare");
        hear.setSelected(heard);
        hear.setId("hear-open-" + place);
        hear.setPrefWidth(NAMES);
        hear.setMinWidth(NAMES);
        hear.setAccessibleText(letter(place) + ", " + name + far(far));
        Hint.on(hear, "heard by the key " + letter(place));
        hear.setOnAction(_ -> {
            hear.setSelected(true);
            model.hear(name);
        });
        FarScale scale = new FarScale(far, place == 0, theme);
        HBox.setHgrow(scale, Priority.ALWAYS);
        Label words = Nodes.label(place == 0 ? "" : far.isPresent() ? HowFar.words(far.getAsDouble()) : "", "small",
                "quiet");
        words.setMinWidth(WORDS);
        HBox out = new HBox(14, hear, scale, words, only(heard && place > 0));
        out.setAlignment(Pos.CENTER_LEFT);
        return out;
    }

    private static String far(OptionalDouble jnd) {
        return jnd.isPresent() ? ", " + HowFar.words(jnd.getAsDouble()) : "";
    }

    private OptionalDouble far(String name) {
        return model.compared().get().map(c -> c.jnd(name)).orElse(OptionalDouble.empty());
    }

    private Node only(boolean shown) {
        Button out = EarNodes.plain("only-difference", model.onlyWhatDiffers().get()
                ? "everything again"
                : "only what differs", model::toggleOnlyDifference);
        Hint.on(out, "what the two do not share, as loud as it is in the whole: the key O");
        out.setMinWidth(ONLY);
        out.setVisible(shown);
        if (!shown) out.setId(null);
        return out;
    }

    private Node below() {
        Button bring = EarNodes.plain("bring-candidate", "+ bring a recording", this::bring);
        Hint.on(bring, "of your own amp, say; it must begin with your take");
        bring.setMinWidth(NAMES);
        bring.setAlignment(Pos.CENTER_LEFT);
        FarScale.Axis axis = new FarScale.Axis(theme);
        HBox.setHgrow(axis, Priority.ALWAYS);
        Region right = new Region();
        right.setMinWidth(WORDS);
        Region end = new Region();
        end.setMinWidth(ONLY);
        HBox out = new HBox(14, bring, axis, right, end);
        out.setAlignment(Pos.CENTER_LEFT);
        return out;
    }

    private void bring() {
        FileDialogs.open(getScene().getWindow(), "A recording that begins with your take", FileDialogs.RECORDINGS)
                .ifPresent(model.candidates()::bring);
    }

    private void where() {
        where.getChildren().clear();
        marks.getChildren().clear();
        for (String s : model.marks().get()) marks.getChildren().add(Nodes.wrapped(s, "small"));
        if (model.laid().get().isEmpty()) return;
        String other = model.heard() > 0 ? model.heardName() : "mine";
        Optional<DifferenceCourse> course = model.course();
        Button mark = EarNodes.plain("mark-moment", "mark this moment (K)", model::mark);
        Hint.on(mark, "says what differs most there");
        Button most = EarNodes.plain("largest-moments", "where most?", model::largest);
        Region space = new Region();
        HBox.setHgrow(space, Priority.ALWAYS);
        HBox head = new HBox(8, Nodes.label("where " + other + " differs, over the phrase", "heading"), space, most,
                mark);
        head.setAlignment(Pos.CENTER_LEFT);
        where.getChildren().add(head);
        if (course.isPresent()) {
            ribbons.show(course, model.fromS());
            where.getChildren().add(ribbons);
        } else if (model.compared().get().isPresent()) {
            where.getChildren().add(Nodes.wrapped("Another hand plays here than on the record, so that single moments"
                    + " differ by the playing as much as by the gear.", "small", "quiet"));
        }
        where.getChildren().add(marks);
    }

    private Region sure(ObservableValue<Integer> answers) {
        Button ask = EarNodes.first("ask-blind", "", blind);
        ask.textProperty().bind(answers.map(n -> Figures.of("blind, %d answers, about %d minutes", n,
                Math.max(1, Math.round(n / ANSWERS_A_MINUTE)))));
        Hint.on(ask, "the one that is heard, or mine, against the record, in a sealed order");
        FlowPane out = new FlowPane(12, 4, Nodes.label("sure of it? Ask without names:"), ask);
        out.setAlignment(Pos.CENTER_LEFT);
        out.visibleProperty().bind(model.desk().sounds().map(s -> s.reference().isPresent()));
        out.managedProperty().bind(out.visibleProperty());
        return out;
    }

    private boolean isRecord(int place) {
        return place == 0 && model.desk().sounds().get().reference().isPresent();
    }

    /** R is the record; the others follow from A on. */
    private String letter(int place) {
        boolean record = isRecord(0);
        return record && place == 0 ? "R" : LetterMark.letter(place - (record ? 1 : 0));
    }

    /** Letters choose, K marks, O leaves only what differs. */
    boolean key(KeyCode code) {
        if (code == KeyCode.K || code == KeyCode.O) {
            if (model.laid().get().isEmpty()) return false;
            if (code == KeyCode.K) model.mark();
            else model.toggleOnlyDifference();
            return true;
        }
        List<Candidates.Offer> all = model.all();
        for (int i = 0; i < all.size(); i++) {
            if (!code.getName().equals(letter(i))) continue;
            model.hear(all.get(i).name());
            return true;
        }
        return false;
    }
}
