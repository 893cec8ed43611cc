package verisonus.desktop.perform;

import java.util.Optional;
import javafx.scene.canvas.GraphicsContext;
import verisonus.core.perform.foot.PedalRange;
import verisonus.core.rig.Control;
import verisonus.desktop.theme.Drawing;
import verisonus.desktop.theme.Inks;
import verisonus.desktop.theme.Marks;
import verisonus.desktop.theme.Theme;

/** A control's whole track as a ruled scale: the pedal's window as a bracket, its anchors as ticks, the tone's own value as mine. */
final class PedalScale extends Drawing {
    private static final double EDGE = 46;
    private static final int TICKS = 10;

    private final FootModel model;
    private Optional<PedalRange> shown = Optional.empty();

    PedalScale(FootModel model, Theme theme) {
        super(theme);
        this.model = model;
        setMinSize(300, 62);
        setPrefSize(560, 62);
        setMaxSize(760, 62);
    }

    void show(Optional<PedalRange> range) {
        shown = range;
        setAccessibleText(range.map(r -> r.place() + " from " + model.display(r.place(), r.low()) + " to "
                + model.display(r.place(), r.high())).orElse("no range"));
        redraw();
    }

    @Override
    protected void draw(GraphicsContext g, double w, double h, Inks inks) {
        Optional<Control> c = shown.flatMap(r -> model.control(r.place()));
        if (c.isEmpty()) return;
        PedalRange r = shown.orElseThrow();
        double y = 34;
        g.setStroke(inks.rule());
        g.strokeLine(EDGE, y, w - EDGE, y);
        for (int i = 0; i <= TICKS; i++) {
            double x = EDGE + (w - 2 * EDGE) * i / TICKS;
            g.strokeLine(x, y - 3, x, y + 3);
        }
        g.setFill(inks.quiet());
        g.fillText(model.display(r.place(), c.get().minimum()), 0, y + 4);
        String end = model.display(r.place(), c.get().maximum());
        g.fillText(end, w - EDGE + 6, y + 4);
        if (r.isUseful()) {
            Marks.bracket(g, x(c.get(), r.low(), w), x(c.get(), r.high(), w), y, inks);
            g.setFill(inks.ink());
            double low = x(c.get(), r.low(), w);
            double high = x(c.get(), r.high(), w);
            g.fillText("heel " + model.display(r.place(), r.low()), Math.max(0, low - 30), 14);
            g.fillText("toe " + model.display(r.place(), r.high()), Math.clamp(high - 20, low + 90, w - 80), 14);
            for (PedalRange.Anchor a : r.anchors()) {
                double x = x(c.get(), a.value(), w);
                g.setStroke(inks.ink());
                g.strokeLine(x, y + 6, x, y + 12);
                g.setFill(inks.quiet());
                g.fillText(String.valueOf((int) Math.round(100 * a.travel())), x - 8, y + 25);
            }
        }
        Marks.diamond(g, x(c.get(), r.start(), w), y, inks);
    }

    private static double x(Control c, double value, double w) {
        return EDGE + c.position(value) * (w - 2 * EDGE);
    }
}
