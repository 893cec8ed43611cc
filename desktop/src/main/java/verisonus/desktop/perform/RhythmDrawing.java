package verisonus.desktop.perform;

import java.util.Optional;
import javafx.scene.canvas.GraphicsContext;
import verisonus.core.perform.time.RhythmPlan;
import verisonus.desktop.theme.Drawing;
import verisonus.desktop.theme.Inks;
import verisonus.desktop.theme.Theme;

/** The phrase on a ruled axis of beats: what is played stands above the line, what the echo adds hangs below it. */
final class RhythmDrawing extends Drawing {
    private static final double LEFT = 56;
    private static final double RIGHT = 8;
    private static final double TOP = 16;
    private static final double BOTTOM = 16;
    private static final double RANGE_DB = 30;
    /** A phrase longer than this is shown from its first note. */
    private static final double SHOWN_S = 9;

    private Optional<TimeModel.Rhythm> shown = Optional.empty();

    RhythmDrawing(Theme theme) {
        super(theme);
        setMinSize(300, 118);
        setPrefSize(900, 118);
        setMaxHeight(118);
    }

    void show(Optional<TimeModel.Rhythm> rhythm) {
        shown = rhythm;
        setAccessibleText(rhythm.map(r -> r.plan().notes().stream().filter(RhythmPlan.Note::isPlayed).count()
                + " played notes, " + r.plan().newAccents().size() + " new ones by the echo").orElse("no rhythm"));
        redraw();
    }

    @Override
    protected void draw(GraphicsContext g, double w, double h, Inks inks) {
        if (shown.isEmpty()) return;
        RhythmPlan p = shown.get().plan();
        double from = p.notes().stream().mapToDouble(RhythmPlan.Note::atS).min().orElse(0);
        double to = Math.min(from + SHOWN_S, shown.get().lengthS());
        double line = TOP + (h - TOP - BOTTOM) / 2;
        double scale = (w - LEFT - RIGHT) / Math.max(0.1, to - from);
        rules(g, p, from, to, scale, h, inks);
        g.setStroke(inks.ink());
        g.strokeLine(LEFT, line, w - RIGHT, line);
        g.setFill(inks.quiet());
        g.fillText("played", 0, line - 14);
        g.fillText("added", 0, line + 22);
        for (RhythmPlan.Note n : p.notes()) {
            if (n.atS() < from || n.atS() > to) continue;
            double x = LEFT + (n.atS() - from) * scale;
            double length = Math.max(3, (1 + n.levelDb() / RANGE_DB) * (line - TOP));
            if (n.isPlayed()) {
                g.setStroke(inks.ink());
                g.setLineWidth(2);
                g.strokeLine(x, line, x, line - length);
                g.setFill(inks.ink());
                g.fillOval(x - 3, line - length - 3, 6, 6);
            } else {
                g.setStroke(inks.mine());
                g.setLineWidth(1.4);
                g.setLineDashes(3, 2);
                g.strokeLine(x, line, x, line + length);
                g.setLineDashes();
                g.strokePolygon(new double[]{x, x + 4, x, x - 4}, new double[]{line + length - 4, line + length, line
                        + length + 4, line + length}, 4);
            }
            g.setLineWidth(1);
        }
    }

    private static void rules(GraphicsContext g, RhythmPlan p, double from, double to, double scale, double h,
            Inks inks) {
        double beat = 60 / p.bpm();
        double grid = p.grid() * beat;
        int first = (int) Math.ceil((from - p.firstLineS()) / grid);
        int perBeat = (int) Math.round(beat / grid);
        for (int i = first; p.firstLineS() + i * grid <= to; i++) {
            double x = LEFT + (p.firstLineS() + i * grid - from) * scale;
            boolean whole = Math.floorMod(i, perBeat) == 0;
            g.setStroke(inks.rule());
            g.setLineWidth(whole ? 1.2 : 0.5);
            g.strokeLine(x, whole ? TOP - 8 : TOP + 4, x, h - BOTTOM);
        }
        g.setLineWidth(1);
        g.setFill(inks.quiet());
        for (long t = (long) Math.ceil(from - 0.1); t <= to; t++)
            g.fillText(t + " s", LEFT + (t - from) * scale - 6, h - 2);
    }
}
