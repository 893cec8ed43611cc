package verisonus.core.evidence.signs;

/** A few values kept in order while some come and go: its middle is a running median at the price of a shift. */
final class SortedWindow {
    private final float[] values;
    private int count;

    SortedWindow(int most) {
        values = new float[most];
    }

    void clear() {
        count = 0;
    }

    void add(float v) {
        int i = count++;
        while (i > 0 && values[i - 1] > v) {
            values[i] = values[i - 1];
            i--;
        }
        values[i] = v;
    }

    /** Takes away a value that was added. */
    void remove(float v) {
        int i = 0;
        while (i < count && values[i] != v) i++;
        count--;
        for (; i < count; i++) values[i] = values[i + 1];
    }

    /** Takes away a value that was added and adds another, at the price of the way between the two. */
    void replace(float old, float v) {
        int i = 0;
        while (i < count - 1 && values[i] != old) i++;
        while (i + 1 < count && values[i + 1] < v) {
            values[i] = values[i + 1];
            i++;
        }
        while (i > 0 && values[i - 1] > v) {
            values[i] = values[i - 1];
            i--;
        }
        values[i] = v;
    }

    /** The upper middle one. */
    float median() {
        return values[count / 2];
    }
}
