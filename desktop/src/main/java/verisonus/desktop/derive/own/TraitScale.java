package verisonus.desktop.derive.own;

import javafx.scene.canvas.GraphicsContext;
import verisonus.desktop.theme.Drawing;
import verisonus.desktop.theme.Inks;
import verisonus.desktop.theme.Marks;
import verisonus.desktop.theme.Theme;

/** Where a sound stands between the least and the most of what a listener notices, among those it is chosen from. */
final class TraitScale extends Drawing {
    private static final double EDGE = 8;
    private static final double WIDTH = 130;
    private static final double HEIGHT = 26;

    private final double share;

    /** @param share 0 the least of all, 1 the most; not a number where it was not measured */
    TraitScale(double share, Theme theme) {
        super(theme);
        this.share = share;
        setMinSize(WIDTH, HEIGHT);
        setPrefSize(WIDTH, HEIGHT);
        setMaxSize(WIDTH, HEIGHT);
        setMouseTransparent(true);
        redraw();
    }

    @Override
    protected void draw(GraphicsContext g, double w, double h, Inks inks) {
        double y = h / 2;
        double right = w - 3 * EDGE;
        g.setStroke(inks.rule());
        g.strokeLine(EDGE, y, right, y);
        for (double x : new double[]{EDGE, right}) g.strokeLine(x, y - 3, x, y + 3);
        if (Double.isFinite(share)) Marks.diamond(g, EDGE + share * (right - EDGE), y, inks);
    }
}
