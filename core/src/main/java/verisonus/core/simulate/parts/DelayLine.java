package verisonus.core.simulate.parts;

import java.util.Arrays;

/** What came in, read back at any time ago; between samples by a cubic through four (N. Catmull, R. Rom, 1974). */
public final class DelayLine {
    private final float[] line;
    private final int mask;
    private int at;

    /** @param longest samples that can be read back */
    public DelayLine(int longest) {
        int size = Integer.highestOneBit(Math.max(8, longest + 4)) << 1;
        line = new float[size];
        mask = size - 1;
    }

    public void write(double x) {
        line[at] = Math.abs(x) < 1e-20 ? 0 : (float) x;
        at = at + 1 & mask;
    }

    /** Whole samples ago; 1 is the one written last. */
    public float read(int ago) {
        return line[at - ago & mask];
    }

    /** @param ago samples, at least 2 */
    public double read(double ago) {
        int whole = (int) ago;
        double u = 1 - (ago - whole);
        int i = at - whole - 1;
        double a = line[i - 1 & mask];
        double b = line[i & mask];
        double c = line[i + 1 & mask];
        double d = line[i + 2 & mask];
        return b + 0.5 * u * (c - a + u * (2 * a - 5 * b + 4 * c - d + u * (3 * (b - c) + d - a)));
    }

    public void reset() {
        Arrays.fill(line, 0);
        at = 0;
    }
}
