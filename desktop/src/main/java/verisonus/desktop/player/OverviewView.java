package verisonus.desktop.player;

import javafx.scene.canvas.GraphicsContext;
import javafx.scene.paint.Color;
import verisonus.desktop.theme.AxisTicks;
import verisonus.desktop.theme.Drawing;
import verisonus.desktop.theme.Inks;
import verisonus.desktop.theme.Theme;

/** The whole time axis with the region that loops and the place that is heard; pressed, it goes there. */
final class OverviewView extends Drawing {
    private final PlayerModel model;

    OverviewView(PlayerModel model, Theme theme) {
        super(theme);
        this.model = model;
        setMinHeight(44);
        setAccessibleText("time axis; press to go to a place");
        model.positionS().subscribe(this::redraw);
        model.lengthS().subscribe(this::redraw);
        model.region().subscribe(this::redraw);
        model.looping().subscribe(this::redraw);
        setOnMousePressed(e -> model.seek(e.getX() / getWidth() * model.lengthS().get()));
    }

    @Override
    protected void draw(GraphicsContext g, double w, double h, Inks inks) {
        double length = model.lengthS().get();
        g.setFill(inks.rule());
        g.setGlobalAlpha(0.45);
        g.fillRect(0, 6, w, 20);
        g.setGlobalAlpha(1);
        g.setFill(inks.quiet());
        g.fillText("0:00", 0, h - 4);
        if (length <= 0) return;
        String end = AxisTicks.time(length, false);
        g.fillText(end, w - 7 * end.length(), h - 4);
        PlayerModel.Span r = model.region().get();
        if (!r.isEmpty()) {
            Color plum = inks.reference();
            double x = w * r.fromS() / length;
            double width = w * (r.toS() - r.fromS()) / length;
            g.setFill(Color.color(plum.getRed(), plum.getGreen(), plum.getBlue(), 0.18));
            g.fillRect(x, 6, width, 20);
            g.setFill(plum);
            String label = model.looping().get() ? "region, looped" : "region";
            g.fillText(label, Math.clamp(x + width / 2 - 40, 40, Math.max(40, w - 140)), h - 4);
        }
        double now = w * Math.min(1, model.positionS().get() / length);
        g.setStroke(inks.ink());
        g.setLineWidth(2);
        g.strokeLine(now, 2, now, 30);
        g.setLineWidth(1);
    }
}
