package verisonus.desktop.trial;

import java.util.List;
import java.util.Locale;
import java.util.Optional;
import javafx.geometry.Insets;
import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.CheckBox;
import javafx.scene.control.ChoiceBox;
import javafx.scene.control.Label;
import javafx.scene.control.RadioButton;
import javafx.scene.control.ScrollPane;
import javafx.scene.control.ToggleGroup;
import javafx.scene.control.Tooltip;
import javafx.scene.input.KeyCode;
import javafx.scene.layout.BorderPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.VBox;
import verisonus.casebook.exchange.StoredTrial;
import verisonus.core.trial.blind.TrialForm;
import verisonus.core.trial.blind.TrialResult;
import verisonus.desktop.player.Source;
import verisonus.desktop.theme.Nodes;

/** The trial bench: how to ask, the asking without a hint, and what it came to. */
public final class TrialView extends BorderPane {
    private static final List<Integer> NUMBERS = List.of(5, 8, 10, 12, 16, 20, 30);

    private final TrialModel model;
    private final Label heading = Nodes.wrapped("", "heading");
    private final VBox body = new VBox(14);
    private final Label said = Nodes.wrapped("", "small");

    public TrialView(TrialModel model) {
        this.model = model;
        getStyleClass().add("trial");
        setPadding(new Insets(14, 22, 10, 22));
        setTop(Nodes.padded(Nodes.column(4, heading, said), 0, 0, 10, 0));
        ScrollPane scroll = new ScrollPane(body);
        scroll.setFitToWidth(true);
        setCenter(scroll);
        model.said().subscribe(said::setText);
        model.running().subscribe(_ -> show());
        model.current().subscribe(_ -> show());
        model.earlier().subscribe(_ -> show());
        model.desk().sounds().subscribe(_ -> show());
        model.desk().player().source().subscribe(_ -> {
            if (model.running().get()) show();
        });
    }

    private void show() {
        body.getChildren().clear();
        Optional<StoredTrial> now = model.current().get();
        if (model.running().get() && now.isPresent()) {
            ask(now.get());
            return;
        }
        heading.setText("Does it sound the same? Ears answer, eyes do not.");
        if (model.desk().sounds().get().mine().isEmpty()) {
            heading.setText("Derive a tone first: a trial needs the record and mine.");
        } else {
            now.filter(t -> t.trial().isEnded()).ifPresent(this::result);
            setUp(now.filter(t -> !t.trial().isEnded()));
        }
        earlier(now);
    }

    private void setUp(Optional<StoredTrial> left) {
        if (left.isPresent()) {
            body.getChildren().addAll(Nodes.wrapped(String.format(Locale.ROOT,
                    "A trial was left after %d of %d answers (%s). Its order stays sealed.", left.get().trial().of(),
                    left.get().trial().rule().most(), left.get().passage())),
                    new HBox(10, begin("Go on"), giveUp()));
            return;
        }
        ToggleGroup group = new ToggleGroup();
        VBox forms = new VBox(4);
        for (TrialForm f : TrialForm.values()) {
            RadioButton b = new RadioButton(f == TrialForm.ABX
                    ? "Is X the record or mine? Both can be heard by name."
                    : "Which of two is the record? Neither has a name.");
            b.setId("form-" + f.id());
            b.setToggleGroup(group);
            b.setSelected(model.form().get() == f);
            b.selectedProperty().subscribe(on -> {
                if (on) model.form().set(f);
            });
            forms.getChildren().add(b);
        }
        ChoiceBox<Integer> many = new ChoiceBox<>();
        many.setId("trial-many");
        many.getItems().setAll(NUMBERS);
        many.setValue(NUMBERS.contains(model.many().get()) ? model.many().get() : 12);
        many.setAccessibleText("how many answers");
        many.valueProperty().subscribe(v -> {
            if (v != null) model.many().set(v);
        });
        CheckBox sooner = new CheckBox("ends sooner where the answers decide");
        sooner.selectedProperty().bindBidirectional(model.sequential());
        sooner.setTooltip(
                new Tooltip("a sequential test: one who guesses is said to hear it once in 20, one who hears it"
                        + " three times of four is missed once in 10"));
        CheckBox mix = new CheckBox("mine in the mix");
        mix.selectedProperty().bindBidirectional(model.inTheMix());
        mix.setDisable(model.desk().sounds().get().backing().isEmpty());
        HBox line = new HBox(10, many, Nodes.label("answers", "quiet"), sooner, mix);
        line.setAlignment(Pos.CENTER_LEFT);
        body.getChildren().addAll(forms, line, Nodes.wrapped(
                "The marked region is looped, both as loud as each other over just that. The order is drawn and sealed"
                        + " before the first answer; the seal stands in the logbook. Fewer than ten answers tell little.",
                "quiet", "small"), begin("Begin"));
    }

