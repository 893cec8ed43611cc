package verisonus.desktop.theme;

import javafx.scene.canvas.GraphicsContext;

/** The letter by which a sound is heard: a dot for the record, a diamond for what is mine. */
public final class LetterMark extends Drawing {
    private static final double SIZE = 24;

    private final String letter;
    private final boolean record;
    private final boolean filled;

    public LetterMark(String letter, boolean record, boolean filled, Theme theme) {
        super(theme);
        this.letter = letter;
        this.record = record;
        this.filled = filled;
        setMinSize(SIZE, SIZE);
        setPrefSize(SIZE, SIZE);
        setMaxSize(SIZE, SIZE);
        setMouseTransparent(true);
    }

    /** A for the first. */
    public static String letter(int place) {
        return String.valueOf((char) ('A' + place));
    }

    @Override
    protected void draw(GraphicsContext g, double w, double h, Inks inks) {
        if (record) Marks.letteredDot(g, w / 2, h / 2, letter, inks);
        else Marks.letter(g, w / 2, h / 2, letter, filled, inks);
    }
}
