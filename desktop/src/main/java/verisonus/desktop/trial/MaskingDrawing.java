package verisonus.desktop.trial;

import java.util.List;
import java.util.Optional;
import javafx.scene.canvas.GraphicsContext;
import verisonus.core.travel.NamedBand;
import verisonus.core.trial.layers.LayerMasking;
import verisonus.desktop.theme.Drawing;
import verisonus.desktop.theme.Inks;
import verisonus.desktop.theme.Theme;

/** Parts by bands: the share of each that is hidden as a bar, with the part that hides it. */
final class MaskingDrawing extends Drawing {
    private static final double LEFT = 130;
    private static final double LINE = 40;
    private static final double TOP = 22;

    private Optional<LayersModel.Found> shown = Optional.empty();

    MaskingDrawing(Theme theme) {
        super(theme);
        setMaxWidth(820);
    }

    void show(LayersModel.Found f) {
        shown = Optional.of(f);
        double h = TOP + LINE * f.parts().size() + 4;
        setMinHeight(h);
        setPrefHeight(h);
        setMaxHeight(h);
        setAccessibleText(f.hidden().isEmpty()
                ? "nothing is hidden"
                : String.join("; ", f.hidden().stream().map(LayerMasking::words).toList()));
        redraw();
    }

    @Override
    protected void draw(GraphicsContext g, double w, double h, Inks inks) {
        if (shown.isEmpty()) return;
        NamedBand[] bands = NamedBand.values();
        double wide = (w - LEFT) / bands.length;
        g.setFill(inks.quiet());
        for (NamedBand b : bands) g.fillText(b.words(), LEFT + wide * b.ordinal() + 4, 12);
        List<String> parts = shown.get().parts();
        for (int p = 0; p < parts.size(); p++) {
            double y = TOP + LINE * p;
            g.setFill(inks.ink());
            g.fillText(parts.get(p), 0, y + LINE / 2 + 4, LEFT - 10);
            g.setStroke(inks.rule());
            g.strokeLine(0, y, w, y);
            for (NamedBand b : bands) cell(g, parts.get(p), b, LEFT + wide * b.ordinal(), y, wide, inks);
        }
        g.strokeLine(0, TOP + LINE * parts.size(), w, TOP + LINE * parts.size());
    }

    private void cell(GraphicsContext g, String part, NamedBand band, double x, double y, double wide, Inks inks) {
        Optional<LayerMasking> worst = shown.orElseThrow().hidden().stream()
                .filter(m -> m.hidden().equals(part) && m.band() == band).findFirst();
        if (worst.isEmpty()) return;
        double bar = (wide - 12) * worst.get().share();
        g.setFill(inks.gap());
        g.fillRect(x + 4, y + LINE - 12, bar, 5);
        g.setFill(inks.quiet());
        g.fillText(worst.get().hider(), x + 4, y + 18, wide - 8);
    }
}
