package verisonus.desktop.trial.drawn;

import java.util.List;
import java.util.Optional;
import javafx.scene.canvas.GraphicsContext;
import verisonus.core.trial.rate.RatingResult;
import verisonus.core.trial.rate.RatingTrial;
import verisonus.desktop.theme.Drawing;
import verisonus.desktop.theme.Inks;
import verisonus.desktop.theme.Marks;
import verisonus.desktop.theme.Theme;

/** Means of a rating on its ruled scale, each with the line that holds the true one; the hidden record and the anchor in quiet. */
public final class RatingDrawing extends Drawing {
    private static final double LEFT = 190;
    private static final double RIGHT = 30;
    private static final double LINE = 22;
    private static final double TOP = 26;

    private Optional<RatingResult> shown = Optional.empty();

    public RatingDrawing(Theme theme) {
        super(theme);
        setMaxWidth(820);
    }

    public void show(RatingResult r) {
        shown = Optional.of(r);
        double h = TOP + LINE * r.rows().size() + 6;
        setMinHeight(h);
        setPrefHeight(h);
        setMaxHeight(h);
        setAccessibleText(String.join("; ", r.rows().stream().map(RatingResult.Row::words).toList()));
        redraw();
    }

    @Override
    protected void draw(GraphicsContext g, double w, double h, Inks inks) {
        if (shown.isEmpty()) return;
        List<RatingResult.Row> rows = shown.get().rows();
        g.setStroke(inks.rule());
        g.setFill(inks.quiet());
        for (int i = 0; i <= RatingTrial.WORDS.size(); i++) {
            double x = x(20.0 * i, w);
            g.strokeLine(x, TOP - 6, x, h - 6);
            if (i < RatingTrial.WORDS.size()) g.fillText(RatingTrial.WORDS.get(i), x + 6, 12);
        }
        for (int i = 0; i < rows.size(); i++) {
            RatingResult.Row r = rows.get(i);
            double y = TOP + LINE * i + LINE / 2;
            boolean own = !r.name().equals(RatingTrial.HIDDEN) && !r.name().equals(RatingTrial.ANCHOR);
            g.setFill(own ? inks.ink() : inks.quiet());
            g.fillText(r.name(), 0, y + 4, LEFT - 12);
            g.setStroke(own ? inks.mine() : inks.quiet());
            g.strokeLine(x(r.low(), w), y, x(r.high(), w), y);
            g.strokeLine(x(r.low(), w), y - 3, x(r.low(), w), y + 3);
            g.strokeLine(x(r.high(), w), y - 3, x(r.high(), w), y + 3);
            if (own) {
                Marks.diamond(g, x(r.mean(), w), y, inks);
            } else {
                g.setFill(r.name().equals(RatingTrial.HIDDEN) ? inks.reference() : inks.quiet());
                g.fillOval(x(r.mean(), w) - 4, y - 4, 8, 8);
            }
        }
    }

    private static double x(double rating, double w) {
        return LEFT + (w - LEFT - RIGHT) * rating / 100;
    }
}
