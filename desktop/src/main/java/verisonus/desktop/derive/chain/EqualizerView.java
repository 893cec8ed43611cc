package verisonus.desktop.derive.chain;

import java.util.List;
import java.util.Optional;
import javafx.scene.canvas.GraphicsContext;
import javafx.scene.control.Label;
import javafx.scene.layout.Region;
import verisonus.core.rig.Block;
import verisonus.core.simulate.EqualizerCurve;
import verisonus.core.sound.Sound;
import verisonus.core.work.Figures;
import verisonus.desktop.theme.AxisTicks;
import verisonus.desktop.theme.Drawing;
import verisonus.desktop.theme.Inks;
import verisonus.desktop.theme.Nodes;
import verisonus.desktop.theme.Theme;

/** An equalizer as the curve that it makes, each filter an upright scale at its frequency; below it the figures of what is pointed at. */
final class EqualizerView extends Region {
    static final double HEIGHT = 146;
    private static final double LINE = 18;
    /** Room for the strongest usual filter; a stronger one takes more. */
    private static final double USUAL_DB = 12;
    private static final double STEP_DB = 6;
    private static final int POINTS = 160;

    private final Block eq;
    private final List<EqualizerFilter> filters;
    private final double mostDb;
    private final Curve curve;
    private final Label said = Nodes.label("", "small", "quiet");
    private final List<FilterScale> scales;
    private EqualizerAxes axes;

    EqualizerView(Block eq, List<EqualizerFilter> filters, ChainModel model, Theme theme) {
        this.eq = eq;
        this.filters = filters;
        mostDb = STEP_DB * Math.ceil(Math.max(USUAL_DB, most()) / STEP_DB);
        axes = new EqualizerAxes(400, HEIGHT - LINE, mostDb);
        curve = new Curve(theme);
        curve.setAccessibleText("what the equalizer does by frequency");
        curve.setOnMouseMoved(e -> say(Optional.of(at(axes.hz(e.getX())))));
        curve.setOnMouseExited(_ -> say(Optional.empty()));
        scales = filters.stream().map(f -> scale(f, model, theme)).toList();
        getChildren().add(curve);
        getChildren().addAll(scales);
        getChildren().add(said);
        setMinHeight(HEIGHT);
        setPrefHeight(HEIGHT);
        say(Optional.empty());
    }

    private FilterScale scale(EqualizerFilter f, ChainModel model, Theme theme) {
        FilterScale out = new FilterScale(f, axes, model, theme, this::say);
        out.setId("filter-" + f.gain().control().name().replace(' ', '-'));
        return out;
    }

    private double most() {
        return filters.stream().mapToDouble(f -> Math.abs(f.gain().value())).max().orElse(0);
    }

    private void say(Optional<String> words) {
        said.setText(words.orElse("Drag a diamond, or Tab to it and use the arrow keys."));
    }

    private String at(double hz) {
        return Figures.read("%+.1f dB at ", EqualizerCurve.gainDb(eq, hz, Sound.WORKING_RATE_HZ))
                + AxisTicks.frequency(hz) + " Hz";
    }

    @Override
    protected void layoutChildren() {
        double w = getWidth();
        axes = new EqualizerAxes(w, HEIGHT - LINE, mostDb);
        curve.resizeRelocate(0, 0, w, HEIGHT - LINE);
        for (int i = 0; i < scales.size(); i++) {
            scales.get(i).resizeRelocate(Math.floor(axes.x(filters.get(i).hz()) - FilterScale.WIDTH / 2), 0,
                    FilterScale.WIDTH, HEIGHT - LINE);
        }
        said.resizeRelocate(axes.left(), HEIGHT - LINE, w - axes.left(), LINE);
    }

    /** The curve on its axes. */
    private final class Curve extends Drawing {
        Curve(Theme theme) {
            super(theme);
        }

        @Override
        protected void draw(GraphicsContext g, double w, double h, Inks inks) {
            g.setStroke(inks.rule());
            for (double db = -mostDb; db <= mostDb; db += STEP_DB) {
                double y = Math.floor(axes.y(db)) + 0.5;
                if (db == 0) g.strokeLine(axes.left(), y, axes.right(), y);
                g.setFill(inks.quiet());
                g.fillText(db == 0 ? "0 dB" : Figures.read("%+.0f", db), 2, y + 4);
            }
            for (double hz : new double[]{100, 300, 1000, 3000, 10000})
                g.fillText(AxisTicks.frequency(hz) + (hz == 10000 ? "Hz" : ""), axes.x(hz) - (hz == 10000 ? 24 : 10),
                        h - 4);
            double[] xs = new double[POINTS];
            double[] ys = new double[POINTS];
            for (int i = 0; i < POINTS; i++) {
                xs[i] = axes.left() + (axes.right() - axes.left()) * i / (POINTS - 1);
                ys[i] = axes.y(EqualizerCurve.gainDb(eq, axes.hz(xs[i]), Sound.WORKING_RATE_HZ));
            }
            g.setStroke(inks.mine());
            g.setLineWidth(1.5);
            g.setLineDashes(5, 3);
            g.strokePolyline(xs, ys, POINTS);
        }
    }
}
