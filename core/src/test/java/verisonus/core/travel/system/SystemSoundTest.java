package verisonus.core.travel.system;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import verisonus.core.sound.Bands;
import verisonus.core.sound.Decibels;
import verisonus.core.sound.Signal;
import verisonus.core.sound.Sound;
import verisonus.core.work.Progress;

class SystemSoundTest {
    private static final Sound NOISE = Signal.noise(5).atDb(-12).lasting(6);

    private static PlaybackSystem shipped(String id) {
        return PlaybackSystem.find(id).orElseThrow();
    }

    private static PlaybackSystem without(PlaybackSystem s) {
        return new PlaybackSystem(s.id(), s.name(), s.curve(), Optional.empty(), s.room(), s.loudspeakers(),
                s.guitarCabinet(), s.levelDbSpl(), s.notes());
    }

    private static double[] thirds(Sound s, Bands bands) {
        double[] power = new double[bands.count()];
        for (float[] c : s.channels()) {
            double[] one = bands.longTermPower(c, s.rateHz());
            for (int b = 0; b < power.length; b++) power[b] += one[b] / s.channels().length;
        }
        return power;
    }

    /** Also with a room round it: what is heard has the response that the figures use. */
    @ParameterizedTest
    @ValueSource(strings = {"monitors", "headphones", "stage", "guitar-cabinet", "phone", "car"})
    void whatIsHeardHasTheResponseOfTheCurve(String id) {
        PlaybackSystem system = without(shipped(id));
        Bands bands = Bands.thirds(63, 6300);
        double[] before = thirds(NOISE, bands);
        double[] after = thirds(new SystemSound(system, 75).of(NOISE, Progress.NONE), bands);
        for (int b = 0; b < before.length; b++) {
            double hz = bands.centresHz()[b];
            // A band in a steep fall is not at its centre's level.
            if (Math.abs(system.levelDbAt(hz * 1.12) - system.levelDbAt(hz / 1.12)) > 3) continue;
            assertThat(Decibels.fromPower(after[b] / before[b])).as("%s at %.0f Hz", id, hz)
                    .isCloseTo(system.levelDbAt(hz), within(1.0));
        }
    }

    @Test
    void aRoomAnswersAfterTheStraightSoundAndDiesAway() {
        PlaybackSystem room = new PlaybackSystem("r", "room", ResponseCurve.of(20, 0, 20000, 0), Optional.empty(),
                Optional.of(new Room(3, 0.8, 3)), 1, false, 75, "");
        Sound click = Signal.impulse().lasting(1.2);
        Sound heard = new SystemSound(room, 75).of(click, Progress.NONE);
        assertThat(heard.isStereo()).isTrue();
        double direct = energy(heard, 0, 0.0025);
        double rest = energy(heard, 0.0025, 1.2);
        assertThat(10 * Math.log10(direct / rest)).isCloseTo(3, within(2.0));
        double earlyTail = energy(heard, 0.1, 0.2);
        double lateTail = energy(heard, 0.5, 0.6);
        assertThat(10 * Math.log10(earlyTail / lateTail)).isCloseTo(60 * 0.4 / 0.8, within(5.0));
    }

    private static double energy(Sound s, double fromS, double toS) {
        double sum = 1e-20;
        for (float[] c : s.channels())
            for (int i = (int) (fromS * s.rateHz()); i < toS * s.rateHz(); i++) sum += (double) c[i] * c[i];
        return sum;
    }

    @Test
    void protectionHoldsBackOnlyWhatIsLoud() {
        Protection p = new Protection(80, 4, 0.002, 0.1);
        assertThat(p.gainDbAt(70)).isZero();
        assertThat(p.gainDbAt(92)).isCloseTo(-9, within(1e-9));
        PlaybackSystem small = new PlaybackSystem("s", "small", ResponseCurve.of(20, 0, 20000, 0), Optional.of(p),
                Optional.empty(), 1, false, 75, "");
        Sound steady = Signal.sine(1000).atDb(-12).lasting(3);
        double loud = new SystemSound(small, 92).of(steady, Progress.NONE).slice(1, 2).rms();
        double soft = new SystemSound(small, 60).of(steady, Progress.NONE).slice(1, 2).rms();
        assertThat(Decibels.fromAmplitude(loud / soft)).isCloseTo(-9, within(1.0));
    }

    @Test
    void twoAuditionsOfOneSystemAreTheSame() {
        SystemSound car = new SystemSound(shipped("car"), 80);
        assertThat(car.of(NOISE, Progress.NONE).channel(1)).isEqualTo(car.of(NOISE, Progress.NONE).channel(1));
    }

    @Test
    void whatOneListensOnIsTakenOutOnlyAsFarAsIsSafe() {
        PlaybackSystem phone = shipped("phone");
        PlaybackSystem through = SystemSound.through(shipped("car"), phone);
        double car = shipped("car").levelDbAt(60);
        assertThat(through.levelDbAt(60) - car).isLessThanOrEqualTo(SystemSound.SAFE_BOOST_DB + 0.2);
        assertThat(through.levelDbAt(1000) - shipped("car").levelDbAt(1000)).isCloseTo(-phone.levelDbAt(1000),
                within(0.2));
        assertThat(SystemSound.limitedHz(phone)).contains(100.0).doesNotContain(1000.0);
    }
}
