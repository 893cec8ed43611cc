package verisonus.desktop.theme;

import javafx.scene.paint.Color;
import verisonus.core.work.Figures;

/**
 * The colours of one mode. The reference is always plum, what the player makes always teal, the gap between them ochre.
 *
 * @param paper behind everything
 * @param sheet raised parts and fields
 * @param rule thin lines
 * @param ink text
 * @param quiet secondary text
 */
public record Inks(Color paper, Color sheet, Color rule, Color ink, Color quiet, Color reference, Color mine, Color gap,
        Color warning) {
    static final Inks DAY = of("F7F4EE", "FFFDF9", "D9D2C5", "22252B", "66645F", "6A2C70", "0B6E6E", "B97A12",
            "A8322A");
    static final Inks NIGHT = of("17181B", "202226", "3A3C41", "ECE7DC", "A5A19A", "D6A0DC", "63C9C3", "E0B45C",
            "F08A7F");

    private static Inks of(String... hex) {
        Color[] c = new Color[hex.length];
        for (int i = 0; i < c.length; i++) c[i] = Color.web(hex[i]);
        return new Inks(c[0], c[1], c[2], c[3], c[4], c[5], c[6], c[7], c[8]);
    }

    /** The colours as looked-up names for the stylesheets. */
    String css() {
        return "-paper:" + hex(paper) + ";-sheet:" + hex(sheet) + ";-rule:" + hex(rule) + ";-ink:" + hex(ink)
                + ";-quiet:" + hex(quiet) + ";-reference:" + hex(reference) + ";-mine:" + hex(mine) + ";-gap:"
                + hex(gap) + ";-warning:" + hex(warning) + ";";
    }

    private static String hex(Color c) {
        return Figures.of("#%02x%02x%02x", Math.round(c.getRed() * 255),
                Math.round(c.getGreen() * 255), Math.round(c.getBlue() * 255));
    }

    /** Contrast of two colours, 1 to 21 (WCAG 2.1, relative luminance). */
    static double contrast(Color a, Color b) {
        double x = luminance(a);
        double y = luminance(b);
        return (Math.max(x, y) + 0.05) / (Math.min(x, y) + 0.05);
    }

    private static double luminance(Color c) {
        return 0.2126 * linear(c.getRed()) + 0.7152 * linear(c.getGreen()) + 0.0722 * linear(c.getBlue());
    }

    private static double linear(double v) {
        return v <= 0.04045 ? v / 12.92 : Math.pow((v + 0.055) / 1.055, 2.4);
    }
}
