package verisonus.desktop.derive.gap;

import java.util.Optional;
import javafx.scene.canvas.GraphicsContext;
import verisonus.desktop.theme.AxisTicks;
import verisonus.desktop.theme.Drawing;
import verisonus.desktop.theme.Inks;
import verisonus.desktop.theme.Theme;

/** The reference's spectrum as a solid line, mine as a dashed one, the gap hatched. */
final class SpectrumView extends Drawing {
    private static final double BOTTOM = 18;
    private static final double RANGE_DB = 50;

    private Optional<Spectra> spectra = Optional.empty();

    SpectrumView(Theme theme) {
        super(theme);
        setAccessibleText("spectrum of reference and mine, levels matched");
    }

    void show(Optional<Spectra> shown) {
        spectra = shown;
        redraw();
    }

    @Override
    protected void draw(GraphicsContext g, double w, double h, Inks inks) {
        if (spectra.isEmpty()) return;
        Spectra s = spectra.get();
        int n = s.hz().length;
        double base = h - BOTTOM;
        double[] xs = new double[n];
        double[] ref = new double[n];
        double[] mine = new double[n];
        for (int i = 0; i < n; i++) {
            xs[i] = w * Math.log(s.hz()[i] / s.hz()[0]) / Math.log(s.hz()[n - 1] / s.hz()[0]);
            ref[i] = y(s.referenceDb()[i], base);
            mine[i] = y(s.mineDb()[i], base);
        }
        g.setStroke(inks.gap());
        for (int i = 0; i + 1 < n; i++) {
            for (double u = 0; u < 1; u += 0.5) {
                double x = xs[i] + u * (xs[i + 1] - xs[i]);
                double a = ref[i] + u * (ref[i + 1] - ref[i]);
                double b = mine[i] + u * (mine[i + 1] - mine[i]);
                if (Math.abs(a - b) > 1.5) g.strokeLine(x, a, x + 2, b);
            }
        }
        g.setLineWidth(1.5);
        g.setStroke(inks.reference());
        g.strokePolyline(xs, ref, n);
        g.setStroke(inks.mine());
        g.setLineDashes(5, 3);
        g.strokePolyline(xs, mine, n);
        g.setLineDashes();
        g.setLineWidth(1);
        g.setStroke(inks.rule());
        g.strokeLine(0, base, w, base);
        g.setFill(inks.quiet());
        for (double f : new double[]{100, 300, 1000, 3000}) {
            double x = w * Math.log(f / s.hz()[0]) / Math.log(s.hz()[n - 1] / s.hz()[0]);
            g.fillText(AxisTicks.frequency(f), x - 8, h - 4);
        }
        g.fillText("10 k Hz", w - 46, h - 4);
    }

    private static double y(double db, double base) {
        return 6 + (base - 8) * Math.clamp(-db / RANGE_DB, 0, 1);
    }
}
