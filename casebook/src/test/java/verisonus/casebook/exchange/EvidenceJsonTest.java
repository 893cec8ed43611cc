package verisonus.casebook.exchange;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;
import verisonus.casebook.words.EvidenceSentences;
import verisonus.core.evidence.Evidence;
import verisonus.core.evidence.Examination;
import verisonus.core.evidence.signs.Presence;
import verisonus.core.sound.Sound;
import verisonus.core.work.Progress;

class EvidenceJsonTest {
    /** One note of a second: too short for a pulse, and for most of what comes back. */
    private static Evidence oneNote() {
        float[] x = new float[48000];
        for (int i = 0; i < x.length; i++) {
            double t = i / 48000.0;
            for (int p = 1; p < 9; p++)
                x[i] += (float) (0.1 / p * Math.exp(-2 * t) * Math.sin(2 * Math.PI * 147 * p * t));
        }
        return Examination.of(Sound.mono(x, 48000), Progress.NONE);
    }

    @Test
    void whatCannotBeToldHasNoConfidence() {
        Evidence e = oneNote();
        JsonNode out = EvidenceJson.write("one.wav", 0, 1, 48000, 1, e);
        for (String topic : new String[]{"echo", "reverb", "modulation", "hum", "tuning", "tempo"}) {
            JsonNode said = out.path(topic);
            assertThat(said.has("confidence")).as(topic).isTrue();
            boolean told = switch (topic) {
                case "tuning" -> e.tuning().presence() != Presence.UNKNOWN;
                case "tempo" -> e.tempo().presence() != Presence.UNKNOWN;
                default -> !said.path("present").isNull();
            };
            assertThat(said.path("confidence").isNull()).as(topic).isEqualTo(!told);
        }
        assertThat(out.path("tempo").path("confidence").isNull()).isTrue();
    }

    @Test
    void theListShowsNoFigureForItEither() {
        assertThat(EvidenceSentences.of(oneNote())).filteredOn(s -> s.presence() == Presence.UNKNOWN).isNotEmpty()
                .allSatisfy(s -> assertThat(s.confidence()).isEmpty());
    }
}
