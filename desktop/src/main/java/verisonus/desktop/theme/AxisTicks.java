package verisonus.desktop.theme;

import java.util.ArrayList;
import java.util.List;
import verisonus.core.work.Figures;

/** Where an axis is labelled, and how: plain arithmetic, no drawing. */
public final class AxisTicks {
    private AxisTicks() {}

    /** Round values (1, 2 or 5 times a power of ten) within a range, about as many as asked for. */
    public static List<Double> linear(double from, double to, int about) {
        List<Double> out = new ArrayList<>();
        if (!(to > from) || about < 1) return out;
        double raw = (to - from) / about;
        double power = Math.pow(10, Math.floor(Math.log10(raw)));
        double step = raw / power <= 1
                ? power
                : raw / power <= 2 ? 2 * power : raw / power <= 5 ? 5 * power : 10 * power;
        for (long i = (long) Math.ceil(from / step - 1e-9); i * step <= to + step * 1e-9; i++) out.add(i * step);
        return out;
    }

    /** 1-2-5 values (about = 3 a decade) within a range above 0. */
    public static List<Double> logarithmic(double from, double to) {
        List<Double> out = new ArrayList<>();
        for (double decade = Math.pow(10, Math.floor(Math.log10(from))); decade <= to; decade *= 10) {
            for (double m : new double[]{1, 2, 5}) {
                if (decade * m >= from * 0.999 && decade * m <= to * 1.001) out.add(decade * m);
            }
        }
        return out;
    }

    /** "200", "1 k", "2.5 k". */
    public static String frequency(double hz) {
        if (hz < 1000) return Figures.of("%.0f", hz);
        double k = hz / 1000;
        return Figures.of(k == Math.rint(k) ? "%.0f k" : "%.1f k", k);
    }

    /** "0:14", with tenths "0:14.2". */
    public static String time(double seconds, boolean tenths) {
        double s = Math.max(0, tenths ? Math.floor(seconds * 10) / 10 : Math.rint(seconds));
        int minutes = (int) (s / 60);
        return Figures.of(tenths ? "%d:%04.1f" : "%d:%02.0f", minutes, s - 60 * minutes);
    }

    /** A plain number without needless decimals. */
    public static String number(double v) {
        return Figures.read(v == Math.rint(v) ? "%.0f" : "%.1f", v);
    }
}
