package verisonus.desktop.perform;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import javafx.geometry.VPos;
import javafx.scene.Cursor;
import javafx.scene.canvas.GraphicsContext;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import javafx.scene.input.MouseEvent;
import javafx.scene.text.Font;
import javafx.scene.text.FontWeight;
import javafx.scene.text.TextAlignment;
import verisonus.core.perform.Noticed;
import verisonus.core.perform.VariantMatrix;
import verisonus.core.work.Figures;
import verisonus.desktop.theme.Drawing;
import verisonus.desktop.theme.Inks;
import verisonus.desktop.theme.LetterMark;
import verisonus.desktop.theme.Marks;
import verisonus.desktop.theme.Theme;

/**
 * Every sound as a letter on the scales of what a listener notices. A letter that is dragged, or moved by the arrow keys and let go with
 * Enter, asks for a sound that stands there; the tone's own letter stays.
 */
final class NoticedScales extends Drawing {
    private static final double LOWEST_ROW = 27;
    private static final double TALLEST_ROW = 42;
    private static final double TOP = 10;
    private static final double LEFT = 178;
    private static final double RIGHT = 76;
    /** How far letters that stand at one place are lifted, as a share of the row. */
    private static final double STACKED = 0.29;
    private static final double NEAR = 15;
    /** More than that would reach the scale above. */
    private static final int HIGHEST = 3;
    private static final int TICKS = 10;
    private static final double STEP = 0.025;
    private static final double FINE_STEP = 0.005;

    private final VariantsModel model;
    private final VariantMaker maker;
    private Optional<Held> held = Optional.empty();
    private Optional<Spot> under = Optional.empty();
    private int row;

    /** A letter on its way. @param place on its scale, 0 to 1 */
    private record Held(String name, Noticed what, double place) {}

    /** Where a letter is drawn. */
    private record Spot(int letter, String name, Noticed what, double value, double x, double y) {}

    NoticedScales(VariantsModel model, VariantMaker maker, Theme theme) {
        super(theme);
        this.model = model;
        this.maker = maker;
        setId("noticed");
        setFocusTraversable(true);
        setMinHeight(TOP + LOWEST_ROW * Noticed.values().length);
        setPrefHeight(TOP + TALLEST_ROW * Noticed.values().length);
        setMinWidth(420);
        setOnMousePressed(this::press);
        setOnMouseDragged(this::drag);
        setOnMouseReleased(_ -> let());
        setOnMouseMoved(this::look);
        setOnKeyPressed(this::key);
        focusedProperty().subscribe(this::redraw);
        model.changed(this::show);
        show();
    }

    private void show() {
        held = Optional.empty();
        setAccessibleText(said());
        redraw();
    }

    /** What the focused scale says, for whoever does not see it. */
    private String said() {
        Noticed what = Noticed.values()[row];
        List<String> all = new ArrayList<>();
        for (Spot s : spots(1000)) if (s.what == what) all.add(LetterMark.letter(s.letter) + " " + figure(s));
        return what.words() + ", " + what.less() + " to " + what.more() + ": " + String.join(", ", all)
                + ". Left and right move the chosen sound, Enter makes it.";
    }

    private List<Spot> spots(double w) {
        List<Spot> out = new ArrayList<>();
        Optional<VariantMatrix> m = model.matrix().get();
        if (m.isEmpty()) return out;
        List<VariantMatrix.Row> rows = m.get().rows();
        for (Noticed n : Noticed.values()) {
            List<Double> taken = new ArrayList<>();
            for (int i = 0; i < rows.size(); i++) {
                String name = i == 0 ? "" : rows.get(i).name();
                OptionalDouble v = rows.get(i).notices().shown(n, rows.getFirst().notices());
                if (v.isEmpty()) continue;
                double place = held.filter(h -> h.name.equals(name) && h.what == n).map(Held::place)
                        .orElse(n.scale().place(v.getAsDouble()));
                double x = LEFT + place * (w - LEFT - RIGHT);
                long over = taken.stream().filter(t -> Math.abs(t - x) < NEAR).count();
                taken.add(x);
                out.add(new Spot(i, name, n, n.scale().valueAt(place), x + NEAR * (over / HIGHEST),
                        y(n) - STACKED * rowHeight() * (over % HIGHEST)));
            }
        }
        return out;
    }

    private double rowHeight() {
        return Math.clamp((getHeight() - TOP) / Noticed.values().length, LOWEST_ROW, TALLEST_ROW);
    }

    private double y(Noticed n) {
        return Math.rint(TOP + rowHeight() * (n.ordinal() + 0.72)) + 0.5;
    }

    private Optional<Spot> at(MouseEvent e) {
        return spots(getWidth()).reversed().stream()
                .filter(s -> Math.hypot(s.x - e.getX(), s.y - e.getY()) < NEAR * 0.75).findFirst();
    }

    private void look(MouseEvent e) {
        under = at(e);
        setCursor(under.filter(s -> !s.name.isEmpty()).isPresent()
                ? Cursor.H_RESIZE
                : Cursor.DEFAULT);
        redraw();
    }

    private void press(MouseEvent e) {
        requestFocus();
        at(e).ifPresent(s -> {
            row = s.what.ordinal();
            model.choose(s.name);
            if (!s.name.isEmpty()) held = Optional.of(new Held(s.name, s.what, s.what.scale().place(s.value)));
        });
        redraw();
    }

