package verisonus.casebook.sheet.page;

import java.util.List;

/**
 * A small plot that every kind of sheet can draw: curves over one axis, told apart by ink and by dash.
 *
 * @param title what it shows, also for those who cannot see it
 * @param across label of the horizontal axis
 * @param up label of the vertical axis
 * @param logarithmic whether the horizontal axis counts in octaves
 * @param acrossTicks where the horizontal axis is marked
 * @param upTicks where the vertical axis is marked
 * @param curves what is drawn, back to front
 */
public record Drawing(String title, String across, String up, boolean logarithmic, List<Tick> acrossTicks,
        List<Tick> upTicks, List<Curve> curves) {
    /** A marked place of an axis. */
    public record Tick(double at, String words) {}

    /** In what a curve is drawn. */
    public enum Ink {
        REFERENCE("#6a2c70", ""),
        MINE("#0b6e6e", "5 3"),
        QUIET("#66645f", "1 2");

        private final String colour;
        private final String dash;

        Ink(String colour, String dash) {
            this.colour = colour;
            this.dash = dash;
        }

        public String colour() {
            return colour;
        }

        /** Lengths of stroke and gap, by spaces; empty: drawn through. */
        public String dash() {
            return dash;
        }
    }

    /** Points in the units of the axes. */
    public record Curve(String name, Ink ink, double[] x, double[] y) {
        public Curve {
            if (x.length != y.length || x.length < 2) throw new IllegalArgumentException(x.length + " points");
            x = x.clone();
            y = y.clone();
        }

        @Override
        public double[] x() {
            return x.clone();
        }

        @Override
        public double[] y() {
            return y.clone();
        }
    }

    public Drawing {
        acrossTicks = List.copyOf(acrossTicks);
        upTicks = List.copyOf(upTicks);
        curves = List.copyOf(curves);
    }

    /** Share of the width at which a value stands, 0 to 1. */
    public double acrossShare(double x) {
        double from = acrossTicks.get(0).at();
        double to = acrossTicks.get(acrossTicks.size() - 1).at();
        double share = logarithmic ? Math.log(x / from) / Math.log(to / from) : (x - from) / (to - from);
        return Math.clamp(share, 0, 1);
    }

    /** Share of the height at which a value stands, 0 to 1. */
    public double upShare(double y) {
        double from = upTicks.get(0).at();
        double to = upTicks.get(upTicks.size() - 1).at();
        return Math.clamp((y - from) / (to - from), 0, 1);
    }
}
