package verisonus.desktop.theme;

import javafx.geometry.VPos;
import javafx.scene.canvas.GraphicsContext;
import javafx.scene.paint.Paint;
import javafx.scene.text.Font;
import javafx.scene.text.FontWeight;
import javafx.scene.text.TextAlignment;

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

    /** Where mine was before, or in the tone that it was made from. */
    public static void was(GraphicsContext g, double x, double y, Inks inks) {
        double[] xs = {x, x + 4, x, x - 4};
        double[] ys = {y - 4, y, y + 4, y};
        g.setFill(inks.sheet());
        g.fillPolygon(xs, ys, 4);
        g.setStroke(inks.quiet());
        g.strokePolygon(xs, ys, 4);
    }

    /** A sound of mine among others: a diamond with its letter, filled where it is the one that is looked at. */
    public static void letter(GraphicsContext g, double x, double y, String letter, boolean filled, Inks inks) {
        double r = 9;
        double[] xs = {x, x + r, x, x - r};
        double[] ys = {y - r, y, y + r, y};
        g.setFill(filled ? inks.mine() : inks.sheet());
        g.fillPolygon(xs, ys, 4);
        g.setStroke(inks.mine());
        g.setLineWidth(1.6);
        g.strokePolygon(xs, ys, 4);
        g.setLineWidth(1);
        lettered(g, x, y, letter, filled ? inks.sheet() : inks.mine());
    }

    /** The reference among others: a dot with its letter. */
    public static void letteredDot(GraphicsContext g, double x, double y, String letter, Inks inks) {
        g.setFill(inks.reference());
        g.fillOval(x - 10, y - 10, 20, 20);
        lettered(g, x, y, letter, inks.sheet());
    }

    private static void lettered(GraphicsContext g, double x, double y, String letter, Paint ink) {
        g.save();
        g.setFill(ink);
        g.setFont(Font.font(Theme.PLAIN, FontWeight.BOLD, 9));
        g.setTextAlign(TextAlignment.CENTER);
        g.setTextBaseline(VPos.CENTER);
        g.fillText(letter, x, y + 0.5);
        g.restore();
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

    /** The same on a scale that stands upright. */
    public static void uprightBracket(GraphicsContext g, double fromY, double toY, double x, Inks inks) {
        g.setStroke(inks.mine());
        g.setLineWidth(1.6);
        g.strokeLine(x, fromY, x, toY);
        g.strokeLine(x - 6, fromY, x + 6, fromY);
        g.strokeLine(x - 6, toY, x + 6, toY);
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