    private void drag(MouseEvent e) {
        held = held.map(h -> new Held(h.name, h.what,
                Math.clamp((e.getX() - LEFT) / (getWidth() - LEFT - RIGHT), 0, 1)));
        under = spots(getWidth()).stream().filter(s -> held.filter(h -> h.name.equals(s.name) && h.what == s.what)
                .isPresent()).findFirst();
        redraw();
    }

    private void let() {
        Optional<Held> to = held;
        held = Optional.empty();
        under = Optional.empty();
        to.filter(h -> moved(h)).ifPresent(h -> maker.move(h.name, h.what, h.what.scale().valueAt(h.place)));
        redraw();
    }

    private boolean moved(Held h) {
        return model.row(h.name).flatMap(r -> model.row("").map(t -> r.notices().shown(h.what, t.notices())))
                .filter(OptionalDouble::isPresent)
                .filter(v -> Math.abs(h.what.scale().place(v.getAsDouble()) - h.place) > FINE_STEP / 2).isPresent();
    }

    private void key(KeyEvent e) {
        switch (e.getCode()) {
            case UP, DOWN -> {
                int by = e.getCode() == KeyCode.UP ? -1 : 1;
                row = Math.floorMod(row + by, Noticed.values().length);
                show();
            }
            case LEFT -> nudge(e.isShiftDown() ? -FINE_STEP : -STEP);
            case RIGHT -> nudge(e.isShiftDown() ? FINE_STEP : STEP);
            case ENTER -> let();
            case ESCAPE -> {
                if (held.isEmpty()) return;
                show();
            }
            default -> {
                return;
            }
        }
        e.consume();
    }

    private void nudge(double by) {
        Noticed what = Noticed.values()[row];
        String name = model.chosen().get();
        if (name.isEmpty()) return;
        spots(getWidth()).stream().filter(s -> s.name.equals(name) && s.what == what).findFirst().ifPresent(s -> {
            held = Optional.of(new Held(name, what, Math.clamp(what.scale().place(s.value) + by, 0, 1)));
            under = spots(getWidth()).stream().filter(x -> x.name.equals(name) && x.what == what).findFirst();
        });
        redraw();
    }

    private static String figure(Spot s) {
        if (s.what == Noticed.REPEATS && s.value <= s.what.scale().least()) return "none";
        String form = s.what == Noticed.DIRT ? "%.2f" : s.what.scale().relative() ? "%+.1f" : "%.1f";
        String unit = s.what.scale().unit();
        return Figures.read(form, s.value) + (unit.isEmpty() ? "" : " " + unit);
    }

    @Override
    protected void draw(GraphicsContext g, double w, double h, Inks inks) {
        g.setTextBaseline(VPos.CENTER);
        for (Noticed n : Noticed.values()) ruled(g, n, w, inks);
        List<Spot> spots = spots(w);
        for (Spot s : spots)
            if (!s.name.equals(model.chosen().get()))
                Marks.letter(g, s.x, s.y, LetterMark.letter(s.letter), false, inks);
        for (Spot s : spots)
            if (s.name.equals(model.chosen().get()))
                Marks.letter(g, s.x, s.y, LetterMark.letter(s.letter), true, inks);
        under.ifPresent(s -> value(g, s, w, inks));
        g.setTextAlign(TextAlignment.LEFT);
        g.setTextBaseline(VPos.BASELINE);
    }

    private void ruled(GraphicsContext g, Noticed n, double w, Inks inks) {
        double y = y(n);
        double width = w - LEFT - RIGHT;
        g.setTextAlign(TextAlignment.LEFT);
        g.setFill(inks.ink());
        g.setFont(Font.font(Theme.PLAIN, FontWeight.BOLD, Theme.SMALL + 1));
        g.fillText(n.words(), 4, y);
        g.setFont(Font.font(Theme.PLAIN, Theme.SMALL));
        g.setFill(inks.quiet());
        g.setTextAlign(TextAlignment.RIGHT);
        g.fillText(n.less(), LEFT - 14, y);
        g.setTextAlign(TextAlignment.LEFT);
        g.fillText(n.more(), w - RIGHT + 14, y);
        g.setStroke(inks.rule());
        g.strokeLine(LEFT, y, w - RIGHT, y);
        for (int i = 0; i <= TICKS; i++) {
            double x = LEFT + width * i / TICKS;
            double tall = i % 5 == 0 ? 5 : 3;
            g.strokeLine(x, y - tall, x, y + tall);
        }
        if (isFocused() && n.ordinal() == row) {
            g.setStroke(inks.ink());
            g.strokeRect(0.5, Math.round(y - rowHeight() / 2) + 0.5, w - 1, rowHeight() - 4);
        }
        if (unread(n)) {
            g.setFill(inks.quiet());
            g.fillText("no note rings alone long enough to tell", LEFT + 4, y - 10);
        }
    }

    private boolean unread(Noticed n) {
        return model.row("").filter(r -> r.notices().of(n).isEmpty()).isPresent();
    }

    private static void value(GraphicsContext g, Spot s, double w, Inks inks) {
        g.setTextAlign(TextAlignment.CENTER);
        g.setFill(inks.mine());
        g.setFont(Font.font(Theme.PLAIN, FontWeight.BOLD, Theme.SMALL));
        g.fillText(figure(s), Math.clamp(s.x, LEFT, w - 30), s.y - 17);
    }
}
