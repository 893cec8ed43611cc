package verisonus.desktop.derive.chain;

import java.util.Optional;
import java.util.function.Consumer;
import javafx.scene.canvas.GraphicsContext;
import javafx.scene.input.KeyEvent;
import javafx.scene.input.MouseEvent;
import verisonus.core.rig.Rig;
import verisonus.desktop.theme.Drawing;
import verisonus.desktop.theme.Inks;
import verisonus.desktop.theme.Marks;
import verisonus.desktop.theme.Theme;

/**
 * One filter of an equalizer as an upright ruled scale that stands at its frequency: a diamond for its gain, a bracket for how far it
 * can move unheard. Up and down change the gain, left and right the frequency where the device has one.
 */
final class FilterScale extends Drawing {
    /** Wide enough for a bracket and for the hand. */
    static final double WIDTH = 22;
    private static final double STEP_DB = 0.5;
    private static final double LARGE_STEP_DB = 3;
    /** Semitones of a step and, with Shift, of a large one. */
    private static final int LARGE_STEP = 4;
    private static final double SEMITONES_IN_OCTAVE = 12;

    private final EqualizerFilter filter;
    private final EqualizerAxes axes;
    private final ChainModel model;
    private final Consumer<Optional<String>> said;
    private Optional<Double> held = Optional.empty();
    private Optional<Double> moved = Optional.empty();

    /** @param said takes what stands under the pointer or the focus; empty when both have gone */
    FilterScale(EqualizerFilter filter, EqualizerAxes axes, ChainModel model, Theme theme,
            Consumer<Optional<String>> said) {
        super(theme);
        this.filter = filter;
        this.axes = axes;
        this.model = model;
        this.said = said;
        setFocusTraversable(true);
        setAccessibleText(words());
        setAccessibleHelp(filter.gain().locked()
                ? "Locked: it keeps its value."
                : "Up and down change the gain, left and right the frequency; with Shift in larger steps.");
        setOnMousePressed(_ -> requestFocus());
        setOnMouseDragged(this::drag);
        setOnMouseReleased(_ -> let());
        setOnMouseEntered(_ -> said.accept(Optional.of(words())));
        setOnMouseExited(_ -> said.accept(isFocused() ? Optional.of(words()) : Optional.empty()));
        setOnKeyPressed(this::key);
        setOnKeyReleased(e -> {
            if (e.getCode().isArrowKey()) let();
        });
        focusedProperty().subscribe(now -> {
            said.accept(now ? Optional.of(words()) : Optional.empty());
            redraw();
        });
    }

    private String words() {
        Rig rig = model.session().rig();
        SettingRow g = filter.gain();
        String range = g.range(rig);
        return g.label(rig) + ", " + rig.display(g.block().model(), g.control(), held.orElse(g.value()))
                + (range.isEmpty() ? "" : ", " + range + " sounds the same")
                + (g.reason().isEmpty() ? "" : " (" + g.reason() + ")");
    }

    private void drag(MouseEvent e) {
        if (filter.gain().locked()) return;
        hold(axes.db(e.getY()));
    }

    private void key(KeyEvent e) {
        if (filter.gain().locked()) return;
        double step = e.isShiftDown() ? LARGE_STEP_DB : STEP_DB;
        switch (e.getCode()) {
            case UP -> hold(held.orElse(filter.gain().value()) + step);
            case DOWN -> hold(held.orElse(filter.gain().value()) - step);
            case LEFT -> move(e.isShiftDown() ? -LARGE_STEP : -1);
            case RIGHT -> move(e.isShiftDown() ? LARGE_STEP : 1);
            default -> {
                return;
            }
        }
        e.consume();
    }

    private void hold(double db) {
        held = Optional.of(filter.gain().control().clamp(Math.rint(10 * db) / 10));
        said.accept(Optional.of(words()));
        redraw();
    }

    private void move(int semitones) {
        filter.frequency().ifPresent(f -> {
            double hz = f.control()
                    .clamp(Math.rint(moved.orElse(f.value()) * Math.pow(2, semitones / SEMITONES_IN_OCTAVE)));
            moved = Optional.of(hz);
            said.accept(Optional.of("to " + model.session().rig().display(f.block().model(), f.control(), hz)));
        });
    }

    /** The filter is set where the hand lets go. */
    private void let() {
        Optional<Double> gain = held;
        Optional<Double> hz = moved;
        held = Optional.empty();
        moved = Optional.empty();
        gain.ifPresent(v -> model.turn(filter.gain(), v));
        hz.ifPresent(v -> model.turn(filter.frequency().orElseThrow(), v));
    }

    @Override
    protected void draw(GraphicsContext g, double w, double h, Inks inks) {
        double x = Math.floor(w / 2) + 0.5;
        g.setStroke(inks.rule());
        g.strokeLine(x, axes.y(axes.mostDb()), x, axes.y(-axes.mostDb()));
        for (double db = -axes.mostDb(); db <= axes.mostDb(); db += 3) {
            double wide = db == 0 ? 4 : 2;
            g.strokeLine(x - wide, axes.y(db), x + wide, axes.y(db));
        }
        filter.gain().tolerance().ifPresent(t -> Marks.uprightBracket(g, axes.y(t.low()), axes.y(t.high()), x, inks));
        Marks.diamond(g, x, axes.y(held.orElse(filter.gain().value())), inks);
        if (isFocused()) {
            g.setStroke(inks.ink());
            g.strokeRect(1.5, 1.5, w - 3, h - 3);
        }
    }
}
