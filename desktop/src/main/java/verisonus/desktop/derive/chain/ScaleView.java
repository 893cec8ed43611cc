package verisonus.desktop.derive.chain;

import java.util.Optional;
import javafx.scene.canvas.GraphicsContext;
import javafx.scene.input.KeyEvent;
import javafx.scene.input.MouseEvent;
import verisonus.core.search.Tolerance;
import verisonus.desktop.theme.Drawing;
import verisonus.desktop.theme.Inks;
import verisonus.desktop.theme.Marks;
import verisonus.desktop.theme.Theme;

/** One setting on a ruled scale: a diamond for the value, a bracket for how far it can move unheard. Dragged or stepped. */
public final class ScaleView extends Drawing {
    private static final double EDGE = 8;

    private final SettingRow row;
    private final ChainModel model;
    private Optional<Double> held = Optional.empty();

    ScaleView(SettingRow row, ChainModel model, Theme theme) {
        super(theme);
        this.row = row;
        this.model = model;
        setFocusTraversable(true);
        setMinSize(84, 26);
        setPrefSize(136, 26);
        setAccessibleText(
                row.block().model().name() + " " + row.control().name() + ", " + row.display(model.session().rig())
                        + ". "
                        + row.control().about());
        setOnMousePressed(_ -> requestFocus());
        setOnMouseDragged(this::drag);
        setOnMouseReleased(_ -> let());
        setOnKeyPressed(this::key);
        setOnKeyReleased(e -> {
            switch (e.getCode()) {
                case LEFT, RIGHT -> let();
                default -> {
                }
            }
        });
        focusedProperty().subscribe(this::redraw);
    }

    private void drag(MouseEvent e) {
        if (row.locked()) return;
        hold((e.getX() - EDGE) / (getWidth() - 2 * EDGE));
    }

    private void key(KeyEvent e) {
        int step = switch (e.getCode()) {
            case LEFT -> -1;
            case RIGHT -> 1;
            default -> 0;
        };
        if (step == 0 || row.locked()) return;
        hold(held.orElse(row.position()) + step * (e.isShiftDown() ? 0.1 : 0.01));
        e.consume();
    }

    private void hold(double position) {
        held = Optional.of(Math.clamp(position, 0, 1));
        redraw();
    }

    /** The control is set where the hand lets go. */
    private void let() {
        Optional<Double> to = held;
        held = Optional.empty();
        to.ifPresent(p -> model.turn(row, row.control().valueAt(p)));
    }

    @Override
    protected void draw(GraphicsContext g, double w, double h, Inks inks) {
        double y = Math.floor(h / 2) + 0.5;
        double width = w - 2 * EDGE;
        g.setStroke(inks.rule());
        g.strokeLine(EDGE, y, EDGE + width, y);
        for (int i = 0; i <= 10; i++) {
            double x = EDGE + width * i / 10;
            double tall = i % 5 == 0 ? 4 : 2;
            g.strokeLine(x, y - tall, x, y + tall);
        }
        row.earlier().ifPresent(e -> {
            double x = EDGE + width * row.control().position(e);
            g.setStroke(inks.quiet());
            g.setLineDashes(2, 2);
            g.strokeLine(x, y - 8, x, y + 8);
            g.setLineDashes();
        });
        row.tolerance().ifPresent(t -> bracket(g, t, width, y, inks));
        double x = EDGE + width * held.orElse(row.position());
        if (row.measured()) {
            Marks.dot(g, x, y, inks);
        } else {
            Marks.diamond(g, x, y, inks);
        }
        if (isFocused()) {
            g.setStroke(inks.ink());
            g.strokeRect(1.5, 1.5, w - 3, h - 3);
        }
    }

    private void bracket(GraphicsContext g, Tolerance t, double width, double y, Inks inks) {
        Marks.bracket(g, EDGE + width * row.control().position(t.low()),
                EDGE + width * row.control().position(t.high()), y, inks);
    }
}
