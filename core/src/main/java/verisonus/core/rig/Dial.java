package verisonus.core.rig;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;

/**
 * One control of a player's device: its own scale, and how far it turns its model's control. Learnt from few pairs of a mark and a value:
 * between the ends, the control's position (logarithmic for times and frequencies) follows an exponential taper, which two pairs place
 * and a third bends (the usual laws of potentiometers, IEC 60393-1, are such curves); what further pairs show beside it is kept by straight
 * lines between them.
 *
 * @param face what the device shows
 * @param pairs a mark and the model's value there, in the order of marks; none: a scale in the control's own unit (or its thousandth or
 * thousandfold) says what it is, and of any other its ends are the model's
 */
public record Dial(Face face, List<Pair> pairs) {
    private static final double MOST_BEND = 12;
    private static final double BEND_STEP = 0.02;
    private static final double STRAIGHT = 1e-6;

    /** A mark of the device, and what the model's control must stand at to do the same. */
    public record Pair(double mark, double value) {}

    public Dial {
        List<Pair> sorted = new ArrayList<>(pairs);
        sorted.sort(Comparator.comparingDouble(p -> face.share(p.mark)));
        pairs = List.copyOf(sorted);
        for (int i = 1; i < pairs.size(); i++)
            if (pairs.get(i).mark == pairs.get(i - 1).mark)
                throw new IllegalArgumentException("two values for " + face.shown(pairs.get(i).mark));
        if (pairs.size() == 1) throw new IllegalArgumentException("one place is too few: name two or three");
        if (pairs.size() > 1) rising(face, pairs);
    }

    /** Whatever the direction, it must be one. */
    private static void rising(Face face, List<Pair> pairs) {
        boolean up = pairs.getLast().value > pairs.getFirst().value;
        for (int i = 1; i < pairs.size(); i++) {
            Pair a = pairs.get(i - 1);
            Pair b = pairs.get(i);
            if (b.value > a.value != up || b.value == a.value)
                throw new IllegalArgumentException(face.shown(a.mark) + " = " + Face.plain(a.value) + " and "
                        + face.shown(b.mark) + " = " + Face.plain(b.value) + " contradict the others");
        }
    }

    /**
     * A scale and its places in one line, as typed: "0..10/0.5; 3 = 360; 5 = 410".
     *
     * @param control what is turned; values are in its unit
     * @throws IllegalArgumentException in words, where it is none
     */
    public static Dial typed(String said, Control control) {
        String[] part = said.split(";", -1);
        Face face = Face.typed(part[0]);
        List<Pair> pairs = new ArrayList<>();
        for (int i = 1; i < part.length; i++) pairs.add(pair(part[i].strip(), face, control));
        return new Dial(face, pairs);
    }

    private static Pair pair(String said, Face face, Control control) {
        int at = said.lastIndexOf('=');
        double mark = face.read(said.substring(0, Math.max(0, at))).orElseThrow(
                () -> new IllegalArgumentException(
                        "\"" + said + "\" begins with no mark of the scale, " + face.ends()));
        return new Pair(mark, value(said.substring(at + 1).strip(), control));
    }

    /** A value as typed, with the control's unit or without. @throws IllegalArgumentException where it is none of its range */
    public static double value(String typed, Control control) {
        String t = typed.strip().replace('−', '-').replace(',', '.');
        if (t.endsWith(control.unit())) t = t.substring(0, t.length() - control.unit().length()).strip();
        double value;
        try {
            value = Double.parseDouble(t);
        } catch (NumberFormatException e) {
            throw new IllegalArgumentException("\"" + typed + "\" is no number", e);
        }
        if (!(value >= control.minimum() && value <= control.maximum()))
            throw new IllegalArgumentException(control.display(value) + " is out of reach: use "
                    + control.display(control.minimum()) + " to " + control.display(control.maximum()));
        return value;
    }

    /** As {@link #typed} reads it. */
    public String words() {
        StringBuilder out = new StringBuilder(face.words());
        for (Pair p : pairs) out.append("; ").append(face.shown(p.mark)).append(" = ").append(Face.plain(p.value));
        return out.toString();
    }

    /** Straight from one of the scale's ends to the other. */
    public static Dial of(Face face) {
        return new Dial(face, List.of());
    }

