package verisonus.desktop.derive.chain;

import java.util.List;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import verisonus.core.feel.ControlStudy;
import verisonus.core.rig.Control;
import verisonus.core.work.Figures;
import verisonus.desktop.theme.Hint;
import verisonus.desktop.theme.Nodes;
import verisonus.desktop.theme.Theme;

/** What one control does on this tone: a curve for each thing that changes from its least to its most, and a slow turn to hear. */
public final class ControlView {
    private static final int MOST = 8;

    private final ChainModel model;
    private final Theme theme;
    private final VBox body = new VBox(6);

    public ControlView(ChainModel model, Theme theme) {
        this.model = model;
        this.theme = theme;
    }

    public Node shown() {
        body.getChildren().clear();
        model.studied().get().ifPresentOrElse(this::fill, () -> body.getChildren().add(Nodes.wrapped(
                "Press the name of a setting in the chain: it is put to some places between its ends, and what is heard"
                        + " to change stands here.",
                "quiet")));
        return body;
    }

    private void fill(ChainModel.Studied s) {
        Control c = s.row().control();
        body.getChildren()
                .add(Nodes.wrapped(s.row().block().model().name() + ", " + c.name() + ". " + s.study().words(),
                        "strong"));
        if (!model.session().isStill(s.tone())) {
            body.getChildren().add(Nodes.wrapped("Asked of the tone as it was; press the name again for now.", "quiet",
                    "small"));
        }
        if (!s.study().lines().isEmpty()) body.getChildren().add(curves(s));
        body.getChildren().add(Nodes.wrapped(loudness(s.study()), "quiet", "small"));
        traded(s).forEach(t -> body.getChildren().add(Nodes.wrapped(t, "small")));
        if (!c.isChoice()) body.getChildren().add(byEar());
    }

    private FlowPane byEar() {
        Button sweep = new Button("turn it slowly, at one loudness");
        sweep.setId("sweep-control");
        Hint.on(sweep, "your take from the control's least to its most, as loud all the way");
        sweep.setOnAction(_ -> model.sweep());
        Button here = new Button("here (K)");
        here.setId("sweep-here");
        Hint.on(here, "sets the control to where it stands while you hear it");
        here.setDisable(!model.isSwept());
        here.setOnAction(_ -> model.here());
        return new FlowPane(8, 4, sweep, here);
    }

    /** A curve for each thing that changes, the most audible first, over one axis. */
    private VBox curves(ChainModel.Studied s) {
        VBox out = new VBox(1);
        Control c = s.row().control();
        List<Double> values = s.study().values();
        List<Double> places = values.stream().map(c::position).toList();
        List<ControlStudy.Line> lines = s.study().lines();
        for (ControlStudy.Line line : lines.subList(0, Math.min(MOST, lines.size()))) {
            boolean heard = line.mostJnd() >= 1;
            Label name = Nodes.label(line.attribute().playersWords(), "small", heard ? "strong" : "quiet");
            name.setMinWidth(Region.USE_PREF_SIZE);
            Region between = new Region();
            HBox.setHgrow(between, Priority.ALWAYS);
            Label figures = Nodes.label(whole(line), "small", "figure", "quiet");
            EffectCurve curve = new EffectCurve(line, places, c.position(s.row().value()), theme,
                    at -> figures.setText(at.isPresent() ? at(s, line, at.getAsInt()) : whole(line)));
            curve.setAccessibleText(
                    line.attribute().playersWords() + " while " + c.name() + " is turned, " + whole(line));
            Hint.on(curve, "between the thin lines the change is not heard; the diamond is where it stands now");
            out.getChildren().addAll(new HBox(6, name, between, figures), curve);
        }
        out.getChildren().add(axis(s));
        return out;
    }

    private HBox axis(ChainModel.Studied s) {
        List<Double> values = s.study().values();
        Region between = new Region();
        HBox.setHgrow(between, Priority.ALWAYS);
        return new HBox(6, Nodes.label(shown(s, values.getFirst()), "quiet", "small"), between,
                Nodes.label(shown(s, values.getLast()), "quiet", "small"));
    }

    private String shown(ChainModel.Studied s, double value) {
        return model.session().rig().display(s.row().block().model(), s.row().control(), value);
    }

    private static String whole(ControlStudy.Line line) {
        double least = line.change().stream().mapToDouble(v -> v).min().orElse(0);
        double most = line.change().stream().mapToDouble(v -> v).max().orElse(0);
        return change(line, least) + " to " + change(line, most) + unit(line);
    }

    private String at(ChainModel.Studied s, ControlStudy.Line line, int place) {
        return "at " + shown(s, s.study().values().get(place)) + ": " + change(line, line.change().get(place))
                + unit(line) + Figures.read(", %.1f JND", Math.abs(line.jnd().get(place)));
    }

    private static String change(ControlStudy.Line line, double by) {
        return Figures.read(line.unit().equals("dB") ? "%+.1f" : "%+.2f", by);
    }

    private static String unit(ControlStudy.Line line) {
        return line.unit().equals("dB") || line.unit().equals("s") || line.unit().equals("ms") ? " " + line.unit() : "";
    }

    private static String loudness(ControlStudy study) {
        double least = study.loudnessLu().stream().mapToDouble(v -> v).min().orElse(0);
        double most = study.loudnessLu().stream().mapToDouble(v -> v).max().orElse(0);
        return Figures.read(
                "Against the tone as it is, levels matched. As it comes the loudness goes from %+.1f to %+.1f LU.",
                least, most);
    }

    /** With which other control this one can be traded, as the search found. */
    private List<String> traded(ChainModel.Studied s) {
        String name = s.row().control().name();
        return model.session().tone().stream().flatMap(t -> t.remarks().ties().stream()).map(t -> t.words())
                .filter(w -> w.contains(name)).map(w -> "Trades with: " + w).toList();
    }
}
