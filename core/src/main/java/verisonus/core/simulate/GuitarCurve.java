package verisonus.core.simulate;

import verisonus.core.rig.Block;
import verisonus.core.rig.ControlNames;

/**
 * What a passive guitar's controls, its cable and the socket's load do to the recorded sound: the divider of pickup (inductance,
 * resistance), tone and volume potentiometers, cable and input, against the same with everything open, 500 pF and 1 MΩ.
 */
final class GuitarCurve {
    private static final double INDUCTANCE_H = 3;
    private static final double RESISTANCE = 7000;
    private static final double POT = 400e3;
    private static final double TONE_F = 33e-9;
    private static final double BYPASS_F = 600e-12;
    private static final double OPEN_INPUT = 1e6;
    private static final double CABLE_F = 500e-12;

    private GuitarCurve() {}

    static double guitarDb(Block g, double hz) {
        double volume = taper(g.get(ControlNames.VOLUME));
        double now = throughDb(hz,
                new double[]{volume, taper(g.get(ControlNames.TONE)), g.get(ControlNames.CABLE) * 1e-12,
                        g.get(ControlNames.TREBLE_BYPASS), OPEN_INPUT});
        return now - openDb(hz) + g.get(ControlNames.PICKUP_OUTPUT);
    }

    static double inputDb(Block in, double hz) {
        double load = throughDb(hz, new double[]{1, 1, CABLE_F, 0, in.get(ControlNames.IMPEDANCE) * 1000});
        return load - openDb(hz) + in.get(ControlNames.LEVEL) - (in.get(ControlNames.PAD) > 0.5 ? 12 : 0);
    }

    private static double openDb(double hz) {
        return throughDb(hz, new double[]{1, 1, CABLE_F, 0, OPEN_INPUT});
    }

    /** An audio track: a tenth of it is used half way. */
    private static double taper(double control) {
        return control <= 0 ? 1e-4 : (Math.pow(81, control / 10) - 1) / 80;
    }

    /** @param s volume, tone, cable, treble bypass, input resistance */
    private static double throughDb(double hz, double[] s) {
        double w = 2 * Math.PI * hz;
        // Pickup's own impedance, then the tone branch across it, then volume as a divider into cable and input.
        Z source = new Z(RESISTANCE, w * INDUCTANCE_H);
        Z tone = new Z(POT * s[1] + 100, -1 / (w * TONE_F));
        Z top = new Z(POT * (1 - s[0]) + 1, 0);
        if (s[3] > 0.5) top = top.beside(new Z(1, -1 / (w * BYPASS_F)));
        Z bottom = new Z(POT * s[0] + 1, 0).beside(new Z(0.001, -1 / (w * s[2]))).beside(new Z(s[4], 0));
        Z after = top.plus(bottom);
        Z across = tone.beside(after);
        double first = across.size() / source.plus(across).size();
        double second = bottom.size() / after.size();
        return 20 * Math.log10(first * second);
    }

    private record Z(double re, double im) {
        Z plus(Z o) {
            return new Z(re + o.re, im + o.im);
        }

        Z beside(Z o) {
            // a·b / (a + b)
            double pr = re * o.re - im * o.im;
            double pi = re * o.im + im * o.re;
            double sr = re + o.re;
            double si = im + o.im;
            double d = sr * sr + si * si;
            return new Z((pr * sr + pi * si) / d, (pi * sr - pr * si) / d);
        }

        double size() {
            return Math.hypot(re, im);
        }
    }
}
