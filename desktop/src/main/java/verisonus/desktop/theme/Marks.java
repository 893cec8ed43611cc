package verisonus.desktop.theme;

import javafx.scene.canvas.GraphicsContext;

/** The marks that repeat what colour says: a filled dot is the reference, an open diamond mine, a hatch the gap. */
public final class Marks {
    private Marks() {}

    /** The reference. */
    public static void dot(GraphicsContext g, double x, double y, Inks inks) {
        g.setFill(inks.reference());
        g.fillOval(x - 4, y - 4, 8, 8);
    }

    /** Mine. */
    public static void diamond(GraphicsContext g, double x, double y, Inks inks) {
        double[] xs = {x, x + 5.5, x, x - 5.5};
        double[] ys = {y - 5.5, y, y + 5.5, y};
        g.setFill(inks.sheet());
        g.fillPolygon(xs, ys, 4);
        g.setStroke(inks.mine());
        g.setLineWidth(1.6);
        g.strokePolygon(xs, ys, 4);
        g.setLineWidth(1);
    }

    /** How far a control can move unheard. */
    public static void bracket(GraphicsContext g, double fromX, double toX, double y, Inks inks) {
        g.setStroke(inks.mine());
        g.setLineWidth(1.6);
        g.strokeLine(fromX, y, toX, y);
        g.strokeLine(fromX, y - 6, fromX, y + 6);
        g.strokeLine(toX, y - 6, toX, y + 6);
        g.setLineWidth(1);
    }

    /** The gap between two places: slanted strokes, so that it shows without colour. */
    public static void hatch(GraphicsContext g, double x1, double x2, double y, Inks inks) {
        double from = Math.min(x1, x2);
        double to = Math.max(x1, x2);
        g.save();
        g.beginPath();
        g.rect(from, y - 6, to - from, 12);
        g.clip();
        g.setStroke(inks.gap());
        for (double x = from - 12; x < to + 12; x += 6) g.strokeLine(x, y + 7, x + 9, y - 7);
        g.restore();
    }
}
