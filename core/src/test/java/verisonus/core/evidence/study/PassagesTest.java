package verisonus.core.evidence.study;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import org.junit.jupiter.api.Test;
import verisonus.core.evidence.study.Passage.Purpose;
import verisonus.core.sound.Biquad;
import verisonus.core.sound.Signal;
import verisonus.core.sound.Sound;

class PassagesTest {
    /** Six seconds of guitar alone, six with bass and hats, a last note that rings out, then a quiet floor. */
    private static Sound song() {
        Sound guitar = throughASpeaker(Signal.plucks(0.3, 6).lasting(12));
        Sound noise = Signal.noise(5).atDb(-72).lasting(17);
        return Sound.mono(Signal.array(noise.frames(), i -> {
            double t = i / 48000.0;
            double sum = noise.channel(0)[i];
            if (t < 12) sum += guitar.channel(0)[i];
            if (t > 6 && t < 12) {
                sum += 0.2 * Math.sin(2 * Math.PI * 46 * t);
                if (t % 0.25 < 0.05) sum += 0.12 * noise.channel(0)[(i * 7) % noise.frames()] / 2.5e-4;
            }
            if (t >= 12 && t < 15) sum += 0.3 * Math.exp(-2.2 * (t - 12)) * Math.sin(2 * Math.PI * 220 * t);
            return Math.clamp(sum, -1, 1);
        }), 48000);
    }

    private static Sound throughASpeaker(Sound x) {
        float[] y = x.channel(0).clone();
        for (int i = 0; i < 2; i++) new Biquad.Section(Biquad.lowPass(4500, 0.8, 48000)).process(y, 0, y.length);
        return Sound.mono(y, 48000);
    }

    private static final Course COURSE = Course.of(song(), 600);
    private static final List<Passage> FOUND = PassageFinder.in(COURSE);

    private static Passage first(Purpose p) {
        return FOUND.stream().filter(f -> f.purpose() == p).findFirst().orElseThrow();
    }

    @Test
    void theGuitarAloneIsProposedForItsTone() {
        Passage p = first(Purpose.CORE_TONE);
        assertThat(p.fromS()).isLessThan(1);
        assertThat(p.toS()).isBetween(4.5, 6.6);
        assertThat(p.reason()).isNotBlank();
    }

    @Test
    void aLastNoteThatRingsOutIsProposedForItsTail() {
        assertThat(FOUND).anySatisfy(p -> {
            assertThat(p.purpose()).isEqualTo(Purpose.ECHO_TAIL);
            assertThat(p.fromS()).isCloseTo(12, within(0.6));
            assertThat(p.toS()).isGreaterThan(13);
        });
    }

    @Test
    void theFloorIsProposedForTheNoise() {
        assertThat(first(Purpose.NOISE).fromS()).isGreaterThan(14);
    }

    @Test
    void theRibbonSaysWhereItStandsAlone() {
        int three = (int) (3 / COURSE.stepS());
        int nine = (int) (9 / COURSE.stepS());
        assertThat(COURSE.alone()[three]).isGreaterThan(0.7f);
        assertThat(COURSE.alone()[nine]).isLessThan(0.3f);
    }

    @Test
    void nothingIsProposedInSilence() {
        assertThat(PassageFinder.in(Course.of(Signal.silence().lasting(8), 200))).isEmpty();
    }

    @Test
    void aLongRegionIsStudiedWhereTheGuitarStandsMostAlone() {
        float[] x = new float[48000 * 200];
        Sound guitar = Signal.plucks(0.3, 6).lasting(10);
        for (int i = 0; i < x.length; i++) {
            x[i] = guitar.channel(0)[i % guitar.frames()];
            if (i < 48000 * 70) x[i] += (float) (0.25 * Math.sin(2 * Math.PI * 46 * i / 48000.0));
        }
        Excerpt e = Excerpt.of(Sound.mono(x, 48000));
        assertThat(e.toS() - e.fromS()).isCloseTo(Excerpt.LONGEST_S, within(1e-6));
        assertThat(e.fromS()).isGreaterThan(65);
        assertThat(Excerpt.of(guitar)).isEqualTo(new Excerpt(0, 10));
    }
}
