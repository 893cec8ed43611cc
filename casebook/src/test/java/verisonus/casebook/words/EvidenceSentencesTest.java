package verisonus.casebook.words;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import org.junit.jupiter.api.Test;
import verisonus.core.evidence.Examination;
import verisonus.core.evidence.Presence;
import verisonus.core.fault.Progress;
import verisonus.core.sound.Sound;

class EvidenceSentencesTest {
    private static List<EvidenceSentences> of(double hz, boolean stereo) {
        float[] x = new float[48000 * 4];
        for (int i = 0; i < x.length; i++) {
            double t = i / 48000.0;
            x[i] = (float) (0.25 * Math.exp(-4 * (t % 0.4)) * Math.sin(2 * Math.PI * hz * t));
        }
        Sound s = stereo ? Sound.stereo(x, x, 48000) : Sound.mono(x, 48000);
        return EvidenceSentences.of(Examination.of(s, Progress.NONE));
    }

    private static EvidenceSentences topic(List<EvidenceSentences> all, String topic) {
        return all.stream().filter(s -> s.topic().equals(topic)).findFirst().orElseThrow();
    }

    @Test
    void everyFindingIsASentence() {
        for (EvidenceSentences s : of(220, false)) {
            assertThat(s.sentence()).as(s.topic()).endsWith(".");
            assertThat(s.sentence().charAt(0)).isNotEqualTo(Character.toLowerCase('x'));
        }
    }

    @Test
    void pitchIsSaidInCentsWithItsDirection() {
        assertThat(topic(of(440 * Math.pow(2, 20 / 1200.0), false), "Pitch").sentence()).contains("sharp");
        assertThat(topic(of(440 * Math.pow(2, -20 / 1200.0), false), "Pitch").sentence()).contains("flat");
        assertThat(topic(of(440, false), "Pitch").sentence()).contains("In tune");
    }

    @Test
    void absentIsSaidAsAbsent() {
        EvidenceSentences echo = topic(of(220, false), "Echo");
        assertThat(echo.presence()).isNotEqualTo(Presence.PRESENT);
        assertThat(topic(of(220, false), "Hum").sentence()).isEqualTo("No hum.");
    }

    @Test
    void widthTellsMonoFromTwoEqualChannels() {
        assertThat(topic(of(220, false), "Width").sentence()).isEqualTo("Mono.");
        assertThat(topic(of(220, true), "Width").remark()).isEqualTo("as good as mono");
    }
}
