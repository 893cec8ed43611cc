package verisonus.desktop.travel;

import java.util.List;
import java.util.Optional;
import javafx.scene.canvas.GraphicsContext;
import verisonus.core.travel.Journey;
import verisonus.core.travel.Travelled;
import verisonus.core.work.Figures;
import verisonus.desktop.theme.Drawing;
import verisonus.desktop.theme.Inks;
import verisonus.desktop.theme.Theme;

/** The record and mine as they arrive on a system; what the system and the ear add or take is hatched from a line of its own. */
final class ResponsePlot extends Drawing {
    private static final double FROM_HZ = 50;
    private static final double TO_HZ = 12600;
    private static final double RANGE_DB = 48;
    private static final double LEFT = 30;
    private static final double BOTTOM = 18;
    private static final double TOP = 20;
    /** Where in the plot the hatch has its line, and what a decibel of it is high. */
    private static final double LINE_SHARE = 0.24;
    private static final double HATCH_DB = 26;
    private static final double[] MARKED_HZ = {100, 250, 500, 1000, 2500, 5000, 10000};

    private Optional<Travelled> shown = Optional.empty();

    ResponsePlot(Theme theme) {
        super(theme);
        setMinSize(430, 250);
        setPrefSize(430, 250);
        setMaxHeight(250);
    }

    void show(Optional<Travelled> travelled) {
        shown = travelled;
        setAccessibleText(travelled.map(t -> "spectrum of the record and mine on the " + t.system().name()
                + ", and what that changes by frequency").orElse("no spectrum"));
        redraw();
    }

    private static double x(double hz, double w) {
        return LEFT + Math.log(hz / FROM_HZ) / Math.log(TO_HZ / FROM_HZ) * (w - LEFT - 6);
    }

    @Override
    protected void draw(GraphicsContext g, double w, double h, Inks inks) {
        if (shown.isEmpty()) return;
        Travelled t = shown.get();
        double base = h - BOTTOM;
        g.setStroke(inks.rule());
        for (double hz : MARKED_HZ) {
            g.strokeLine(x(hz, w), TOP, x(hz, w), base);
            g.setFill(inks.quiet());
            g.fillText(
                    hz < 1000
                            ? Figures.of("%.0f", hz)
                            : Figures.of("%.1fk", hz / 1000).replace(".0", ""),
                    x(hz, w) - 8, h - 4);
        }
        for (double db = 0; db >= -RANGE_DB; db -= 12) {
            double y = y(db, base);
            g.strokeLine(LEFT, y, w - 6, y);
            g.fillText(Figures.read("%.0f", db), 0, y + 4);
        }
        hatch(g, t, w, base, inks);
        if (!t.referenceHeardDb().isEmpty()) curve(g, t.referenceHeardDb(), w, base, inks, true);
        curve(g, t.heardDb(), w, base, inks, false);
        legend(g, t, w, inks);
    }

    private static double y(double db, double base) {
        return TOP + Math.clamp(-db / RANGE_DB, 0, 1) * (base - TOP);
    }

    private static void hatch(GraphicsContext g, Travelled t, double w, double base, Inks inks) {
        double line = TOP + (base - TOP) * LINE_SHARE + (base - TOP) * 0.5;
        double[] hz = Journey.thirdsHz();
        g.setStroke(inks.quiet());
        g.setLineWidth(0.8);
        g.strokeLine(LEFT, line, w - 6, line);
        double unit = (base - line) / HATCH_DB;
        for (double x = LEFT; x < w - 6; x += 5) {
            double f = FROM_HZ * Math.pow(TO_HZ / FROM_HZ, (x - LEFT) / (w - LEFT - 6));
            double db = Math.clamp(at(hz, t.thirdsDb(), f), -HATCH_DB, HATCH_DB);
            g.strokeLine(x, line, x + 2, line - db * unit);
        }
        g.setLineWidth(1);
    }

    private static double at(double[] hz, List<Double> db, double f) {
        if (f <= hz[0]) return db.get(0);
        for (int b = 1; b < hz.length; b++) {
            if (f > hz[b]) continue;
            double share = Math.log(f / hz[b - 1]) / Math.log(hz[b] / hz[b - 1]);
            return (1 - share) * db.get(b - 1) + share * db.get(b);
        }
        return db.get(db.size() - 1);
    }

    private static void curve(GraphicsContext g, List<Double> db, double w, double base, Inks inks, boolean reference) {
        double[] hz = Journey.thirdsHz();
        g.setStroke(reference ? inks.reference() : inks.mine());
        g.setLineWidth(1.7);
        if (!reference) g.setLineDashes(6, 3);
        g.beginPath();
        boolean begun = false;
        for (int b = 0; b < hz.length; b++) {
            if (hz[b] < FROM_HZ * 0.99 || hz[b] > TO_HZ) continue;
            if (begun) g.lineTo(x(hz[b], w), y(db.get(b), base));
            else g.moveTo(x(hz[b], w), y(db.get(b), base));
            begun = true;
        }
        g.stroke();
        g.setLineDashes();
        g.setLineWidth(1);
    }

    private static void legend(GraphicsContext g, Travelled t, double w, Inks inks) {
        double x = LEFT + 4;
        if (!t.referenceHeardDb().isEmpty()) {
            g.setFill(inks.reference());
            g.fillText("● record", x, 12);
            x += 70;
        }
        g.setFill(inks.mine());
        g.fillText("◇ mine, both as they arrive", x, 12);
        g.setFill(inks.quiet());
        g.fillText("||| what is added or taken", Math.max(x + 170, w - 170), 12);
    }
}
