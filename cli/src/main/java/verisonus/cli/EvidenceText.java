package verisonus.cli;

import java.util.List;
import verisonus.casebook.words.EvidenceSentences;
import verisonus.core.evidence.Evidence;
import verisonus.core.work.Figures;

/** Evidence as lines for people. */
record EvidenceText(Evidence evidence) {
    List<String> lines() {
        return EvidenceSentences.of(evidence).stream()
                .map(s -> Figures.of("%-10s %s%s", s.topic(), s.sentence(), s.confidence().isPresent()
                        ? Figures.of(" (%.0f %% sure)", 100 * s.confidence().getAsDouble())
                        : ""))
                .toList();
    }
}
