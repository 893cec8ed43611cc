package verisonus.casebook.words;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import org.junit.jupiter.api.Test;
import verisonus.casebook.exchange.EvidenceJson;
import verisonus.casebook.exchange.Json;
import verisonus.core.evidence.Evidence;
import verisonus.core.evidence.Examination;
import verisonus.core.evidence.signs.Presence;
import verisonus.core.evidence.words.Claim;
import verisonus.core.evidence.words.Trait;
import verisonus.core.sound.Sound;
import verisonus.core.work.Progress;

class FindingsCsvTest {
    private static EvidenceSentences finding(String topic, String sentence, Presence presence,
            OptionalDouble confidence) {
        return new EvidenceSentences(topic, sentence, "", "why, so", confidence, presence, Optional.empty());
    }

    @Test
    void everyFindingIsARowUnderAHeader() {
        String csv = FindingsCsv.write(List.of(
                finding("Echo", "One repeat after 286.0 ms, 7.0 dB under the note.", Presence.PRESENT,
                        OptionalDouble.of(0.9)),
                finding("Space", "Cannot tell.", Presence.UNKNOWN, OptionalDouble.empty())),
                t -> t.equals("Echo") ? "accepted" : "");
        assertThat(csv.lines()).containsExactly("topic,present,finding,remark,confidence,reason,player",
                "Echo,yes,\"One repeat after 286.0 ms, 7.0 dB under the note.\",,0.90,\"why, so\",accepted",
                "Space,cannot tell,Cannot tell.,,,\"why, so\",");
    }

    @Test
    void theDocumentGivesTraitsAndJudgementsBack() {
        float[] x = new float[48000 * 4];
        for (int i = 0; i < x.length; i++) {
            double t = i / 48000.0;
            x[i] = (float) (0.25 * Math.exp(-4 * (t % 0.4)) * Math.sin(2 * Math.PI * 220 * t));
        }
        Evidence e = Examination.of(Sound.mono(x, 48000), Progress.NONE);
        String document = Json.text(EvidenceJson.write("x.wav", 0, 4, 48000, 4, e));
        assertThat(EvidenceJson.traits("x", document).keySet()).isEqualTo(Trait.of(e).keySet());
        for (Claim.Says says : Claim.Says.values()) {
            assertThat(EvidenceJson.judgement("x", document, says))
                    .isEqualTo(new Claim(says, "", Claim.Certainty.LIKELY).judge(e));
        }
        assertThat(EvidenceJson.judgement("x", "{}", Claim.Says.ECHO).standing()).isEqualTo(Claim.Standing.UNDECIDED);
    }
}
