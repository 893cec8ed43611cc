package verisonus.desktop.derive.advice;

import javafx.geometry.VPos;
import javafx.scene.canvas.GraphicsContext;
import javafx.scene.text.TextAlignment;
import verisonus.core.feel.TouchCurve;
import verisonus.desktop.theme.Drawing;
import verisonus.desktop.theme.Inks;
import verisonus.desktop.theme.Marks;
import verisonus.desktop.theme.Theme;

/** Level and dirt over the strength of the stroke, and where break-up starts. */
final class TouchView extends Drawing {
    private static final double LEFT = 30;
    private static final double BELOW = 16;

    private final TouchCurve curve;

    TouchView(Theme theme, TouchCurve curve) {
        super(theme);
        this.curve = curve;
        setAccessibleText(curve.words());
    }

    @Override
    protected void draw(GraphicsContext g, double w, double h, Inks inks) {
        double wide = w - LEFT - 8;
        double high = h - BELOW - 6;
        g.setStroke(inks.rule());
        g.setFill(inks.quiet());
        g.setTextBaseline(VPos.CENTER);
        g.setTextAlign(TextAlignment.RIGHT);
        for (int db = 0; db >= -40; db -= 20) {
            double y = 6 + high * -db / 40;
            g.strokeLine(LEFT, y, w - 8, y);
            g.fillText(db == 0 ? "0 dB" : "−" + -db, LEFT - 4, y);
        }
        g.setTextAlign(TextAlignment.CENTER);
        for (int db = -40; db <= 0; db += 20) {
            g.fillText(db == 0 ? "hard" : "−" + -db, LEFT + wide * (db + 40) / 40 - (db == 0 ? 8 : 0), h - 6);
        }
        g.setFill(inks.gap());
        for (TouchCurve.Point p : curve.points()) {
            double x = LEFT + wide * (p.inDb() + 40) / 40;
            double tall = high * p.dirt().orElse(0);
            g.fillRect(x - 3, 6 + high - tall, 6, tall);
        }
        g.setStroke(inks.mine());
        g.setLineDashes(5, 4);
        g.setLineWidth(1.6);
        double lastX = 0;
        double lastY = 0;
        for (int i = 0; i < curve.points().size(); i++) {
            TouchCurve.Point p = curve.points().get(i);
            double x = LEFT + wide * (p.inDb() + 40) / 40;
            double y = 6 + high * Math.clamp(-p.outDb() / 40, 0, 1);
            if (i > 0) g.strokeLine(lastX, lastY, x, y);
            lastX = x;
            lastY = y;
        }
        g.setLineDashes();
        for (TouchCurve.Point p : curve.points()) {
            Marks.diamond(g, LEFT + wide * (p.inDb() + 40) / 40, 6 + high * Math.clamp(-p.outDb() / 40, 0, 1), inks);
        }
    }
}
