package verisonus.desktop.listen;

import java.util.List;
import java.util.Optional;
import javafx.scene.canvas.GraphicsContext;
import javafx.scene.input.KeyEvent;
import javafx.scene.input.MouseEvent;
import javafx.scene.input.ScrollEvent;
import javafx.scene.paint.Color;
import verisonus.casebook.store.Region;
import verisonus.core.evidence.study.Course;
import verisonus.core.evidence.study.Passage;
import verisonus.core.work.Figures;
import verisonus.desktop.desk.OpenCase;
import verisonus.desktop.player.PlayerModel;
import verisonus.desktop.theme.AxisTicks;
import verisonus.desktop.theme.Drawing;
import verisonus.desktop.theme.Inks;
import verisonus.desktop.theme.Theme;

/** Ribbons over one time axis, one a property; regions are marked by dragging across them. */
final class RibbonView extends Drawing {
    private static final double LABELS = 96;
    private static final double TOP = 36;
    private static final double BOTTOM = 24;

    /** One property: its name, its values and the range they are drawn in. */
    private record Ribbon(String name, String unit, float[] values, double low, double high) {}

    private final ListenModel model;
    private double dragFromS = -1;
    private double dragToS = -1;

    RibbonView(ListenModel model, Theme theme) {
        super(theme);
        this.model = model;
        setFocusTraversable(true);
        setAccessibleText(
                "Ribbons of level, brightness, body, width and guitar alone over time; drag to mark a region, wheel to move,"
                        + " Ctrl and wheel or + and - to zoom, Home for all of it");
        model.course().subscribe(this::redraw);
        model.desk().open().subscribe(this::redraw);
        model.desk().player().positionS().subscribe(this::redraw);
        setOnMousePressed(this::press);
        setOnMouseDragged(this::drag);
        setOnMouseReleased(_ -> release());
        model.view().subscribe(this::redraw);
        model.proposals().subscribe(this::redraw);
        setOnScroll(this::scroll);
        setOnKeyPressed(this::key);
    }

    /** The wheel moves along; with Ctrl it zooms about the pointer. */
    private void scroll(ScrollEvent e) {
        if (e.isControlDown()) {
            model.zoom(e.getDeltaY() > 0 ? 0.8 : 1.25, axis().timeS(e.getX()));
        } else {
            double turned = Math.abs(e.getDeltaX()) > Math.abs(e.getDeltaY()) ? e.getDeltaX() : e.getDeltaY();
            model.scroll(-Math.signum(turned) * 0.12);
        }
        e.consume();
    }

    private void key(KeyEvent e) {
        double middle = axis().fromS() + axis().spanS() / 2;
        switch (e.getCode()) {
            case PLUS, EQUALS, ADD -> model.zoom(0.7, middle);
            case MINUS, SUBTRACT -> model.zoom(1.4, middle);
            case LEFT -> model.scroll(-0.2);
            case RIGHT -> model.scroll(0.2);
            case HOME -> model.zoom(1e6, middle);
            default -> {
                return;
            }
        }
        e.consume();
    }

    private TimeAxis axis() {
        PlayerModel.Span v = model.view().get();
        return new TimeAxis(LABELS, Math.max(1, getWidth() - LABELS - 8), v.fromS(),
                Math.max(0.01, v.toS() - v.fromS()));
    }

    private void press(MouseEvent e) {
        requestFocus();
        dragFromS = axis().timeS(e.getX());
        dragToS = dragFromS;
    }

    private void drag(MouseEvent e) {
        dragToS = axis().timeS(e.getX());
        redraw();
    }

    /** A drag marks a region; a click goes there, or chooses the region it is in. */
    private void release() {
        double from = dragFromS;
        double to = dragToS;
        dragFromS = -1;
        dragToS = -1;
        if (Math.abs(to - from) >= 0.5) {
            model.mark(from, to);
        } else if (from >= 0) {
            regions().stream().filter(r -> from >= r.fromS() && from <= r.toS()).findFirst()
                    .ifPresent(model.desk()::chooseRegion);
            model.desk().player().seek(from);
        }
        redraw();
    }

    private List<Region> regions() {
        return model.desk().open().get().map(OpenCase::regions).orElse(List.of());
    }

    @Override
    protected void draw(GraphicsContext g, double w, double h, Inks inks) {
        TimeAxis axis = axis();
        Optional<Course> course = model.course().get();
        if (course.isEmpty()) return;
        drawRegions(g, axis, h, inks);
        Course c = course.get();
        List<Ribbon> ribbons = List.of(new Ribbon("level", "dBFS", c.levelDb(), -70, 0),
                new Ribbon("brightness", "Hz", c.brightnessHz(), 200, 3200),
                new Ribbon("body", "dB", c.bodyDb(), -20, 0), new Ribbon("width", "dB", c.widthDb(), -40, 6),
                new Ribbon("guitar alone", "", c.alone(), 0, 1));
        double each = (h - TOP - BOTTOM) / ribbons.size();
        for (int i = 0; i < ribbons.size(); i++) {
            drawRibbon(g, ribbons.get(i), c.stepS(), axis, TOP + i * each, each, inks);
        }
        drawAxis(g, axis, h, inks);
        g.setStroke(inks.ink());
        drawProposals(g, axis, h, inks);
        double at = model.desk().player().positionS().get();
        if (at < axis.fromS() || at > axis.toS()) return;
        g.setStroke(inks.ink());
        g.strokeLine(axis.x(at), TOP - 8, axis.x(at), h - BOTTOM);
    }

