package verisonus.core.take;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.Arrays;
import org.junit.jupiter.api.Test;
import verisonus.core.sound.Signal;
import verisonus.core.sound.Sound;

/** Of a song, the part in which the take plays. */
class PlayedPartTest {
    private static final int RATE_HZ = Signal.RATE_HZ;
    private static final Sound TAKE = Signal.plucks(0.43, 21, 5).atDb(-8).lasting(10);

    private static SeenTake at(double beginS, double songS, Pairing pairing) {
        return new SeenTake(new Alignment(pairing, (int) (beginS * RATE_HZ), 0.8, false),
                new float[(int) (songS * RATE_HZ)]);
    }

    private static Sound song(double s) {
        return Sound.mono(new float[(int) (s * RATE_HZ)], RATE_HZ);
    }

    @Test
    void itHoldsTheTakeAndWhatRingsOnBehindIt() {
        PlayedPart p = PlayedPart.of(at(60, 200, Pairing.PLAYED_AGAIN), song(200), TAKE).orElseThrow();
        assertThat(p.fromS()).isEqualTo(58);
        assertThat(p.toS()).isEqualTo(74);
        SeenTake there = p.in(at(60, 200, Pairing.PLAYED_AGAIN), RATE_HZ);
        assertThat((double) there.alignment().offsetSamples() / RATE_HZ).isCloseTo(2, within(1e-6));
        assertThat(there.view()).hasSize(16 * RATE_HZ);
    }

    @Test
    void aTakeOfSomethingElseHasNone() {
        assertThat(PlayedPart.of(at(60, 200, Pairing.OTHER_PLAYING), song(200), TAKE)).isEmpty();
    }

    @Test
    void nothingIsCutThatHardlySavesTime() {
        assertThat(PlayedPart.maySave(song(20), TAKE)).isFalse();
        assertThat(PlayedPart.of(at(4, 20, Pairing.PLAYED_AGAIN), song(20), TAKE)).isEmpty();
    }

    @Test
    void beginningsAreFoundInASongAsInThePhraseAlone() {
        float[] phrase = Signal.plucks(0.43, 21, 1).atDb(-8).lasting(10).mid();
        float[] di = TAKE.mid();
        float[] song = new float[phrase.length + 40 * RATE_HZ];
        System.arraycopy(phrase, 0, song, 20 * RATE_HZ, phrase.length);
        OnsetOffset alone = OnsetOffset.find(Arrays.copyOf(phrase, phrase.length), di, RATE_HZ, 0, 0.06);
        OnsetOffset within = OnsetOffset.find(song, di, RATE_HZ, 20 * RATE_HZ, 0.06);
        assertThat((within.samples() - 20 * RATE_HZ) / (double) RATE_HZ).isCloseTo(alone.samples() / (double) RATE_HZ,
                within(0.004));
        assertThat(within.likeness()).isCloseTo(alone.likeness(), within(0.05));
    }
}
