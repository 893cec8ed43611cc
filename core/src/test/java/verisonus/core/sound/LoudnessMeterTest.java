package verisonus.core.sound;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** Signals and tolerances of ITU-R BS.1770 and of the EBU's Tech 3341 and 3342. */
class LoudnessMeterTest {
    private static final double STANDARD_LU = 0.1;
    private static final double TRUE_PEAK_DB = 0.2;

    private static Sound stereo(Sound mono) {
        return Sound.stereo(mono.channel(0), mono.channel(0), mono.rateHz());
    }

    private static Sound joined(Sound... parts) {
        int frames = 0;
        for (Sound p : parts) frames += p.frames();
        float[] out = new float[frames];
        int at = 0;
        for (Sound p : parts) {
            System.arraycopy(p.channel(0), 0, out, at, p.frames());
            at += p.frames();
        }
        return Sound.mono(out, parts[0].rateHz());
    }

    @Test
    void aFullScaleSineInOneChannelReadsMinusThree() {
        assertThat(LoudnessMeter.integratedLufs(Signal.sine(997).lasting(5)).orElseThrow()).isCloseTo(-3.01,
                within(STANDARD_LU));
    }

    @ParameterizedTest
    @ValueSource(ints = {44100, 48000, 96000})
    void aStereoSineAtMinusTwentyThreeReadsSoAtAnyRate(int rate) {
        Sound x = stereo(Signal.sine(1000).atDb(-23).atRate(rate).lasting(5));
        assertThat(LoudnessMeter.integratedLufs(x).orElseThrow()).isCloseTo(-23, within(STANDARD_LU));
    }

    @Test
    void quietPartsAreGatedOut() {
        Sound x = stereo(joined(Signal.sine(1000).atDb(-36).lasting(5), Signal.sine(1000).atDb(-23).lasting(20),
                Signal.sine(1000).atDb(-36).lasting(5)));
        assertThat(LoudnessMeter.integratedLufs(x).orElseThrow()).isCloseTo(-23, within(STANDARD_LU));
    }

    @Test
    void silenceHasNoLoudness() {
        assertThat(LoudnessMeter.integratedLufs(Signal.silence().lasting(3))).isEmpty();
        assertThat(LoudnessMeter.rangeLu(Signal.silence().lasting(5))).isEmpty();
    }

    @Test
    void rangeIsTheDistanceOfTwoLevels() {
        Sound x = stereo(joined(Signal.sine(1000).atDb(-20).lasting(15), Signal.sine(1000).atDb(-30).lasting(15)));
        assertThat(LoudnessMeter.rangeLu(x).orElseThrow()).isCloseTo(10, within(1.0));
    }

    @Test
    void gainMovesLoudnessByThatGain() {
        Sound x = Signal.plucks(0.3, 4).lasting(6);
        double before = LoudnessMeter.integratedLufs(x).orElseThrow();
        assertThat(LoudnessMeter.integratedLufs(x.gained(-7)).orElseThrow()).isCloseTo(before - 7, within(0.02));
    }

    @Test
    void truePeakSeesBetweenSamples() {
        // A quarter of the rate, sampled half way up both sides of its crest: the samples read −3 dB.
        Sound x = Signal.of(t -> Math.sin(2 * Math.PI * 12000 * t + Math.PI / 4)).lasting(0.5);
        assertThat(Decibels.fromAmplitude(x.peak())).isCloseTo(-3.01, within(0.01));
        assertThat(LoudnessMeter.truePeakDbtp(x)).isCloseTo(0, within(TRUE_PEAK_DB));
    }

    @Test
    void weightingIsFlatAtOneKilohertzAndFallsBelowAHundred() {
        assertThat(Decibels.fromPower(LoudnessWeighting.powerAt(997))).isCloseTo(0.691, within(0.02));
        assertThat(Decibels.fromPower(LoudnessWeighting.powerAt(40))).isLessThan(-4);
        assertThat(Decibels.fromPower(LoudnessWeighting.powerAt(10000))).isCloseTo(4, within(0.2));
    }
}
