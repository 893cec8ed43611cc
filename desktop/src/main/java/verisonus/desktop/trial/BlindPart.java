package verisonus.desktop.trial;

import java.util.List;
import java.util.Locale;
import java.util.Optional;
import javafx.beans.property.ReadOnlyBooleanProperty;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.CheckBox;
import javafx.scene.control.ChoiceBox;
import javafx.scene.control.Label;
import javafx.scene.control.RadioButton;
import javafx.scene.control.ToggleGroup;
import javafx.scene.input.KeyCode;
import javafx.scene.layout.HBox;
import javafx.scene.layout.VBox;
import verisonus.casebook.exchange.StoredTrial;
import verisonus.core.trial.blind.StoppingRule;
import verisonus.core.trial.blind.TrialForm;
import verisonus.core.trial.blind.TrialResult;
import verisonus.core.work.Figures;
import verisonus.desktop.player.Source;
import verisonus.desktop.theme.Hint;
import verisonus.desktop.theme.Nodes;

/** The blind trial: how to ask, the asking without a hint, and what it came to. */
final class BlindPart extends VBox implements Asking {
    private static final List<Integer> NUMBERS = List.of(5, 8, 10, 12, 16, 20, 30, 60);

    private final TrialModel model;
    private final Label said;
    private final Candidates candidates;
    private boolean asksHowSure;
    private final Label power = Nodes.wrapped("", "quiet", "small");

    BlindPart(TrialModel model, Candidates candidates) {
        super(8);
        this.model = model;
        said = EarNodes.said(model.said());
        this.candidates = candidates;
        model.current().subscribe(_ -> show());
        model.earlier().subscribe(_ -> show());
        model.running().subscribe(_ -> show());
        candidates.all().subscribe(_ -> show());
        model.many().subscribe(_ -> power());
        model.sequential().subscribe(_ -> power());
    }

    private void power() {
        StoppingRule rule = new StoppingRule(model.many().get(), model.sequential().get());
        power.setText(
                rule.powerWords() + " The order is drawn and sealed before the first answer; the seal stands in the"
                        + " logbook.");
    }

    private void show() {
        getChildren().clear();
        if (model.running().get()) return;
        Optional<StoredTrial> now = model.current().get();
        now.filter(t -> t.trial().isEnded()).ifPresent(this::result);
        setUp(now.filter(t -> !t.trial().isEnded()));
        getChildren().add(said);
        earlier(now);
    }

