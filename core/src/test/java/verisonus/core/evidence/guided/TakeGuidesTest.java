package verisonus.core.evidence.guided;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import org.junit.jupiter.api.Test;

class TakeGuidesTest {
    private static final float[][][] GUIDES = TakeGuides.of(LaidSpectra.frames(), GuidedBand.TAKE.mid());

    private static double mean(float[][] rows) {
        double sum = 0;
        for (float[] row : rows) for (float x : row) sum += x;
        return sum / rows.length / rows[0].length;
    }

    @Test
    void eachHasMeanPowerOne() {
        for (float[][] g : GUIDES) assertThat(mean(g)).isCloseTo(1, within(1e-3));
    }

    @Test
    void clippingFillsTheTop() {
        assertThat(top(GUIDES[2])).isGreaterThan(top(GUIDES[0]));
    }

    private static double top(float[][] rows) {
        double sum = 0;
        for (float[] row : rows) for (int k = row.length / 3; k < row.length; k++) sum += row[k];
        return sum;
    }

    @Test
    void tailsComeLater() {
        assertThat(centre(GUIDES[TakeGuides.DIRECT + 1])).isGreaterThan(centre(GUIDES[0]));
    }

    private static double centre(float[][] rows) {
        double sum = 0;
        double at = 0;
        for (int t = 0; t < rows.length; t++) {
            for (float x : rows[t]) {
                sum += x;
                at += (double) t * x;
            }
        }
        return at / sum;
    }

    @Test
    void bandsHoldAllOfAFrame() {
        double[] frame = new double[1025];
        java.util.Arrays.fill(frame, 1, frame.length, 1);
        double sum = 0;
        for (double s : new ThirdBands(frame.length).sums(frame)) sum += s;
        assertThat(sum).isEqualTo(1024);
    }
}
