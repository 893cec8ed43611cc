package verisonus.core.take;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.EnumSource;
import verisonus.core.sound.Signal;
import verisonus.core.sound.Sound;

class PairingTest {
    private static final int RATE_HZ = Signal.RATE_HZ;

    @ParameterizedTest
    @EnumSource(Pairing.class)
    void readsBackFromWhatFilesSay(Pairing p) {
        assertThat(Pairing.of(p.words(), p.performance())).isEqualTo(p);
    }

    @ParameterizedTest
    @CsvSource({"same phrase, PLAYED_AGAIN", "other playing, OTHER_PLAYING"})
    void ofOlderFilesTheMoreCarefulAnswerIsTaken(String words, Pairing p) {
        assertThat(Pairing.of(words, "")).isEqualTo(p);
    }

    @Test
    void chordsWithRestsBetweenThemAreKnownForOnePhrase() {
        float[] a = stabs(1);
        float[] b = stabs(5);
        Alignment found = Alignment.find(a, b, RATE_HZ);
        assertThat(found.pairing().isSamePhrase()).isTrue();
        assertThat(Math.abs(found.offsetSamples())).isLessThan(RATE_HZ / 40);
    }

    @Test
    void aTakeUnderAnEchoIsLaidByItsBeginnings() {
        float[] a = stabs(1);
        float[] echoed = Signal.array(a.length, i -> a[i] + (i < 11_000 ? 0 : 0.6 * a[i - 11_000]));
        assertThat(Math.abs(Alignment.find(echoed, stabs(5), RATE_HZ).offsetSamples())).isLessThan(RATE_HZ / 40);
    }

    /** Notes that are stopped after a fifth of a second. */
    private static float[] stabs(long hand) {
        Sound s = Signal.plucks(0.7, 21, hand).atDb(-8).lasting(8);
        float[] x = s.mid();
        return Signal.array(x.length, i -> {
            double since = (double) i / RATE_HZ % 0.7;
            return since < 0.25 ? x[i] : x[i] * Math.exp(-(since - 0.25) * 120);
        });
    }
}