    private Button begin(String words) {
        Button b = new Button(words);
        b.setId("begin-trial");
        b.getStyleClass().add("first");
        b.setOnAction(_ -> model.begin());
        return b;
    }

    private Button giveUp() {
        Button b = Nodes.plain("give it up: it is void then");
        b.setId("give-up-trial");
        b.setOnAction(_ -> model.giveUp());
        return b;
    }

    /** Nothing here says which is which: same words, same places, every time. */
    private void ask(StoredTrial t) {
        boolean abx = t.trial().order().form() == TrialForm.ABX;
        heading.setText(String.format(Locale.ROOT, "%d of %d: %s", t.trial().of() + 1, t.trial().rule().most(),
                t.trial().order().form().words()));
        HBox sounds = new HBox(10);
        sounds.getChildren().add(sound(Source.FIRST, abx ? "record (A)" : "first (A)"));
        sounds.getChildren().add(sound(Source.SECOND, abx ? "mine (B)" : "second (B)"));
        if (abx) sounds.getChildren().add(sound(Source.X, "X (X)"));
        Button yes = new Button(abx ? "X is the record (Y)" : "the first is the record (Y)");
        yes.setId("answer-yes");
        yes.setOnAction(_ -> model.answer(true));
        Button no = new Button(abx ? "X is mine (N)" : "the second is the record (N)");
        no.setId("answer-no");
        no.setOnAction(_ -> model.answer(false));
        Button later = Nodes.plain("leave it for later");
        later.setId("pause-trial");
        later.setOnAction(_ -> model.pause());
        body.getChildren().addAll(Nodes.label("Hear, as often as you like", "strong"), sounds,
                Nodes.label("Answer", "strong"), new HBox(10, yes, no), new HBox(10, later, giveUp()),
                Nodes.wrapped("sealed " + t.trial().order().seal().substring(0, 16) + "… · " + t.trial().rule().words()
                        + " · " + t.passage(), "quiet", "small"));
    }

    private Button sound(Source s, String words) {
        Button b = new Button(words);
        b.setId("hear-" + s.name().toLowerCase(Locale.ROOT));
        b.setMinWidth(120);
        if (model.desk().player().source().get() == s) b.getStyleClass().add("strong");
        b.setOnAction(_ -> model.hear(s));
        return b;
    }

    /** Keys of a trial that is under way. @return whether the key was one */
    public boolean key(KeyCode code) {
        if (!model.running().get()) return false;
        switch (code) {
            case A -> model.hear(Source.FIRST);
            case B -> model.hear(Source.SECOND);
            case X -> model.hear(Source.X);
            case Y -> model.answer(true);
            case N -> model.answer(false);
            default -> {
                return false;
            }
        }
        return true;
    }

    private void result(StoredTrial t) {
        TrialResult r = t.trial().result().orElseThrow();
        VBox box = Nodes.column(6, Nodes.wrapped(r.words(), "said"));
        List<String> gave = model.gaveAway(t);
        if (!gave.isEmpty())
            box.getChildren().add(Nodes.wrapped("What may have given it away: " + String.join(", ", gave)
                    + "."));
        box.getChildren().add(Nodes.wrapped("Sealed " + t.trial().order().seal() + ", which is SHA-256 of “"
                + t.trial().order().form().id() + " " + t.trial().order().most() + " " + t.trial().order().seed()
                + "”.",
                "quiet", "small"));
        body.getChildren().add(box);
    }

    private void earlier(Optional<StoredTrial> now) {
        List<StoredTrial> others = model.earlier().get().stream()
                .filter(t -> now.isEmpty() || t.id() != now.get().id()).toList();
        if (others.isEmpty()) return;
        VBox list = new VBox(6, Nodes.label("Earlier trials", "strong"));
        for (StoredTrial t : others) list.getChildren().add(line(t));
        body.getChildren().add(list);
    }

    private static Node line(StoredTrial t) {
        return Nodes.column(0, Nodes.wrapped(t.trial().result().map(TrialResult::words).orElse("")),
                Nodes.wrapped(t.trial().order().form().words() + " " + t.passage(), "quiet", "small"));
    }
}
