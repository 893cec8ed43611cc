package verisonus.casebook.words;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import org.junit.jupiter.api.Test;
import verisonus.core.evidence.Examination;
import verisonus.core.evidence.signs.Presence;
import verisonus.core.sound.Sound;
import verisonus.core.work.Progress;

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

    /** The same notes, swayed in level. */
    private static Sound swayed(double hz, double depth) {
        float[] x = new float[48000 * 7];
        for (int i = 0; i < x.length; i++) {
            double t = i / 48000.0;
            double u = t % 1.3;
            double gain = 1 - depth * (0.5 + 0.5 * Math.sin(2 * Math.PI * hz * t));
            for (int p = 1; p < 9; p++)
                x[i] += (float) (0.15 / p * gain * Math.exp(-u) * Math.sin(2 * Math.PI * 147 * p * u));
        }
        return Sound.mono(x, 48000);
    }

    @Test
    void aTremoloIsSaidWithRateAndDepth() {
        EvidenceSentences m = topic(EvidenceSentences.of(Examination.of(swayed(5, 0.6), Progress.NONE)), "Movement");
        assertThat(m.sentence()).startsWith("Tremolo at 5.0").endsWith("% deep.");
        assertThat(m.confidence().orElseThrow()).isGreaterThan(0.6);
    }

    @Test
    void stillnessIsSaidToo() {
        EvidenceSentences m = topic(EvidenceSentences.of(Examination.of(swayed(5, 0), Progress.NONE)), "Movement");
        assertThat(m.sentence()).isIn("No steady sway.", "Cannot tell whether something sways.");
    }

    @Test
    void dirtIsSaidInWordsThatFollowTheIndex() {
        float[] x = new float[48000 * 5];
        for (int i = 0; i < x.length; i++) {
            double t = i / 48000.0;
            x[i] = (float) (0.5 * Math.tanh(40 * Math.exp(-3 * (t % 0.5)) * Math.sin(2 * Math.PI * 150 * t)));
        }
        EvidenceSentences hard = topic(EvidenceSentences.of(Examination.of(Sound.mono(x, 48000), Progress.NONE)),
                "Dirt");
        assertThat(hard.sentence()).containsAnyOf("Crunchy", "Heavily driven", "Saturated").contains("index 0.");
        EvidenceSentences soft = topic(EvidenceSentences.of(Examination.of(swayed(5, 0), Progress.NONE)), "Dirt");
        double a = Double.parseDouble(hard.sentence().replaceAll("[^0-9.]", "").replaceAll("\\.$", ""));
        double b = Double.parseDouble(soft.sentence().replaceAll("[^0-9.]", "").replaceAll("\\.$", ""));
        assertThat(a).isGreaterThan(b);
    }

    @Test
    void topicsStandInWorkingOrderOnceEach() {
        List<String> topics = of(220, false).stream().map(EvidenceSentences::topic).toList();
        assertThat(topics).startsWith("Echo", "Space", "Movement", "Dirt", "Colour").doesNotHaveDuplicates();
    }
}
