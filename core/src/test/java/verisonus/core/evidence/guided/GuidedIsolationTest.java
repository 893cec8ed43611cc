package verisonus.core.evidence.guided;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.api.Test;
import verisonus.core.sound.Signal;
import verisonus.core.sound.Sound;

/** A guitar among strikes and a low hum, guided by the same phrase under another hand. */
class GuidedIsolationTest {
    private static final int RATE_HZ = GuidedBand.RATE_HZ;
    private static final Sound GUITAR = GuidedBand.GUITAR;
    private static final Sound TAKE = GuidedBand.TAKE;
    private static final Sound COMPANY = GuidedBand.COMPANY;

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

    @Test
    void whereTheTakeRestsNextToNothingIsTheGuitars() {
        Sound mixed = Signal.sum(GUITAR, COMPANY);
        float[] twice = java.util.Arrays.copyOf(mixed.mid(), 2 * mixed.frames());
        System.arraycopy(COMPANY.mid(), 0, twice, mixed.frames(), COMPANY.frames());
        Sound out = GuidedIsolation.of(Sound.mono(twice, RATE_HZ), TAKE);
        assertThat(out.slice(9, 12).rms()).isLessThan(0.11 * COMPANY.slice(3, 6).rms());
        assertThat(out.frames()).isEqualTo(twice.length);
    }

    @Test
    void theRestAndTheGuitarAreTheRecording() {
        Sound mixed = Signal.sum(GUITAR, COMPANY);
        Sound both = Signal.sum(GuidedIsolation.of(mixed, TAKE), GuidedIsolation.rest(mixed, TAKE));
        for (int i = 0; i < both.frames(); i += 37)
            assertThat(both.mid()[i]).isCloseTo(mixed.mid()[i], org.assertj.core.data.Offset.offset(1e-4f));
    }
}
