package verisonus.core.take;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import org.junit.jupiter.api.Test;
import verisonus.core.sound.Signal;
import verisonus.core.sound.Sound;

/** A phrase at one side of a recording in whose middle louder notes of others play. */
class SeenTakeTest {
    private static final int RATE_HZ = Sound.WORKING_RATE_HZ;
    private static final Sound PHRASE = Signal.plucks(0.27, 21, 3).atDb(-10).lasting(8);
    private static final Sound AGAIN = Signal.plucks(0.27, 21, 9).atDb(-10).lasting(8);
    private static final Sound OTHER = Signal.plucks(0.31, 77, 4).atDb(-10).lasting(8);
    private static final Sound OTHERS = Signal.plucks(0.41, 55, 2).atDb(2).lasting(8);

    private static Sound aside(Sound phrase) {
        float[] left = Signal.array(phrase.frames(), i -> phrase.mid()[i] + OTHERS.mid()[i]);
        float[] right = Signal.array(phrase.frames(), i -> 0.2 * phrase.mid()[i] + OTHERS.mid()[i]);
        return Sound.stereo(left, right, RATE_HZ);
    }

    @Test
    void aPhraseCoveredInTheMiddleIsFoundInWhatTheSidesDifferBy() {
        Sound recording = aside(PHRASE);
        assertThat(Alignment.find(recording.mid(), AGAIN.mid(), RATE_HZ).pairing().isSamePhrase()).isFalse();
        SeenTake seen = SeenTake.in(recording, AGAIN.mid());
        assertThat(seen.alignment().pairing()).isEqualTo(Pairing.PLAYED_AGAIN);
        assertThat(seen.alignment().offsetSamples() / (double) RATE_HZ).isCloseTo(0, within(0.03));
    }

    @Test
    void anotherPhraseIsFoundInNoneOfThem() {
        assertThat(SeenTake.in(aside(PHRASE), OTHER.mid()).alignment().pairing()).isEqualTo(Pairing.OTHER_PLAYING);
    }

    @Test
    void whatTheMiddleShowsIsNotLookedForElsewhere() {
        Sound recording = Sound.stereo(PHRASE.mid(), PHRASE.mid(), RATE_HZ);
        SeenTake seen = SeenTake.in(recording, AGAIN.mid());
        assertThat(seen.view()).isEqualTo(recording.mid());
        assertThat(seen.laid(AGAIN.mid(), RATE_HZ)).hasSize(recording.frames());
    }
}
