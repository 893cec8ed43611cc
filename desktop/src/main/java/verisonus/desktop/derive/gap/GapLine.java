package verisonus.desktop.derive.gap;

import javafx.scene.canvas.GraphicsContext;
import verisonus.core.compare.GapRow;
import verisonus.desktop.theme.Drawing;
import verisonus.desktop.theme.Inks;
import verisonus.desktop.theme.Marks;
import verisonus.desktop.theme.Theme;

/** Reference, mine and the hatch between them. */
final class GapLine extends Drawing {
    private final GapRow row;

    GapLine(GapRow row, Theme theme) {
        super(theme);
        this.row = row;
        setMinHeight(16);
        setPrefHeight(16);
    }

    @Override
    protected void draw(GraphicsContext g, double w, double h, Inks inks) {
        GapScale scale = GapScale.of(row);
        double y = Math.floor(h / 2) + 0.5;
        double width = w - 12;
        g.setStroke(inks.rule());
        g.strokeLine(0, y, w, y);
        double a = 6 + width * scale.referenceShare();
        double b = 6 + width * scale.mineShare();
        Marks.hatch(g, a, b, y, inks);
        Marks.dot(g, a, y, inks);
        Marks.diamond(g, b, y, inks);
    }
}
