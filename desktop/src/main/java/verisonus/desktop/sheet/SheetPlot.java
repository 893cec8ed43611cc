package verisonus.desktop.sheet;

import java.util.stream.Collectors;
import javafx.scene.canvas.GraphicsContext;
import javafx.scene.paint.Color;
import verisonus.casebook.sheet.page.Drawing;
import verisonus.desktop.theme.Inks;
import verisonus.desktop.theme.Theme;

/** A drawing of the sheet in the window's inks. */
final class SheetPlot extends verisonus.desktop.theme.Drawing {
    private static final double LEFT = 44;
    private static final double BOTTOM = 34;
    private static final double TOP = 26;

    private final Drawing drawing;

    SheetPlot(Theme theme, Drawing drawing) {
        super(theme);
        this.drawing = drawing;
        setMinHeight(220);
        setPrefHeight(220);
        setMinWidth(200);
        setAccessibleText(drawing.title() + ": "
                + drawing.curves().stream().map(Drawing.Curve::name).collect(Collectors.joining(", ")));
    }

    @Override
    protected void draw(GraphicsContext g, double w, double h, Inks inks) {
        double base = h - BOTTOM;
        g.setFont(javafx.scene.text.Font.font(Theme.PLAIN, 11));
        g.setLineWidth(0.7);
        for (Drawing.Tick t : drawing.acrossTicks()) {
            double x = LEFT + drawing.acrossShare(t.at()) * (w - LEFT - 8);
            g.setStroke(inks.rule());
            g.strokeLine(x, TOP, x, base);
            g.setFill(inks.quiet());
            g.fillText(t.words(), Math.min(x - 3.2 * t.words().length(), w - 7.0 * t.words().length()), base + 14);
        }
        for (Drawing.Tick t : drawing.upTicks()) {
            double y = base - drawing.upShare(t.at()) * (base - TOP);
            g.setStroke(inks.rule());
            g.strokeLine(LEFT, y, w - 8, y);
            g.setFill(inks.quiet());
            g.fillText(t.words(), LEFT - 8 - 7.0 * t.words().length(), y + 4);
        }
        g.fillText(drawing.up(), 0, 12);
        g.fillText(drawing.across(), w - 8 - 6.2 * drawing.across().length(), h - 4);
        double legend = LEFT + 40;
        for (Drawing.Curve c : drawing.curves()) {
            g.setStroke(ink(c.ink(), inks));
            g.setLineWidth(1.6);
            g.setLineDashes(dashes(c.ink().dash()));
            g.strokeLine(legend, 8, legend + 24, 8);
            double[] xs = c.x();
            double[] ys = c.y();
            for (int i = 0; i < xs.length; i++) {
                xs[i] = LEFT + drawing.acrossShare(xs[i]) * (w - LEFT - 8);
                ys[i] = base - drawing.upShare(ys[i]) * (base - TOP);
            }
            g.strokePolyline(xs, ys, xs.length);
            g.setFill(inks.ink());
            g.fillText(c.name(), legend + 30, 12);
            legend += 56 + 6.6 * c.name().length();
        }
        g.setLineDashes();
    }

    private static Color ink(Drawing.Ink ink, Inks inks) {
        return switch (ink) {
            case REFERENCE -> inks.reference();
            case MINE -> inks.mine();
            case QUIET -> inks.quiet();
        };
    }

    private static double[] dashes(String words) {
        if (words.isEmpty()) return new double[0];
        String[] parts = words.split(" ", -1);
        double[] out = new double[parts.length];
        for (int i = 0; i < out.length; i++) out[i] = Double.parseDouble(parts[i]);
        return out;
    }
}
