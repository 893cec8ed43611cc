package verisonus.desktop.derive.chain;

import java.util.List;
import java.util.OptionalInt;
import java.util.function.Consumer;
import javafx.scene.canvas.GraphicsContext;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import verisonus.core.feel.ControlStudy;
import verisonus.desktop.theme.Drawing;
import verisonus.desktop.theme.Inks;
import verisonus.desktop.theme.Marks;
import verisonus.desktop.theme.Theme;

/**
 * How one thing that a listener notices changes while a control is turned from its least to its most, in steps of hearing. Between the
 * two thin lines the change is not heard. The diamond stands where the control is now.
 */
final class EffectCurve extends Drawing {
    private static final double HEIGHT = 40;
    private static final double EDGE = 8;
    /** So many steps of hearing fit above the middle, at least. */
    private static final double LEAST_SPAN_JND = 3;

    private final ControlStudy.Line line;
    private final List<Double> places;
    private final double now;
    private final Consumer<OptionalInt> pointed;
    private OptionalInt at = OptionalInt.empty();

    /**
     * @param places where the control was put, 0 to 1 along its way
     * @param now where it stands
     * @param pointed takes the place under the pointer or the arrow keys
     */
    EffectCurve(ControlStudy.Line line, List<Double> places, double now, Theme theme, Consumer<OptionalInt> pointed) {
        super(theme);
        this.line = line;
        this.places = places;
        this.now = now;
        this.pointed = pointed;
        setMinHeight(HEIGHT);
        setPrefHeight(HEIGHT);
        setFocusTraversable(true);
        setOnMouseMoved(e -> point(nearest((e.getX() - EDGE) / (getWidth() - 2 * EDGE))));
        setOnMouseExited(_ -> point(OptionalInt.empty()));
        setOnKeyPressed(this::key);
        focusedProperty().subscribe(this::redraw);
    }

    private OptionalInt nearest(double p) {
        int best = 0;
        for (int i = 1; i < places.size(); i++) {
            if (Math.abs(places.get(i) - p) < Math.abs(places.get(best) - p)) best = i;
        }
        return OptionalInt.of(best);
    }

    private void key(KeyEvent e) {
        if (e.getCode() != KeyCode.LEFT && e.getCode() != KeyCode.RIGHT) return;
        int from = at.orElse(nearest(now).orElseThrow());
        point(OptionalInt.of(Math.clamp(from + (e.getCode() == KeyCode.LEFT ? -1 : 1), 0, places.size() - 1)));
        e.consume();
    }

    private void point(OptionalInt place) {
        if (place.equals(at)) return;
        at = place;
        pointed.accept(place);
        redraw();
    }

    private double jnd(int place) {
        return Math.copySign(Math.abs(line.jnd().get(place)), line.change().get(place));
    }

    @Override
    protected void draw(GraphicsContext g, double w, double h, Inks inks) {
        double span = Math.max(LEAST_SPAN_JND, line.mostJnd());
        double scale = (h / 2 - 6) / span;
        double middle = Math.floor(h / 2) + 0.5;
        g.setStroke(inks.rule());
        g.strokeLine(EDGE, middle - scale, w - EDGE, middle - scale);
        g.strokeLine(EDGE, middle + scale, w - EDGE, middle + scale);
        int n = places.size();
        double[] xs = new double[n];
        double[] ys = new double[n];
        for (int i = 0; i < n; i++) {
            xs[i] = EDGE + (w - 2 * EDGE) * places.get(i);
            ys[i] = middle - scale * jnd(i);
        }
        g.setStroke(inks.mine());
        g.setLineWidth(1.5);
        g.setLineDashes(5, 3);
        g.strokePolyline(xs, ys, n);
        g.setLineDashes();
        g.setLineWidth(1);
        Marks.diamond(g, EDGE + (w - 2 * EDGE) * now, middle, inks);
        at.ifPresent(i -> {
            g.setStroke(inks.ink());
            g.strokeLine(xs[i], 2, xs[i], h - 2);
        });
        if (isFocused()) {
            g.setStroke(inks.ink());
            g.strokeRect(1.5, 1.5, w - 3, h - 3);
        }
    }
}