    /** Proposals as brackets under the ribbons: nothing is marked until the player says so. */
    private void drawProposals(GraphicsContext g, TimeAxis axis, double h, Inks inks) {
        g.setStroke(inks.gap());
        for (Passage p : model.openProposals()) {
            double a = Math.max(axis.left(), axis.x(p.fromS()));
            double b = Math.min(axis.left() + axis.width(), axis.x(p.toS()));
            if (b <= axis.left() || a >= axis.left() + axis.width()) continue;
            double y = h - BOTTOM - 4;
            g.strokeLine(a, y, b, y);
            g.strokeLine(a, y - 5, a, y);
            g.strokeLine(b, y - 5, b, y);
        }
    }

    private void drawRegions(GraphicsContext g, TimeAxis axis, double h, Inks inks) {
        Optional<Region> chosen = model.desk().open().get().flatMap(OpenCase::region);
        double labelEnds = 0;
        for (Region r : regions()) {
            boolean studied = chosen.filter(r::equals).isPresent();
            double x = Math.max(axis.left(), axis.x(r.fromS()));
            double width = Math.min(axis.left() + axis.width(), axis.x(r.toS())) - x;
            if (width <= 0) continue;
            Color plum = inks.reference();
            g.setFill(Color.color(plum.getRed(), plum.getGreen(), plum.getBlue(), studied ? 0.13 : 0.05));
            g.fillRect(x, TOP - 6, width, h - TOP - BOTTOM + 6);
            g.setStroke(plum);
            g.setLineWidth(studied ? 2 : 1);
            g.strokeLine(x, TOP - 6, x + width, TOP - 6);
            g.setLineWidth(1);
            if (x < labelEnds) continue;
            g.setFill(studied ? plum : inks.quiet());
            String label = Figures.of("%s  %.1f s", r.role().words(), r.lengthS());
            g.fillText(label, x + 2, TOP - 12);
            labelEnds = x + 6.5 * label.length();
        }
        if (dragFromS >= 0 && dragToS != dragFromS) {
            Color ink = inks.ink();
            g.setFill(Color.color(ink.getRed(), ink.getGreen(), ink.getBlue(), 0.12));
            double a = axis.x(Math.min(dragFromS, dragToS));
            g.fillRect(a, TOP - 6, axis.x(Math.max(dragFromS, dragToS)) - a, h - TOP - BOTTOM + 6);
        }
    }

    private static void drawRibbon(GraphicsContext g, Ribbon r, double stepS, TimeAxis axis, double top, double height,
            Inks inks) {
        double base = top + height - 10;
        double tall = height - 24;
        g.setStroke(inks.rule());
        g.strokeLine(axis.left(), base, axis.left() + axis.width(), base);
        g.setFill(inks.ink());
        g.fillText(r.name, 0, top + height / 2 - 2);
        g.setFill(inks.quiet());
        g.fillText(r.unit.isEmpty() ? "likely" : "to " + AxisTicks.number(r.high) + " " + r.unit, 0,
                top + height / 2 + 13);
        Color plum = inks.reference();
        g.setFill(Color.color(plum.getRed(), plum.getGreen(), plum.getBlue(), 0.28));
        int points = (int) axis.width();
        double[] xs = new double[points + 2];
        double[] ys = new double[points + 2];
        for (int p = 0; p < points; p++) {
            xs[p] = axis.left() + p;
            ys[p] = base - tall * share(r, strongest(r.values, stepS, axis, p));
        }
        xs[points] = axis.left() + points;
        ys[points] = base;
        xs[points + 1] = axis.left();
        ys[points + 1] = base;
        g.fillPolygon(xs, ys, points + 2);
        g.setStroke(plum);
        g.strokePolyline(xs, ys, points);
    }

    /** The largest value of those that fall on one point. */
    private static float strongest(float[] values, double stepS, TimeAxis axis, int point) {
        double perPoint = axis.spanS() / axis.width();
        int from = (int) ((axis.fromS() + point * perPoint) / stepS);
        int to = Math.max(from + 1, (int) ((axis.fromS() + (point + 1) * perPoint) / stepS));
        float top = values[Math.clamp(from, 0, values.length - 1)];
        for (int i = from; i < Math.min(to, values.length); i++) top = Math.max(top, values[i]);
        return top;
    }

    private static double share(Ribbon r, double v) {
        if (r.unit.equals("Hz")) return v <= 0 ? 0 : Math.clamp(Math.log(v / r.low) / Math.log(r.high / r.low), 0, 1);
        return Math.clamp((v - r.low) / (r.high - r.low), 0, 1);
    }

    private static void drawAxis(GraphicsContext g, TimeAxis axis, double h, Inks inks) {
        g.setFill(inks.quiet());
        g.setStroke(inks.rule());
        for (double t : AxisTicks.linear(axis.fromS(), axis.toS(), 12)) {
            double x = axis.x(t);
            g.strokeLine(x, h - BOTTOM, x, h - BOTTOM + 4);
            g.fillText(AxisTicks.time(t, axis.spanS() < 12), x - 10, h - 6);
        }
    }
}
