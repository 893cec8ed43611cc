package verisonus.desktop.measure;

import java.util.Optional;
import javafx.scene.canvas.GraphicsContext;
import javafx.scene.image.WritableImage;
import javafx.scene.paint.Color;
import verisonus.casebook.store.Region;
import verisonus.core.sound.Sound;
import verisonus.core.sound.Stft;
import verisonus.desktop.desk.OpenCase;
import verisonus.desktop.theme.AxisTicks;
import verisonus.desktop.theme.Drawing;
import verisonus.desktop.theme.Inks;
import verisonus.desktop.theme.Theme;

/** The region's spectrogram in one ink, 60 Hz to 12 kHz on a logarithmic axis, over 70 dB. */
final class SpectrogramView extends Drawing {
    private static final int SIZE = 4096;
    private static final int ROWS = 150;
    private static final int COLUMNS = 360;
    private static final double LOW_HZ = 60;
    private static final double HIGH_HZ = 12000;
    private static final double RANGE_DB = 70;
    private static final double AXIS = 40;
    private static final double BOTTOM = 18;

    private final MeasureModel model;
    private Optional<Region> shown = Optional.empty();
    private double[][] share = new double[0][0];

    SpectrogramView(MeasureModel model, Theme theme) {
        super(theme);
        this.model = model;
        setAccessibleText("spectrogram of the region");
    }

    /** Computes the picture of the region under study, where it is not there yet. */
    void show() {
        Optional<Region> region = model.desk().open().get().flatMap(OpenCase::region);
        Optional<Sound> sound = model.desk().sounds().get().reference();
        if (region.isEmpty() || sound.isEmpty() || region.equals(shown)) return;
        shown = region;
        model.desk().forCase("Drawing the spectrogram",
                _ -> picture(sound.get().slice(region.get().fromS(), region.get().toS())))
                .otherwise(_ -> shown = Optional.empty())
                .show(made -> {
                    if (!region.equals(shown)) return;
                    share = made;
                    redraw();
                });
    }

    /** Darkness by row from the top and column, 0 to 1. */
    static double[][] picture(Sound sound) {
        float[] x = sound.mid();
        double[][] out = new double[ROWS][COLUMNS];
        if (x.length < SIZE) return out;
        Stft stft = new Stft(SIZE, 1);
        float[] buffer = new float[SIZE];
        float[] power = new float[SIZE / 2 + 1];
        double top = -300;
        for (int c = 0; c < COLUMNS; c++) {
            stft.frame(x, (int) ((long) c * (x.length - SIZE) / Math.max(1, COLUMNS - 1)), buffer, power);
            for (int r = 0; r < ROWS; r++) {
                double high = hz(r) * SIZE / sound.rateHz();
                double low = hz(r + 1) * SIZE / sound.rateHz();
                double most = 1e-14;
                for (int k = (int) low; k <= Math.min(power.length - 1, (int) Math.max(low, high)); k++) {
                    most = Math.max(most, power[k]);
                }
                out[r][c] = 10 * Math.log10(most);
                top = Math.max(top, out[r][c]);
            }
        }
        for (double[] row : out) {
            for (int c = 0; c < COLUMNS; c++) row[c] = Math.clamp((row[c] - top + RANGE_DB) / RANGE_DB, 0, 1);
        }
        return out;
    }

    private static double hz(int row) {
        return HIGH_HZ * Math.pow(LOW_HZ / HIGH_HZ, (double) row / ROWS);
    }

    @Override
    protected void draw(GraphicsContext g, double w, double h, Inks inks) {
        if (share.length == 0) return;
        WritableImage image = new WritableImage(COLUMNS, ROWS);
        for (int r = 0; r < ROWS; r++) {
            for (int c = 0; c < COLUMNS; c++) {
                double s = share[r][c] * share[r][c];
                image.getPixelWriter().setColor(c, r, inks.sheet().interpolate(inks.reference(), s));
            }
        }
        g.drawImage(image, AXIS, 0, w - AXIS, h - BOTTOM);
        g.setFill(inks.quiet());
        for (double f : new double[]{100, 300, 1000, 3000, 10000}) {
            double y = (h - BOTTOM) * Math.log(f / HIGH_HZ) / Math.log(LOW_HZ / HIGH_HZ);
            g.fillText(AxisTicks.frequency(f), 0, y + 4);
        }
        Color rule = inks.rule();
        g.setStroke(rule);
        g.strokeLine(AXIS, h - BOTTOM, w, h - BOTTOM);
        shown.ifPresent(r -> {
            for (double t : AxisTicks.linear(r.fromS(), r.toS(), 6)) {
                g.fillText(AxisTicks.time(t, false), AXIS + (w - AXIS) * (t - r.fromS()) / r.lengthS() - 10, h - 4);
            }
        });
    }
}
