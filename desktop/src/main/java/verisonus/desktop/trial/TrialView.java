package verisonus.desktop.trial;

import java.time.Clock;
import java.util.List;
import java.util.Optional;
import java.util.random.RandomGenerator;
import javafx.geometry.Insets;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.ScrollPane;
import javafx.scene.input.KeyCode;
import javafx.scene.layout.BorderPane;
import javafx.scene.layout.VBox;
import verisonus.desktop.desk.Bench;
import verisonus.desktop.desk.Desk;
import verisonus.desktop.theme.Nodes;
import verisonus.desktop.theme.Theme;

/** The trial bench: one page of questions for ears; while one of them is asked, nothing else is seen. */
public final class TrialView extends BorderPane {
    private static final String QUESTION = "Does it sound the same? Ears answer, eyes do not.";

    private final Desk desk;
    private final Label heading = Nodes.wrapped("", "heading");
    private final VBox page = new VBox(18);
    private final VBox question = new VBox(14);
    private final ScrollPane scroll = new ScrollPane(page);
    private final Button derive = new Button("Go to Derive");
    private final OpenPart open;
    private final List<Asking> asking;

    /** @param draws what orders are drawn from */
    public TrialView(Desk desk, Theme theme, RandomGenerator draws, Clock clock) {
        this.desk = desk;
        getStyleClass().add("trial");
        setPadding(new Insets(14, 22, 10, 22));
        Candidates candidates = new Candidates(desk);
        OpenModel beside = new OpenModel(desk, candidates);
        TrialModel trial = new TrialModel(desk, draws, candidates);
        beside.around().subscribe(a -> trial.around().set(a));
        open = new OpenPart(beside);
        BlindPart blind = new BlindPart(trial, candidates);
        RatingPart rating = new RatingPart(new RatingModel(desk, beside, draws), theme);
        PickingPart picking = new PickingPart(new PickingModel(desk, draws));
        StepPart steps = new StepPart(new StepModel(desk, draws));
        LessonPart lesson = new LessonPart(new LessonModel(desk, draws, clock), theme);
        asking = List.of(blind, rating, picking, steps, lesson);
        derive.setId("trial-derive");
        derive.setOnAction(_ -> desk.bench().set(Bench.DERIVE));
        setTop(Nodes.padded(Nodes.column(6, heading, derive), 0, 0, 8, 0));
        page.getChildren().addAll(part("How does it sound beside others?", open),
                part("Can you tell them apart?", blind),
                part("Which comes nearest?", Nodes.column(8, rating, picking)),
                part("Does it leave room for the others?",
                        new LayersPart(new LayersModel(desk, candidates), theme)),
                part("Is the real rig there yet?",
                        new SetUpPart(new SetUpModel(desk))),
                part("What would do with less?", new RigsPart(
                        new RigsModel(desk, candidates))),
                part("How small a change do you hear?", steps),
                part("Train your ears", lesson));
        scroll.setFitToWidth(true);
        setCenter(scroll);
        for (Asking a : asking) a.running().subscribe(_ -> show());
        desk.sounds().subscribe(_ -> show());
        desk.open().subscribe((was, now) -> {
            if (!was.map(o -> o.entry().id()).equals(now.map(o -> o.entry().id()))) scroll.setVvalue(0);
        });
        desk.player().source().subscribe(_ -> again());
        trial.current().subscribe(_ -> again());
        trial.said().subscribe(_ -> again());
        listen(rating, picking, steps, lesson);
        show();
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
        scroll.setContent(now.isPresent() ? question : page);
        boolean ready = desk.sounds().get().mine().isPresent();
        derive.setVisible(!ready);
        derive.setManaged(!ready);
        page.setVisible(ready);
        now.ifPresentOrElse(a -> {
            heading.setText(a.heading());
            a.ask(question);
            if (!focused.isEmpty()) Optional.ofNullable(question.lookup("#" + focused)).ifPresent(Node::requestFocus);
        }, () -> heading.setText(ready ? QUESTION : "Derive a tone first: a trial needs the record and mine."));
    }

    private static VBox part(String title, Node content) {
        VBox out = new VBox(6, Nodes.label(title, "heading"), content);
        out.getStyleClass().add("ruled-below");
        out.setPadding(new Insets(0, 12, 14, 0));
        return out;
    }

    /** Keys of what is asked, or of what lies side by side. @return whether the key was one */
    public boolean key(KeyCode code) {
        return now().map(a -> a.key(code)).orElseGet(() -> desk.bench().get() == Bench.TRIAL && open.key(code));
    }
}