    /** The law of one control's track: position = a + b·taper(share). */
    private record Law(double a, double b, double bend) {
        double position(double share) {
            return a + b * taper(share, bend);
        }
    }

    private static double taper(double share, double bend) {
        return Math.abs(bend) < STRAIGHT ? share : Math.expm1(bend * share) / Math.expm1(bend);
    }

    private Law law(Control c) {
        if (pairs.isEmpty()) return new Law(0, 1, 0);
        if (pairs.size() == 2) return fitted(c, 0);
        Law best = fitted(c, 0);
        double least = error(c, best);
        for (double bend = -MOST_BEND; bend <= MOST_BEND; bend += BEND_STEP) {
            Law tried = fitted(c, bend);
            double e = error(c, tried);
            if (e < least) {
                least = e;
                best = tried;
            }
        }
        return best;
    }

    /** Least squares at one bend. */
    private Law fitted(Control c, double bend) {
        double n = pairs.size();
        double x = 0;
        double y = 0;
        double xx = 0;
        double xy = 0;
        for (Pair p : pairs) {
            double u = taper(face.share(p.mark), bend);
            double v = c.position(p.value);
            x += u / n;
            y += v / n;
            xx += u * u / n;
            xy += u * v / n;
        }
        double b = (xy - x * y) / Math.max(xx - x * x, 1e-12);
        return new Law(y - b * x, b, bend);
    }

    private double error(Control c, Law law) {
        double sum = 0;
        for (Pair p : pairs) {
            double off = law.position(face.share(p.mark)) - c.position(p.value);
            sum += off * off;
        }
        return sum;
    }

    /** How much of the control's unit one of the scale is; 0 where they are unlike. */
    private double unit(Control c) {
        String one = face.unit() + " for " + c.unit();
        if (face.unit().equals(c.unit())) return 1;
        return switch (one) {
            case "s for ms", "kHz for Hz" -> 1000;
            case "ms for s" -> 0.001;
            default -> 0;
        };
    }

    /** What the model's control must stand at, within its range, for a mark of the device. */
    public double value(Control c, double mark) {
        return new Track(c).value(face.share(mark));
    }

    /** The device's nearest mark for a value of the model's control. */
    public double mark(Control c, double value) {
        return new Track(c).mark(c.position(value));
    }

    /** How far the pairs lie from the law that was found for them, RMS share of the track; 0 for three or fewer. */
    public double errorShare(Control c) {
        if (pairs.size() < 2) return 0;
        Law law = law(c);
        return Math.sqrt(error(c, law) / pairs.size()) / Math.max(Math.abs(law.b), 1e-9);
    }

    /** The lowest and the highest value that the device reaches. */
    public double[] reach(Control c) {
        double a = value(c, face.from());
        double b = value(c, face.to());
        return new double[]{Math.min(a, b), Math.max(a, b)};
    }

    /** Law and what the pairs show beside it, worked out once. */
    private final class Track {
        private static final int HALVINGS = 40;
        private final Control control;
        private final Law law;

        Track(Control control) {
            this.control = control;
            law = law(control);
        }

        double position(double share) {
            double unit = unit(control);
            if (pairs.isEmpty() && unit > 0)
                return control.position(unit * (face.from() + share * (face.to() - face.from())));
            return law.position(share) + beside(share);
        }

        /** Pairs that the law misses are met; between them the miss runs straight. */
        private double beside(double share) {
            if (pairs.size() < 4) return 0;
            Pair before = pairs.getFirst();
            for (Pair p : pairs) {
                double at = face.share(p.mark);
                if (at >= share) {
                    double from = face.share(before.mark);
                    double u = at == from ? 1 : Math.clamp((share - from) / (at - from), 0, 1);
                    return (1 - u) * miss(before) + u * miss(p);
                }
                before = p;
            }
            return miss(pairs.getLast());
        }

        private double miss(Pair p) {
            return control.position(p.value) - law.position(face.share(p.mark));
        }

        double value(double share) {
            return control.valueAt(Math.clamp(position(share), 0, 1));
        }

        double mark(double position) {
            boolean up = position(1) > position(0);
            double low = 0;
            double high = 1;
            for (int i = 0; i < HALVINGS; i++) {
                double middle = 0.5 * (low + high);
                if (position(middle) < position == up) {
                    low = middle;
                } else {
                    high = middle;
                }
            }
            return face.mark(0.5 * (low + high));
        }
    }
}
