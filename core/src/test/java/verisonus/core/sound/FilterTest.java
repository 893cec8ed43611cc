package verisonus.core.sound;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

class FilterTest {
    private static final double RATE = 48000;

    @ParameterizedTest
    @ValueSource(doubles = {-12, -3, 0, 6, 15})
    void peakHasItsGainInTheMiddleAndNoneFarAway(double gainDb) {
        Biquad f = Biquad.peak(1000, gainDb, 1, RATE);
        assertThat(f.gainDbAt(1000, RATE)).isCloseTo(gainDb, within(1e-6));
        assertThat(f.gainDbAt(20, RATE)).isCloseTo(0, within(0.05));
    }

    @ParameterizedTest
    @CsvSource({"200, 9", "3000, -9"})
    void shelvesReachTheirGainOnOneSideAndHalfAtTheCorner(double hz, double gainDb) {
        assertThat(Biquad.lowShelf(hz, gainDb, RATE).gainDbAt(hz, RATE)).isCloseTo(gainDb / 2, within(0.01));
        assertThat(Biquad.lowShelf(hz, gainDb, RATE).gainDbAt(5, RATE)).isCloseTo(gainDb, within(0.05));
        assertThat(Biquad.highShelf(hz, gainDb, RATE).gainDbAt(hz, RATE)).isCloseTo(gainDb / 2, within(0.01));
        assertThat(Biquad.highShelf(hz, gainDb, RATE).gainDbAt(23000, RATE)).isCloseTo(gainDb, within(0.1));
    }

    @Test
    void secondOrderCutsAreThreeDecibelsDownAtTheirCorner() {
        double butterworth = Math.sqrt(0.5);
        assertThat(Biquad.lowPass(2000, butterworth, RATE).gainDbAt(2000, RATE)).isCloseTo(-3.01, within(0.01));
        assertThat(Biquad.highPass(200, butterworth, RATE).gainDbAt(200, RATE)).isCloseTo(-3.01, within(0.01));
        assertThat(Biquad.onePoleLowPass(2000, RATE).gainDbAt(2000, RATE)).isCloseTo(-3.01, within(0.01));
        assertThat(Biquad.onePoleHighPass(200, RATE).gainDbAt(200, RATE)).isCloseTo(-3.01, within(0.01));
    }

    @Test
    void runningFilterDoesWhatItsResponseSays() {
        Biquad f = Biquad.peak(800, 9, 2, RATE);
        float[] x = Signal.sine(700).atDb(-20).samples(48000);
        new Biquad.Section(f).process(x, 0, x.length);
        float[] settled = java.util.Arrays.copyOfRange(x, 24000, 48000);
        assertThat(Signal.levelDbAt(settled, 700, 48000)).isCloseTo(-20 + f.gainDbAt(700, RATE), within(0.02));
    }

    @Test
    void resetGivesTheSameAgain() {
        Biquad.Section s = new Biquad.Section(Biquad.lowPass(500, 2, RATE));
        float[] a = Signal.noise(5).samples(500);
        float[] b = a.clone();
        s.process(a, 0, 500);
        s.reset();
        s.process(b, 0, 500);
        assertThat(b).isEqualTo(a);
    }

    @ParameterizedTest
    @CsvSource({"44100, 48000", "48000, 44100", "22050, 48000", "96000, 48000", "8000, 48000", "192000, 48000"})
    void resamplingKeepsAToneAndItsLevel(int from, int to) {
        Sound x = Signal.sine(1000).atDb(-6).atRate(from).lasting(1);
        Sound y = x.atRate(to);
        assertThat(y.rateHz()).isEqualTo(to);
        assertThat(y.durationS()).isCloseTo(1, within(2.0 / to));
        float[] middle = java.util.Arrays.copyOfRange(y.channel(0), to / 4, 3 * to / 4);
        assertThat(Signal.levelDbAt(middle, 1000, to)).isCloseTo(-6, within(0.02));
    }

    @Test
    void resamplingDownLeavesNothingFoldedBack() {
        Sound y = Signal.sine(18000).atRate(96000).lasting(0.5).atRate(22050);
        float[] middle = java.util.Arrays.copyOfRange(y.channel(0), 3000, 8000);
        assertThat(Signal.rmsDb(middle, 0, middle.length)).isLessThan(-70);
    }

    @Test
    void thirdOctavesStandWhereTheStandardPutsThem() {
        double[] c = Bands.thirds(50, 16000).centresHz();
        assertThat(c).hasSize(26);
        assertThat(c[0]).isCloseTo(50.12, within(0.01));
        assertThat(c[13]).isCloseTo(1000, within(1e-9));
        assertThat(c[25]).isCloseTo(15848.9, within(0.1));
    }

    @Test
    void aToneFallsIntoItsBandAlone() {
        Bands bands = Bands.thirds(50, 16000);
        double[] db = Bands.levelsDb(bands.longTermPower(Signal.sine(1000).samples(96000), 48000), 120);
        int at = bands.nearest(1000);
        for (int b = 0; b < db.length; b++) {
            if (Math.abs(b - at) > 1) assertThat(db[at] - db[b]).as("band %d", b).isGreaterThan(60);
        }
    }
}
