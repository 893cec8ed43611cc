package verisonus.core.simulate.stages;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;
import org.junit.jupiter.params.provider.MethodSource;
import verisonus.core.rig.Block;
import verisonus.core.rig.ControlNames;
import verisonus.core.rig.Gear;
import verisonus.core.rig.GearKind;
import verisonus.core.rig.Model;
import verisonus.core.rig.Voice;

/** What every drive does as a circuit does it. */
class DriveStagesTest {
    private static final RaisedRate AT = RaisedRate.of(Quality.FINAL);
    private static final int N = 16_384;
    private static final int SETTLED = 8192;
    /** A square-law stage idling half a unit off its middle puts the octave of a note at a hundredth of its clipping point here. */
    private static final double LOPSIDED_DB = -50;

    static Stream<Model> drives() {
        return Gear.of(GearKind.DRIVE).stream().filter(m -> m.voice() instanceof Voice.Drive);
    }

    private static Block block(Voice.Drive voice) {
        return Block.of(drives().filter(m -> m.voice() == voice).findFirst().orElseThrow().name());
    }

    private static float[] played(Block b, double hz, double amplitude) {
        float[] x = new float[N];
        for (int i = 0; i < N; i++) x[i] = (float) (amplitude * Math.sin(2 * Math.PI * hz * i / AT.rateHz()));
        DriveStage.of(b, (Voice.Drive) b.model().voice(), AT).process(x, N);
        return x;
    }

    private static double rms(float[] x) {
        double sum = 0;
        for (int i = SETTLED; i < N; i++) sum += x[i] * (double) x[i];
        return Math.sqrt(sum / (N - SETTLED));
    }

    private static double peak(float[] x) {
        double out = 0;
        for (int i = SETTLED; i < N; i++) out = Math.max(out, Math.abs(x[i]));
        return out;
    }

    @ParameterizedTest
    @MethodSource("drives")
    void silenceStaysSilent(Model m) {
        float[] x = new float[N];
        DriveStage.of(Block.of(m.name()), (Voice.Drive) m.voice(), AT).process(x, N);
        assertThat(peak(x)).isLessThan(1e-4);
    }

    @ParameterizedTest
    @MethodSource("drives")
    void aLouderNoteIsHeldBackTheMoreTheDriveIsTurnedUp(Model m) {
        double[] grows = new double[2];
        for (int i = 0; i < 2; i++) {
            Block b = Block.of(m.name()).with(ControlNames.DRIVE, i == 0 ? 1 : 9);
            grows[i] = 20 * Math.log10(rms(played(b, 400, 0.3)) / rms(played(b, 400, 0.03)));
        }
        assertThat(grows[1]).isLessThanOrEqualTo(grows[0] + 0.1);
        assertThat(grows[0]).isLessThanOrEqualTo(20.5);
    }

    @ParameterizedTest
    @MethodSource("drives")
    void levelIsInDecibelsAndChangesNothingElse(Model m) {
        Block b = Block.of(m.name());
        float[] low = played(b.with(ControlNames.LEVEL, 3), 400, 0.1);
        float[] high = played(b.with(ControlNames.LEVEL, 7), 400, 0.1);
        double ratio = rms(high) / rms(low);
        assertThat(ratio).isGreaterThan(1.5);
        for (int i = SETTLED; i < N; i += 97) assertThat(high[i]).isCloseTo((float) (ratio * low[i]), within(2e-3f));
    }

    @ParameterizedTest
    @MethodSource("drives")
    void toneTurnedUpLetsMoreTrebleThrough(Model m) {
        Block b = Block.of(m.name());
        double dark = rms(played(b.with(ControlNames.TONE, 1), 4000, 0.01))
                / rms(played(b.with(ControlNames.TONE, 1), 400, 0.01));
        double bright = rms(played(b.with(ControlNames.TONE, 9), 4000, 0.01))
                / rms(played(b.with(ControlNames.TONE, 9), 400, 0.01));
        assertThat(bright).isGreaterThan(1.2 * dark);
    }

    @ParameterizedTest
    @EnumSource(value = Voice.Drive.class, names = {"HARD_CLIP", "FUZZ", "TRANSPARENT"})
    void whatClipsHasACeiling(Voice.Drive voice) {
        Block b = block(voice).with(ControlNames.DRIVE, 8);
        double once = peak(played(b, 300, 0.5));
        double tenfold = peak(played(b, 300, 5));
        assertThat(tenfold).isLessThan(voice == Voice.Drive.TRANSPARENT ? 10 * once : 1.5 * once);
    }

    @Test
    void aCleanBoostIsLinearUnderItsCeiling() {
        Block b = block(Voice.Drive.CLEAN_BOOST).with(ControlNames.DRIVE, 3);
        double ratio = rms(played(b, 500, 0.02)) / rms(played(b, 500, 0.01));
        assertThat(ratio).isCloseTo(2, within(0.01));
    }

    @Test
    void aFuzzIsLopsidedOnSoftNotesWhereACleanBoostIsNot() {
        assertThat(secondHarmonicDb(Voice.Drive.FUZZ)).isGreaterThan(LOPSIDED_DB);
        assertThat(secondHarmonicDb(Voice.Drive.CLEAN_BOOST)).isLessThan(LOPSIDED_DB - 20);
    }

    /** Octave against fundamental of a soft note, dB; both fall on whole turns of the measured stretch. */
    private static double secondHarmonicDb(Voice.Drive voice) {
        double hz = AT.rateHz() * 32 / (N - SETTLED);
        float[] y = played(block(voice).with(ControlNames.DRIVE, 2), hz, 0.002);
        return 20 * Math.log10(amplitude(y, 64) / amplitude(y, 32));
    }

    /** Of the sine that turns this often in the measured stretch. */
    private static double amplitude(float[] x, int turns) {
        double re = 0;
        double im = 0;
        for (int i = SETTLED; i < N; i++) {
            double phase = 2 * Math.PI * turns * (i - SETTLED) / (N - SETTLED);
            re += x[i] * Math.cos(phase);
            im += x[i] * Math.sin(phase);
        }
        return Math.hypot(re, im);
    }

    @ParameterizedTest
    @MethodSource("drives")
    void afterAResetTheSamePlayingSoundsTheSame(Model m) {
        Block b = Block.of(m.name());
        NonlinearStage stage = DriveStage.of(b, (Voice.Drive) m.voice(), AT);
        float[] first = new float[2048];
        float[] again = new float[2048];
        for (int i = 0; i < 2048; i++) first[i] = again[i] = (float) (0.2 * Math.sin(0.05 * i));
        stage.process(first, 2048);
        stage.reset();
        stage.process(again, 2048);
        assertThat(again).containsExactly(first);
    }
}
