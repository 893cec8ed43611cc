package verisonus.desktop.trial;

import java.time.Clock;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.random.RandomGenerator;
import javafx.geometry.Insets;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.ScrollPane;
import javafx.scene.input.KeyCode;
import javafx.scene.layout.BorderPane;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import verisonus.desktop.desk.Bench;
import verisonus.desktop.desk.Desk;
import verisonus.desktop.theme.Nodes;
import verisonus.desktop.theme.Places;
import verisonus.desktop.theme.Theme;

/** The trial bench: one question for ears at a time, listening first; while a player is asked, nothing else is seen. */
public final class TrialView extends BorderPane {
    private final Desk desk;
    private final Label heading = Nodes.wrapped("", "heading");
    private final Places<TrialPlace> places = new Places<>(List.of(TrialPlace.values()), TrialPlace::words,
            TrialPlace::question);
    private final Map<TrialPlace, Node> nodes = new EnumMap<>(TrialPlace.class);
    private final VBox question = new VBox(14);
    private final ScrollPane asked = new ScrollPane(question);
    private final Button derive = new Button("Go to Derive");
    private final OpenModel beside;
    private final OpenPart open;
    private final List<Asking> asking;

    /** @param draws what orders are drawn from */
    public TrialView(Desk desk, Theme theme, RandomGenerator draws, Clock clock) {
        this.desk = desk;
        getStyleClass().add("trial");
        setPadding(new Insets(14, 22, 10, 22));
        Candidates candidates = new Candidates(desk);
        beside = new OpenModel(desk, candidates);
        TrialModel trial = new TrialModel(desk, draws, candidates);
        beside.around().subscribe(a -> trial.around().set(a));
        open = new OpenPart(beside, theme, trial.many().asObject(), () -> blind(trial));
        BlindPart blind = new BlindPart(trial, candidates);
        RatingPart rating = new RatingPart(new RatingModel(desk, beside, draws), beside, theme);
        PickingPart picking = new PickingPart(new PickingModel(desk, draws));
        StepPart steps = new StepPart(new StepModel(desk, draws));
        LessonPart lesson = new LessonPart(new LessonModel(desk, draws, clock), theme);
        asking = List.of(blind, rating, picking, steps, lesson);
        derive.setId("trial-derive");
        derive.setOnAction(_ -> desk.bench().set(Bench.DERIVE));
        setTop(Nodes.padded(Nodes.column(6, heading, derive, places), 0, 0, 10, 0));
        nodes.put(TrialPlace.LISTEN, open);
        nodes.put(TrialPlace.BLIND, scrolled(blind));
        nodes.put(TrialPlace.RATE, scrolled(rating));
        nodes.put(TrialPlace.CHOOSE, scrolled(picking));
        nodes.put(TrialPlace.MIX, scrolled(new LayersPart(new LayersModel(desk, candidates), theme)));
        nodes.put(TrialPlace.RIG, scrolled(Nodes.column(22, new SetUpPart(new SetUpModel(desk)),
                new RigsPart(new RigsModel(desk, candidates)))));
        nodes.put(TrialPlace.EARS, scrolled(Nodes.column(22, steps, lesson)));
        asked.setFitToWidth(true);
        places.at().subscribe(_ -> show());
        for (Asking a : asking) a.running().subscribe(_ -> show());
        desk.sounds().subscribe(_ -> show());
        beside.compared().subscribe(_ -> show());
        desk.open().subscribe((was, now) -> {
            if (!was.map(o -> o.entry().id()).equals(now.map(o -> o.entry().id()))) places.at().set(TrialPlace.LISTEN);
        });
        desk.player().source().subscribe(_ -> again());
        trial.current().subscribe(_ -> again());
        trial.said().subscribe(_ -> again());
        listen(rating, picking, steps, lesson);
        show();
    }

    private static ScrollPane scrolled(Region part) {
        part.setPadding(new Insets(0, 12, 14, 0));
        ScrollPane out = new ScrollPane(part);
        out.setFitToWidth(true);
        return out;
    }

    /** The one that is heard against the record, without names. */
    private void blind(TrialModel trial) {
        String heard = beside.heard() > 0 ? beside.heardName() : "mine";
        beside.leave();
        trial.against().set(heard);
        places.at().set(TrialPlace.BLIND);
        trial.begin();
    }

    /** What changes a question while it is asked. */
    private void listen(RatingPart rating, PickingPart picking, StepPart steps, LessonPart lesson) {
        rating.changed(this::again);
        picking.changed(this::again);
        steps.changed(this::again);
        lesson.changed(this::again);
    }

    private void again() {
        if (now().isPresent()) show();
    }

    private Optional<Asking> now() {
        return asking.stream().filter(a -> a.running().get()).findFirst();
    }

    private void show() {
        Optional<Asking> now = now();
        String focused = Optional.ofNullable(getScene()).flatMap(x -> Optional.ofNullable(x.getFocusOwner())).map(
                Node::getId).orElse("");
        question.getChildren().clear();
        boolean ready = desk.sounds().get().mine().isPresent();
        TrialPlace at = places.at().get();
        derive.setVisible(!ready);
        derive.setManaged(!ready);
        places.setVisible(ready && now.isEmpty());
        places.setManaged(ready && now.isEmpty());
        now.ifPresentOrElse(a -> {
            setCenter(asked);
            heading.setText(a.heading());
            a.ask(question);
            if (!focused.isEmpty()) Optional.ofNullable(question.lookup("#" + focused)).ifPresent(Node::requestFocus);
        }, () -> {
            setCenter(ready ? nodes.get(at) : null);
            heading.setText(ready
                    ? at == TrialPlace.LISTEN ? beside.heading().orElse(at.question()) : at.question()
                    : "Derive a tone first: a trial needs a sound of yours.");
        });
    }

    /** Keys of what is asked, or of what lies side by side. @return whether the key was one */
    public boolean key(KeyCode code) {
        return now().map(a -> a.key(code)).orElseGet(() -> desk.bench().get() == Bench.TRIAL
                && places.at().get() == TrialPlace.LISTEN && desk.sounds().get().mine().isPresent() && open.key(code));
    }
}
