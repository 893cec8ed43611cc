package verisonus.casebook.exchange;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.random.RandomGenerator;
import java.util.random.RandomGeneratorFactory;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import verisonus.casebook.words.EvidenceSentences;
import verisonus.core.compare.GapLedger;
import verisonus.core.evidence.Evidence;
import verisonus.core.evidence.Examination;
import verisonus.core.sound.Sound;
import verisonus.core.work.InputFault;
import verisonus.core.work.Progress;

/** What was measured can be computed with again. */
class MeasuredJsonTest {
    private static Evidence evidence;
    private static Evidence again;

    /** Three seconds of decaying notes with an echo of 300 ms and some hiss. */
    @BeforeAll
    static void measure() {
        RandomGenerator random = RandomGeneratorFactory.of("L64X128MixRandom").create(7);
        float[] x = new float[3 * 48000];
        for (int i = 0; i < x.length; i++) {
            double u = i % 24000 / 48000.0;
            double hz = 110 * (1 + i / 24000);
            x[i] = (float) (0.3 * Math.exp(-4 * u) * Math.sin(2 * Math.PI * hz * u) + 1e-4 * random.nextGaussian());
        }
        for (int i = 14400; i < x.length; i++) x[i] += 0.3f * x[i - 14400];
        evidence = Examination.of(Sound.mono(x, 48000), Progress.NONE);
        again = MeasuredJson.read("test", MeasuredJson.write(evidence));
    }

    @Test
    void nothingIsRounded() {
        assertThat(MeasuredJson.write(again)).isEqualTo(MeasuredJson.write(evidence));
        assertThat(again.level()).isEqualTo(evidence.level());
        assertThat(again.spectrum().levelDb()).isEqualTo(evidence.spectrum().levelDb());
    }

    @Test
    void aGapToWhatWasReadBackIsNone() {
        GapLedger gap = GapLedger.between(evidence, again);
        assertThat(gap.rows()).isNotEmpty().allSatisfy(r -> assertThat(r.difference()).isZero());
    }

    @Test
    void theSameSentencesAreMadeOfIt() {
        assertThat(EvidenceSentences.of(again)).extracting(EvidenceSentences::sentence)
                .isEqualTo(EvidenceSentences.of(evidence).stream().map(EvidenceSentences::sentence).toList());
        assertThat(EvidenceJson.write("f", 0, 3, 48000, 3, again))
                .isEqualTo(EvidenceJson.write("f", 0, 3, 48000, 3, evidence));
    }

    @ParameterizedTest
    @ValueSource(strings = {"{}", "{\"schema\":\"verisonus.measured/2\",\"evidence\":{}}",
            "{\"schema\":\"verisonus.measured/1\",\"evidence\":{\"durationS\":\"long\"}}", "[]", "no JSON"})
    void whatIsNoMeasurementIsRefusedByName(String text) {
        assertThatThrownBy(() -> MeasuredJson.read("the book", text)).isInstanceOf(InputFault.class)
                .hasMessageContaining("the book");
    }
}
