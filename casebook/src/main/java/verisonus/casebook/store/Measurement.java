package verisonus.casebook.store;

import java.util.List;
import verisonus.casebook.words.EvidenceSentences;

/**
 * What was measured in a region.
 *
 * @param findings as sentences with their plots
 * @param document the findings as {@code verisonus.evidence/1}
 */
public record Measurement(List<EvidenceSentences> findings, String document) {
    public Measurement {
        findings = List.copyOf(findings);
    }
}
