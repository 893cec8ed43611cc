package verisonus.core.simulate.spaces;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.EnumSource;
import verisonus.core.rig.Block;
import verisonus.core.rig.ControlNames;
import verisonus.core.rig.Gear;
import verisonus.core.rig.GearKind;
import verisonus.core.rig.Voice;
import verisonus.core.sound.Biquad;

/** Spaces by their impulse responses. */
class SpaceReverbTest {
    private static final int RATE_HZ = 48_000;

    private static Block block(Voice.Space voice) {
        String name = Gear.of(GearKind.REVERB).stream().filter(m -> m.voice() == voice).findFirst().orElseThrow()
                .name();
        return Block.of(name).with(ControlNames.DRY, 1).with(ControlNames.MIX, 50).with(ControlNames.PRE_DELAY, 0);
    }

    private static float[][] response(Block b, int channels, double seconds) {
        float[][] x = new float[channels][(int) (seconds * RATE_HZ)];
        for (float[] c : x) c[0] = 1;
        new SpaceReverb(b, (Voice.Space) b.model().voice(), RATE_HZ).process(x, x[0].length);
        return x;
    }

    private static double energyDb(float[] x, double fromS, double toS) {
        double sum = 1e-20;
        for (int i = (int) (fromS * RATE_HZ); i < Math.min(x.length, (int) (toS * RATE_HZ)); i++)
            sum += x[i] * (double) x[i];
        return 10 * Math.log10(sum);
    }

    @ParameterizedTest
    @CsvSource({"HALL, 1", "HALL, 3", "ROOM, 0.6", "PLATE, 2", "AMBIENCE, 0.8"})
    void itsTailFallsBySixtyDecibelsInItsDecay(Voice.Space voice, double decayS) {
        float[] x = response(block(voice).with(ControlNames.DECAY, decayS), 1, 1.2 * decayS)[0];
        double early = energyDb(x, 0.2 * decayS, 0.45 * decayS);
        double late = energyDb(x, 0.7 * decayS, 0.95 * decayS);
        assertThat(early - late).isCloseTo(30, within(2.5));
    }

    @ParameterizedTest
    @EnumSource(Voice.Space.class)
    void nothingIsHeardBeforeThePreDelayIsOver(Voice.Space voice) {
        float[] x = response(block(voice).with(ControlNames.PRE_DELAY, 80), 1, 1)[0];
        assertThat(energyDb(x, 0, 0.0799)).isLessThan(energyDb(x, 0, 1) - 100);
        assertThat(energyDb(x, 0.08, 0.2)).isGreaterThan(energyDb(x, 0, 1) - 12);
    }

    @ParameterizedTest
    @EnumSource(Voice.Space.class)
    void itsCutsTakeTrebleAndBassFromWhatRings(Voice.Space voice) {
        Block open = block(voice).with(ControlNames.LOW_CUT, 20).with(ControlNames.HIGH_CUT, 16000);
        Block cut = open.with(ControlNames.LOW_CUT, 400).with(ControlNames.HIGH_CUT, 2000);
        assertThat(bandDb(open, Biquad.highPass(6000, 0.7, RATE_HZ)) - bandDb(cut, Biquad.highPass(6000, 0.7, RATE_HZ)))
                .isGreaterThan(10);
        assertThat(bandDb(open, Biquad.lowPass(120, 0.7, RATE_HZ)) - bandDb(cut, Biquad.lowPass(120, 0.7, RATE_HZ)))
                .isGreaterThan(5);
    }

    private static double bandDb(Block b, Biquad band) {
        float[] x = response(b, 1, 1)[0];
        new Biquad.Section(band).process(x, 0, x.length);
        return energyDb(x, 0, 1);
    }

    @ParameterizedTest
    @EnumSource(Voice.Space.class)
    void bothSidesAreEquallyLoudAndDifferent(Voice.Space voice) {
        float[][] x = response(block(voice), 2, 2);
        assertThat(energyDb(x[0], 0, 2)).isCloseTo(energyDb(x[1], 0, 2), within(1.5));
        double product = 0;
        for (int i = 0; i < x[0].length; i++) product += x[0][i] * (double) x[1][i];
        double likeness = product / Math.pow(10, (energyDb(x[0], 0, 2) + energyDb(x[1], 0, 2)) / 20);
        assertThat(Math.abs(likeness)).isLessThan(0.5);
    }

    @Test
    void aDecayFiveTimesAsLongIsHardlyLouder() {
        double low = energyDb(response(block(Voice.Space.HALL).with(ControlNames.DECAY, 0.8), 1, 4)[0], 0, 4);
        double high = energyDb(response(block(Voice.Space.HALL).with(ControlNames.DECAY, 4), 1, 10)[0], 0, 10);
        assertThat(high).isCloseTo(low, within(3.0));
    }

    @Test
    void densityFillsTheBeginning() {
        float[] thin = response(block(Voice.Space.HALL).with(ControlNames.DENSITY, 0), 1, 0.2)[0];
        float[] dense = response(block(Voice.Space.HALL).with(ControlNames.DENSITY, 100), 1, 0.2)[0];
        assertThat(heardSamples(dense)).isGreaterThan(2 * heardSamples(thin));
    }

    /** Samples within 40 dB of the strongest. */
    private static long heardSamples(float[] x) {
        float peak = 0;
        for (float v : x) peak = Math.max(peak, Math.abs(v));
        long n = 0;
        for (float v : x) if (Math.abs(v) > 0.01f * peak) n++;
        return n;
    }

    @ParameterizedTest
    @EnumSource(Voice.Space.class)
    void afterAResetItIsSilent(Voice.Space voice) {
        Block b = block(voice);
        SpaceReverb s = new SpaceReverb(b, voice, RATE_HZ);
        float[][] loud = new float[2][RATE_HZ / 4];
        for (float[] c : loud) java.util.Arrays.fill(c, 0.3f);
        s.process(loud, loud[0].length);
        s.reset();
        float[][] silent = new float[2][RATE_HZ / 4];
        s.process(silent, silent[0].length);
        assertThat(silent[0]).containsOnly(0f);
        assertThat(silent[1]).containsOnly(0f);
    }
}
