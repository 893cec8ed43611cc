package verisonus.desktop.trial;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import javafx.beans.property.ReadOnlyBooleanProperty;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.CheckBox;
import javafx.scene.control.Label;
import javafx.scene.control.Slider;
import javafx.scene.input.KeyCode;
import javafx.scene.layout.GridPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.VBox;
import verisonus.casebook.store.ListeningShelf.Kept;
import verisonus.core.trial.rate.RatingResult;
import verisonus.core.trial.rate.RatingTrial;
import verisonus.core.work.Figures;
import verisonus.desktop.theme.Nodes;
import verisonus.desktop.theme.Theme;
import verisonus.desktop.trial.drawn.RatingDrawing;

/** Several rated without their names, and what that came to. */
final class RatingPart extends VBox implements Asking {
    private final RatingModel model;
    private final Label said;
    private final RatingDrawing drawing;
    private final OpenModel beside;

    /** @param beside what can be rated, and what of it is */
    RatingPart(RatingModel model, OpenModel beside, Theme theme) {
        super(8);
        this.model = model;
        this.beside = beside;
        said = EarNodes.said(model.said());
        drawing = new RatingDrawing(theme);
        model.current().subscribe(_ -> show());
        model.running().subscribe(_ -> show());
        beside.candidates().all().subscribe(_ -> show());
    }

    private void show() {
        getChildren().clear();
        if (model.running().get()) return;
        Optional<Kept<RatingTrial>> now = model.current().get();
        now.filter(k -> k.value().isEnded()).ifPresent(k -> result(k.value()));
        Optional<Kept<RatingTrial>> left = now.filter(k -> !k.value().isEnded());
        if (left.isPresent()) {
            getChildren().addAll(Nodes.wrapped(Figures.of("A rating was left after %d of %d rounds.",
                    left
                            .get().value().given().size(),
                    left.get().value().rounds())), EarNodes.row(
                            EarNodes.first(
                                    "begin-rating", "Go on rating", model::begin),
                            EarNodes.plain("give-up-rating",
                                    "give it up: it is void then", model::giveUp)));
        } else {
            getChildren().addAll(choices(), Nodes.wrapped("What is chosen is rated against the record, in "
                    + model.rounds().get() + " rounds. The record itself and a dulled copy hide among them: who misses"
                    + " them is told.", "quiet", "small"), EarNodes.row(
                            EarNodes.button("begin-rating",
                                    "Rate them without their names", model::begin)));
        }
        getChildren().add(said);
    }

    private Node choices() {
        List<CheckBox> out = new ArrayList<>();
        for (Candidates.Offer o : beside.all()) {
            if (o.name().equals("the record")) continue;
            CheckBox box = new CheckBox(o.name());
            box.setId("open-" + o.name().replace(' ', '-'));
            box.setSelected(beside.isChosen(o.name()));
            box.setOnAction(_ -> beside.choose(o.name(), box.isSelected()));
            out.add(box);
        }
        return EarNodes.row(out);
    }

    private void result(RatingTrial t) {
        RatingResult r = RatingResult.of(t);
        drawing.show(r);
        getChildren().add(drawing);
        for (RatingResult.Pair p : r.notToldApart())
            getChildren().add(Nodes.wrapped("You did not tell " + p.one() + " and " + p.other() + " apart."));
        for (String d : r.doubts())
            getChildren().add(Nodes.wrapped(d.substring(0, 1).toUpperCase(Locale.ROOT) + d.substring(1) + ".",
                    "gap-ink"));
    }

    /** Calls back whenever the question must be shown anew. */
    void changed(Runnable what) {
        model.current().subscribe(_ -> what.run());
        model.said().subscribe(_ -> what.run());
    }

    @Override
    public ReadOnlyBooleanProperty running() {
        return model.running();
    }

    @Override
    public String heading() {
        return model.current().get()
                .map(k -> Figures.of("Round %d of %d: how near does each come to the"
                        + " record?", k.value().given().size() + 1, k.value().rounds()))
                .orElse("");
    }

    @Override
    public void ask(VBox into) {
        RatingTrial t = model.current().get().orElseThrow().value();
        int heard = model.heardPlace();
        into.getChildren()
                .add(new HBox(10, EarNodes.sound("hear-rated-0", "the record (R)", heard == 0, () -> model.hear(
                        0))));
        GridPane table = new GridPane();
        table.setHgap(14);
        table.setVgap(8);
        HBox words = new HBox();
        for (String w : RatingTrial.WORDS) {
            Label l = Nodes.label(w, "small", "quiet");
            l.setPrefWidth(110);
            l.setAlignment(javafx.geometry.Pos.CENTER);
            words.getChildren().add(l);
        }
        table.add(words, 1, 0);
        for (int place = 1; place <= t.sounds(); place++) {
            int p = place;
            String letter = RatingModel.letter(place);
            table.add(EarNodes.sound("hear-rated-" + place, letter, heard == place, () -> model.hear(p)), 0, place);
            Slider s = new Slider(0, 100, model.given().get().get(place - 1));
            s.setId("rate-" + place);
            s.setAccessibleText("how near " + letter + " comes");
            s.setPrefWidth(550);
            s.setBlockIncrement(5);
            s.setMajorTickUnit(20);
            s.setMinorTickCount(0);
            s.setShowTickMarks(true);
            s.valueProperty().subscribe(v -> model.rate(p, (int) Math.round(v.doubleValue())));
            table.add(s, 1, place);
        }
        Button next = EarNodes.first("next-round", "These are my ratings", model::next);
        into.getChildren().addAll(table, EarNodes.row(next, EarNodes.plain("pause-rating", "leave it for later",
                model::pause), EarNodes.plain("give-up-rating", "give it up: it is void then", model::giveUp)), EarNodes
                        .saying(model.said()));
    }

    @Override
    public boolean key(KeyCode code) {
        if (code == KeyCode.R) {
            model.hear(0);
            return true;
        }
        int place = code.getName().length() == 1 ? code.getName().charAt(0) - 'A' + 1 : 0;
        if (place < 1 || place > model.current().get().orElseThrow().value().sounds()) return false;
        model.hear(place);
        return true;
    }
}
