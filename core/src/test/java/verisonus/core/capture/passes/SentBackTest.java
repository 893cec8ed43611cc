package verisonus.core.capture.passes;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.Arrays;
import java.util.SplittableRandom;
import java.util.function.BiFunction;
import org.junit.jupiter.api.Test;
import verisonus.core.rig.GearKind;
import verisonus.core.sound.Sound;
import verisonus.core.work.InputFault;

/** What comes back is made late, quieter, turned and by another clock from what was sent. */
class SentBackTest {
    private static final int RATE_HZ = Sound.WORKING_RATE_HZ;
    private static final double LATE_S = 0.217;
    private static final double PPM = 25;
    private static final double GAIN = -0.4;
    private final SendThrough sent = new SendThrough(GearKind.DRIVE, 3, 1);

    /** @param through what happens to a sample at a time of the file, s */
    private Sound recorded(BiFunction<Float, Double, Double> through) {
        float[] file = sent.signal().mid();
        float[] out = new float[file.length + RATE_HZ];
        SplittableRandom random = new SplittableRandom(3);
        for (int i = 0; i < out.length; i++) {
            double at = (i - LATE_S * RATE_HZ) / (1 + PPM / 1e6);
            int k = (int) Math.floor(at);
            double there = k >= 0 && k + 1 < file.length ? file[k] + (at - k) * (file[k + 1] - file[k]) : 0;
            out[i] = (float) (GAIN * through.apply((float) there, at / RATE_HZ) + 1e-5 * (random.nextDouble() - 0.5));
        }
        return Sound.mono(out, RATE_HZ);
    }

    private SentBack back(Sound recording) {
        return SentBack.of("back.wav", recording, sent, p -> "setting " + p);
    }

    private double device(double v, double atS) {
        return atS < sent.turnFromS(1) ? v : 0.5 * Math.tanh(4 * v);
    }

    @Test
    void itIsLaidLevelledAndTurnedByItsMarkers() {
        SentBack back = back(recorded((v, at) -> device(v, at)));
        assertThat(back.latencyS()).isCloseTo(LATE_S, within(0.0005));
        assertThat(back.driftPpm()).isCloseTo(PPM, within(4.0));
        // Straight lines between samples, as this recorder reads, take some of the highs away.
        assertThat(back.gainDb()).isCloseTo(20 * Math.log10(-GAIN), within(0.3));
        assertThat(back.turned()).isTrue();
        float[] pure = sent.pass();
        float[] bare = back.passes().getFirst();
        float[] bent = back.passes().get(2);
        double off = 0;
        double all = 0;
        double offBent = 0;
        double allBent = 0;
        for (int i = sent.pluckedFrom(); i < sent.pluckedTo(); i++) {
            off += Math.pow(bare[i] - pure[i], 2);
            all += Math.pow(pure[i], 2);
            double made = 0.5 * Math.tanh(4 * pure[i]);
            offBent += Math.pow(bent[i] - made, 2);
            allBent += made * made;
        }
        assertThat(off / all).isLessThan(0.03);
        assertThat(offBent / allBent).isLessThan(0.04);
    }

    @Test
    void aDeviceThatIsOnInTheFirstPassIsRefused() {
        assertThatThrownBy(() -> back(recorded((v, at) -> 0.2 * Math.signum(v) * Math.min(1, Math.abs(40 * v)))))
                .isInstanceOf(InputFault.class).hasMessageContaining("not what was sent");
    }

    @Test
    void anotherRecordingIsRefused() {
        SplittableRandom random = new SplittableRandom(5);
        assertThatThrownBy(() -> back(recorded((v, at) -> 0.1 * random.nextDouble()))).isInstanceOf(InputFault.class)
                .hasMessageContaining("does not begin with a bypassed pass");
    }

    @Test
    void aRecordingThatEndsEarlyNamesThePass() {
        Sound whole = recorded((v, at) -> device(v, at));
        Sound half = whole.slice(0, sent.passAtS(2) + 1);
        assertThatThrownBy(() -> back(half)).isInstanceOf(InputFault.class)
                .hasMessageContaining("ends in pass 3 of 3 (setting 2)");
    }

    @Test
    void aSilentPassAndOneThatClipsAreNamed() {
        assertThatThrownBy(() -> back(recorded((v, at) -> at > sent.passAtS(2) - 0.2 ? 0.0 : device(v, at))))
                .isInstanceOf(InputFault.class).hasMessageContaining("pass 3 (setting 2) is silent");
        Sound loud = recorded((v, at) -> at < sent.turnFromS(2) ? device(v, at) : 40.0 * v);
        float[] x = loud.mid().clone();
        for (int i = 0; i < x.length; i++) x[i] = Math.clamp(x[i], -1, 1);
        assertThatThrownBy(() -> back(Sound.mono(x, RATE_HZ))).isInstanceOf(InputFault.class)
                .hasMessageContaining("pass 3 (setting 2) clips");
    }

    @Test
    void humAndNoiseAreRefused() {
        assertThatThrownBy(() -> back(recorded((v, at) -> device(v, at) + 0.01 * Math.sin(2 * Math.PI * 50 * at))))
                .isInstanceOf(InputFault.class).hasMessageContaining("noise or hum");
    }

    @Test
    void theFirstRepeatOfTheTickIsFoundHoweverTheRestRepeats() {
        SendThrough echo = new SendThrough(GearKind.ECHO, 2, 1);
        float[] dry = echo.pass();
        int n = (int) (0.4503 * RATE_HZ);
        float[] wet = Arrays.copyOf(dry, dry.length);
        for (int i = n; i < wet.length; i++) wet[i] += 0.4f * wet[i - n];
        assertThat(echo.repeatS(wet).orElseThrow()).isCloseTo(0.4503, within(0.0003));
        assertThat(echo.repeatS(dry)).isEmpty();
    }
}
