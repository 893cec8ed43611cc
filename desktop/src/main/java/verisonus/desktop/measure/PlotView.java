package verisonus.desktop.measure;

import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import javafx.scene.canvas.GraphicsContext;
import verisonus.core.evidence.signs.Plot;
import verisonus.core.work.Figures;
import verisonus.desktop.theme.AxisTicks;
import verisonus.desktop.theme.Drawing;
import verisonus.desktop.theme.Inks;
import verisonus.desktop.theme.Marks;
import verisonus.desktop.theme.Theme;

/** The curve that shows why a finding was made, with the place it rests on marked. */
final class PlotView extends Drawing {
    private static final double BOTTOM = 22;
    private static final double TOP = 22;

    private Optional<Plot> plot = Optional.empty();

    PlotView(Theme theme) {
        super(theme);
    }

    void show(Optional<Plot> shown) {
        plot = shown;
        setAccessibleText(shown.map(p -> "curve: " + p.title()).orElse("no curve"));
        redraw();
    }

    @Override
    protected void draw(GraphicsContext g, double w, double h, Inks inks) {
        if (plot.isEmpty() || plot.get().x().length < 2) return;
        Plot p = plot.get();
        double[] x = p.x();
        double[] y = p.y();
        boolean log = p.xUnit().equals("Hz");
        double low = Arrays.stream(y).min().orElse(0);
        double high = Arrays.stream(y).max().orElse(1);
        if (log) low = Math.max(low, high - 50);
        double range = Math.max(1e-9, high - low);
        double base = h - BOTTOM;
        double[] xs = new double[x.length];
        double[] ys = new double[x.length];
        for (int i = 0; i < x.length; i++) {
            xs[i] = place(x[i], x[0], x[x.length - 1], log) * w;
            ys[i] = base - (base - TOP) * Math.max(0, y[i] - low) / range;
        }
        drawAxis(g, p, w, h, inks);
        g.setStroke(inks.reference());
        g.setLineWidth(1.3);
        g.strokePolyline(xs, ys, xs.length);
        g.setLineWidth(1);
        for (double mark : p.marksX()) drawMark(g, p, mark, w, xs, ys, inks);
    }

    private static double place(double v, double from, double to, boolean log) {
        return log ? Math.log(v / from) / Math.log(to / from) : (v - from) / (to - from);
    }

    private static void drawAxis(GraphicsContext g, Plot p, double w, double h, Inks inks) {
        double[] x = p.x();
        boolean log = p.xUnit().equals("Hz");
        double from = x[0];
        double to = x[x.length - 1];
        g.setStroke(inks.rule());
        g.strokeLine(0, h - BOTTOM, w, h - BOTTOM);
        g.setFill(inks.quiet());
        List<Double> ticks = log ? AxisTicks.logarithmic(from, to) : AxisTicks.linear(from, to, 6);
        for (double t : ticks) {
            double at = place(t, from, to, log) * w;
            g.strokeLine(at, h - BOTTOM, at, h - BOTTOM + 4);
            if (at < w - 56 && at > 6) g.fillText(log ? AxisTicks.frequency(t) : AxisTicks.number(t), at - 8, h - 6);
        }
        g.fillText(p.xUnit(), w - 8 * p.xUnit().length(), h - 6);
    }

    private static void drawMark(GraphicsContext g, Plot p, double mark, double w, double[] xs, double[] ys,
            Inks inks) {
        double[] x = p.x();
        boolean log = p.xUnit().equals("Hz");
        double at = place(mark, x[0], x[x.length - 1], log) * w;
        int near = 0;
        for (int i = 0; i < xs.length; i++) if (Math.abs(xs[i] - at) < Math.abs(xs[near] - at)) near = i;
        // The highest point within two points' reach: thinning may have moved the peak by one.
        for (int i = Math.max(0, near - 2); i <= Math.min(xs.length - 1, near + 2); i++) if (ys[i] < ys[near]) near = i;
        Marks.dot(g, at, ys[near], inks);
        g.setFill(inks.ink());
        String label = Figures.read("%.1f %s", mark, p.xUnit());
        double width = 7.2 * label.length();
        g.fillText(label, at + 10 + width > w ? at - 10 - width : at + 10, Math.max(14, ys[near] + 4));
    }
}
