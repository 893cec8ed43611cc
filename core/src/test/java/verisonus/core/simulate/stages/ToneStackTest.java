package verisonus.core.simulate.stages;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.stream.Stream;
import org.hipparchus.complex.Complex;
import org.hipparchus.complex.ComplexField;
import org.hipparchus.linear.Array2DRowFieldMatrix;
import org.hipparchus.linear.ArrayFieldVector;
import org.hipparchus.linear.FieldLUDecomposition;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;
import verisonus.core.sound.Decibels;
import verisonus.core.sound.Signal;

/** The discrete network against the circuit itself, solved node by node: an oracle that shares no formula with it. */
class ToneStackTest {
    private static final double ANALOGUE_DB = 0.2;
    private static final double RATE_HZ = 192000;

    /**
     * The passive network between source and an open output. Nodes: 1 after the slope resistor, 2 top of the treble
     * control, 3 its bottom and top of the bass control, 4 the bass control's lower end at the middle capacitor's side, 5
     * the output wiper.
     */
    private record Circuit(double r1, double r2, double r3, double r4, double c1, double c2, double c3) {
        double gainDb(double bass, double mid, double treble, double hz) {
            Complex s = new Complex(0, 2 * Math.PI * hz);
            Complex[][] y = new Complex[4][4];
            Complex[] in = new Complex[4];
            for (int i = 0; i < 4; i++) {
                java.util.Arrays.fill(y[i], Complex.ZERO);
                in[i] = Complex.ZERO;
            }
            // Node 0: between slope resistor and capacitors 2 and 3. Node 1: treble control's top at capacitor 1.
            // Node 2: treble control's lower end, where capacitor 2 and the bass control meet.
            // Node 3: middle control's wiper side, where capacitor 3 and the bass control's end meet.
            source(y, in, 0, Complex.valueOf(1 / r4));
            source(y, in, 1, s.multiply(c1));
            between(y, 0, 2, s.multiply(c2));
            between(y, 1, 2, Complex.valueOf(1 / r1));
            between(y, 2, 3, Complex.valueOf(1 / Math.max(1e-3, bass * r2)));
            // The middle control is a divider to ground with capacitor 3 at its wiper.
            double upper = Math.max(1e-3, (1 - mid) * r3);
            double lower = Math.max(1e-3, mid * r3);
            Complex c = s.multiply(c3);
            Complex wiper = c.add(1 / upper).add(1 / lower);
            // Eliminate the wiper node by hand: it joins node 0 (capacitor 3), node 3 (upper part) and ground (lower part).
            between(y, 0, 3, c.multiply(1 / upper).divide(wiper));
            y[0][0] = y[0][0].add(c.multiply(1 / lower).divide(wiper));
            y[3][3] = y[3][3].add(Complex.valueOf(1 / upper * 1 / lower).divide(wiper));
            var solved = new FieldLUDecomposition<>(new Array2DRowFieldMatrix<>(ComplexField.getInstance(), y))
                    .getSolver()
                    .solve(new ArrayFieldVector<>(ComplexField.getInstance(), in));
            Complex out = solved.getEntry(1).multiply(treble).add(solved.getEntry(2).multiply(1 - treble));
            return Decibels.fromAmplitude(out.norm());
        }

        private static void between(Complex[][] y, int a, int b, Complex g) {
            y[a][a] = y[a][a].add(g);
            y[b][b] = y[b][b].add(g);
            y[a][b] = y[a][b].subtract(g);
            y[b][a] = y[b][a].subtract(g);
        }

        private static void source(Complex[][] y, Complex[] in, int a, Complex g) {
            y[a][a] = y[a][a].add(g);
            in[a] = in[a].add(g);
        }
    }

    private static double measuredDb(ToneStack.Parts parts, double[] knobs, double hz) {
        ToneStack stack = new ToneStack(parts, knobs[0], knobs[1], knobs[2], RATE_HZ);
        float[] x = Signal.impulse().atRate((int) RATE_HZ).samples(1 << 15);
        stack.process(x, x.length);
        double re = 0;
        double im = 0;
        for (int i = 0; i < x.length; i++) {
            re += x[i] * Math.cos(2 * Math.PI * hz * i / RATE_HZ);
            im += x[i] * Math.sin(2 * Math.PI * hz * i / RATE_HZ);
        }
        return Decibels.fromAmplitude(Math.hypot(re, im));
    }

    private static Stream<double[]> settings() {
        return Stream.of(new double[]{5, 5, 5}, new double[]{2, 8, 3}, new double[]{8, 2, 8}, new double[]{10, 5, 0},
                new double[]{5, 9, 7});
    }

    @ParameterizedTest
    @EnumSource(ToneStack.Parts.class)
    void agreesWithItsAnalogueFormAtEverySetting(ToneStack.Parts parts) {
        settings().forEach(k -> {
            for (double hz : new double[]{40, 80, 150, 300, 600, 1200, 2500, 5000, 10000}) {
                assertThat(measuredDb(parts, k, hz)).as("%s %s at %.0f Hz", parts, java.util.Arrays.toString(k), hz)
                        .isCloseTo(ToneStack.analogueDb(parts, k, hz), within(ANALOGUE_DB));
            }
        });
    }

    @Test
    void itsAnalogueFormIsTheCircuit() {
        // The bass control's taper is not part of the circuit, so its share is handed over as resistance.
        Circuit circuit = new Circuit(250e3, 1e6, 25e3, 56e3, 0.25e-9, 20e-9, 20e-9);
        settings().forEach(k -> {
            for (double hz : new double[]{40, 100, 250, 600, 1500, 4000, 10000}) {
                double bass = ToneStack.bassShare(k[0]);
                assertThat(ToneStack.analogueDb(ToneStack.Parts.BRIGHT, k, hz))
                        .as("%s at %.0f Hz", java.util.Arrays.toString(k), hz)
                        .isCloseTo(circuit.gainDb(bass, k[1] / 10, k[2] / 10, hz), within(ANALOGUE_DB));
            }
        });
    }

    @Test
    void eachControlRaisesItsOwnPart() {
        ToneStack.Parts p = ToneStack.Parts.BRIGHT;
        assertThat(measuredDb(p, new double[]{9, 5, 5}, 80))
                .isGreaterThan(measuredDb(p, new double[]{1, 5, 5}, 80) + 4);
        assertThat(measuredDb(p, new double[]{5, 9, 5}, 500))
                .isGreaterThan(measuredDb(p, new double[]{5, 1, 5}, 500) + 3);
        assertThat(measuredDb(p, new double[]{5, 5, 9}, 5000))
                .isGreaterThan(measuredDb(p, new double[]{5, 5, 1}, 5000) + 6);
    }
}
