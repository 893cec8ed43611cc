package verisonus.core.evidence.study;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.api.Test;
import verisonus.core.sound.Signal;
import verisonus.core.sound.Sound;

/** A guitar among strikes and a low hum, guided by the same phrase under another hand. */
class GuidedIsolationTest {
    private static final int RATE_HZ = GuidedIsolation.RATE_HZ;
    private static final Sound GUITAR = Signal.plucks(0.43, 21, 1).atDb(-10).atRate(RATE_HZ).lasting(6);
    private static final Sound TAKE = Signal.plucks(0.43, 21, 5).atDb(-6).atRate(RATE_HZ).lasting(6);
    private static final Sound COMPANY = Signal.of(t -> 0.25 * Math.sin(2 * Math.PI * 45 * t)
            + (t % 0.5 < 0.03 ? 0.8 * Math.sin(9000 * t * t % 6.28) : 0)).atDb(-6).atRate(RATE_HZ).lasting(6);

    /** Scale-invariant signal-to-distortion ratio (J. Le Roux et al., ICASSP 2019), dB. */
    private static double ratioDb(float[] wanted, float[] heard) {
        double xy = 0;
        double xx = 1e-12;
        for (int i = 0; i < wanted.length; i++) {
            xy += (double) wanted[i] * heard[i];
            xx += (double) wanted[i] * wanted[i];
        }
        double signal = 1e-12;
        double noise = 1e-12;
        for (int i = 0; i < wanted.length; i++) {
            double s = xy / xx * wanted[i];
            signal += s * s;
            noise += (heard[i] - s) * (heard[i] - s);
        }
        return 10 * Math.log10(signal / noise);
    }

    @Test
    void theGuitarStandsOutMoreThanInTheRecording() {
        Sound mixed = Signal.sum(GUITAR, COMPANY);
        double before = ratioDb(GUITAR.mid(), mixed.mid());
        double after = ratioDb(GUITAR.mid(), GuidedIsolation.of(mixed, TAKE).mid());
        assertThat(after).isGreaterThan(before + 4);
    }

    @Test
    void aGuitarAloneStaysItself() {
        assertThat(ratioDb(GUITAR.mid(), GuidedIsolation.of(GUITAR, TAKE).mid())).isGreaterThan(6);
    }

    @Test
    void channelsAndLengthStay() {
        Sound stereo = Sound.stereo(GUITAR.mid(), COMPANY.mid(), RATE_HZ);
        Sound out = GuidedIsolation.of(stereo, TAKE);
        assertThat(out.channels()).hasNumberOfRows(2);
        assertThat(out.frames()).isEqualTo(stereo.frames());
    }

    @Test
    void silenceGivesSilence() {
        Sound silent = Signal.silence().atRate(RATE_HZ).lasting(2);
        assertThat(GuidedIsolation.of(silent, TAKE.slice(0, 2)).peak()).isZero();
    }
}
