package verisonus.desktop.trial.drawn;

import java.util.List;
import javafx.scene.canvas.GraphicsContext;
import verisonus.core.trial.train.Score;
import verisonus.core.trial.train.Skill;
import verisonus.desktop.theme.Drawing;
import verisonus.desktop.theme.Inks;
import verisonus.desktop.theme.Theme;

/** Answers in training from left to right, a line for each skill: how small the change was, filled where it was told. */
public final class ScoreDrawing extends Drawing {
    private static final int MOST = 60;
    private static final double LEFT = 190;
    private static final double LINE = 46;

    private List<Score> shown = List.of();

    public ScoreDrawing(Theme theme) {
        super(theme);
        setMaxWidth(820);
    }

    public void show(List<Score> all) {
        shown = all;
        long skills = java.util.Arrays.stream(Skill.values()).filter(s -> all.stream().anyMatch(x -> x.skill() == s))
                .count();
        setMinHeight(LINE * skills);
        setPrefHeight(LINE * skills);
        setManaged(skills > 0);
        setVisible(skills > 0);
        setAccessibleText(all.size() + " answers in training, " + all.stream().filter(Score::right).count() + " right");
        redraw();
    }

    @Override
    protected void draw(GraphicsContext g, double w, double h, Inks inks) {
        double y = 0;
        for (Skill s : Skill.values()) {
            List<Score> of = shown.stream().filter(x -> x.skill() == s).toList();
            if (of.isEmpty()) continue;
            g.setFill(inks.quiet());
            g.fillText(s.question(), 0, y + LINE / 2 + 4, LEFT - 12);
            g.setStroke(inks.rule());
            g.strokeLine(LEFT, y + LINE - 8, w, y + LINE - 8);
            List<Score> recent = of.subList(Math.max(0, of.size() - MOST), of.size());
            double top = recent.stream().mapToDouble(Score::size).max().orElse(1);
            double step = Math.min(12, (w - LEFT - 10) / MOST);
            for (int i = 0; i < recent.size(); i++) {
                Score x = recent.get(i);
                double tall = (LINE - 16) * x.size() / top;
                double at = LEFT + 6 + i * step;
                if (x.right()) {
                    g.setFill(inks.mine());
                    g.fillRect(at, y + LINE - 8 - tall, step * 0.6, tall);
                } else {
                    g.setStroke(inks.gap());
                    g.strokeRect(at + 0.5, y + LINE - 8 - tall, step * 0.6 - 1, tall);
                }
            }
            y += LINE;
        }
    }
}