    private void setUp(Optional<StoredTrial> left) {
        if (left.isPresent()) {
            getChildren().addAll(
                    Nodes.wrapped(Figures.of("A trial was left after %d of %d answers (%s). Its order stays sealed.",
                            left.get().trial().of(),
                            left.get().trial().rule().most(), left.get().passage())),
                    new HBox(10, begin("Go on"), giveUp()));
            return;
        }
        ToggleGroup group = new ToggleGroup();
        VBox forms = new VBox(4);
        for (TrialForm f : TrialForm.values()) {
            RadioButton b = new RadioButton(f == TrialForm.ABX
                    ? "Is X the record or the other? Both can be heard by name."
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
        sooner.setSelected(model.sequential().get());
        sooner.setOnAction(_ -> model.sequential().set(sooner.isSelected()));
        Hint.on(sooner, "a sequential test; what it misses is said below");
        power();
        VBox sure = Nodes.column(6, sooner, power);
        sure.setVisible(asksHowSure);
        sure.setManaged(asksHowSure);
        Button how = EarNodes.plain("how-sure", "how sure?", () -> {
            asksHowSure = !asksHowSure;
            show();
        });
        Hint.on(how, "what so many answers can tell and what they miss");
        getChildren().addAll(
                EarNodes.row(Nodes.label("the record against", "quiet"), against(), many, Nodes.label(
                        "answers", "quiet")),
                forms, EarNodes.row(begin("Begin"), practise(), how), sure);
    }

    private ChoiceBox<String> against() {
        ChoiceBox<String> out = new ChoiceBox<>();
        out.setId("trial-against");
        out.setAccessibleText("what is tried against the record");
        candidates.all().get().stream().map(Candidates.Offer::name).filter(n -> !n.equals("the record")).forEach(out
                .getItems()::add);
        out.setValue(out.getItems().contains(model.against().get()) ? model.against().get() : "mine");
        out.valueProperty().subscribe(v -> {
            if (v != null) model.against().set(v);
        });
        return out;
    }

    private Button begin(String words) {
        return EarNodes.first("begin-trial", words, model::begin);
    }

    private Button practise() {
        Button b = EarNodes.plain("practise-trial", "a training round first", model::practise);
        Hint.on(b, "three that do not count and are told at once");
        return b;
    }

    private Button giveUp() {
        return EarNodes.plain("give-up-trial", "give it up: it is void then", model::giveUp);
    }

    private void result(StoredTrial t) {
        TrialResult r = t.trial().result().orElseThrow();
        VBox box = Nodes.column(6, Nodes.wrapped(r.words(), "said"));
        List<String> gave = model.gaveAway(t);
        if (!gave.isEmpty())
            box.getChildren().add(Nodes.wrapped("What may have given it away: " + String.join(", ", gave) + "."));
        String out = t.trial().leftOut().isEmpty()
                ? ""
                : t.trial().leftOut().size() + " left out because the sound broke off. ";
        box.getChildren().add(Nodes.wrapped(out + "Sealed " + t.trial().order().seal() + ", which is SHA-256 of “" + t
                .trial().order().form().id() + " " + t.trial().order().most() + " " + t.trial().order().seed() + "”.",
                "quiet", "small"));
        getChildren().add(box);
    }

    private void earlier(Optional<StoredTrial> now) {
        List<StoredTrial> others = model.earlier().get().stream()
                .filter(t -> now.isEmpty() || t.id() != now.get().id()).toList();
        if (others.isEmpty()) return;
        VBox list = new VBox(6, Nodes.label("Earlier trials", "strong"));
        for (StoredTrial t : others) list.getChildren().add(line(t));
        getChildren().add(list);
    }

    private static Node line(StoredTrial t) {
        return Nodes.column(0, Nodes.wrapped(t.trial().result().map(TrialResult::words).orElse("")),
                Nodes.wrapped(t.trial().order().form().words() + " " + t.passage(), "quiet", "small"));
    }

    @Override
    public ReadOnlyBooleanProperty running() {
        return model.running();
    }

    @Override
    public String heading() {
        return model.asked().map(t -> Figures.of("%d of %d: %s", t.trial().of() + 1, t.trial().rule()
                .most(), t.trial().order().form().words())).orElse("");
    }

    /** Nothing here says which is which: same words, same places, every time. */
    @Override
    public void ask(VBox into) {
        StoredTrial t = model.asked().orElseThrow();
        boolean abx = t.trial().order().form() == TrialForm.ABX;
        HBox sounds = new HBox(10, sound(Source.FIRST, abx ? "record (A)" : "first (A)"), sound(Source.SECOND, abx
                ? "other (B)"
                : "second (B)"));
        if (abx) sounds.getChildren().add(sound(Source.X, "X (X)"));
        Button yes = EarNodes.button("answer-yes", abx ? "X is the record (Y)" : "the first is the record (Y)",
                () -> model.answer(true));
        Button no = EarNodes.button("answer-no", abx ? "X is the other (N)" : "the second is the record (N)",
                () -> model.answer(false));
        into.getChildren().addAll(Nodes.label("Hear, as often as you like", "strong"), sounds, Nodes.label("Answer",
                "strong"), new HBox(10, yes, no), EarNodes.saying(model.said()),
                new HBox(10, EarNodes.plain("pause-trial",
                        "leave it for later", model::pause), giveUp()),
                Nodes.wrapped("sealed " + t.trial().order().seal().substring(0, 16) + "… · " + t.trial().rule().words()
                        + " · " + t.passage(), "quiet", "small"));
    }

    private Button sound(Source s, String words) {
        return EarNodes.sound("hear-" + s.name().toLowerCase(Locale.ROOT), words,
                model.desk().player().source().get() == s, () -> model.hear(s));
    }

    @Override
    public boolean key(KeyCode code) {
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
}
