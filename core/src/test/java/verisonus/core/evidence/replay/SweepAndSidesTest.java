package verisonus.core.evidence.replay;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import verisonus.core.sound.Signal;
import verisonus.core.sound.Sound;

/** Notches that sweep, and copies that sway left against right, on chords that ring. */
class SweepAndSidesTest {
    private static final int RATE_HZ = Signal.RATE_HZ;
    private static final Sound RECORD = Signal.sum(Signal.plucks(0.6, 21, 1).atDb(-12).lasting(14),
            Signal.plucks(0.6, 34, 1)
                    .atDb(-12).lasting(14));
    private static final Sound REPLAY = Signal.sum(Signal.plucks(0.6, 21, 5).atDb(-12).lasting(14),
            Signal.plucks(0.6, 34, 5)
                    .atDb(-12).lasting(14));

    private static CombSweep.Strongest strongest(Sound s) {
        return new CombSweep(new DirectFit(s, REPLAY, DirectFit.Tails.FITTED, _ -> true)).strongest();
    }

    /** Four first-order all-passes swept over two octaves to either side of 600 Hz, mixed half and half. */
    private static Sound phased(double hz) {
        float[] x = RECORD.mid();
        double[] in = new double[4];
        double[] out = new double[4];
        float[] y = new float[x.length];
        for (int i = 0; i < x.length; i++) {
            double corner = 600 * Math.pow(2, 1.2 * Math.sin(2 * Math.PI * hz * i / RATE_HZ));
            double t = Math.tan(Math.PI * corner / RATE_HZ);
            double a = (t - 1) / (t + 1);
            double v = x[i];
            for (int k = 0; k < 4; k++) {
                double next = a * v + in[k] - a * out[k];
                in[k] = v;
                out[k] = next;
                v = next;
            }
            y[i] = (float) (0.5 * (x[i] + v));
        }
        return Sound.mono(y, RATE_HZ);
    }

    private static Sound widened(double hz, double swayMs, double gain) {
        float[] x = RECORD.mid();
        float[][] out = new float[2][];
        for (int c = 0; c < 2; c++) {
            double turn = c * Math.PI;
            out[c] = Signal.array(x.length, i -> {
                double at = i - (12 + swayMs * Math.sin(2 * Math.PI * hz * i / RATE_HZ + turn)) * RATE_HZ / 1000;
                int k = (int) Math.floor(at);
                return x[i] + (k < 0 ? 0 : gain * (x[k] + (at - k) * (x[k + 1] - x[k])));
            });
        }
        return Sound.stereo(out[0], out[1], RATE_HZ);
    }

    @ParameterizedTest
    @ValueSource(doubles = {0.4, 0.7})
    void aSweepIsFoundAtItsRate(double hz) {
        CombSweep.Strongest s = strongest(phased(hz));
        assertThat(s.rateHz()).isCloseTo(hz, within(0.06 * hz));
        assertThat(s.standing().z()).isGreaterThan(strongest(RECORD).standing().z() + 2);
    }

    @Test
    void aFaintSweepIsBelievedOnlyWhereTheRecordingAloneSaysTheSame() {
        SignedNotes.Standing faint = new SignedNotes.Standing(0.2, 0.1, 3.3, 0.15);
        CombSweep.Strongest s = new CombSweep.Strongest(0.5, 1.2, true, faint, 0.6);
        assertThat(CombSweep.confirmed(s, 0.505)).isPresent();
        assertThat(CombSweep.confirmed(s, 0.7)).isEmpty();
        CombSweep.Strongest chance = new CombSweep.Strongest(0.5, 1.2, true,
                new SignedNotes.Standing(0.2, 0.1, 0.7, 0.3), 0.6);
        assertThat(CombSweep.confirmed(chance, 0.5)).isEmpty();
    }

    @Test
    void withoutASweepNothingStandsOut() {
        assertThat(
                new CombSweep(new DirectFit(RECORD, REPLAY, DirectFit.Tails.FITTED, _ -> true)).find(strongest(RECORD))
                        .isPresent())
                .isFalse();
    }

    @Test
    void copiesThatSwayAgainstEachOtherAreFoundAtTheirRate() {
        boolean[] asked = new boolean[2000];
        java.util.Arrays.fill(asked, true);
        var found = SideSway.find(widened(0.8, 2.2, 0.25), asked);
        found.value().ifPresent(m -> assertThat(m.rateHz().orElseThrow()).isCloseTo(0.8, within(0.05)));
        assertThat(found.reason()).isNotBlank();
    }

    @Test
    void theWidthOfASingleChannelIsTheNarrowest() {
        assertThat(SideSway.sideDb(RECORD)).isEqualTo(-32);
        assertThat(SideSway.sideDb(widened(0.8, 2.2, 0.25))).isBetween(-31.0, -6.0);
    }
}
