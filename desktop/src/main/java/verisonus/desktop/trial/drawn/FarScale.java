package verisonus.desktop.trial.drawn;

import java.util.OptionalDouble;
import javafx.scene.canvas.GraphicsContext;
import verisonus.desktop.theme.Drawing;
import verisonus.desktop.theme.Inks;
import verisonus.desktop.theme.Marks;
import verisonus.desktop.theme.Theme;

/** How far a sound lies from the one that all are held against: its diamond on a scale of steps, the way hatched. */
public final class FarScale extends Drawing {
    private static final double EDGE = 10;
    private static final int STEPS = 5;

    private final OptionalDouble jnd;
    private final boolean first;

    /**
     * @param jnd empty: not known, so that nothing but the scale is drawn
     * @param first whether it is the one that the others are held against
     */
    public FarScale(OptionalDouble jnd, boolean first, Theme theme) {
        super(theme);
        this.jnd = jnd;
        this.first = first;
        setMinSize(180, 28);
        setPrefSize(420, 28);
        setMouseTransparent(true);
    }

    @Override
    protected void draw(GraphicsContext g, double w, double h, Inks inks) {
        double y = Math.floor(h / 2) + 0.5;
        double width = w - 2 * EDGE;
        g.setStroke(inks.rule());
        g.strokeLine(EDGE, y, EDGE + width, y);
        for (int i = 1; i <= STEPS; i++) {
            double x = EDGE + width * i / STEPS;
            g.strokeLine(x, y - 4, x, y + 4);
        }
        if (jnd.isPresent() && !first) {
            double x = EDGE + width * Math.clamp(jnd.getAsDouble() / STEPS, 0, 1);
            Marks.hatch(g, EDGE, x, y, inks);
            Marks.diamond(g, x, y, inks);
        }
        Marks.dot(g, EDGE, y, inks);
    }

    /** The steps' names below all scales. */
    public static final class Axis extends Drawing {
        public Axis(Theme theme) {
            super(theme);
            setMinSize(180, 18);
            setPrefSize(420, 18);
            setMouseTransparent(true);
        }

        @Override
        protected void draw(GraphicsContext g, double w, double h, Inks inks) {
            double width = w - 2 * EDGE;
            g.setFill(inks.quiet());
            g.fillText("same", EDGE - 6, 12);
            for (int i = 1; i < STEPS; i++) g.fillText(String.valueOf(i), EDGE + width * i / STEPS - 3, 12);
            g.fillText(STEPS + " JND", EDGE + width - 30, 12);
        }
    }
}
