package verisonus.core.evidence.replay;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.OptionalDouble;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import verisonus.core.evidence.movement.ModulationKind;
import verisonus.core.evidence.movement.ModulationReading;
import verisonus.core.evidence.signs.Finding;
import verisonus.core.rig.Block;
import verisonus.core.rig.Tone;
import verisonus.core.simulate.Renderer;
import verisonus.core.simulate.stages.Quality;
import verisonus.core.sound.Biquad;
import verisonus.core.sound.Signal;
import verisonus.core.sound.Sound;
import verisonus.core.work.Progress;

/** Bands of one phrase that sway together, against each other, or each for itself. */
class LevelSwayTest {
    private static final int RATE_HZ = Signal.RATE_HZ;
    private static final float[] RECORD = Signal.plucks(0.43, 21, 1).atDb(-8).lasting(10).mid();
    private static final Sound REPLAY = Signal.plucks(0.43, 21, 5).atDb(-8).lasting(10);

    private static Finding<ModulationReading> of(float[] record) {
        LevelSway s = new LevelSway(new DirectFit(Sound.mono(record, RATE_HZ), REPLAY, DirectFit.Tails.FITTED,
                _ -> true));
        return s.find(s.strongest(), OptionalDouble.empty());
    }

    private static float[] under(float[] x, double hz) {
        float[] out = x.clone();
        new Biquad.Section(Biquad.lowPass(hz, 0.5, RATE_HZ)).process(out, 0, out.length);
        return out;
    }

    private static double gain(int i, double hz, double depth, double phase) {
        return 1 - depth * (0.5 - 0.5 * Math.cos(2 * Math.PI * hz * i / RATE_HZ + phase));
    }

    /** Each band turned on by so much against the one below it; without edges all as one. */
    private static float[] swaying(double hz, double depth, double turnedOn, double... edgesHz) {
        float[] rest = RECORD;
        float[] out = new float[RECORD.length];
        for (int b = 0; b <= edgesHz.length; b++) {
            float[] band = b == edgesHz.length ? rest : under(rest, edgesHz[b]);
            for (int i = 0; i < out.length; i++) out[i] += (float) (gain(i, hz, depth, b * turnedOn) * band[i]);
            float[] before = rest;
            rest = Signal.array(rest.length, i -> before[i] - band[i]);
        }
        return out;
    }

    @ParameterizedTest
    @CsvSource({"2.7, 0.5", "4.3, 0.3", "7.9, 0.5"})
    void allBandsTogetherAreATremolo(double hz, double depth) {
        ModulationReading m = of(swaying(hz, depth, 0)).value().orElseThrow();
        assertThat(m.kind()).isEqualTo(ModulationKind.TREMOLO);
        assertThat(m.rateHz().orElseThrow()).isCloseTo(hz, within(0.1));
    }

    @ParameterizedTest
    @ValueSource(doubles = {400, 700, 1000})
    void lowsAgainstHighsAreAHarmonicTremoloWhereverTheyTurn(double edgeHz) {
        ModulationReading m = of(swaying(4.3, 0.6, Math.PI, edgeHz)).value().orElseThrow();
        assertThat(m.kind()).isEqualTo(ModulationKind.HARMONIC_TREMOLO);
        assertThat(m.rateHz().orElseThrow()).isCloseTo(4.3, within(0.1));
    }

    @ParameterizedTest
    @ValueSource(doubles = {0.4, 1.1})
    void notchesThatSweepAreNoTremolo(double hz) {
        Tone phaser = new Tone("phaser", List.of(Block.of("four-stage phaser").with("rate", hz).with("depth", 70)
                .with("mix", 50)));
        Sound swept = Renderer.render(phaser, Sound.mono(RECORD, RATE_HZ), Quality.FINAL, Progress.NONE);
        assertThat(of(swept.mid()).isPresent()).isFalse();
    }

    @Test
    void anotherHandIsNoTremolo() {
        assertThat(of(RECORD).isPresent()).isFalse();
    }

    @Test
    void aSwayOfTheBeatIsOpenWhereOthersPlay() {
        LevelSway s = new LevelSway(new DirectFit(Sound.mono(swaying(4, 0.6, 0), RATE_HZ), REPLAY,
                DirectFit.Tails.FITTED, _ -> true));
        assertThat(s.find(s.strongest(), OptionalDouble.of(2)).reason()).contains("with the rhythm");
        assertThat(s.find(s.strongest(), OptionalDouble.of(2.31)).isPresent()).isTrue();
    }

    @Test
    void theSwingFollowsTheDepth() {
        double[] swing = new double[3];
        for (int i = 0; i < 3; i++) {
            LevelSway s = new LevelSway(new DirectFit(Sound.mono(swaying(4.3, 0.2 + 0.2 * i, 0), RATE_HZ), REPLAY,
                    DirectFit.Tails.FITTED, _ -> true));
            swing[i] = s.swingDb(4.3);
        }
        assertThat(swing).isSorted();
        assertThat(swing[2]).isGreaterThan(2 * swing[0]);
    }
}
