package verisonus.casebook.sheet.write;

import java.awt.Color;
import java.io.IOException;
import verisonus.casebook.sheet.page.Drawing;

/** Draws a plot in lines of the page. */
final class PdfPlot {
    static final double HEIGHT = 190;
    private static final double LEFT = 40;
    private static final double BOTTOM = 30;
    private static final double TOP = 26;
    private static final double SIZE = 8;

    private final PdfCanvas canvas;
    private final PdfFonts fonts;

    PdfPlot(PdfCanvas canvas, PdfFonts fonts) {
        this.canvas = canvas;
        this.fonts = fonts;
    }

    void draw(Drawing d) throws IOException {
        double top = canvas.y() + TOP;
        double bottom = canvas.y() + HEIGHT - BOTTOM;
        double right = canvas.width();
        for (Drawing.Tick t : d.acrossTicks()) {
            double x = LEFT + d.acrossShare(t.at()) * (right - LEFT);
            canvas.line(x, top, x, bottom, PdfCanvas.RULE, 0.5);
            double half = fonts.width(t.words(), PdfFonts.Face.PLAIN, SIZE) / 2;
            canvas.text(t.words(), PdfFonts.Face.PLAIN, SIZE, PdfCanvas.QUIET, Math.min(x - half, right - 2 * half),
                    bottom + 11);
        }
        for (Drawing.Tick t : d.upTicks()) {
            double y = bottom - d.upShare(t.at()) * (bottom - top);
            canvas.line(LEFT, y, right, y, PdfCanvas.RULE, 0.5);
            canvas.text(t.words(), PdfFonts.Face.PLAIN, SIZE, PdfCanvas.QUIET,
                    LEFT - 5 - fonts.width(t.words(), PdfFonts.Face.PLAIN, SIZE), y + 3);
        }
        canvas.text(d.up(), PdfFonts.Face.PLAIN, SIZE, PdfCanvas.QUIET, 0, top - 12);
        canvas.text(d.across(), PdfFonts.Face.PLAIN, SIZE, PdfCanvas.QUIET,
                right - fonts.width(d.across(), PdfFonts.Face.PLAIN, SIZE), bottom + 23);
        double legend = LEFT + 70;
        for (Drawing.Curve c : d.curves()) {
            Color ink = Color.decode(c.ink().colour());
            float[] dash = dash(c.ink().dash());
            double[] xs = c.x();
            double[] ys = c.y();
            for (int i = 0; i < xs.length; i++) {
                xs[i] = LEFT + d.acrossShare(xs[i]) * (right - LEFT);
                ys[i] = bottom - d.upShare(ys[i]) * (bottom - top);
            }
            canvas.path(xs, ys, ink, 1.3, dash);
            canvas.line(legend, top - 15, legend + 22, top - 15, ink, 1.3, dash);
            canvas.text(c.name(), PdfFonts.Face.PLAIN, SIZE, PdfCanvas.INK, legend + 27, top - 12);
            legend += 45 + fonts.width(c.name(), PdfFonts.Face.PLAIN, SIZE);
        }
    }

    private static float[] dash(String words) {
        if (words.isEmpty()) return new float[0];
        String[] parts = words.split(" ", -1);
        float[] out = new float[parts.length];
        for (int i = 0; i < out.length; i++) out[i] = Float.parseFloat(parts[i]);
        return out;
    }
}
