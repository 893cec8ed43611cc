package verisonus.bench.band;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Objects;
import org.junit.jupiter.api.Test;
import verisonus.core.take.Pairing;
import verisonus.core.take.SeenTake;

/** In a song in which all play the same chords, only a take of the guitar's phrase passes for one. */
class WrongTakesTest {
    private static final HarmonySong SONG = HarmonySong.of(204);

    private static Pairing said(HarmonySong.Take take) {
        return SeenTake.in(SONG.mix(), Objects.requireNonNull(SONG.takes().get(take)).mid()).alignment().pairing();
    }

    @Test
    void theRightTakeIsBelieved() {
        assertThat(said(HarmonySong.Take.RIGHT)).isEqualTo(Pairing.PLAYED_AGAIN);
    }

    @Test
    void anotherRiffOverTheSameChordsIsNot() {
        assertThat(said(HarmonySong.Take.OTHER_RIFF)).isEqualTo(Pairing.OTHER_PLAYING);
    }

    @Test
    void theSameRiffOverOtherChordsIsNot() {
        assertThat(said(HarmonySong.Take.OTHER_CHORDS)).isEqualTo(Pairing.OTHER_PLAYING);
    }

    @Test
    void itsSecondHalfBeforeItsFirstIsNot() {
        assertThat(said(HarmonySong.Take.ROTATED)).isEqualTo(Pairing.OTHER_PLAYING);
    }
}
