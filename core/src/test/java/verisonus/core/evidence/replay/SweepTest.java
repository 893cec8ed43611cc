package verisonus.core.evidence.replay;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import verisonus.core.sound.Signal;
import verisonus.core.sound.Sound;

/** Notches that sweep, on chords that ring. */
class SweepTest {
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
}
