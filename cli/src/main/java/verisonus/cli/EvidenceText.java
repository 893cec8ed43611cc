package verisonus.cli;

import java.util.List;
import verisonus.casebook.words.EvidenceSentences;
import verisonus.core.evidence.Evidence;

/** Evidence as lines for people. */
record EvidenceText(Evidence evidence) {
    List<String> lines() {
        return EvidenceSentences.of(evidence).stream()
                .map(s -> String.format("%-10s %s%s", s.topic(), s.sentence(), s.confidence().isPresent()
                        ? String.format(" (%.0f %% sure)", 100 * s.confidence().getAsDouble())
                        : ""))
                .toList();
    }
}
