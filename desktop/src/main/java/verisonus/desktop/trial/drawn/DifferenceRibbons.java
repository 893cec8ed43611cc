package verisonus.desktop.trial.drawn;

import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.function.DoubleConsumer;
import javafx.geometry.VPos;
import javafx.scene.canvas.GraphicsContext;
import javafx.scene.text.TextAlignment;
import verisonus.core.trial.open.DifferenceCourse;
import verisonus.core.work.Figures;
import verisonus.desktop.theme.AxisTicks;
import verisonus.desktop.theme.Drawing;
import verisonus.desktop.theme.Inks;
import verisonus.desktop.theme.Theme;

/** Where two sounds differ over a phrase: a ribbon a part of the sound, as thick as the difference is audible; a press goes there. */
public final class DifferenceRibbons extends Drawing {
    private static final double LEFT = 74;
    private static final double RIGHT = 12;
    private static final double AXIS = 20;
    /** A ribbon as thick as its row, JND. */
    private static final double FULL_JND = 6;
    private static final double HATCH_PX = 6;

    private Optional<DifferenceCourse> course = Optional.empty();
    private double fromS;
    private double under = Double.NaN;

    /** @param goTo takes the moment that was pressed, seconds from the passage's start */
    public DifferenceRibbons(Theme theme, DoubleConsumer goTo) {
        super(theme);
        setMinHeight(104);
        setPrefHeight(132);
        setMinWidth(400);
        setOnMousePressed(e -> course.ifPresent(_ -> goTo.accept(at(e.getX()))));
        setOnMouseMoved(e -> {
            under = e.getX();
            redraw();
        });
        setOnMouseExited(_ -> {
            under = Double.NaN;
            redraw();
        });
    }

    /** @param fromS where the passage begins on the record's time axis */
    public void show(Optional<DifferenceCourse> shown, double fromS) {
        course = shown;
        this.fromS = fromS;
        setAccessibleText(shown.flatMap(DifferenceCourse::largest)
                .map(m -> Figures.of("differs most in the %s at %.1f seconds, %.1f JND", m.part().words(),
                        fromS + m.atS(), m.jnd()))
                .orElse("no difference that is heard"));
        redraw();
    }

    private double lengthS() {
        return course.map(c -> c.moments().stream().mapToDouble(DifferenceCourse.Moment::atS).max().orElse(1)).orElse(
                1.0);
    }

    private double at(double x) {
        return Math.clamp((x - LEFT) / (getWidth() - LEFT - RIGHT), 0, 1) * lengthS();
    }

    @Override
    protected void draw(GraphicsContext g, double w, double h, Inks inks) {
        if (course.isEmpty()) return;
        DifferenceCourse.Part[] parts = DifferenceCourse.Part.values();
        double row = (h - AXIS) / parts.length;
        double length = lengthS();
        double width = w - LEFT - RIGHT;
        for (DifferenceCourse.Part p : parts) {
            double y = Math.rint(row * (p.ordinal() + 1)) - 0.5;
            g.setFill(inks.ink());
            g.fillText(p.words(), 0, y - 4);
            ribbon(g, course.get().of(p), y, row - 8, width / length, inks);
            g.setStroke(inks.gap());
            g.strokeLine(LEFT, y, w - RIGHT, y);
        }
        g.setFill(inks.quiet());
        g.setTextAlign(TextAlignment.CENTER);
        for (double t : AxisTicks.linear(fromS, fromS + length, 8))
            g.fillText(AxisTicks.time(t, length < 8), LEFT + (t - fromS) * width / length,
                    h - 5);
        g.setTextAlign(TextAlignment.LEFT);
        if (Double.isFinite(under) && under > LEFT && under < w - RIGHT) pointed(g, under, row, inks, w);
    }

    private void ribbon(GraphicsContext g, List<DifferenceCourse.Moment> all, double y, double tall, double perS,
            Inks inks) {
        if (all.isEmpty()) return;
        g.save();
        g.beginPath();
        g.moveTo(LEFT + all.getFirst().atS() * perS, y);
        for (DifferenceCourse.Moment m : all) g.lineTo(LEFT + m.atS() * perS, y - height(m, tall));
        g.lineTo(LEFT + all.getLast().atS() * perS, y);
        g.closePath();
        g.setStroke(inks.gap());
        g.stroke();
        g.clip();
        for (double x = LEFT - tall; x < getWidth() + tall; x += HATCH_PX)
            g.strokeLine(x, y + 1, x + tall * 0.6, y - tall);
        g.restore();
    }

    private static double height(DifferenceCourse.Moment m, double tall) {
        return tall * Math.min(1, m.jnd() / FULL_JND);
    }

    private void pointed(GraphicsContext g, double x, double row, Inks inks, double w) {
        double at = at(x);
        g.setStroke(inks.quiet());
        g.setLineDashes(2, 3);
        g.strokeLine(x, 0, x, row * DifferenceCourse.Part.values().length);
        g.setLineDashes();
        g.setFill(inks.ink());
        g.setTextBaseline(VPos.BASELINE);
        for (DifferenceCourse.Part p : DifferenceCourse.Part.values())
            course.orElseThrow().of(p).stream()
                    .min(Comparator.comparingDouble(m -> Math.abs(m.atS() - at)))
                    .ifPresent(m -> g.fillText(Figures.of("%.1f JND", m.jnd()), Math.min(x + 6, w - 50),
                            row * p.ordinal() + 14));
    }
}
