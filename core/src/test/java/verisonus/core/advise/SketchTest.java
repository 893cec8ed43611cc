package verisonus.core.advise;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import org.junit.jupiter.api.Test;
import verisonus.core.compare.GapAttribute;
import verisonus.core.compare.GapLedger;
import verisonus.core.compare.GapRow;
import verisonus.core.compare.Verdict;
import verisonus.core.sound.Biquad;
import verisonus.core.sound.Signal;
import verisonus.core.sound.Sound;
import verisonus.core.take.Pairing;

/** Nobody is told that a tone is finished when it could not be. */
class SketchTest {
    private static final GapLedger NOTHING = new GapLedger(List.of(), 0.5);

    /** A guitar through a speaker, with a loud low sine and hats from a time on. */
    private static Sound song(double bandFromS) {
        float[] y = Signal.plucks(0.3, 6).lasting(16).channel(0).clone();
        for (int i = 0; i < 2; i++) new Biquad.Section(Biquad.lowPass(4500, 0.8, 48000)).process(y, 0, y.length);
        Sound hiss = Signal.noise(3).atDb(0).lasting(16);
        return Sound.mono(Signal.array(y.length, i -> {
            double t = i / 48000.0;
            if (t < bandFromS) return y[i];
            return y[i] + 0.3 * Math.sin(2 * Math.PI * 46 * t) + (t % 0.25 < 0.04 ? 0.12 * hiss.channel(0)[i] : 0);
        }), 48000);
    }

    private static Sketch of(Sound song, double fromS, double toS, Pairing pairing, List<String> unjudged) {
        return Sketch.of(song, fromS, toS, pairing, NOTHING, Verdict.of(NOTHING, List.of(), unjudged));
    }

    @Test
    void aReplayOfALongPassageAloneIsNone() {
        Sketch s = of(song(99), 0, 10, Pairing.PLAYED_AGAIN, List.of());
        assertThat(s.is()).isFalse();
        assertThat(s.helps()).isEmpty();
    }

    @Test
    void insideABandTheStretchIsNamedInWhichTheGuitarStandsAlone() {
        Sketch s = of(song(8), 8, 16, Pairing.PLAYED_AGAIN, List.of());
        assertThat(s.is()).isTrue();
        assertThat(s.helps().get(0)).contains("stands alone")
                .containsPattern("derive from [0-4](\\.\\d)? to 7\\.");
    }

    @Test
    void aGuitarThatNeverStandsAloneIsSaidSo() {
        Sketch s = of(song(0), 0, 16, Pairing.PLAYED_AGAIN, List.of());
        assertThat(s.helps().get(0)).contains("never stands alone");
    }

    @Test
    void otherPlayingIsASketchAndAskedForThePhrase() {
        Sketch s = of(song(99), 0, 10, Pairing.OTHER_PLAYING, List.of());
        assertThat(s.is()).isTrue();
        assertThat(s.helps()).anySatisfy(h -> assertThat(h).contains("play the phrase"));
    }

    @Test
    void aShortPassageIsASketch() {
        assertThat(of(song(99), 0, 2, Pairing.PLAYED_AGAIN, List.of("space")).is()).isTrue();
    }

    @Test
    void neverMoreThanThreeThingsAreAskedFor() {
        GapLedger open = new GapLedger(
                List.of(new GapRow(GapAttribute.COLOUR_LEFT_OPEN, "dB", 0, 3, 1, "rest", "", true)), 1);
        Sketch s = Sketch.of(song(0), 0, 12, Pairing.OTHER_PLAYING, open,
                Verdict.of(open, List.of(), List.of("space")));
        assertThat(s.helps()).hasSizeLessThanOrEqualTo(3);
    }
}
