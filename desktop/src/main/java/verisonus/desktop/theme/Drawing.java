package verisonus.desktop.theme;

import javafx.scene.canvas.Canvas;
import javafx.scene.canvas.GraphicsContext;
import javafx.scene.layout.Region;
import javafx.scene.text.Font;

/** A surface that is drawn anew whenever its size, its inks or what it shows change. */
public abstract class Drawing extends Region {
    private final Canvas canvas = new Canvas();
    private final Theme theme;

    protected Drawing(Theme theme) {
        this.theme = theme;
        getChildren().add(canvas);
        canvas.setManaged(false);
        theme.inks().subscribe(this::redraw);
    }

    /** Draws everything; the surface has been cleared. */
    protected abstract void draw(GraphicsContext g, double width, double height, Inks inks);

    /** Draws at the next chance when what is shown has changed. */
    public final void redraw() {
        double w = getWidth();
        double h = getHeight();
        if (w <= 0 || h <= 0) return;
        GraphicsContext g = canvas.getGraphicsContext2D();
        g.clearRect(0, 0, w, h);
        g.setLineDashes();
        g.setLineWidth(1);
        g.setFont(Font.font(Theme.PLAIN, Theme.SMALL));
        draw(g, w, h, theme.inks().get());
    }

    @Override
    protected void layoutChildren() {
        canvas.setWidth(getWidth());
        canvas.setHeight(getHeight());
        redraw();
    }
}
