package verisonus.core.evidence.study;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.function.DoubleUnaryOperator;
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
            if (t >= 12 && t < 15) sum += 0.3 * Math.exp(-2.2 * (t - 12)) * string(t);
            return Math.clamp(sum, -1, 1);
        }), 48000);
    }

    /** A low string with its partials. */
    private static double string(double t) {
        double sum = 0;
        for (int k = 1; k < 16; k++) sum += Math.sin(2 * Math.PI * 110 * k * t) / Math.pow(k, 1.3);
        return 0.5 * sum;
    }

    private static Sound throughASpeaker(Sound x) {
        float[] y = x.channel(0).clone();
        for (int i = 0; i < 2; i++) new Biquad.Section(Biquad.lowPass(4500, 0.8, 48000)).process(y, 0, y.length);
        return Sound.mono(y, 48000);
    }

    private static final Course COURSE = Course.of(song(), 600);
    /** The same course, with what is true of it: alone but for six seconds in the middle. */
    private static final List<Passage> FOUND = PassageFinder.in(alone(t -> t < 6 || t > 12 ? 0.93 : 0.02));

    private static Course alone(DoubleUnaryOperator likelihood) {
        float[] alone = Signal.array(COURSE.alone().length, i -> likelihood.applyAsDouble(i * COURSE.stepS()));
        return new Course(COURSE.stepS(), COURSE.levelDb(), COURSE.brightnessHz(), COURSE.bodyDb(), COURSE.widthDb(),
                alone, COURSE.beginnings());
    }

    private static Passage first(Purpose p) {
        return FOUND.stream().filter(f -> f.purpose() == p).findFirst().orElseThrow();
    }

    @Test
    void theGuitarAloneIsProposedForItsTone() {
        Passage p = first(Purpose.CORE_TONE);
        assertThat(p.fromS()).isLessThan(1);
        assertThat(p.toS()).isBetween(4.5, 6.6);
        assertThat(p.reason()).contains("stands alone").doesNotContain("probably");
    }

    @Test
    void whereItIsLessSureTheGuitarIsProbablyAlone() {
        List<Passage> found = PassageFinder.in(alone(t -> t < 6 ? 0.8 : 0.02));
        assertThat(found).anySatisfy(p -> assertThat(p.reason()).contains("probably"));
    }

    @Test
    void aMomentOfDoubtEndsNoStretchAndALongOneDoes() {
        List<Passage> brief = PassageFinder.in(alone(t -> t > 6 ? 0.02 : Math.abs(t - 3) < 0.2 ? 0.45 : 0.95));
        assertThat(brief).filteredOn(p -> p.purpose() == Purpose.CORE_TONE).singleElement()
                .satisfies(p -> assertThat(p.toS() - p.fromS()).isGreaterThan(5));
        List<Passage> clear = PassageFinder.in(alone(t -> t > 6 ? 0.02 : Math.abs(t - 3) < 0.2 ? 0.1 : 0.95));
        assertThat(clear).filteredOn(p -> p.purpose() == Purpose.CORE_TONE).hasSize(2);
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
    void theLastChordOfABandIsNoTailOfTheGuitar() {
        List<Passage> found = PassageFinder.in(alone(t -> t < 6 ? 0.93 : 0.1));
        assertThat(found).noneMatch(p -> p.purpose() == Purpose.ECHO_TAIL && p.fromS() > 8);
    }

    @Test
    void aToneThatIsHeldIsNoGuitarAlone() {
        Sound held = Sound.mono(Signal.array(48000 * 8, i -> 0.3 * string(i / 48000.0) * Math.min(1, i / 4800.0)),
                48000);
        Course c = Course.of(held, 400);
        float[] sure = Signal.array(c.alone().length, _ -> 0.97);
        assertThat(PassageFinder.in(new Course(c.stepS(), c.levelDb(), c.brightnessHz(), c.bodyDb(), c.widthDb(),
                sure, c.beginnings()))).noneMatch(p -> p.purpose() == Purpose.CORE_TONE);
    }

    @Test
    void theFloorIsProposedForTheNoise() {
        assertThat(first(Purpose.NOISE).fromS()).isGreaterThan(14);
    }

    @Test
    void theRibbonSaysWhereItStandsAlone() {
        int three = (int) (3 / COURSE.stepS());
        int nine = (int) (9 / COURSE.stepS());
        assertThat(COURSE.alone()[three]).isGreaterThan(COURSE.alone()[nine] + 0.3f);
        assertThat(COURSE.alone()[nine]).isLessThan(0.1f);
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
