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
        // The first few stand once more behind the end, so that four neighbours lie side by side wherever they begin.
        line = new float[size + 3];
        mask = size - 1;
    }

    public void write(double x) {
        float v = Math.abs(x) < 1e-20 ? 0 : (float) x;
        line[at] = v;
        if (at < 3) line[at + mask + 1] = v;
        at = at + 1 & mask;
    }

    /** Whole samples ago; 1 is the one written last. */
    public float read(int ago) {
        return line[at - ago & mask];
    }

    /** The same once so many more have been written, all of them newer than what is read. */
    public float read(int ago, int later) {
        return line[at + later - ago & mask];
    }

    /** @param ago samples, at least 2 */
    public double read(double ago) {
        return read(ago, 0);
    }

    /** The same once so many more have been written, all of them newer than what is read. */
    public double read(double ago, int later) {
        int whole = (int) ago;
        double u = 1 - (ago - whole);
        int i = at + later - whole - 2 & mask;
        double a = line[i];
        double b = line[i + 1];
        double c = line[i + 2];
        double d = line[i + 3];
        return b + 0.5 * u * (c - a + u * (2 * a - 5 * b + 4 * c - d + u * (3 * (b - c) + d - a)));
    }

    public void reset() {
        Arrays.fill(line, 0);
        at = 0;
    }
}
