package verisonus.casebook.sheet.write;

import verisonus.casebook.sheet.page.Drawing;
import verisonus.core.work.Figures;

/** A drawing as SVG that stands in an HTML page; its title and what its curves are is said to those who cannot see it. */
final class SvgDrawing {
    private static final int WIDTH = 640;
    private static final int HEIGHT = 240;
    private static final int LEFT = 52;
    private static final int BOTTOM = 40;
    private static final int TOP = 34;
    private static final int RIGHT = 12;

    private SvgDrawing() {}

    static String of(Drawing d) {
        StringBuilder out = new StringBuilder();
        add(out, "<figure><svg role=\"img\" viewBox=\"0 0 %d %d\">", WIDTH, HEIGHT);
        add(out, "<title>%s</title>", escaped(d.title()));
        for (Drawing.Tick t : d.acrossTicks()) {
            double x = x(d.acrossShare(t.at()));
            add(out, "<path d=\"M%.1f %d V%d\" class=\"rule\"/>", x, TOP, HEIGHT - BOTTOM);
            add(out, "<text x=\"%.1f\" y=\"%d\" text-anchor=\"middle\">%s</text>", x, HEIGHT - BOTTOM + 14,
                    escaped(t.words()));
        }
        for (Drawing.Tick t : d.upTicks()) {
            double y = y(d.upShare(t.at()));
            add(out, "<path d=\"M%d %.1f H%d\" class=\"rule\"/>", LEFT, y, WIDTH - RIGHT);
            add(out, "<text x=\"%d\" y=\"%.1f\" text-anchor=\"end\">%s</text>", LEFT - 6, y + 4, escaped(t.words()));
        }
        add(out, "<text x=\"%d\" y=\"%d\" text-anchor=\"end\">%s</text>", WIDTH - RIGHT, HEIGHT - 8,
                escaped(d.across()));
        add(out, "<text x=\"4\" y=\"14\">%s</text>", escaped(d.up()));
        double legend = LEFT + 70;
        for (Drawing.Curve c : d.curves()) {
            add(out, "<path d=\"%s\" fill=\"none\" stroke=\"%s\" stroke-width=\"1.8\" stroke-dasharray=\"%s\"/>",
                    path(d, c), c.ink().colour(), c.ink().dash());
            add(out, "<path d=\"M%.0f 10 h26\" stroke=\"%s\" stroke-width=\"1.8\" stroke-dasharray=\"%s\"/>", legend,
                    c.ink().colour(), c.ink().dash());
            add(out, "<text x=\"%.0f\" y=\"14\">%s</text>", legend + 32, escaped(c.name()));
            legend += 52 + 7.0 * c.name().length();
        }
        add(out, "</svg><figcaption>%s</figcaption></figure>", escaped(d.title()));
        return out.toString();
    }

    private static String path(Drawing d, Drawing.Curve c) {
        StringBuilder out = new StringBuilder();
        double[] xs = c.x();
        double[] ys = c.y();
        for (int i = 0; i < xs.length; i++)
            add(out, "%s%.1f %.1f", i == 0 ? "M" : " L", x(d.acrossShare(xs[i])), y(d.upShare(ys[i])));
        return out.toString();
    }

    private static double x(double share) {
        return LEFT + share * (WIDTH - LEFT - RIGHT);
    }

    private static double y(double share) {
        return HEIGHT - BOTTOM - share * (HEIGHT - BOTTOM - TOP);
    }

    private static void add(StringBuilder out, String format, Object... values) {
        out.append(Figures.of(format, values));
    }

    static String escaped(String text) {
        return text.replace("&", "&amp;").replace("<", "&lt;").replace(">", "&gt;").replace("\"", "&quot;");
    }
}
